# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe MossyAnvil::Server::Http::OwnOrigin, :server do
  def post_from(**headers)
    headers.each { |name, value| header name.to_s.tr("_", "-"), value }
    ask("POST", "/api/blanks", { document: blank_data })
    last_response.status
  end

  it "lets the shop's own page and a script without an origin change things" do
    expect([post_from, post_from(Origin: "http://localhost", Sec_Fetch_Site: "same-origin")]).to eq([201, 201])
  end

  [
    { Origin: "http://elsewhere.test" },
    { Origin: "null" },
    { Origin: "http://localhost:9999" },
    { Sec_Fetch_Site: "cross-site" },
    { Sec_Fetch_Site: "same-site" }
  ].each do |headers|
    it "refuses a page with #{headers}" do
      expect(post_from(**headers)).to eq(403)
      problem(403)
      expect(db[:blanks].count).to eq(0)
    end
  end

  it "lets anybody who gets here read" do
    header "Origin", "http://elsewhere.test"
    ask("GET", "/api/shop")
    expect(last_response.status).to eq(200)
  end
end

RSpec.describe "What a device keeps of the application", :server do
  it "is described by a manifest with its icons, and asked for anew each time" do
    get("/manifest.webmanifest", {}, "HTTP_HOST" => "localhost")
    expect(last_response.content_type).to start_with("application/manifest+json")
    icons = JSON.parse(last_response.body)["icons"].map { |icon| icon["src"] }
    expect(icons.size).to be >= 2
    ["/sw.js", *icons].each do |path|
      get(path, {}, "HTTP_HOST" => "localhost")
      expect([path, last_response.status, last_response.headers["cache-control"]]).to eq([path, 200, "no-cache"])
    end
  end
end

RSpec.describe MossyAnvil::Server::RequestLog, :server do
  it "writes one line for a request, with its sender's id, and nothing of what was in it" do
    header "X-Request-Id", "bench-7"
    ask("POST", "/api/reckon", { document: blank_data(name: "Secret bowl") })
    expect(last_response.headers["x-request-id"]).to eq("bench-7")
    expect(logged).to match(
      [
        {
          "at" => "2030-05-01T12:00:00.000Z",
          "event" => "request",
          "request_id" => "bench-7",
          "method" => "POST",
          "path" => "/api/reckon",
          "status" => 200,
          "ms" => be_positive
        }
      ]
    )
    expect(log.string).not_to include("Secret")
  end

  it "makes an id of its own where the sender's could break a line, and gives it with a problem" do
    header "X-Request-Id", "a\nb"
    ask("GET", "/api/blanks/9")
    expect(problem(404)["request_id"]).to eq(last_response.headers["x-request-id"]).and match(/\A[0-9a-f-]{36}\z/)
  end

  it "keeps the database's password, and whatever else a message repeats, out of the log" do
    away = MossyAnvil::Server::Store::Connection.open(ServerHelper.url)
    allow(away).to receive(:get).and_raise(Sequel::DatabaseConnectionError, "could not reach #{ServerHelper.url}")
    @app = MossyAnvil::Server::App.serve(db: away, clock: clock, log: log)
    ask("GET", "/readyz")
    problem(503)
    expect(logged.last(2).first).to include(
      "event" => "fault",
      "error" => "Sequel::DatabaseConnectionError",
      "at" => include(a_string_starting_with("server/"))
    )
    expect(log.string).not_to include("could not reach", ServerHelper.url)
  end

  it "says where a fault of the program arose, and shows the sender none of it" do
    allow(MossyAnvil::Report::Assessment).to receive(:new) { Integer("a secret of the house") }
    lines = StringIO.new
    $stdout = lines
    ask("POST", "/api/reckon", { document: blank_data })
    expect(problem(500).to_s).not_to include("secret")
    expect(JSON.parse(lines.string)).to include(
      "event" => "fault",
      "error" => "ArgumentError",
      "at" => include(a_string_including("guard_spec.rb"))
    )
    expect(lines.string).not_to include("secret")
  ensure
    $stdout = STDOUT
  end
end
