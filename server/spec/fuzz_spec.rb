# frozen_string_literal: true

require_relative "contract_guess"

RSpec.describe "Whatever is sent", :server do
  let(:random) { Random.new(20_300_501) }
  let(:guess) { ContractGuess.new(random, Dir[File.join(Loft::ROOT, "demo", "*.anvil.json")].map { |path| JSON.parse(File.read(path)) }) }
  # [method, path, schema of its JSON body] of all that take one.
  let(:doors) do
    YAML.safe_load_file(Loft::Contract::PATH)["paths"].flat_map do |path, item|
      item.slice("post", "put", "delete").transform_values { |door| door.dig("requestBody", "content", "application/json", "schema") }
          .compact.map { |method, schema| [method, path, schema] }
    end
  end

  before { ServerHelper.load_demo(clock.now) }

  # Numbers in paths: of the demo, of none, and no numbers.
  def filled(path) = path.gsub(/\{\w+\}/) { guess.pick([1, 1, 2, 5, 12, 999, 2**63, "x"]) }

  it "is answered or refused in its own form, and never breaks anything" do
    # A card to tick at.
    ask("POST", "/api/blanks/5/card", { key: SecureRandom.uuid })
    statuses = Array.new(12) do
      doors.map do |method, path, schema|
        body = guess.of(schema)
        ask(method.upcase, filled(path), JSON.generate(body))
        expect(last_response.status).to be < 500, "#{method} #{path} #{JSON.generate(body)[0, 2000]}\n#{logged.select { |line| line['error'] }}"
        problem(last_response.status) if last_response.status >= 400
        [path, last_response.status]
      end
    end
    # Enough of it gets through to have tried what lies behind.
    through = statuses.flatten(1).select { |_, status| status < 300 }.map(&:first).uniq
    expect(through).to include("/api/reckon", "/api/reckon/mend", "/api/blanks", "/api/blanks/{id}/journal")
    ask("GET", "/readyz")
    expect(last_response.status).to eq(200)
  end
end
