# frozen_string_literal: true

require "puma"
require "puma/server"
require_relative "server_helper"

# Word of what changes, as it goes out over the wire.
RSpec.describe MossyAnvil::Server::Live::Feed, :server do
  before do
    @server = Puma::Server.new(app, nil, { min_threads: 1, max_threads: 2, log_writer: Puma::LogWriter.null })
    @port = @server.add_tcp_listener("127.0.0.1", 0).addr[1]
    @server.run
  end

  after { @server.stop(true) }

  # One that listens; what it was told so far, in order.
  def listener
    socket = TCPSocket.new("127.0.0.1", @port)
    socket.write("GET /api/changes HTTP/1.1\r\nHost: localhost\r\n\r\n")
    told = Thread::Queue.new
    Thread.new do
      Thread.current.report_on_exception = false
      while (line = socket.gets)
        told << :length if line.match?(/\Acontent-length/i)
        told << JSON.parse(line.delete_prefix("data: ")) if line.start_with?("data: ")
      end
    end
    expect(pop(told, 5)).to eq("what" => "all", "blank" => nil)
    told
  end

  def pop(queue, within_s = 2) = Timeout.timeout(within_s) { queue.pop }
  # Words until one of that kind has come.
  def hear(queue, what)
    word = pop(queue)
    word = pop(queue) until word["what"] == what
    word
  end

  it "reaches all that listen within two seconds, whatever is changed, and takes up none of the server's threads" do
    listeners = Array.new(6) { listener }
    id = take_in["id"]
    listeners.each { |one| expect(hear(one, "blank")).to eq("what" => "blank", "blank" => id) }
    ask("POST", "/api/blanks/#{id}/journal", { key: SecureRandom.uuid, kind: "note", note: "x" })
    ask("PUT", "/api/shop", { name: "Other", currency: "EUR" })
    ask("POST", "/api/people", { name: "Somebody", hours: [] })
    listeners.each { |one| expect(hear(one, "people")["blank"]).to be_nil }
    # Two threads there are, and six that listen.
    expect(Net::HTTP.get_response("localhost", "/healthz", @port).code).to eq("200")
  end

  it "says that something may have been missed when the database was away" do
    one = listener
    db[
      "SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE query LIKE 'LISTEN%' AND datname = current_database()"
    ].all
    expect(pop(one, 5)).to eq("what" => "all", "blank" => nil)
    id = take_in["id"]
    expect(hear(one, "blank")["blank"]).to eq(id)
  end

  it "lets go whoever does not keep up, and goes on telling the others" do
    one = listener
    # One whose window is full: it is written to for ever.
    slow = Object.new
    slow.define_singleton_method(:write) { |*| sleep }
    slow.define_singleton_method(:close) { nil }
    stuck = described_class.new(db).tell(slow, longest_s: 60)
    (1..150).each do |turn|
      db.run("NOTIFY changes, '{\"what\":\"blank\",\"blank\":#{turn}}'")
      expect(pop(one)["blank"]).to eq(turn)
    end
    stuck.kill
  end

  it "tells who else is at a blank, until they go or say nothing any more" do
    id = take_in["id"]
    tabs = Array.new(2) { SecureRandom.uuid }
    said = 0
    say = ->(tab, blank, turn) { ask("POST", "/api/here", { tab: tab, turn: turn, blank_id: blank }) }
    here = ->(tab, blank, turn = said += 1) { say.call(tab, blank, turn) && answer_as("Others")["others"] }
    expect(here.call(tabs[0], id)).to eq([])
    expect(here.call(tabs[1], id)).to eq([nil])
    expect(here.call(tabs[1], nil)).to eq([])
    expect(here.call(tabs[0], id)).to eq([])
    here.call(tabs[1], id)
    clock.now += 60
    expect(here.call(tabs[0], id)).to eq([])
    say.call(tabs[0], 999, 100)
    problem(404)
  end

  it "lets a tab that has gone stay gone, whatever it said before and comes late" do
    id = take_in["id"]
    going, staying = Array.new(2) { SecureRandom.uuid }
    say = ->(tab, turn, blank) { ask("POST", "/api/here", { tab: tab, turn: turn, blank_id: blank }) && last_response }
    turns = (1..).each
    others = -> { JSON.parse(say.call(staying, turns.next, id).body)["others"] }
    say.call(going, 2, nil)
    say.call(going, 1, id)
    expect(others.call).to eq([])
    one = listener
    say.call(going, 4, id)
    expect(hear(one, "here")["blank"]).to eq(id)
    say.call(going, 3, nil)
    expect(others.call).to eq([nil])
    say.call(going, 6, nil)
    expect(hear(one, "here")["blank"]).to eq(id)
    say.call(going, 5, id)
    expect(others.call).to eq([])
  end
end
