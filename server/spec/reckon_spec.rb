# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe "Reckoning a draft", :server do
  it "answers as the core does, by the contract, and keeps nothing" do
    document =
      JSON.parse(JSON.generate(blank_data(defects: [crack, body("void", contents: "air")], form: BlankHelper::BOWL)))
    ask("POST", "/api/reckon", { document: document })
    reckoned = answer_as("Assessment")
    expect(reckoned["stages"].keys).to eq(%w[blank rounded outside hollowed])
    expect(reckoned["stages"]["blank"]["mass_g"]).to be_within(1e-6).of(
      assess(defects: [crack, body("void", contents: "air")])[:stages][:blank][:mass_g]
    )
    expect(db[:blanks].count).to eq(0)
  end

  it "unrolls a cut at a depth, and refuses one below the axis" do
    asked = {
      document: blank_data(defects: [body("void", r_mm: 100, size_mm: [30, 40, 30], contents: "air")]),
      depth_mm: 20,
      rpm: 600
    }
    ask("POST", "/api/reckon/peel", asked)
    expect(answer_as("Peel")["worst"]).to include("knocks_per_s" => 10.0)
    ask("POST", "/api/reckon/peel", asked.merge(depth_mm: 130))
    expect(problem(422)["errors"].first).to eq(
      "pointer" => "/depth_mm",
      "detail" => "is 130: 0 up to 120.0 mm, the axis"
    )
  end

  it "says which one more test would tell most" do
    asked = { document: blank_data(**BlankHelper::TALL, defects: [crack(z_mm: [80, 200], depth_mm: 5)]) }
    ask("POST", "/api/reckon/tests", asked)
    expect(answer_as("NextTests")["tests"].map { |test| test.values_at("id", "test") }).to eq([%w[b feeler]])
  end

  it "reckons what a lump is as it is taken in" do
    asked = { lump: { type: "cap", diameter_mm: 300, height_mm: 100 }, species: "lime", moisture_pct: 25, mass_g: 2400 }
    ask("POST", "/api/reckon/intake", asked)
    expect(answer_as("Intake")).to include("density_from" => "weight", "shape" => a_hash_including("type" => "outline"))
    ask("POST", "/api/reckon/intake", asked.merge(lump: { type: "log", length_mm: 3 }))
    expect(problem(422)["errors"].map { |error| error["pointer"] }).to eq(
      %w[/lump/head_diameter_mm /lump/tail_diameter_mm]
    )
  end

  it "shows the working of every number it points at" do
    ask(
      "POST",
      "/api/reckon",
      { document: JSON.parse(JSON.generate(blank_data(defects: [crack], form: BlankHelper::BOWL))) }
    )
    reckoned = answer
    pointed = reckoned["advice"].values.flatten.filter_map { |advice| advice["figure"] }
    expect(pointed).not_to be_empty
    expect(reckoned["workings"].keys).to include(*pointed)
    reckoned["workings"].each do |pointer, working|
      found = pointer.split("/").drop(1).inject(reckoned) { |at, key| step(at, key) }
      expect([working["value"], :absent]).to include(found), pointer
    end
  end

  # One step of a pointer: into a group, a list by place, or a list by the rows' own keys.
  def step(at, key)
    return at&.fetch(key, :absent) unless at.is_a?(Array)

    at[Integer(key, exception: false) || at.index { |row| row["key"] == key }]
  end

  it "answers for every kind of piece in the demo" do
    Dir[File.join(MossyAnvil::Server::Services::Demo::FOLDER, "*.anvil.json")].each do |path|
      ask("POST", "/api/reckon", { document: JSON.parse(File.read(path)) })
      expect(last_response.status).to eq(200)
      answer_as("Assessment")
    end
  end

  {
    "no JSON" => "{",
    "a bare word" => "null",
    "broken UTF-8" => "{\"document\": \"\xff\"}",
    "a number out of range" => '{"document": 1e400}',
    "nesting without end" => "[" * 5000,
    "nothing" => ""
  }.each do |name, body|
    it "refuses #{name} with a reason" do
      ask("POST", "/api/reckon", body)
      expect(problem(422)["errors"].first["detail"]).not_to be_empty
    end
  end

  it "refuses a huge body without reading it all" do
    ask("POST", "/api/reckon", "x" * 3_000_000)
    expect(problem(413)["detail"]).to include("at most 2000000 bytes")
  end

  it "asks for JSON" do
    header "Host", "localhost"
    post "/api/reckon", { document: "x" }
    problem(415)
  end
