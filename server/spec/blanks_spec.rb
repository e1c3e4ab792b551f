# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe "Blanks", :server do
  let(:full) do
    {
      number: 17,
      form: BlankHelper::BOWL,
      intake: {
        origin: "the sea wall avenue",
        cost: 12.5,
        got_on: "2030-03-02",
        bark: "part"
      },
      shape: {
        type: "disc",
        diameter_mm: 240,
        length_mm: 60,
        centre_offset_mm: [2, -1]
      },
      material: material_data(grain: "face", grain_clock_deg: 30, character: %w[spalted cracked]),
      readings: [
        { kind: "moisture", value: 18, at: { clock_deg: 0, z_mm: 30 }, depth_mm: 5, taken_at: "2030-04-01T09:00:00Z" },
        { kind: "mass", value: 1840, taken_at: "2030-04-01T09:00:00Z" }
      ],
      defects: [
        crack(through: true, mend: "epoxy", found_by: "feeler", depth_range_mm: [20, 32]),
        crack(id: "d", type: "delamination", width_mm: 0, found_on: "2030-04-02"),
        body("bubble_pocket", id: "p", bubble_diameter_mm: 2, bubbles_per_cm3: 9),
        body("void", contents: "dirt", found_on: "2030-04-09"),
        body("soft_zone", id: "s", grade: "soft"),
        body("galleries", id: "g", hole_diameter_mm: 2, holes_per_cm2: 3),
        body("loose_piece", id: "l", bonded_share: 0.3),
        body("hard_inclusion", id: "h", of: "knot"),
        body("resin_body", id: "r", density_kg_m3: 1100),
        {
          id: "k",
          type: "bark_inclusion",
          enters: "tail_face",
          depth_mm: 9,
          width_mm: 4,
          path: [{ clock_deg: 0, z_mm: 60, r_mm: 20 }, { clock_deg: 9, z_mm: 60, r_mm: 80 }]
        }
      ]
    }
  end

  it "keeps every key of a document and gives it back the same" do
    sent = JSON.parse(JSON.generate(blank_data(**full)))
    sent["lathe"]["ballast_kg"] = 0
    kept = take_in(**full)["document"]
    expect(kept).to eq(sent)
    ask("GET", "/api/blanks/#{db[:blanks].get(:id)}")
    expect(answer["document"]).to eq(sent)
  end

  it "saves over the version it was opened at, and refuses a stale one with what is kept" do
    kept = take_in
    document = kept["document"].merge("defects" => JSON.parse(JSON.generate([crack])))
    ask("PUT", "/api/blanks/#{kept["id"]}", { version: 1, document: document })
    expect(answer_as("KeptBlank")).to include("version" => 2, "document" => document)
    ask("PUT", "/api/blanks/#{kept["id"]}", { version: 1, document: kept["document"] })
    expect(problem(409)["current"]["document"]["defects"].size).to eq(1)
    expect(db[:blanks].get(:version)).to eq(2)
  end

  it "refuses a bad document at its field and stores nothing" do
    kept = take_in
    ask(
      "PUT",
      "/api/blanks/#{kept["id"]}",
      {
        version: 1,
        document: kept["document"].merge("shape" => { "type" => "disc", "diameter_mm" => -3, "length_mm" => 60 })
      }
    )
    expect(problem(422)["errors"]).to eq(
      [{ "pointer" => "/document/shape/diameter_mm", "detail" => "is -3: more than 0" }]
    )
    ask("POST", "/api/blanks", { document: { colour: 1 } })
    expect(problem(422)["errors"].map { |error| error["pointer"] }).to include("/document/colour", "/document/shape")
    expect(db[:blanks].select_map(:version)).to eq([1])
  end

  it "refuses a save that drops or changes readings" do
    kept = take_in(**full)
    ask("PUT", "/api/blanks/#{kept["id"]}", { version: 1, document: kept["document"].merge("readings" => []) })
    expect(problem(422)["errors"].first["pointer"]).to eq("/document/readings")
    ask("PUT", "/api/blanks/#{kept["id"]}", { version: 1, document: kept["document"].except("readings") })
    expect(answer["document"]["readings"].size).to eq(2)
  end

  it "says so when a number is taken or a blank is not there" do
    take_in(number: 4)
    ask("POST", "/api/blanks", { document: blank_data(number: 4) })
    expect(problem(409)["errors"].first["pointer"]).to eq("/document/number")
    %w[/api/blanks/999 /api/blanks/x /api/blanks/99999999999999999999999].each do |path|
      ask("GET", path)
      problem(404)
    end
  end

  it "adds readings, never changes them, and the rack's wait follows" do
    wet = { material: material_data(moisture_pct: 24), defects: [crack], form: BlankHelper::BOWL }
    kept = take_in(**wet, route: { choices: { wet: "dry_whole" } })
    ask("POST", "/api/blanks/#{kept["id"]}/readings", { reading: { kind: "mass", value: 1800.5 } })
    expect(answer_as("KeptBlank")["document"]["readings"]).to eq(
      [{ "kind" => "mass", "value" => 1800.5, "taken_at" => "2030-05-01T12:00:00Z" }]
    )
    ask("GET", "/api/shop")
    place = answer_as("Shop")["rack"].first
    expect(place).to include("ready" => false)
    expect(place["wait"]["days_left"]).to be > 1
    expect { db[:readings].update(value: 1) }.to raise_error(Sequel::DatabaseError, /append-only/)
    expect { db[:readings].delete }.to raise_error(Sequel::DatabaseError, /append-only/)
    ask("POST", "/api/blanks/#{kept["id"]}/readings", { reading: { kind: "moisture", value: 12 } })
    expect(problem(422)["errors"].map { |error| error["pointer"] }).to include("/document/readings/1/at")
  end
