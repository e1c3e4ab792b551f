# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe MossyAnvil::Server::Services::Brief do
  let(:now) { Time.utc(2030, 5, 1) }

  def brief(move, **more) = described_class.new({ next_move: { key: "move.mount", **move } }, now: now, **more).to_h

  it "has no wait where a hand can go on" do
    expect(brief({ ready: true, station: "turn", amounts: {} })).to eq(
      ready: true,
      note: "turn",
      state: "mount",
      wait_started_at: nil,
      wait_earliest_at: nil,
      wait_ends_at: nil
    )
  end

  it "waits from the first reading to the likely day" do
    move = { ready: false, station: "mend", amounts: { left: { value: 10.0, unit: "days" } } }
    expect(brief(move, started_at: now - (20 * 86_400))).to include(
      wait_started_at: Time.utc(2030, 4, 11),
      wait_ends_at: Time.utc(2030, 5, 11)
    )
    expect(brief(move)).to include(wait_started_at: now)
  end

  it "is not ready, and has no end, where nobody knows when" do
    expect(brief({ ready: false, station: "mend", amounts: {} })).to include(ready: false, wait_ends_at: nil)
  end
end

RSpec.describe MossyAnvil::Server::Services::RackPlace do
  let(:row) do
    {
      id: 1,
      number: 7,
      name: "Bowl",
      version: 1,
      ready: false,
      note: "mend",
      state: "dry",
      shape_type: "disc",
      diameter_mm: 200.0,
      length_mm: 60.0,
      wait_started_at: Time.utc(2030, 5, 1),
      wait_ends_at: Time.utc(2030, 5, 11),
      outside: nil
    }
  end

  def place(now, **changes) = described_class.new(row.merge(changes), now).to_h

  it "closes its ring as the wait runs out, and is ready when it has" do
    expect(place(Time.utc(2030, 5, 4))[:wait]).to include(days_left: 7.0, share_done: 0.3)
    expect(place(Time.utc(2030, 5, 11))).to include(ready: true, wait: nil, late_days: nil, state: "dry")
  end

  it "is late by whole days once its wait is over and nothing was done, and never where it waits for nothing" do
    expect(place(Time.utc(2030, 5, 14, 6))).to include(late_days: 3)
    expect(place(Time.utc(2030, 5, 8))).to include(late_days: nil)
    expect(place(Time.utc(2030, 5, 14), wait_ends_at: nil)).to include(late_days: nil)
  end

  it "draws each shape as it lies between the centres" do
    expect(place(Time.utc(2030, 5, 1))[:silhouette]).to eq([[0, 100], [60, 100]])
    block = place(Time.utc(2030, 5, 1), shape_type: "block", diameter_mm: nil, height_mm: 80.0)
    expect(block[:silhouette]).to eq([[0, 40], [60, 40]])
    stations = [{ "z_mm" => 0, "radii_mm" => [30, 50] }, { "z_mm" => 90, "radii_mm" => [20, 25] }]
    expect(place(Time.utc(2030, 5, 1), shape_type: "outline", stations: stations)[:silhouette]).to eq(
      [[0, 50], [90, 25]]
    )
  end

  it "draws the form it is to become" do
    expect(place(Time.utc(2030, 5, 1), outside: [[0, 30], [60, 90]], curve: "straight")[:becomes]).to include(
      [0, 30],
      [30, 60],
      [60, 90]
    )
  end
end

RSpec.describe MossyAnvil::Server::Contract do
  it "tells how long a list is that is far too long" do
    faults = described_class.own.faults("TapRing", { "decays_ms" => [12.5] * 100_000 })
    expect(faults.map { |fault| [fault.path, fault.problem.to_s] }).to eq([["/decays_ms", "is a list of 100000"]])
  end

  let(:contract) { described_class.new }

  it "names what is missing, unknown, or out of range" do
    expect(contract.faults("NewEntry", { "kind" => "dance", "colour" => 1 }).map(&:path)).to contain_exactly(
      "/key",
      "/kind",
      "/colour"
    )
    expect(contract.faults("SavedBlank", { "version" => 0, "document" => {} }).map(&:to_s)).to eq(
      ["/version: is 0: at least 1"]
    )
  end

  it "has an operation and a problem for every route the server answers" do
    paths = YAML.safe_load_file(described_class::PATH)["paths"]
    served =
      MossyAnvil::Server::App
        .routes
        .slice("POST", "PUT")
        .flat_map do |method, routes|
          routes.map { |pattern, *| [method.downcase, pattern.to_s.gsub(/:(\w+)/, '{\1}')] }
        end
    expect(served).not_to be_empty
    served.each { |method, path| expect(paths.dig(path, method, "responses").keys).to include("422") }
  end

  it "is what docs/api.md says" do
    expect(system(File.join(MossyAnvil::Server::ROOT, "bin/docs"), "--check")).to be(true), "run bin/docs"
  end

  it "holds the demo's blank files" do
    inline = described_class.new(documents: :inline)
    Dir[File.join(MossyAnvil::Server::Services::Demo::FOLDER, "*.anvil.json")].each do |path|
      expect(inline.faults("Document", JSON.parse(File.read(path)))).to eq([])
    end
  end
