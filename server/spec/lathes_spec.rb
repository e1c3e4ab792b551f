# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe "The shop's lathes", :server do
  let(:heavy) do
    JSON.parse(JSON.generate(BlankHelper::LATHE)).merge("mass_kg" => 400, "stand" => "bolted", "jaws_mm" => [45, 60])
  end

  def send_lathe(name, lathe, id: nil) =
    work(id ? "PUT" : "POST", ["/api/lathes", id].compact.join("/"), { name: name, lathe: lathe })
  def listed = ask("GET", "/api/lathes") && answer_as("Lathes")["lathes"]

  it "are kept by name, each with what stands on it" do
    blank = take_in(lathe: heavy)
    send_lathe("by the window", heavy.merge("mass_kg" => 90, "stand" => "light"))
    expect(last_response.status).to eq(201)
    expect(listed.map { |row| [row["lathe"]["mass_kg"], row["blanks"]] }).to contain_exactly([90, 0], [400, 1])
    expect(listed.find { |row| row["blanks"] == 1 }["lathe"]).to eq(blank["document"]["lathe"])
    send_lathe("by the window", heavy)
    expect(problem(409)["errors"].first["pointer"]).to eq("/name")
  end

  it "are changed for every blank on them, which is a version on and told to whoever has it open" do
    blank = take_in(lathe: heavy)
    id = listed.first["id"]
    limit = -> do
      ask(
        "POST",
        "/api/reckon",
        { document: MossyAnvil::Server::Store::Blanks.new(db).find(blank["id"])[:document] }
      ) && answer["stages"]["blank"]["caps"].find { |cap| cap["key"] == "lathe" }["rpm"]
    end
    before = limit.call
    slower = heavy.merge("belts" => [{ "min_rpm" => 100, "max_rpm" => before / 2 }])
    send_lathe("by the window", slower, id: id)
    expect(listed).to eq(
      [{ "id" => id, "name" => "by the window", "lathe" => slower.merge("ballast_kg" => 0), "blanks" => 1 }]
    )
    expect(limit.call).to eq(before / 2)
    ask("PUT", "/api/blanks/#{blank["id"]}", { version: blank["version"], document: blank["document"] })
    expect(problem(409)["current"]["document"]["lathe"]["belts"]).to eq(slower["belts"])
    # Another name is no other lathe.
    send_lathe("at the back", slower, id: id)
    ask("GET", "/api/blanks/#{blank["id"]}")
    expect(answer_as("KeptBlank")["version"]).to eq(blank["version"] + 1)
  end

  it "stand in a shop with a name and a currency of its own" do
    work("PUT", "/api/shop/air", { temperature_c: 14, humidity: 0.7 })
    ask("PUT", "/api/shop", { name: "Under the eaves", currency: "SEK" })
    answer_as("ShopName")
    ask("GET", "/api/shop")
    expect(answer_as("Shop")).to include(
      "name" => "Under the eaves",
      "currency" => "SEK",
      "climate" => {
        "temperature_c" => 14.0,
        "humidity" => 0.7
      }
    )
    { { name: " ", currency: "SEK" } => "/name", { name: "x", currency: "kr" } => "/currency" }.each do |about, pointer|
      ask("PUT", "/api/shop", about)
      expect(problem(422)["errors"].first["pointer"]).to eq(pointer)
    end
  end

  it "go when nothing stands on them, and not before" do
    take_in(lathe: heavy)
    id = listed.first["id"]
    ask("DELETE", "/api/lathes/#{id}")
    expect(problem(409)["detail"]).to include("a blank stands on it")
    db[:blanks].update(lathe_id: nil)
    ask("DELETE", "/api/lathes/#{id}")
    expect(answer_as("Lathes")["lathes"]).to eq([])
    ask("DELETE", "/api/lathes/#{id}")
    problem(404)
    send_lathe("gone", heavy, id: id)
    problem(404)
  end

  it "are named where they cannot be" do
    {
      heavy.merge("mass_kg" => 0) => "/lathe/mass_kg",
      heavy.merge("belts" => [{ "min_rpm" => 900, "max_rpm" => 400 }]) => "/lathe/belts/0/max_rpm",
      heavy.merge("stand" => "string") => "/lathe/stand",
      heavy.except("swing_mm") => "/lathe/swing_mm",
      heavy.merge("jaws_mm" => [0]) => "/lathe/jaws_mm/0"
    }.each do |lathe, pointer|
      send_lathe("wrong", lathe)
      expect(problem(422)["errors"].first["pointer"]).to eq(pointer)
    end
    send_lathe("  ", heavy)
    expect(problem(422)["errors"].first["pointer"]).to eq("/name")
    expect(db[:lathes].count).to eq(0)
  end
end