end

RSpec.describe "The tables", :server do
  it "are handed out with their source, each row by its key" do
    MossyAnvil::Server::Routes::Tables::SHOWN.each do |name|
      ask("GET", "/api/tables/#{name}")
      table = answer_as("Table")
      expect(table["source"]).not_to be_empty
      expect(table["rows"]).to all(include(name == "grits" ? "median_um" : "key"))
    end
    ask("GET", "/api/tables/strength")
    problem(404)
  end
end

RSpec.describe "The server", :server do
  it "answers only to its own names" do
    header "Host", "elsewhere.test"
    get "/api/shop"
    expect(last_response.status).to eq(403)
  end

  it "says what is not there as a problem, and serves the face for every page" do
    ask("GET", "/api/nothing")
    problem(404)
    ask("GET", "/healthz")
    answer_as("Health")
    ask("GET", "/blanks/3/turn")
    expect(last_response.headers["content-security-policy"]).to include("default-src 'self'")
  end

  it "says 503 when the database is away, and comes back by itself" do
    away = MossyAnvil::Server::Store::Connection.open(ServerHelper.url)
    allow(away).to receive(:get).and_raise(Sequel::DatabaseDisconnectError)
    @app = MossyAnvil::Server::App.serve(db: away, clock: clock, log: log)
    ask("GET", "/readyz")
    expect(problem(503)["detail"]).to include("Nothing was saved")
    allow(away).to receive(:get).and_call_original
    ask("GET", "/readyz")
    answer_as("Health")
  end
end

RSpec.describe MossyAnvil::Server::Services::Demo, :server do
  it "fills an empty shop with its dates moved to today" do
    expect(described_class.new(db, now: clock.now).load).to eq(
      Dir[File.join(described_class::FOLDER, "*.anvil.json")].size
    )
    newest = db[:readings].max(:taken_at)
    expect(clock.now - newest).to be_between(0, 4 * 86_400)
    expect(db[:journal].max(:logged_at)).to be <= clock.now
    expect(MossyAnvil::Server::Store::Shops.new(db).current[:name]).to eq("Tern Quay Turnery")
  end
end

RSpec.describe "A scan", :server do
  def scan(bytes, query = "") = ask("POST", "/api/reckon/scan#{query}", bytes, type: "application/octet-stream")

  # An octahedron: two pyramids of 45 mm on a square of side 45 sqrt 2, 4/3 x 45^3 mm3 in all.
  let(:octahedron) do
    "v 45 0 0\nv 0 45 0\nv -45 0 0\nv 0 -45 0\nv 0 0 45\nv 0 0 -45\nf 1 2 5\nf 2 3 5\nf 3 4 5\nf 4 1 5\nf 2 1 6\nf 3 2 6\nf 4 3 6\nf 1 4 6\n"
  end

  it "comes back as stations, in the contract's shape" do
    scan(octahedron)
    expect(answer_as("Scan")).to include(
      "triangles" => 8,
      "closed" => true,
      "volume_mm3" => be_within(1e-6).of(121_500)
    )
    scan(octahedron, "?unit=in&axis=x&end=high")
    expect(answer_as("Scan")["extents_mm"]).to all(be_within(1e-6).of(2286))
  end

  it "is refused with a reason where it is none, or is asked for in a way there is not" do
    scan("v 1 2 3")
    expect(problem(422)["errors"]).to eq(
      [{ "pointer" => "/file", "detail" => "holds no triangles: an STL or OBJ file of a closed surface" }]
    )
    scan(octahedron, "?unit=furlong&axis=w")
    expect(problem(422)["errors"].map { |error| error["pointer"] }).to eq(%w[/unit /axis])
    ask("POST", "/api/reckon/scan", "{}")
    expect(last_response.status).to eq(415)
  end
end