end

RSpec.describe MossyAnvil::Server::Store::Blanks, :server do
  let(:store) { described_class.new(db) }
  let(:brief) { { ready: true, note: "form", state: "draw_form", wait_started_at: nil, wait_ends_at: nil } }

  def document(**changes) = JSON.parse(JSON.generate(blank_data(**changes)))

  it "keeps one lathe for all the blanks that go on it" do
    2.times { store.take_in(document, brief) }
    store.take_in(document(lathe: BlankHelper::LATHE.merge("mass_kg" => 90)), brief)
    expect(db[:lathes].count).to eq(2)
  end

  it "stores nothing of a blank where any part of it fails" do
    twice = document(defects: [crack, crack])
    expect { store.take_in(twice, brief) }.to raise_error(Sequel::UniqueConstraintViolation)
    expect(db[:blanks].count + db[:defects].count).to eq(0)
  end

  it "leaves a blank whole where a save fails half way" do
    kept = store.take_in(document(defects: [crack], form: BlankHelper::BOWL), brief)
    expect { store.save(kept[:id], 1, document(defects: [crack, crack]), brief) }.to raise_error(
      Sequel::UniqueConstraintViolation
    )
    expect(store.find(kept[:id])).to eq(kept)
  end

  it "lets one of two savers win and tells the other" do
    kept = store.take_in(document, brief)
    results =
      %w[one other]
        .map do |name|
          Thread.new do
            store.save(kept[:id], 1, document(name: name), brief)[:document]["name"]
          rescue MossyAnvil::Server::Stale => e
            e.current[:document]["name"]
          end
        end
        .map(&:value)
    expect(results.uniq.size).to eq(1)
    expect(db[:blanks].get(:version)).to eq(2)
  end

  it "sorts the rack by number, the unnumbered last" do
    [nil, 9, 2].each { |number| store.take_in(document(**(number ? { number: number } : {})), brief) }
    expect(store.rack.map { |row| row[:number] }).to eq([2, 9, nil])
  end
end

RSpec.describe "The demo's blank files", :server do
  Dir[File.join(MossyAnvil::Server::Services::Demo::FOLDER, "*.anvil.json")].each do |path|
    it "#{File.basename(path)} goes in and comes out the same, and can be reckoned" do
      document = JSON.parse(File.read(path))
      kept =
        MossyAnvil::Server::Store::Blanks.new(db).take_in(
          document,
          { ready: true, note: "form", state: "draw_form", wait_started_at: nil, wait_ends_at: nil }
        )
      expect(JSON.parse(JSON.generate(kept[:document]))).to eq(document)
      stages = MossyAnvil::Report::Assessment.new(MossyAnvil::Formats::BlankFile.read(File.read(path))).to_h[:stages]
      expect(stages.values.map { |stage| stage[:mass_g] }).to all(be_positive)
    end
  end

  it "are twelve, each with a number of its own" do
    numbers =
      Dir[File.join(MossyAnvil::Server::Services::Demo::FOLDER, "*.anvil.json")].map do |path|
        JSON.parse(File.read(path))["number"]
      end
    expect(numbers.sort).to eq((31..42).to_a)
  end
end

RSpec.describe "Coming from an older database", :server do
  # The migration of that number, applied anew.
  def migrate(number)
    Sequel.extension(:migration)
    load(Dir[File.join(MossyAnvil::Server::ROOT, "server", "migrations", "#{number}_*.rb")].first)
    Sequel::Migration.descendants.pop.apply(db, :up)
  end

  it "reads how far off the middle the wood lay as a place in the mould, and leaves other plans alone" do
    mould = { "type" => "box", "width_mm" => 260.0, "length_mm" => 260.0, "depth_mm" => 70.0 }
    steps = [{ "id" => "dry", "do" => "dry", "to_pct" => 10 }, { "id" => "cast", "do" => "cast", "mould" => mould }]
    cast, plain, none =
      Array.new(3) { |index| take_in(number: 60 + index, **(index < 2 ? { mend: { steps: steps } } : {}))["id"] }
    old = { "steps" => [steps[0], steps[1].merge("offset_mm" => 4.5)] }
    db[:blanks].where(id: cast).update(mend: Sequel.pg_jsonb_wrap(old))
    migrate("008")
    kept = ->(id) { MossyAnvil::Server::Store::Blanks.new(db).find(id)[:document]["mend"] }
    expect(kept[cast]["steps"]).to eq([steps[0], steps[1].merge("placed" => { "x_mm" => 4.5 })])
    expect([kept[plain]["steps"], kept[none]]).to eq([steps, nil])
  end
end
