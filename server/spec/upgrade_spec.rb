# frozen_string_literal: true

require "open3"
require_relative "server_helper"

# What was kept before texts were said by key is read by what stands now. Both fixtures hold the demo shop with No. 34
# and No. 35 on the bench, a clock that runs and a trouble that was told; `pg_dump --no-owner` and the archive of that
# time wrote them.
RSpec.describe "What was kept before messages", :server do
  let(:fixtures) { File.join(__dir__, "fixtures") }

  # All that app says of the cards of these blanks and of what waits, checked against the contract.
  def messages(app, blanks)
    read = ->(path, schema) do
      said = JSON.parse(Rack::MockRequest.new(app).get(path, "HTTP_HOST" => "localhost").body)
      expect(ServerHelper.contract.faults(schema, said).map(&:to_s)).to eq([])
      said
    end
    steps = blanks.flat_map { |id| read["/api/blanks/#{id}/card", "MaybeCard"]["card"]["steps"] }
    expect(steps.flat_map { |step| step["lines"] }.count { |line| line["done_at"] }).to be > 3
    waits = read["/api/waits", "Waits"]["waits"].reject { |wait| wait["line"].nil? }
    expect(waits.map { |wait| wait["unlocks"] }).to eq(["next_layer"])
    said = steps.flat_map { |step| [step["name"], *step["cautions"], *step["lines"].map { |line| line["message"] }] }
    [*said, *waits.map { |wait| wait["message"] }]
  end

  it "takes in an archive of that time, with its open cards, their ticks and the clock that runs" do
    bytes = File.binread(File.join(fixtures, "shop-before-messages.zip"))
    task = work("POST", "/api/shop/archive", bytes, type: "application/zip")
    expect(task["state"]).to eq("ended"), last_response.body
    expect(task["result"].values_at("differ", "cards_left")).to eq([[], []])
    blanks = db[:blanks].where(number: [34, 35]).select_map(:id)
    expect(messages(app, blanks)).to all(include("key" => "text"))
  end

  it "brings a database of that time up to date: cards, waits and what waits to be done" do
    db.run("DROP DATABASE IF EXISTS upgraded")
    db.run("CREATE DATABASE upgraded")
    url = ServerHelper.url.sub(%r{/\w+\z}, "/upgraded")
    said, status =
      Open3.capture2e("psql", "-qXv", "ON_ERROR_STOP=1", "-f", File.join(fixtures, "database-before-messages.sql"), url)
    expect(status).to be_success, said
    old = MossyAnvil::Server::Store::Connection.open(url)
    MossyAnvil::Server::Store::Connection.migrate(old)
    blanks = old[:cards].select_map(:blank_id)
    expect(blanks.length).to eq(2)
    app = MossyAnvil::Server::App.serve(db: old, clock: clock, log: log)
    expect(messages(app, blanks)).to all(include("key" => "text"))
    expect(MossyAnvil::Server::Store::Stocks.new(old).reserved).not_to be_empty
  ensure
    old&.disconnect
    db.run("DROP DATABASE IF EXISTS upgraded")
  end
end
