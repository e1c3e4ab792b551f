# frozen_string_literal: true

require "vips"
require_relative "server_helper"

RSpec.describe "What a shop can keep", :server do
  before { db[:que_jobs].delete }

  def out
    ask("GET", "/api/shop/archive")
    expect(last_response.status).to eq(200), logged.last(2).to_s
    last_response.body
  end

  # Takes an archive into an empty shop; what came of it.
  def back(bytes)
    MossyAnvil::Server::Store::Shops.new(db).clear
    task = work("POST", "/api/shop/archive", bytes, type: "application/zip")
    expect(task["state"]).to eq("ended"), task["problem"].to_s
    task["result"]
  end

  def counts(*tables) = tables.to_h { |table| [table, db[table].count] }

  # As large a picture as is kept: noise does not shrink.
  def large_picture
    noise = Vips::Image.gaussnoise(2400, 2400, mean: 128, sigma: 90)
    noise.bandjoin([noise.rot90, noise.rot180]).cast(:uchar).copy(interpretation: :srgb).jpegsave_buffer(Q: 90)
  end

  it "goes out and comes in again: a photograph over two million bytes" do
    id = take_in["id"]
    ask("POST", "/api/blanks/#{id}/photographs?view=other", large_picture, type: "image/jpeg")
    expect(last_response.status).to eq(201), last_response.body
    size = db[:photographs].get(Sequel.function(:octet_length, :bytes))
    expect(size).to be > 2_000_000
    ask("GET", "/api/blanks/#{id}/export?as=parcel")
    parcel = last_response.body
    [out, parcel].each do |bytes|
      expect(back(bytes)["taken_in"].size).to eq(1)
      expect(db[:photographs].get(Sequel.function(:octet_length, :bytes))).to eq(size)
    end
  end

  it "goes out and comes in again: a journal of more entries than are in one file, with the longest notes" do
    id = take_in["id"]
    db.run(
      "INSERT INTO journal (blank_id, key, kind, note, logged_at) " \
        "SELECT #{id}, gen_random_uuid(), 'note', repeat('é', 2000), now() - turn * interval '1 minute' FROM generate_series(1, 5500) turn"
    )
    bytes = out
    expect(Zip::File.open_buffer(StringIO.new(bytes)).entries.map(&:name).grep(/journals/).size).to eq(2)
    back(bytes)
    expect([db[:journal].count, db[:journal].select(:key).distinct.count]).to eq([5500, 5500])
  end

  # PROOF_FILES=105 makes more than four thousand of it, which takes its minutes.
  it "goes out and comes in again: many blanks, each with as many photographs as it may have" do
    many = Integer(ENV.fetch("PROOF_FILES", "12"))
    blanks = MossyAnvil::Server::Store::Blanks.new(db)
    ids =
      Array.new(many) do |turn|
        blanks.take_in(
          JSON.parse(JSON.generate(blank_data(number: turn + 1))),
          { ready: true, note: "survey", state: "survey" }
        )[
          :id
        ]
      end
    40.times do |turn|
      picture =
        MossyAnvil::Server::Services::Picture.new(
          (Vips::Image.black(8, 8, bands: 3) + [turn * 6, 90, 60])
            .cast(:uchar)
            .copy(interpretation: :srgb)
            .jpegsave_buffer
        )
      ids.each do |id|
        db[:photographs].insert(
          blank_id: id,
          sha256: picture.sha256,
          bytes: Sequel.blob(picture.bytes),
          width_px: 8,
          height_px: 8,
          view: "other"
        )
      end
    end
    before = counts(:blanks, :photographs)
    back(out)
    expect(counts(:blanks, :photographs)).to eq(before.merge(photographs: 40 * many))
  end

  it "goes out and comes in again: as many products, lots, records and lathes as anybody adds" do
    take_in
    db.run(
      "INSERT INTO products (name, kind, \"like\", pack_g) SELECT 'p' || turn, 'resins', 'casting_epoxy', 100 FROM generate_series(1, 1200) turn"
    )
    db.run("INSERT INTO lots (product_id, code) SELECT id, 'x' FROM products")
    db.run(
      "INSERT INTO lots (product_id, code) SELECT (SELECT min(id) FROM products), 'y' FROM generate_series(1, 1200)"
    )
    db.run(
      "INSERT INTO records (kind, of, value, recorded_at) SELECT 'cure_factor', 'casting_epoxy', 1.1, now() FROM generate_series(1, 12000)"
    )
    db.run(
      "INSERT INTO lathes (name, mass_kg, stand, swing_mm, between_centres_mm, belts) " \
        "SELECT 'l' || turn, 100, 'floor', 300, 500, '[{\"min_rpm\": 100, \"max_rpm\": 900}]' FROM generate_series(1, 150) turn"
    )
    before = counts(:products, :lots, :records, :lathes)
    back(out)
    expect(counts(:products, :lots, :records, :lathes)).to eq(before)
  end

  it "is no more than the door takes that it comes in by, and says so where it is" do
    expect(
      File.read(File.join(MossyAnvil::Server::ROOT, "server", "entry", "puma.rb"))[
        /http_content_length_limit (\S+)/,
        1
      ].to_i
    ).to eq(MossyAnvil::Server::Services::Archive::MAX_BYTES)
    take_in
    stub_const("MossyAnvil::Server::Services::ArchiveReader::MOST_FILES", 2)
    ask("GET", "/api/shop/archive")
    expect(last_response.headers["content-disposition"]).to include("-too-large-to-import.zip")
    task = work("POST", "/api/shop/archive", last_response.body, type: "application/zip")
    expect(task["problem"]["errors"].first["detail"]).to match(/holds \d files: at most 2/)
  end

  it "is refused over what is taken, with nothing of it left behind" do
    stub_const("MossyAnvil::Server::Services::Archive::MAX_BYTES", 3_000_000)
    ask("POST", "/api/shop/archive", "x" * 3_000_001, type: "application/zip")
    problem(413)
    expect(counts(:tasks, :task_files, :que_jobs)).to eq(tasks: 0, task_files: 0, que_jobs: 0)
  end

  describe "in an archive that was made to harm" do
    def zipped(entries) =
      Zip::OutputStream
        .write_buffer { |zip| entries.each { |name, text| zip.put_next_entry(name) && zip.write(text) } }
        .string

    def refused(bytes)
      task = work("POST", "/api/shop/archive", bytes, type: "application/zip")
      expect([task["state"], db[:blanks].count]).to eq(["failed", 0])
      task["problem"]["errors"].first.values_at("pointer", "detail").join(" ")
    end

    it "unpacks to no more than is read, all of it together" do
      stub_const("MossyAnvil::Server::Services::ArchiveReader::MOST_TEXT_BYTES", 3_000_000)
      entries = { "shop.json" => "{}" }.merge(
        Array.new(8) { |turn| ["journals/#{turn}.json", "{\"entries\": []}#{" " * 900_000}"] }.to_h
      )
      blanks = Array.new(8) { |turn| ["blanks/#{turn}.anvil.json", JSON.generate(blank_data)] }.to_h
      shop =
        JSON.generate(
          format: "mossy-anvil/shop",
          version: 1,
          name: "x",
          currency: "EUR",
          climate: {
            temperature_c: 20,
            humidity: 0.5
          },
          lathes: {
          }
        )
      expect(refused(zipped({ **entries, **blanks, "shop.json" => shop }))).to include(
        "unpacks, with what came before it, to more than is read"
      )
    end

    # An open card of a blank, spoilt by the block; what is said of it.
    def spoilt(&spoil)
      id = take_in(number: 7, defects: [crack])["id"]
      ask("POST", "/api/blanks/#{id}/card", { key: SecureRandom.uuid })
      entries =
        Zip::File.open_buffer(StringIO.new(out)).entries.to_h { |entry| [entry.name, entry.get_input_stream.read] }
      name = entries.keys.grep(/cards/).first
      entries[name] = JSON.generate(JSON.parse(entries[name]).tap(&spoil))
      MossyAnvil::Server::Store::Shops.new(db).clear
      refused(zipped(entries))
    end

    def line(card) = card["steps"][0]["lines"][0]

    def mark(card, **more)
      {
        "key" => SecureRandom.uuid,
        "line" => line(card)["key"],
        "kind" => "done",
        "turn" => 0,
        "marked_at" => "2030-05-01T10:00:00Z",
        **more.transform_keys(&:to_s)
      }
    end

    def wait_of(card, **more)
      {
        "line" => line(card)["key"],
        "reason" => "x",
        "working" => false,
        "cure" => false,
        "started_at" => "2030-05-01T10:00:00Z",
        "earliest_at" => "2030-05-01T11:00:00Z",
        "likely_at" => "2030-05-01T12:00:00Z",
        **more.transform_keys(&:to_s)
      }
    end

    it "holds no card with a line that comes of itself" do
      said = spoilt { |card| card["marks"] << mark(card, kind: "trouble", found: { "lines" => [line(card)] }) }
      expect(said).to match(%r{/cards/7-.*/marks/0/found/lines/0/key is used twice})
      said =
        spoilt do |card|
          card["marks"] << mark(
            card,
            line: "loop",
            kind: "trouble",
            found: {
              "lines" => [line(card).merge("key" => "loop")]
            }
          )
        end
      expect(said).to match(/marks hold lines that came of no line/)
    end

    it "holds no card of steps its plan has not, of ends before starts, of days there are none, of another blank" do
      expect(spoilt { |card| card["steps"][0]["id"] = "unknown" }).to match(%r{/steps/0/id is "unknown"})
      expect(spoilt { |card| card["waits"] << wait_of(card, earliest_at: "2030-05-01T09:00:00Z") }).to match(
        %r{/waits/0/earliest_at}
      )
      expect(spoilt { |card| card["waits"] << wait_of(card, ended_at: "2029-05-01T09:00:00Z") }).to match(
        %r{/waits/0/ended_at}
      )
      expect(spoilt { |card| card["started_at"] = "2026-02-31T10:00:00Z" }).to match(%r{/started_at})
      other = {
        "name" => "other",
        "number" => 99,
        "shape" => {
          "type" => "disc",
          "diameter_mm" => 90,
          "length_mm" => 90
        },
        "defects" => []
      }
      expect(spoilt { |card| card["document"].merge!(other) }).to match(%r{/document|steps})
      expect(spoilt { |card| card["marks"].push(mark(card), mark(card)) }).to match(%r{/marks/1 is there twice})
    end
  end
end
