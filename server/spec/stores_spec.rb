# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe "The stores", :server do
  def demo(number) =
    JSON.parse(File.read(Dir[File.join(MossyAnvil::Server::ROOT, "demo", "#{number}-*.anvil.json")].first))
  def key = SecureRandom.uuid
  def product(**changes) =
    { name: "tin", kind: "resins", like: "casting_epoxy", pack_g: 1000, sheet: { working_min: 200 } }.merge(changes)

  it "keep pigment and film too: a plan says whether there is enough, a card draws them down" do
    [
      ["jar", "pigments", "paste", 100, 40],
      ["roll", "supplies", "film", 900, 600]
    ].each do |name, kind, like, pack_g, grams|
      ask("POST", "/api/stores/products", { name: name, kind: kind, like: like, pack_g: pack_g })
      id = answer_as("Stores")["products"].find { |one| one["name"] == name }["id"]
      ask("POST", "/api/stores/lots", { key: key, product_id: id, code: "1", grams: grams })
    end
    document = demo(35)
    document["mend"]["steps"][0].merge!(
      "lined" => true,
      "colours" => [{ "name" => "green", "share" => 1, "pigment_pct" => 2 }]
    )
    ask("POST", "/api/reckon/mend", { document: document })
    rows = answer_as("MendPlan")["materials"].to_h { |row| [row["key"], row] }
    expect(rows["paste"]["amount"]).to be_within(0.6).of(0.02 * 708)
    expect([rows["paste"], rows["film"]].map { |row| row["shelf"]["enough"] }).to eq([true, true])
    ask("POST", "/api/blanks", { document: document })
    ask("POST", "/api/blanks/#{answer_as("KeptBlank")["id"]}/card", { key: key })
    card = answer_as("Card")
    lines =
      card["steps"]
        .flat_map { |step| step["lines"] }
        .select { |line| %w[steps.cast.line.line steps.cast.line.pigment].include?(line["message"]["key"]) }
    lines.each { |line| ask("POST", "/api/cards/#{card["id"]}/marks", { key: key, line: line["key"], kind: "done" }) }
    ask("GET", "/api/stores")
    left = answer_as("Stores")["products"].to_h { |product| [product["name"], product["lots"][0]["left_g"]] }
    expect(left).to match(
      "jar" => be_within(0.6).of(40 - 14.2),
      "roll" => be_within(1e-6).of(600 - rows["film"]["amount"])
    )
  end

  it "keep a product with its sheet, a lot with its grams, and count them" do
    ask("POST", "/api/stores/products", product)
    expect(last_response.status).to eq(201), last_response.body
    id = answer_as("Stores")["products"].first["id"]
    ask(
      "POST",
      "/api/stores/lots",
      { key: key, product_id: id, part: "resin", code: "A1", opened_on: "2030-04-01", grams: 900 }
    )
    lot = answer_as("Stores")["products"].first["lots"].first
    expect(lot).to include("left_g" => 900.0, "opened_on" => "2030-04-01")
    same = key
    2.times { ask("POST", "/api/stores/moves", { key: same, lot_id: lot["id"], grams: -50, reason: "counted" }) }
    ask("POST", "/api/stores/moves", { key: key, lot_id: lot["id"], grams: -100, reason: "used" })
    ask("POST", "/api/stores/moves", { key: key, lot_id: lot["id"], grams: -40, reason: "thrown_out" })
    found = answer_as("Stores")["products"].first
    expect(found["lots"].first["left_g"]).to eq(710.0)
    expect(found).to include("bought_g" => 900.0, "used_g" => 100.0, "thrown_out_g" => 40.0)
    expect(found["value"]).to be_within(1e-9).of(710.0 * found["pack_price"] / found["pack_g"])
    expect { db[:stock_moves].update(grams: 1) }.to raise_error(Sequel::DatabaseError, /append-only/)
  end

  it "know a lot by itself: none of it, no such product, nothing moved" do
    ask("POST", "/api/stores/lots", { key: key, product_id: 99, code: "A", grams: 1 })
    expect(problem(404)["detail"]).to include("no product 99")
    ask("POST", "/api/stores/moves", { key: key, lot_id: 99, grams: 5, reason: "bought" })
    expect(problem(404)["detail"]).to include("no lot 99")
    ask("POST", "/api/stores/moves", { key: key, lot_id: 2**63, grams: 5, reason: "used" })
    expect(problem(422)["errors"].first["pointer"]).to eq("/lot_id")
    ask("POST", "/api/stores/products", product)
    ask("POST", "/api/stores/lots", { key: key, product_id: answer["products"].first["id"], code: "A", grams: 10 })
    ask(
      "POST",
      "/api/stores/moves",
      { key: key, lot_id: answer["products"].first["lots"].first["id"], grams: 0, reason: "counted" }
    )
    expect(problem(422)["errors"].first["pointer"]).to eq("/grams")
  end

  it "say of a plan whether there is enough, and what to order" do
    ask("POST", "/api/stores/products", product(like: "casting_epoxy_deep", pack_g: 400, sheet: {}))
    id = answer["products"].first["id"]
    ask("POST", "/api/stores/lots", { key: key, product_id: id, part: "resin", code: "A1", grams: 100 })
    ask("POST", "/api/reckon/mend", { document: demo(35) })
    resin, hardener = answer_as("MendPlan")["materials"]
    expect(resin["shelf"]).to include(
      "left_g" => 100.0,
      "enough" => false,
      "packs" => ((resin["amount"] - 100) / 400.0).ceil
    )
    expect(hardener["shelf"]).to include("left_g" => 0.0, "enough" => false)
  end

  it "refuse a sheet that cannot be, a name taken, a day that is none, at the field" do
    {
      { sheet: { working_min: 900, peak_c: 200 } } => "/sheet/peak_c",
      { sheet: { density_g_ml: [11, 1] } } => "/sheet/density_g_ml/0",
      { like: "tar" } => "/like",
      { pack_g: 0 } => "/pack_g",
      { name: " " } => "/name"
    }.each do |wrong, pointer|
      ask("POST", "/api/stores/products", product(**wrong))
      expect(problem(422)["errors"].map { |one| one["pointer"] }).to include(pointer)
    end
    2.times { ask("POST", "/api/stores/products", product) }
    expect(problem(409)["errors"].first["pointer"]).to eq("/name")
    ask(
      "POST",
      "/api/stores/lots",
      { key: key, product_id: db[:products].get(:id), code: "A", grams: 1, opened_on: "2030-02-31" }
    )
    expect(problem(422)["errors"].first["pointer"]).to eq("/opened_on")
    ask("PUT", "/api/shop/air", { temperature_c: 200, humidity: 0.5 })
    expect(problem(422)["errors"].first["pointer"]).to eq("/temperature_c")
  end
end