end

RSpec.describe "Journal", :server do
  let(:key) { "0b5c2c4e-3f60-4a52-9d52-1d6a5c1f0a11" }

  it "logs a cut once, however often it is sent" do
    id = take_in["id"]
    2.times do
      ask(
        "POST",
        "/api/blanks/#{id}/journal",
        { key: key, kind: "cut", stage: "rounded", speed_rpm: 420, note: "runs true" }
      )
      expect(last_response.status).to eq(201)
      expect(answer_as("Entry")).to include("stage" => "rounded", "speed_rpm" => 420.0, "note" => "runs true")
    end
    ask("GET", "/api/blanks/#{id}")
    expect(answer["journal"].size).to eq(1)
  end

  it "cannot be changed, not even by a fault in the program" do
    id = take_in["id"]
    ask("POST", "/api/blanks/#{id}/journal", { key: key, kind: "note", note: "first" })
    expect { db[:journal].update(note: "x") }.to raise_error(Sequel::DatabaseError, /append-only/)
    expect { db[:journal].delete }.to raise_error(Sequel::DatabaseError, /append-only/)
  end

  it "refuses what is no speed, no stage, no entry" do
    id = take_in["id"]
    { speed_rpm: -4, stage: "later", note: "x" * 2001, colour: 1 }.each do |field, value|
      ask("POST", "/api/blanks/#{id}/journal", { key: key, kind: "cut" }.merge(field => value))
      expect(problem(422)["errors"].first["pointer"]).to eq("/#{field}")
    end
    ask("POST", "/api/blanks/77/journal", { key: key, kind: "note" })
    problem(404)
    expect(db[:journal].count).to eq(0)
  end
end

RSpec.describe "A blank that is done with", :server do
  it "goes off the rack whole, waits for nothing, and comes back as it was" do
    weighed = [{ kind: "mass", value: 1840, taken_at: "2030-04-28T09:00:00Z" }]
    wet = { material: material_data(moisture_pct: 22), form: BlankHelper::BOWL, defects: [crack], readings: weighed }
    kept = take_in(number: 5, **wet, route: { choices: { wet: "dry_whole" } })
    ask("GET", "/api/waits")
    expect(answer["waits"].size).to eq(1)
    2.times { ask("PUT", "/api/blanks/#{kept["id"]}/place", { put_away: true }) }
    expect(answer_as("KeptBlank")).to eq(kept.merge("put_away" => true))
    ask("GET", "/api/shop")
    expect(answer_as("Shop")).to include(
      "rack" => [],
      "put_away" => [{ "id" => kept["id"], "number" => 5, "name" => kept["document"]["name"] }],
      "next_number" => 6
    )
    ask("GET", "/api/waits")
    expect(answer["waits"]).to eq([])
    ask("PUT", "/api/blanks/#{kept["id"]}/place", { put_away: false })
    expect(answer_as("KeptBlank")).to eq(kept)
    ask("PUT", "/api/blanks/77/place", { put_away: true })
    problem(404)
  end

  it "stays put away in the shop's archive, and is not put away while its card is open" do
    id = take_in(defects: [crack])["id"]
    ask("POST", "/api/blanks/#{id}/card", { key: SecureRandom.uuid })
    card = answer_as("Card")["id"]
    ask("PUT", "/api/blanks/#{id}/place", { put_away: true })
    expect(problem(422)["errors"].first["pointer"]).to eq("/put_away")
    ask("POST", "/api/cards/#{card}/end", { key: SecureRandom.uuid })
    ask("PUT", "/api/blanks/#{id}/place", { put_away: true })
    # A parcel of it is for whoever goes on with it.
    zips = ["/api/shop/archive", "/api/blanks/#{id}/export?as=parcel"].map { |path| ask("GET", path).body }
    zips
      .zip([1, 0])
      .each do |zip, away|
        MossyAnvil::Server::Store::Shops.new(db).clear
        work("POST", "/api/shop/archive", zip, type: "application/zip")
        expect([db[:blanks].count, db[:blanks].exclude(put_away_at: nil).count]).to eq([1, away])
      end
  end
end

RSpec.describe "The database itself", :server do
  it "refuses nonsense that a fault in the program might send" do
    take_in(defects: [crack, body("void", contents: "air")])
    {
      blanks: {
        density_kg_m3: Float::NAN
      },
      defects: {
        depth_mm: Float::INFINITY
      },
      lathes: {
        swing_mm: -1
      }
    }.each { |table, change| expect { db[table].update(change) }.to raise_error(Sequel::CheckConstraintViolation) }
    expect { db[:defects].where(ref: "b").update(depth_least_mm: 30, depth_most_mm: 40) }.to raise_error(
      Sequel::CheckConstraintViolation
    )
    expect { db[:defects].where(type: "void").update(contents: nil) }.to raise_error(Sequel::CheckConstraintViolation)
    expect { db[:blanks].update(grain: "face") }.to raise_error(Sequel::CheckConstraintViolation)
    expect { db[:defects].update(ref: "b") }.to raise_error(Sequel::UniqueConstraintViolation)
  end
end
