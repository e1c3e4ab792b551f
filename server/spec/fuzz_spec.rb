# frozen_string_literal: true

require_relative "contract_guess"

RSpec.describe "Whatever is sent", :server do
  let(:random) { Random.new(20_300_501) }
  let(:guess) do
    ContractGuess.new(
      random,
      Dir[File.join(MossyAnvil::Server::ROOT, "demo", "*.anvil.json")].map { |path| JSON.parse(File.read(path)) }
    )
  end
  # [method, path, schema of its JSON body] of all that take one.
  let(:doors) do
    YAML.safe_load_file(MossyAnvil::Server::Contract::PATH)["paths"].flat_map do |path, item|
      item
        .slice("post", "put", "delete")
        .transform_values { |door| door.dig("requestBody", "content", "application/json", "schema") }
        .compact
        .map { |method, schema| [method, path, schema] }
    end
  end

  before { ServerHelper.load_demo(clock.now) }

  # Numbers in paths: of the demo, of none, and no numbers.
  def filled(path) = path.gsub(/\{\w+\}/) { guess.pick([1, 1, 2, 5, 12, 999, 2**63, "x"]) }

  # So many bodies are sent in all (FUZZ_BODIES=5000 goes farther); none takes longer than so much of this process.
  let(:bodies) { Integer(ENV.fetch("FUZZ_BODIES", "400")) }
  let(:most_cpu_s) { 5 }

  def cpu_s = Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID)

  # Asks, and sees to it that the answer is one of the server's own.
  def answered(method, path, body = nil, **how)
    before = cpu_s
    ask(method, path, body, **how)
    said = -> { "#{method} #{path} #{body.to_s[0, 2000]}\n#{logged.select { |line| line["error"] }}" }
    expect(last_response.status).to be < 500, said
    expect(cpu_s - before).to be < most_cpu_s, said
    problem(last_response.status) if last_response.status >= 400
    last_response.status
  end

  it "is answered or refused in its own form, and never breaks anything" do
    # A card to tick at.
    ask("POST", "/api/blanks/5/card", { key: SecureRandom.uuid })
    statuses =
      Array.new((bodies / doors.size) + 1) do
        # What is under way is no reason to refuse the next.
        db[:tasks].update(ended_at: Time.now)
        db[:search_parts].update(ended: true)
        doors.map do |method, path, schema|
          [path, answered(method.upcase, filled(path), JSON.generate(guess.of(schema)))]
        end
      end
    expect(statuses.flatten(1).size).to be >= bodies
    # Enough of it gets through to have tried what lies behind.
    through = statuses.flatten(1).select { |_, status| status < 300 }.map(&:first).uniq
    expect(through).to include("/api/reckon", "/api/reckon/mend", "/api/blanks", "/api/blanks/{id}/journal")
    ask("GET", "/readyz")
    expect(last_response.status).to eq(200)
  end

  it "is refused where the address itself cannot be read" do
    [
      "/api/blanks/1/export?as[a]=b",
      "/api/blanks/1/export?#{Array.new(4100) { |turn| "a#{turn}=1" }.join("&")}",
      "/api/blanks/1/export?#{"a[" * 200}",
      "/api/blanks/1/export?as=%FF%FE",
      "/api/blanks/1/export?as=%00",
      "/api/shop/archive?differs[]=copy",
      "/api/tables/%E2%28",
      "/api/tables/a%00b",
      "/api/blanks/%31%00"
    ].each { |path| expect(answered("GET", path)).to eq(400), path }
    expect(answered("GET", "/api/blanks/1/export?as=%C3%A9")).to eq(404)
    # What no library here would send.
    { "QUERY_STRING" => "as=%zz", "PATH_INFO" => "/api/blanks/\xFF" }.each do |name, value|
      status, headers, =
        app.call(Rack::MockRequest.env_for("/api/blanks/1/export", "HTTP_HOST" => "localhost").merge(name => value))
      expect([status, headers["content-type"]]).to eq([400, "application/problem+json"])
    end
  end

  it "is refused where it is no JSON, or a text or a name in it cannot be kept or printed" do
    {
      "[" => "",
      "{\"document\": \"\\ud800\"}" => "",
      "{\"document\": {\"name\": \"a\\u0000b\"}}" => "/document/name",
      "{\"a\\u0007\": 1}" => "",
      "{\"document\": {\"number\": 1e-320}}" => "/document/number",
      "{\"document\": [1e999]}" => "/document/0",
      "#{"[" * 5000}#{"]" * 5000}" => ""
    }.each do |body, pointer|
      expect(answered("POST", "/api/reckon", body)).to eq(422), body[0, 100]
      expect(answer["errors"].first["pointer"]).to eq(pointer)
    end
  end

  it "goes on being written as it is printed: formulas, line ends and markup in names" do
    %w[=cmd() +1 -1 @x].each_with_index do |name, index|
      id = take_in(name: name, number: 900 + index, defects: [crack(id: "a", group: name)])["id"]
      ask("GET", "/api/blanks/#{id}/export?as=csv")
      expect(last_response.body).to include(",'#{name}")
      %w[sheet svg section blank].each do |format|
        expect(answered("GET", "/api/blanks/#{id}/export?as=#{format}")).to eq(200)
      end
    end
  end
end
