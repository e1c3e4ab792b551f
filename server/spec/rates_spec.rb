# frozen_string_literal: true

require_relative "card_helper"

RSpec.describe "The shop's own rates", :server do
  include CardHelper

  def key = SecureRandom.uuid
  def demo(number) =
    JSON.parse(File.read(Dir[File.join(MossyAnvil::Server::ROOT, "demo", "#{number}-*.anvil.json")].first))

  def record(value, kind: "sanding_factor", of: nil) =
    db[:records].insert(kind: kind, of: of, value: value, recorded_at: Time.utc(2030, 5, 1))

  def rates
    ask("GET", "/api/rates")
    answer_as("Rates")["rates"].to_h { |rate| [rate["kind"], rate] }
  end

  def sanding_min
    ask("POST", "/api/reckon/finish", { document: demo(33) })
    answer_as("FinishPlan")["parts"].sum { |part| part["minutes"].sum / 2 }
  end

  it "are none before anything was learnt" do
    expect(rates).to eq({})
  end

  it "leave one record out, and it alone: nearer to it the plan is no more" do
    before = sanding_min
    ids = [1.44, 1.44, 1.44, 1.44, 9.0].map { |value| record(value) }
    told = rates["sanding_factor"]
    expect(told).to include("count" => 4, "usual" => 1.0, "times" => be_within(1e-6).of(1.2), "off" => false)
    expect(told["records"].map { |one| one["id"] }).to eq(ids.reverse)
    expect(told["records"].select { |one| one["held_back"] }.map { |one| one["id"] }).to eq([ids.last])
    expect(sanding_min).to be_within(1e-6 * before).of(1.2 * before)
    ask("PUT", "/api/records/#{ids[0]}", { left_out: true })
    expect(rates["sanding_factor"]).to include("count" => 3, "times" => be_within(1e-6).of(1.44**(3 / 7.0)))
    expect(sanding_min).to be_within(1e-6 * before).of((1.44**(3 / 7.0)) * before)
    ask("PUT", "/api/records/#{ids[0]}", { left_out: false })
    expect(rates["sanding_factor"]["count"]).to eq(4)
    expect(db[:records].count).to eq(5)
  end

  it "go back to the usual value and come again" do
    before = sanding_min
    4.times { record(1.44) }
    ask("PUT", "/api/rates", { kind: "sanding_factor", of: nil, off: true })
    expect(answer_as("Rates")["rates"].first).to include("off" => true, "times" => 1.0)
    expect(sanding_min).to be_within(1e-9).of(before)
    ask("PUT", "/api/rates", { kind: "sanding_factor", of: nil, off: false })
    expect(sanding_min).to be > 1.1 * before
  end

  it "refuse a record there is not, a kind nobody knows and what is no answer" do
    ask("PUT", "/api/records/999", { left_out: true })
    expect(last_response.status).to eq(404)
    ask("PUT", "/api/rates", { kind: "luck", of: nil, off: true })
    expect(last_response.status).to eq(422)
    ask("PUT", "/api/records/#{record(1.2)}", { left_out: "yes" })
    expect([last_response.status, answer["errors"].map { |error| error["pointer"] }]).to eq([422, ["/left_out"]])
  end

  it "go with the archive, left out or not" do
    ids = [1.1, 1.2].map { |value| record(value) }
    ask("PUT", "/api/records/#{ids[1]}", { left_out: true })
    ask("PUT", "/api/rates", { kind: "soak_factor", of: "wax", off: true })
    written = MossyAnvil::Server::Store::Rates.new(db).all.map { |row| row.slice(:kind, :of, :value, :left_out) }
    ask("GET", "/api/shop/archive")
    archive = last_response.body
    db.run("TRUNCATE #{MossyAnvil::Server::Store::Shops::TABLES.join(", ")} CASCADE")
    work("POST", "/api/shop/archive", archive, type: "application/zip")
    expect(MossyAnvil::Server::Store::Rates.new(db).all.map { |row| row.slice(*written[0].keys) }).to eq(written)
    expect(MossyAnvil::Server::Store::Rates.new(db).off).to eq([%w[soak_factor wax]])
  end

  it "learn from a finish that is weighed, timed and drawn from its tin, whose own sheet the plan goes by" do
    ask(
      "POST",
      "/api/stores/products",
      { name: "oil", kind: "finishes", like: "drying_oil", pack_g: 500, sheet: { recoat_h: 6 } }
    )
    id = answer_as("Stores")["products"].first["id"]
    ask("POST", "/api/stores/lots", { key: key, product_id: id, code: "7", grams: 500, opened_on: "2029-06-01" })
    expect(answer_as("Stores")["products"].first["lots"].first).to include("goes_off_on" => "2030-06-01")
    ask("POST", "/api/reckon/finish", { document: demo(33) })
    hours = answer_as("FinishPlan")["parts"].find { |part| part["family"] == "drying_oil" }["coats"][0]["recoat_h"]
    expect(hours).to be_within(0.01).of(6 * (2**((20 - 17) / 10.0))).or be_within(0.01).of(6)
    ask("POST", "/api/blanks", { document: demo(33) })
    ask("POST", "/api/blanks/#{answer_as("KeptBlank")["id"]}/card", { key: key, from: "sand" })
    card = answer_as("Card")
    line = card["steps"].flat_map { |step| step["lines"] }.find { |one| one["measures"] == "drying_oil_g" }
    mark = { key: key, line: line["key"], kind: "done" }
    ask("POST", "/api/cards/#{card["id"]}/marks", mark)
    expect(answer["errors"].map { |error| error["pointer"] }).to eq(["/value"])
    ask("POST", "/api/cards/#{card["id"]}/marks", { **mark, value: 5000 })
    expect(answer["errors"].map { |error| error["pointer"] }).to eq(["/value"])
    grams = line["target"]["value"] * 1.5
    ask("POST", "/api/cards/#{card["id"]}/marks", { **mark, value: grams })
    ask("GET", "/api/stores")
    expect(answer_as("Stores")["products"].first["lots"].first["left_g"]).to be_within(1e-6).of(500 - grams)
    ask("POST", "/api/cards/#{card["id"]}/end", { key: key })
    expect(last_response.status).to eq(200), last_response.body
    expect(rates["soak_factor"]).to include("of" => "drying_oil", "count" => 1)
    expect(rates["soak_factor"]["records"][0]).to include(
      "value" => be_within(1e-6).of(1.5),
      "blank" => include("number" => 33)
    )
  end
end
