# frozen_string_literal: true

require_relative "card_helper"
require "csv"
require "pdf-reader"

RSpec.describe "The ledger", :server do
  include CardHelper

  def ending(**changes)
    {
      outcome: "sold",
      ended_on: "2030-05-01",
      price: 200.0,
      hours: {
        survey: 1,
        mend: 2,
        turn: 3,
        finish: 4
      },
      rate: 12.0,
      blank_cost: 20.0,
      materials_cost: 5.0,
      **changes
    }.compact
  end

  def kept(number, **changes)
    ask("POST", "/api/blanks", { document: demo(number).merge(changes.transform_keys(&:to_s)) })
    answer_as("KeptBlank")["id"]
  end

  def close(id, **changes)
    ask("PUT", "/api/blanks/#{id}/ending", ending(**changes))
    expect(last_response.status).to eq(200), last_response.body
    answer_as("Record")
  end

  def ledger(query = "")
    ask("GET", "/api/ledger#{query}")
    answer_as("Ledger")
  end

  it "counts whether what was said to come out sound did" do
    said = { 33 => 0.9, 34 => 0.85, 38 => 0.4 }
    ids = said.to_h { |number, share| [kept(number), share] }
    ids.each do |id, share|
      db[:played_odds].insert(
        blank_id: id,
        version: 1,
        told: Sequel.pg_jsonb_wrap({ "sound" => { "share" => share } }),
        played_at: Time.now
      )
    end
    first, second, third = ids.keys
    close(first)
    close(second, outcome: "given_up", price: nil, why: "split", failed_at: "hollow")
    close(third)
    expect(ledger["forecasts"]["chances"]).to eq(
      "count" => 3,
      "said" => 0.9 + 0.85 + 0.4,
      "held" => 2,
      "groups" => [
        { "from" => 0.0, "to" => 0.5, "count" => 1, "said" => 0.4, "held" => 1 },
        { "from" => 0.8, "to" => 0.95, "count" => 2, "said" => 1.75, "held" => 1 }
      ]
    )
  end

  it "takes a piece off the rack with what it came to: 20 + 5 + 10 h at 12, sold for 200" do
    id = kept(33)
    record = close(id, lessons: "Glue the long check first.")
    expect(record["ending"]).to include(
      "hands_h" => 10.0,
      "cost" => 145.0,
      "margin" => 55.0,
      "stuff" => demo(33)["material"]["species"],
      "lessons" => "Glue the long check first."
    )
    ask("GET", "/api/shop")
    expect(answer_as("Shop")["rack"].map { |place| place["id"] }).not_to include(id)
    found = ledger
    expect(found["sums"]).to include("count" => 1, "cost" => 145.0, "price" => 200.0, "margin" => 55.0, "sold" => 1)
    expect(found["hours"]).to eq("survey" => 1.0, "mend" => 2.0, "turn" => 3.0, "finish" => 4.0)
    expect(found["pieces"].map { |piece| piece["id"] }).to eq([id])
    # Said again it is changed, not twice there.
    close(id, price: 250.0)
    expect(ledger["sums"]).to include("count" => 1, "margin" => 105.0)
  end

  it "brings it back to the rack, and writes what had been said of its end into its log" do
    id = kept(33)
    close(id, outcome: "given_up", price: nil, why: "the check opened", failed_at: "hollow")
    ask("DELETE", "/api/blanks/#{id}/ending")
    expect(answer_as("Record")["ending"]).to be_nil
    expect(ledger["pieces"]).to eq([])
    ask("GET", "/api/blanks/#{id}")
    back = answer_as("KeptBlank")
    expect([back["put_away"], back["journal"].last["note"]]).to match([false, /given up. the check opened/])
    ask("DELETE", "/api/blanks/999/ending")
    expect(last_response.status).to eq(404)
    # However it comes back to the rack, it is in the ledger no more.
    close(id)
    ask("PUT", "/api/blanks/#{id}/place", { put_away: false })
    expect(answer_as("KeptBlank")["journal"].last["note"]).to include("closed on 2030-05-01: sold")
    expect(ledger["pieces"]).to eq([])
  end

  it "refuses at its field what cannot be" do
    id = kept(33, intake: { got_on: "2029-01-01" })
    pointers =
      lambda do |**changes|
        ask("PUT", "/api/blanks/#{id}/ending", ending(**changes))
        expect(last_response.status).to eq(422), changes.inspect
        answer["errors"].map { |error| error["pointer"] }
      end
    expect(pointers.call(price: nil)).to eq(["/price"])
    expect(pointers.call(outcome: "kept_back")).to eq(["/price"])
    expect(pointers.call(outcome: "given_up", price: nil)).to eq(["/why"])
    expect(pointers.call(ended_on: "2030-02-30")).to eq(["/ended_on"])
    expect(pointers.call(ended_on: "2030-05-03")).to eq(["/ended_on"])
    expect(pointers.call(rate: -1)).to eq(["/rate"])
    expect(pointers.call(hours: { survey: 1, mend: 2, turn: 1e9, finish: 4 })).to eq(["/hours/turn"])
    expect(pointers.call(ended_on: "1990-01-01")).to eq(["/ended_on"])
    expect(ledger["pieces"]).to eq([])
    ask("GET", "/api/blanks/#{id}")
    expect(answer_as("KeptBlank")["put_away"]).to be(false)
    ask("GET", "/api/ledger?year=soon")
    expect(last_response.status).to eq(422)
  end

  it "does not close a piece whose card is open" do
    opened(33)
    ask("PUT", "/api/blanks/#{db[:cards].get(:blank_id)}/ending", ending)
    expect(answer["errors"].map { |error| error["pointer"] }).to eq(["/put_away"])
    expect(ledger["pieces"]).to eq([])
  end

  it "is asked by outcome, stuff, form, year and words, and goes out as a table" do
    lamp, bowl, horn = [33, 32, 42].map { |number| kept(number, readings: [], intake: {}) }
    close(lamp)
    close(bowl, outcome: "given_up", price: nil, why: "=1+1", failed_at: "hollow", ended_on: "2029-11-02")
    close(horn, price: 30.0, lessons: "Keep it wet, it smells.")
    ids = ->(query) { ledger(query)["pieces"].map { |piece| piece["id"] } }
    expect(ids.call("?outcome=sold")).to eq([horn, lamp])
    expect(ids.call("?year=2029")).to eq([bowl])
    expect(ids.call("?text=smells")).to eq([horn])
    expect(ids.call("?text=%25")).to eq([])
    expect(ids.call("?stuff=#{demo(33)["material"]["species"]}")).to eq([lamp])
    expect(ledger("?text=33")["pieces"].map { |piece| piece["number"] }).to eq([33])
    found = ledger
    expect(found["failed"]).to eq([{ "at" => "hollow", "count" => 1 }])
    expect(found["choices"]).to include("years" => [2029, 2030], "outcome" => %w[given_up sold])
    ask("GET", "/api/ledger.csv?year=2029")
    table = CSV.parse(last_response.body, headers: true)
    expect(table.map { |row| row.to_h.values_at("number", "outcome", "ended_on", "why", "cost") }).to eq(
      [%w[32 given_up 2029-11-02 '=1+1 145.0]]
    )
  end

  it "helps with a price: no less than it cost, and what similar ones fetched" do
    [100, 150, 200].each_with_index { |price, index| close(kept(33, number: 100 + index), price: price.to_f) }
    ask("GET", "/api/blanks/#{kept(33)}/record")
    help = answer_as("Record")["suggested"]["price_help"]
    expect(help).to include("similar" => 3, "least" => 125.0, "middle" => 150.0, "most" => 175.0)
    expect(help["ask"]).to eq([help["cost"], 150.0].max)
    ask("GET", "/api/blanks/#{kept(42)}/record")
    expect(answer_as("Record")["suggested"]["price_help"]).to include("similar" => 0, "middle" => nil, "below" => false)
  end

  it "prints its story, with what it cost or without" do
    id = kept(33)
    close(id, lessons: "Only for us.")
    sizes =
      %w[no yes].map do |cost|
        ask("GET", "/api/blanks/#{id}/record.pdf?cost=#{cost}")
        expect(last_response.headers["content-type"]).to eq("application/pdf")
        expect(last_response.body).to start_with("%PDF")
        PDF::Reader.new(StringIO.new(last_response.body)).pages.map(&:text).join("\n")
      end
    expect(sizes[0]).to include("Lamp base").and(include("Sold on 2030-05-01"))
    expect(sizes[0]).not_to match(/EUR|Only for us/)
    expect(sizes[1]).to include("145.00 EUR").and(include("Only for us"))
  end

  describe "of the demo" do
    before do
      demo = MossyAnvil::Server::Services::Demo.new(db, now: clock.now)
      demo.load
      demo.remember
    end

    it "holds two years of pieces, the same every time, none of them on the rack" do
      found = ledger
      expect(found["sums"]["count"]).to eq(61)
      expect(found["sums"]["outcomes"].values).to all(be > 0)
      expect(found["failed"].sum { |one| one["count"] }).to eq(found["sums"]["outcomes"]["given_up"])
      # As it was drawn: any change of the generator is seen here.
      expect(found["pieces"].first(3).map { |piece| piece.values_at("name", "outcome", "ended_on") }).to eq(
        [
          ["Fruit bowl", "given_away", "2030-04-05"],
          ["Serving disc", "done", "2030-03-25"],
          ["Hall platter", "given_away", "2030-03-13"]
        ]
      )
      ask("GET", "/api/shop")
      expect(answer_as("Shop")["rack"].size).to eq(12)
      expect(answer["put_away"]).to eq([])
      expect(answer["next_number"]).to eq(43)
      days = found["pieces"].map { |piece| piece["ended_on"] }
      expect(days.minmax).to match([be > "2028-05-01", be < "2030-05-01"])
    end

    it "has learnt what its forecasts were worth, and the records of each piece can be read" do
      forecasts = ledger["forecasts"]
      expect(forecasts["count"]).to be > 40
      expect(forecasts["right"].to_f / forecasts["count"]).to be_between(0.6, 1)
      expect(forecasts["middle"]).to be_between(1, 1.3)
      drying = forecasts["kinds"].find { |one| one["kind"] == "drying_factor" }
      expect(drying).to include("count" => be > 10, "middle" => be_between(0.8, 1.5))
      ask("GET", "/api/rates")
      apple = answer_as("Rates")["rates"].find { |rate| rate["kind"] == "drying_factor" && rate["of"] == "apple" }
      expect(apple).to include("count" => 6, "times" => be_between(1.1, 1.3))
      piece = ledger("?outcome=given_up")["pieces"].first
      ask("GET", "/api/blanks/#{piece["id"]}/record")
      expect(answer_as("Record")["ending"]).to include("why" => piece["why"], "planned_h" => be > 0)
    end
  end
end
