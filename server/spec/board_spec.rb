# frozen_string_literal: true

require_relative "card_helper"
require "pdf/reader"

RSpec.describe "The board", :server do
  include CardHelper

  weekdays = (1..5).map { |weekday| { "weekday" => weekday, "from_min" => 480, "to_min" => 960 } }

  def board(query = "minutes=40&days=28")
    ask("GET", "/api/board?#{query}")
    answer_as("Board")
  end

  # Asked until nothing is left to plan.
  def planned(query = "minutes=40&days=28")
    found = board(query)
    found = board(query) until found["pending"].zero?
    found
  end

  def on_the_rack(number, **changes)
    ask("POST", "/api/blanks", { document: demo(number).merge(changes.transform_keys(&:to_s)) })
    answer_as("KeptBlank")
  end

  def piece(found, kept) = found["pieces"].find { |one| one["id"] == kept["id"] }
  def employ(name, hours) = ask("POST", "/api/people", { name: name, hours: hours })
  def ends(found) = found["pieces"].to_h { |one| [one["id"], one["finish_at"] && Time.iso8601(one["finish_at"])] }

  it "lays out every step of what is left of a piece, one after another, each with who does it and on which lathe" do
    employ("Ines", weekdays)
    kept = on_the_rack(37)
    found = planned
    steps = piece(found, kept)["steps"]
    expect(steps.map { |step| step["id"] }).to eq(%w[mount true_up outside seat turn_round ends sand buff done])
    expect(steps.map { |step| step["person"] }.uniq).to eq([found["people"].first["id"]])
    times = steps.flat_map { |step| step["parts"].flat_map { |part| part.values_at("from", "to") } }
    expect(times).to eq(times.sort)
    expect(steps.first(7).map { |step| step["lathe"] }.uniq.compact.size).to eq(1)
    expect(piece(found, kept)["finish_at"]).to eq(times.last)
  end

  it "says what fits into the time there is, and refuses what is no time" do
    on_the_rack(37)
    long, short = [40, 10].map { |minutes| planned("minutes=#{minutes}")["choices"].first }
    expect(long["steps"].size).to be > short["steps"].size
    expect([long["hands_min"] <= 40, short["hands_min"] <= 10]).to eq([true, true])
    %w[minutes=0 minutes=1441 minutes=NaN minutes=1e400 minutes= days=0 days=99999999999].each do |query|
      ask("GET", "/api/board?#{query}")
      expect(problem(422)["errors"].first["pointer"]).to eq("/#{query[/\w+/]}")
    end
  end

  it "says how late a piece is and what decides it, and puts what is due first" do
    on_the_rack(38)
    late = on_the_rack(35, commission: { due_on: "2030-05-03", words: "for the quay" })
    found = planned
    told = piece(found, late)
    expect(told).to include("due_on" => "2030-05-03", "words" => "for the quay")
    expect(told["late_days"]).to be > 3
    expect(told["decided_by"].first).to include("step" => "cast", "what" => "wait")
    expect(planned("minutes=240")["choices"].first["id"]).to eq(late["id"])
  end

  it "follows a piece that is changed, and leaves out one that is put away" do
    kept = on_the_rack(37)
    first = planned
    done = kept["document"].merge("route" => { "done" => [{ "step" => "sand", "on" => "2030-05-01" }] })
    ask("PUT", "/api/blanks/#{kept["id"]}", { version: kept["version"], document: done })
    expect(piece(planned, kept)["steps"].map { |step| step["id"] }).to eq(%w[buff done])
    expect(ends(planned)[kept["id"]]).to be < ends(first)[kept["id"]]
    ask("PUT", "/api/blanks/#{kept["id"]}/place", { put_away: true })
    expect(planned["pieces"]).to eq([])
  end

  it "counts what is done on a card, and waits until its wait is over" do
    card = opened(33)
    glue = line(card, "glue.line.clamped")
    card = lines(card).take_while { |one| one["key"] != glue["key"] }.inject(card) { |now, one| mark(now, one) }
    mark(card, glue, "started")
    told = piece(planned, { "id" => card["blank_id"] })
    wait = db[:waits].first
    expect(Time.iso8601(told["under_way"]["until"])).to be_within(60).of(wait[:likely_at])
    expect(told["steps"].map { |step| step["id"] }).not_to include("glue")
    expect(Time.iso8601(told["steps"].first["parts"].first["from"])).to be >= wait[:likely_at] - 60
  end

  it "gives no date to what has no form, and says so" do
    kept = on_the_rack(31)
    told = piece(planned, kept)
    expect([told["finish_at"], told["stopped"]["key"]]).to eq([nil, "board.stopped.form"])
    expect(planned["choices"].first["why"]["key"]).to eq("board.why.no_date")
  end

  it "supposes one person where nobody is written down, and says so" do
    on_the_rack(37)
    expect(planned["somebody"]).to be(true)
    employ("Ines", weekdays)
    expect(planned["somebody"]).to be(false)
  end

  it "stops before what the shop has no oven for" do
    kept = on_the_rack(34)
    ask("PUT", "/api/equipment", { oven: 0, vacuum_vessel: 1, pressure_pot: 1, clamps: 4 })
    expect(answer_as("Equipment")["oven"]).to eq(0)
    told = piece(planned, kept)
    expect([told["finish_at"], told["stopped"]["key"]]).to eq([nil, "board.stopped.lacks"])
  end

  it "prints what each is to do on a day" do
    clock.now = Time.utc(2030, 4, 30, 17)
    employ("Ines", weekdays)
    on_the_rack(37)
    planned
    ask("GET", "/api/board/list?in_days=1")
    expect(last_response.content_type).to eq("application/pdf")
    text = PDF::Reader.new(StringIO.new(last_response.body)).pages.map(&:text).join("\n")
    expect(text).to include("Wednesday 1 May 2030", "Ines", "37 Bell pulls", "Mount, True up")
    ask("GET", "/api/board/list?in_days=-1")
    expect(problem(422)["errors"].first["pointer"]).to eq("/in_days")
  end

  it "has the days pieces are due in the calendar" do
    on_the_rack(37, commission: { due_on: "2030-05-10" })
    ask("GET", "/api/waits.ics")
    expect(last_response.body).to include("DTSTART;VALUE=DATE:20300510", "SUMMARY:No. 37 Bell pulls is due")
  end

  it "shows the demo at work: cards running, one piece done, one given up, one late" do
    demo = MossyAnvil::Server::Services::Demo.new(db, now: clock.now)
    demo.load
    demo.go_to_work
    ask("GET", "/api/shop")
    rack = answer_as("Shop")["rack"].to_h { |place| [place["number"], place["state"]] }
    expect(rack.slice(33, 34, 37, 38, 42)).to eq(
      33 => "on_card",
      34 => "on_card",
      37 => "buff",
      38 => "outside",
      42 => "done"
    )
    expect(rack.values.uniq.size).to be >= 9
    expect(answer["put_away"].map { |one| one["number"] }).to eq([41])
    found = planned
    expect(found["pieces"].select { |one| one["late_days"] }.map { |one| one["number"] }).to eq([35])
    platter = found["pieces"].find { |one| one["number"] == 39 }["under_way"]
    last = db[:readings].where(kind: "mass", blank_id: db[:blanks].where(number: 39).select(:id)).max(:taken_at)
    expect(Time.iso8601(platter["weigh"])).to be_within(60).of(last + (7 * 86_400))
    expect(found["pieces"].select { |one| one["under_way"] }.map { |one| one["number"] }).to include(34, 39)
  end

  describe "people" do
    def people = ask("GET", "/api/people") && answer_as("People")["people"]

    it "are kept with their hours, changed and taken out" do
      employ("Ines", weekdays)
      expect(last_response.status).to eq(201)
      id = people.first["id"]
      ask("PUT", "/api/people/#{id}", { name: "Ines O.", hours: weekdays.first(2) })
      expect(people).to eq([{ "id" => id, "name" => "Ines O.", "role" => "maker", "hours" => weekdays.first(2) }])
      ask("DELETE", "/api/people/#{id}")
      expect(answer_as("People")["people"]).to eq([])
      ask("DELETE", "/api/people/#{id}")
      problem(404)
    end

    it "are told apart by their names, and end no day before it begins" do
      2.times { employ("Ines", weekdays) }
      expect(problem(409)["errors"].first["pointer"]).to eq("/name")
      employ("Wren", [{ weekday: 1, from_min: 600, to_min: 600 }])
      expect(problem(422)["errors"].first["pointer"]).to eq("/hours/0/to_min")
      employ("", weekdays)
      expect(problem(422)["errors"].first["pointer"]).to eq("/name")
      expect(people.size).to eq(1)
    end
  end

  describe "the clock of the place" do
    around do |example|
      before, ENV["TZ"] = ENV.fetch("TZ", nil), "Europe/Berlin"
      example.run
    ensure
      ENV["TZ"] = before
    end

    it "keeps hours of the day where the clocks are put forward in between" do
      clock = MossyAnvil::Server::Services::ShopClock.new(Time.utc(2030, 3, 30, 11))
      eight_on_monday = clock.time((7 * 1440) + 480)
      expect(eight_on_monday.iso8601).to eq("2030-04-01T08:00:00+02:00")
      expect(clock.minute(eight_on_monday)).to eq((7 * 1440) + 480)
      expect(clock.now_min).to eq((5 * 1440) + 720)
      expect(clock.time(clock.end_of(Date.new(2030, 3, 31))).iso8601).to eq("2030-04-01T00:00:00+02:00")
    end
  end
end
