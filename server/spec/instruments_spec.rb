# frozen_string_literal: true

require_relative "server_helper"
require_relative "../../instruments/scenario"
require_relative "../../instruments/stand_in"

# What devices say, line by line, and what is told of it.
RSpec.describe "Instruments", :server do
  let(:store) { MossyAnvil::Server::Store::Instruments.new(db) }
  let(:readings) { MossyAnvil::Server::Instruments::Readings.new }

  def line(**given) = MossyAnvil::Server::Instruments::Line.new(JSON.generate(given))

  def pointers_of
    yield
    []
  rescue MossyAnvil::InvalidInput => e
    e.faults.map(&:path)
  end

  # Keeps readings that come now.
  def say(*lines, now: Time.now.utc)
    lines.each { |given| readings.take(line(**given), now) }
    latest, spans = readings.unkept(all: true)
    store.save(latest, spans)
    readings.kept(latest, spans)
  end

  def told(key)
    # What was asked a moment ago is told again for a moment.
    sleep MossyAnvil::Server::Services::LiveReadings::FRESH_S
    ask("GET", "/api/instruments")
    answer_as("Instruments")["instruments"].find { |one| one["key"] == key }
  end

  it "tells what each says now, with what stands beside its value" do
    say({ instrument: "tachometer", value: 812.5 }, { instrument: "pins", value: 12.4, depth_mm: 12 })
    expect(told("tachometer")).to include("value" => 812.5, "unit" => "rpm measured", "state" => "now", "alarm" => nil)
    expect(told("pins")).to include("value" => 12.4, "depth_mm" => 12)
  end

  it "shows what has said nothing for three seconds as lost, never as nought, and forgets it after ten minutes" do
    say({ instrument: "tachometer", value: 812 })
    db[:instruments].update(received_at: Time.now - 4)
    expect(told("tachometer")).to include("state" => "lost", "value" => nil)
    db[:instruments].update(received_at: Time.now - 700)
    expect(told("tachometer")).to be_nil
  end

  it "refuses what cannot be, and goes on with the next" do
    [
      [{ instrument: "tachometer", value: -3 }, "/value"],
      [{ instrument: "scale", value: 1_000_000_000 }, "/value"],
      [{ instrument: "scale", value: nil }, "/value"],
      [{ instrument: "sextant", value: 1 }, "/instrument"],
      [{ instrument: "tachometer", value: 800, at: (Time.now - 86_400).utc.iso8601 }, "/at"],
      [{ instrument: "tachometer", value: 800, at: "yesterday" }, "/at"],
      [{ instrument: "thermometer", value: 20, spot: "pocket" }, "/spot"],
      [{ instrument: "pins", value: 12, depth_mm: "deep" }, "/depth_mm"],
      [{ instrument: "pins", value: 12, colour: "blue" }, "/colour"],
      [{ instrument: "microphone", wav: "no base64" }, "/wav"]
    ].each { |given, pointer| expect(pointers_of { say(given) }).to eq([pointer]) }
    ["", "[]", "[" * 100, "\u0000", "{\"value\":1e400}"].each do |text|
      expect(pointers_of { MossyAnvil::Server::Instruments::Line.new(text) }).not_to be_empty
    end
    say({ instrument: "tachometer", value: 800 })
    expect(told("tachometer")).to include("value" => 800)
  end

  it "marks a leap, and does not show it as now" do
    say({ instrument: "tachometer", value: 500 })
    say({ instrument: "tachometer", value: 5000 })
    expect(told("tachometer")).to include("state" => "doubtful", "value" => nil)
    say({ instrument: "tachometer", value: 5001 })
    expect(told("tachometer")).to include("state" => "now", "value" => 5001)
  end

  it "says that it shakes more at one speed, until the lathe has stood still" do
    now = Time.now.utc - 30
    300.times do |tick|
      time = now + (tick / 10.0)
      mm_s = tick < 200 ? 1.2 : 2.6
      say({ instrument: "tachometer", value: 600 }, { instrument: "shake", value: mm_s }, now: time)
    end
    db[:instruments].update(received_at: Time.now)
    expect(told("shake")).to include("alarm" => "shake_grows")
    say({ instrument: "tachometer", value: 0 }, { instrument: "shake", value: 0 })
    expect(told("shake")).to include("alarm" => nil)
  end

  it "hands out the last tap as a sound that can be worked out" do
    ask("GET", "/api/instruments/sound")
    problem(404)
    say({ instrument: "microphone", wav: [Instruments::Sound.tap(820, 60, Random.new(1))].pack("m0") })
    ask("GET", "/api/instruments/sound")
    ask("POST", "/api/reckon/tap", last_response.body, type: "audio/wav")
    expect(answer_as("Tap")).to include("frequency_hz" => be_within(8).of(820), "decay_ms" => be_within(2.3).of(23.3))
  end

  it "keeps eight hours of seven instruments, one at ten readings a second, in a few megabytes, with their extremes" do
    spans = MossyAnvil::Server::Instruments::Spans.new
    began_s = Time.utc(2030, 5, 1, 8).to_i
    reading = MossyAnvil::Model::Instrument::Reading
    (8 * 36_000).times do |tick|
      value = tick == 123_456 ? 999 : tick % 7
      (tick % 10 == 0 ? 7 : 1).times do |one|
        spans.add(reading.new(key: "device #{one}", spot: "", value: value, at_s: began_s + (tick / 10.0)))
      end
    end
    spans.ended(all: true).each_slice(5000) { |rows| store.save([], rows) }
    expect(db.get(Sequel.lit("pg_total_relation_size('instrument_spans')"))).to be < 50_000_000
    ask("GET", "/api/instruments/run?from=2030-05-01T08:00:00Z&to=2030-05-01T16:00:00Z")
    # Devices of this test alone are in no table.
    problem(422)
    db[:instrument_spans].where(Sequel.like(:key, "device %")).exclude(key: "device 0").delete
    db[:instrument_spans].update(key: "shake")
    ask("GET", "/api/instruments/run?from=2030-05-01T08:00:00Z&to=2030-05-01T16:00:00Z")
    points = answer_as("Run")["curves"].first["points"]
    expect(points.size).to be_between(100, MossyAnvil::Server::Routes::Instruments::MOST_SPANS + 1)
    expect(points.map { |point| point["most"] }.max).to eq(999)
  end

  it "drops what is a month old, but for what belongs to a card" do
    row = { key: "shake", spot: "", count: 1, least: 1, most: 1, mean: 1 }
    store.save([], [{ **row, begins_at: Time.now - (40 * 86_400) }, { **row, begins_at: Time.now - 86_400 }])
    store.thin
    expect(db[:instrument_spans].count).to eq(1)
  end

  it "refuses a run between no times, or over more than two weeks" do
    ask("GET", "/api/instruments/run?from=never&to=2030-05-01T16:00:00Z")
    expect(problem(422)["errors"].first["pointer"]).to eq("/from")
    ask("GET", "/api/instruments/run?from=2030-01-01T08:00:00Z&to=2030-05-01T16:00:00Z")
    expect(problem(422)["errors"].first["pointer"]).to eq("/to")
  end

  it "hears several devices over TCP, answers what it cannot take, and outlives one that breaks off" do
    listener = MossyAnvil::Server::Instruments::Listener.new(store, log: [])
    hearing = Thread.new { listener.run(0) }
    wait_for { listener.hears? }
    first, second = Array.new(2) { TCPSocket.new("127.0.0.1", listener.port) }
    first.puts(JSON.generate({ instrument: "tachometer", value: -3 }))
    expect(JSON.parse(first.gets)).to include("line" => 1, "problem" => include("-3"))
    first.write("{\"instrument\":\"tacho")
    first.close
    second.puts(JSON.generate({ instrument: "tachometer", value: 640 }))
    wait_for { db[:instruments].where(key: "tachometer").get(:value) == 640 }
    listener.stop
    hearing.join
    # The span that was not over is kept when it stops.
    expect(db[:instrument_spans].where(key: "tachometer").get(%i[count most])).to eq([1, 640])
  end

  def wait_for
    200.times do
      return if yield

      sleep 0.05
    end
    raise "it never came"
  end

  describe "the stand-ins" do
    let(:scenario) { Instruments::Scenario.read(File.expand_path("../../demo/instruments/hollowing.yaml", __dir__)) }

    def lines(name, time_s) = Instruments::StandIn.new(name, scenario, 0).lines(time_s)

    it "say nothing that is refused, but for what their scenario has go wrong" do
      expect(scenario.names.size).to eq(7)
      scenario.names.each do |name|
        said = lines(name, 3.2)
        expect(said).not_to be_empty
        said.each { |given| expect(pointers_of { readings.take(line(**given), Time.now.utc) }).to eq([]) }
      end
      expect(pointers_of { readings.take(line(**lines("scale", 60.5).first), Time.now.utc) }).to eq(%w[/value])
    end

    it "drop out, and shake more at one speed, when their scenario says so" do
      expect(lines("tachometer", 46)).to eq([])
      expect(scenario.shake_mm_s(90)).to be_within(0.01).of(2.2 * scenario.shake_mm_s(80))
      expect(scenario.rpm(90)).to eq(scenario.rpm(80))
    end

    it "are none in a shop that has none, and say what is wrong with a scenario" do
      none = Instruments::Scenario.read(File.expand_path("../../demo/instruments/none.yaml", __dir__))
      expect(none.names).to eq([])
      expect { Instruments::Scenario.read("/nowhere") }.to raise_error(Instruments::Scenario::Unreadable)
      expect { Instruments::Scenario.new({ "instruments" => { "sextant" => {} } }) }.to raise_error(/sextant/)
    end
  end
end
