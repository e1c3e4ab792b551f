# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe MossyAnvil::Server::Services::Archive, :server do
  before { ServerHelper.load_demo(clock.now) }

  def out
    ask("GET", "/api/shop/archive")
    expect(last_response.headers).to include(
      "content-type" => "application/zip",
      "content-disposition" => 'attachment; filename="tern-quay-turnery.zip"'
    )
    last_response.body
  end

  def take_back(bytes, query = "")
    task = work("POST", "/api/shop/archive#{query}", bytes, type: "application/zip")
    expect(task["state"]).to eq("ended"), last_response.body
    expect(ServerHelper.contract.faults("TakenIn", task["result"])).to eq([])
    task["result"]
  end

  # What is wrong with an archive, fault by fault; nothing of it is kept.
  def refused(bytes)
    before = %i[blanks lathes journal cards photographs products].to_h { |table| [table, db[table].count] }
    task = work("POST", "/api/shop/archive", bytes, type: "application/zip")
    expect(task).to include("state" => "failed", "problem" => include("status" => 422))
    expect(before.keys.to_h { |table| [table, db[table].count] }).to eq(before)
    task["problem"]["errors"]
  end

  # All that is kept, whatever ids it has.
  def everything
    columns = %i[key kind stage speed_rpm note logged_at].map { |name| Sequel[:journal][name] }
    journals = db[:journal].join(:blanks, id: :blank_id).select_map([:number, *columns]).sort_by(&:to_s)
    documents =
      MossyAnvil::Server::Store::Blanks.new(db).then { |blanks| blanks.ids.map { |id| blanks.find(id)[:document] } }
    shops = MossyAnvil::Server::Store::Shops.new(db)
    pictures =
      db[:photographs]
        .join(:blanks, id: :blank_id)
        .order(:number, :sha256)
        .select_map(%i[number sha256 view caption mm_per_share hidden taken_at])
    shelf =
      MossyAnvil::Server::Store::Stocks
        .new(db)
        .products
        .map { |product| product.except(:id).merge(lots: product[:lots].map { |lot| lot.except(:id) }) }
    [
      documents,
      journals,
      shops.current,
      shops.lathes,
      shops.equipment,
      MossyAnvil::Server::Store::People.new(db).all.map { |person| person.except(:id) },
      pictures,
      shelf,
      db[:records].order(:id).select_map(%i[kind of value]),
      MossyAnvil::Server::Store::Ledger.new(db).rows.map { |row| row.except(:id) }
    ]
  end

  def close(number)
    id = db[:blanks].where(number: number).get(:id)
    ending = {
      outcome: "sold",
      ended_on: "2030-05-01",
      price: 30.0,
      hours: {
        survey: 0,
        mend: 0,
        turn: 1.5,
        finish: 0.5
      },
      rate: 12.0,
      blank_cost: 3.0,
      materials_cost: 1.0,
      lessons: "Keep it wet."
    }
    ask("PUT", "/api/blanks/#{id}/ending", ending)
    expect(last_response.status).to eq(200), last_response.body
  end

  def repacked(bytes)
    entries =
      Zip::File.open_buffer(StringIO.new(bytes)).entries.to_h { |entry| [entry.name, entry.get_input_stream.read] }
    yield entries
    Zip::OutputStream
      .write_buffer { |zip| entries.each { |name, text| zip.put_next_entry(name) && zip.write(text) } }
      .string
  end

  it "carries the whole shop out and back into an empty one" do
    db[:records].insert(kind: "cure_factor", of: "casting_epoxy", value: 1.2, recorded_at: Time.now)
    close(42)
    before = everything
    bytes = out
    MossyAnvil::Server::Store::Shops.new(db).clear
    report = take_back(bytes)
    expect(report["taken_in"]).to eq(
      db[:blanks].order(:number).select_map(%i[id number name]).map { |row| %w[id number name].zip(row).to_h }
    )
    expect(report.except("taken_in")).to eq("already_here" => 0, "differ" => [], "cards_left" => [], "renumbered" => [])
    expect(everything).to eq(before)
  end

  it "carries a card that is being worked: its ticks, its clocks, and what it still holds of the shelf" do
    id = db[:blanks].where(number: 35).get(:id)
    ask("POST", "/api/blanks/#{id}/card", { key: SecureRandom.uuid })
    card = answer_as("Card")
    lines = card["steps"].flat_map { |step| step["lines"] }
    upto = lines.index { |line| line["kind"] == "weigh" }
    mark = ->(line, **said) do
      ask("POST", "/api/cards/#{card["id"]}/marks", { key: SecureRandom.uuid, line: line["key"], **said })
    end
    lines.first(upto).each { |line| mark[line, kind: "done"] }
    mark[lines[upto], kind: "done", value: 100]
    timed = lines.find { |line| line["kind"] == "timer" }
    mark[timed, kind: "started"]
    before = answer_as("Card")
    held = MossyAnvil::Server::Store::Stocks.new(db).reserved
    bytes = out
    MossyAnvil::Server::Store::Shops.new(db).clear
    take_back(bytes)
    ask("GET", "/api/blanks/#{db[:blanks].where(number: 35).get(:id)}/card")
    after = answer_as("MaybeCard")["card"]
    expect(after.except("id", "blank_id")).to eq(before.except("id", "blank_id"))
    expect(MossyAnvil::Server::Store::Stocks.new(db).reserved).to eq(held)
    ask("POST", "/api/cards/#{after["id"]}/marks", { key: SecureRandom.uuid, line: timed["key"], kind: "done" })
    expect(
      answer_as("Card")["steps"].flat_map { |step| step["lines"] }.find { |line| line["key"] == timed["key"] }[
        "done_at"
      ]
    ).not_to be_nil
  end

  # Opens a card of No. 35; its number here.
  def opened_card
    id = db[:blanks].where(number: 35).get(:id)
    ask("POST", "/api/blanks/#{id}/card", { key: SecureRandom.uuid })
    answer_as("Card")["id"]
  end

  it "goes on with a card whose blank is here already, unless it stands otherwise or is worked here; that is said" do
    opened_card
    bytes = out
    expect(take_back(bytes)).to include("cards_left" => [])
    db.run("TRUNCATE cards CASCADE")
    expect(take_back(bytes)).to include("taken_in" => [], "cards_left" => [])
    expect(db[:cards].where(ended_at: nil).count).to eq(1)
    db.run("TRUNCATE cards CASCADE")
    own = opened_card
    expect(take_back(bytes)).to include("cards_left" => ["Six coat-pegs"])
    expect(db[:cards].select_map(:id)).to eq([own])
  end

  it "carries one blank as a parcel: photographs, journal and card with it, into any shop, and no shop" do
    id = db[:blanks].where(number: 35).get(:id)
    picture = Vips::Image.black(40, 30, bands: 3).add(90).cast(:uchar).jpegsave_buffer
    ask("POST", "/api/blanks/#{id}/photographs?view=head_face", picture, type: "image/jpeg")
    opened_card
    said = [
      db[:photographs].where(blank_id: id).select_map(%i[sha256 view]),
      db[:journal].where(blank_id: id).order(:id).select_map(%i[key note])
    ]
    ask("GET", "/api/blanks/#{id}/export?as=parcel")
    expect(last_response.headers).to include(
      "content-type" => "application/zip",
      "content-disposition" => 'attachment; filename="35-six-coat-pegs.zip"'
    )
    bytes = last_response.body
    expect(Zip::File.open_buffer(StringIO.new(bytes)).entries.map(&:name)).to all(
      match(/parcel\.json|35-six-coat-pegs/)
    )
    MossyAnvil::Server::Store::Shops.new(db).clear
    report = take_back(bytes)
    here = report["taken_in"].first["id"]
    expect(report["taken_in"]).to eq([{ "id" => here, "number" => 35, "name" => "Six coat-pegs" }])
    expect(
      [
        db[:photographs].where(blank_id: here).select_map(%i[sha256 view]),
        db[:journal].where(blank_id: here).order(:id).select_map(%i[key note])
      ]
    ).to eq(said)
    expect(db[:cards].where(blank_id: here, ended_at: nil).count).to eq(1)
    expect(db[:shop].count).to eq(0)
  end

  it "names what is wrong with a card it is to take in" do
    ask("POST", "/api/blanks/#{db[:blanks].where(number: 35).get(:id)}/card", { key: SecureRandom.uuid })
    whole = out
    {
      ->(card) { card["document"]["shape"]["width_mm"] = -4 } =>
        %r{\A/cards/35-six-coat-pegs-\d+\.json/document/shape/width_mm},
      ->(card) { card["steps"][0]["lines"][0]["minutes"] = [1] } => %r{/steps/0/lines/0/minutes},
      ->(card) { card["marks"] = [{ "key" => "x" }] } => %r{/marks/0}
    }.each do |spoil, pointer|
      bad =
        repacked(whole) do |entries|
          name = entries.keys.grep(/cards/).first
          entries[name] = JSON.generate(JSON.parse(entries[name]).tap(&spoil))
        end
      expect(refused(bad).first["pointer"]).to match(pointer)
    end
  end

  it "adds to a running shop only what it has not, however often" do
    bytes = out
    before = everything
    2.times { expect(take_back(bytes)).to include("taken_in" => [], "already_here" => 12, "differ" => []) }
    expect(everything).to eq(before)
  end

  it "leaves a blank that changed since as it is, says so, and takes the other version in as a copy if asked" do
    bytes = out
    db[:blanks].where(number: 36).update(moisture_pct: 7.5)
    expect(take_back(bytes)).to include("differ" => ["Turntable"], "taken_in" => [])
    expect(db[:blanks].where(number: 36).get(:moisture_pct)).to eq(7.5)
    expect(take_back(bytes, "?differs=copy")).to include(
      "differ" => [],
      "taken_in" => [a_hash_including("number" => 43)],
      "renumbered" => [{ "name" => "Turntable", "from" => 36, "to" => 43 }]
    )
  end

  it "gives a stranger with a number that is taken the next free one, and the blank its readings and journal back" do
    bytes = out
    db.run("TRUNCATE journal, readings")
    db[:blanks].where(number: 40).update(name: "Something else")
    expect(take_back(bytes)).to include(
      "taken_in" => [a_hash_including("name" => "Latch knob")],
      "renumbered" => [{ "name" => "Latch knob", "from" => 40, "to" => 43 }]
    )
    expect(db[:readings].join(:blanks, id: :blank_id).where(number: 39).count).to be > 8
    expect(db[:journal].count).to be > 20
  end

  it "takes in all or nothing: one bad blank, and it is named by its file" do
    bad = repacked(out) { |entries| entries.transform_values! { |text| text.sub('"hornbeam"', '""') } }
    MossyAnvil::Server::Store::Shops.new(db).clear
    expect(refused(bad).first["pointer"]).to match(%r{\A/blanks/32-donation-bowl-\d+\.anvil\.json/material/species\z})
    expect(db[:blanks].count + db[:lathes].count).to eq(0)
  end

  {
    "is no zip" => ["nothing", /no zip/],
    "holds something else" => [->(entries) { entries["evil.rb"] = "puts 1" }, /holds "evil.rb"/],
    "climbs out of its folder" => [->(entries) { entries["blanks/../../x.anvil.json"] = "{}" }, /holds "blanks/],
    "has no shop" => [->(entries) { entries.delete("shop.json") }, /neither shop.json nor parcel.json/],
    "swells when unpacked" => [->(entries) { entries["blanks/x.anvil.json"] = " " * 9_000_000 }, /larger than/],
    "has a picture changed on the way" => [
      ->(entries) { entries.each { |name, bytes| bytes << "x" if name.end_with?(".jpg") } },
      /another picture than its name says/
    ],
    "has lost a picture it speaks of" => [
      ->(entries) { entries.delete_if { |name, _| name.end_with?(".jpg") } },
      /is not in the archive/
    ],
    "has a lathe of no weight" => [
      ->(entries) { entries["shop.json"].sub!('"mass_kg": 210', '"mass_kg": 0') },
      /at least 1/
    ],
    "has an entry of no time" => [
      ->(entries) do
        entries.each { |name, text| text.gsub!(/"logged_at": "\w+/, '"logged_at": "x') if name.start_with?("journals") }
      end,
      /logged_at|pattern|text/
    ]
  }.each do |name, (change, message)|
    it "that #{name} is refused" do
      bytes = change.is_a?(String) ? change : repacked(out, &change)
      expect(refused(bytes).first.values.join(" ")).to match(message)
    end
  end
end
