# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe "A plan of mending", :server do
  def demo(number) = JSON.parse(File.read(Dir[File.join(Loft::ROOT, "demo", "#{number}-*.anvil.json")].first))
  def key = SecureRandom.uuid

  def opened(number, **changes)
    ask("POST", "/api/blanks", { document: demo(number).merge(changes.transform_keys(&:to_s)) })
    ask("POST", "/api/blanks/#{answer_as('KeptBlank')['id']}/card", { key: key })
    expect(last_response.status).to eq(201), last_response.body
    answer_as("Card")
  end

  def lines(card) = card["steps"].flat_map { |step| step["lines"] }
  def line(card, text) = lines(card).find { |one| one["text"].include?(text) } || raise("no line with #{text}: #{lines(card).map { |one| one['text'] }}")

  def mark(card, line, kind = "done", value: nil, key: self.key)
    ask("POST", "/api/cards/#{card['id']}/marks", { key: key, line: line["key"], kind: kind, value: value }.compact)
    expect(last_response.status).to eq(201), last_response.body
    answer_as("Card")
  end

  it "is reckoned for every blank of the demo as the contract has it" do
    (31..42).each do |number|
      ask("POST", "/api/reckon/mend", { document: demo(number) })
      expect(last_response.status).to eq(200), log.string
      plan = answer_as("MendPlan")
      pointed = plan["steps"].flat_map { |step| step["says"] }.filter_map { |finding| finding["figure"] }
      expect(plan["workings"].keys).to include(*pointed) unless pointed.empty?
    end
  end

  it "is kept with its blank, and comes back as it was" do
    kept = demo(35)
    ask("POST", "/api/blanks", { document: kept })
    expect(answer_as("KeptBlank")["document"]["mend"]).to eq(kept["mend"])
  end

  it "refuses a data sheet that cannot be, at its field" do
    { { working_min: 0 } => "working_min", { density_g_ml: [11, 1] } => "density_g_ml/0", { parts: [2, 0] } => "parts/1",
      { peak_c: 19 } => "peak_c" }.each do |sheet, field|
      wrong = demo(35)
      wrong["mend"]["steps"][0]["sheet"] = sheet
      ask("POST", "/api/reckon/mend", { document: wrong })
      expect(problem(422)["errors"].map { |one| one["pointer"] }).to include("/document/mend/steps/0/sheet/#{field}")
    end
  end

  describe "worked by a card" do
    it "is ticked once however many hands tick it, and runs on the server's clock" do
      card = opened(35)
      first = lines(card).first
      same = key
      2.times { mark(card, first, key: same) }
      card = mark(card, first)
      expect(db[:card_marks].count).to eq(1)
      expect(card["next_line"]).to eq(lines(card)[1]["key"])

      pour = line(card, "Mixed, scraped, poured: layer 1")
      card = mark(card, pour, "started")
      expect(line(card, "Mixed, scraped, poured: layer 1")["wait"]).to include("started_at" => "2030-05-01T12:00:00Z")
      clock.now += 3600 * 5
      mark(card, pour, "started")
      again = mark(card, pour)
      expect(line(again, "Mixed, scraped, poured: layer 1")).to include("done_at" => "2030-05-01T17:00:00Z")
      expect(line(again, "Mixed, scraped, poured: layer 1")["wait"]).to include("started_at" => "2030-05-01T12:00:00Z", "ended_at" => "2030-05-01T17:00:00Z")
    end

    it "is the same card for two who open it, and loses or doubles no tick of two who tick at once" do
      card = opened(35)
      ask("POST", "/api/blanks/#{card['blank_id']}/card", { key: key })
      expect(answer_as("Card")["id"]).to eq(card["id"])
      wanted = lines(card).first(4).map { |one| one["key"] }
      work = -> { Loft::CardWork.new(db, climate: MossyAnvil::ShopClimate.new, now: clock.now) }
      hands = Array.new(4) do
        Thread.new { wanted.each { |line_key| work.call.mark(card["id"], { "key" => SecureRandom.uuid, "line" => line_key, "kind" => "done" }) } }
      end
      hands.each(&:join)
      expect(db[:card_marks].where(kind: "done").select_map(:line)).to match_array(wanted)
    end

    it "takes a tick back and takes it again, with what it drew from the shelf" do
      Loft::Store::Stocks.new(db).then do |stocks|
        id = stocks.add_product(name: "slow", kind: "resins", like: "casting_epoxy_deep", pack_g: 1000, pack_price: 30, sheet: {})
        stocks.add_lot(id, 500, key, clock.now, part: "resin", code: "old", opened_on: Date.new(2030, 1, 1))
        stocks.add_lot(id, 900, key, clock.now, part: "resin", code: "new", opened_on: Date.new(2030, 3, 1))
      end
      left = -> { Loft::Store::Stocks.new(db).products.first[:lots].map { |lot| lot[:left_g] } }
      card = opened(35)
      held = Loft::Store::Stocks.new(db).reserved[%w[casting_epoxy_deep resin]]
      expect(held).to be_within(1e-9).of(lines(card).select { |one| one["text"].start_with?("Resin for") }.sum { |one| one["target"]["value"] })
      first, second = lines(card).select { |one| one["text"].start_with?("Resin for") }
      card = mark(card, first, value: 260)
      expect(left.call).to eq([240, 900])
      card = mark(card, second, value: 300)
      expect(left.call).to eq([0, 840])
      card = mark(card, second, "taken_back")
      expect(left.call).to eq([240, 900])
      mark(card, second, value: 250)
      expect(left.call).to eq([0, 890])
      expect(Loft::Store::Stocks.new(db).reserved[%w[casting_epoxy_deep resin]]).to eq(0)
    end

    it "rings by the wait: the rack's ring, the board, and both moved by a colder shop" do
      card = opened(35)
      wait = line(card, "Until it has gelled")
      mark(card, wait, "started")
      likely = Time.parse(line(mark(card, lines(card).first), "Until it has gelled")["wait"]["likely_at"])
      ask("GET", "/api/shop")
      place = answer_as("Shop")["rack"].find { |one| one["id"] == card["blank_id"] }
      expect(place).to include("ready" => false)
      expect(Time.parse(place["wait"]["likely_end_at"])).to eq(likely)

      ask("PUT", "/api/shop/air", { temperature_c: 10, humidity: 0.5 })
      expect(last_response.status).to eq(200)
      ask("GET", "/api/waits")
      moved = answer_as("Waits")["waits"].first
      expect(Time.parse(moved["likely_at"]) - clock.now).to be_within(2).of(2 * (likely - clock.now))
      expect(moved).to include("unlocks" => "the next layer", "working" => false)

      clock.now += 60 * 60 * 24 * 30
      ask("GET", "/api/shop")
      expect(answer["rack"].find { |one| one["id"] == card["blank_id"] }).to include("ready" => true, "wait" => nil)
      mark(card, wait)
      ask("GET", "/api/waits")
      expect(answer["waits"]).to eq([])
    end

    it "says of the weights whether it goes back in, and what to do then" do
      card = opened(34)
      until (weigh = lines(card).find { |one| one["measures"] == "dry_g" })["key"] == card["next_line"]
        next_line = lines(card).find { |one| one["key"] == card["next_line"] }
        card = mark(card, next_line, value: next_line["measures"] ? 900 : nil)
      end
      ask("POST", "/api/cards/#{card['id']}/marks", { key: key, line: weigh["key"], kind: "done" })
      expect(problem(422)["errors"].first).to include("pointer" => "/value")
      card = mark(card, weigh, value: 890)
      card = mark(card, lines(card).find { |one| one["measures"] == "wet_g" }, value: 1050)
      step = card["steps"].find { |one| one["do"] == "stabilise" }
      expect(step["says"].last).to include("tone" => "stop", "text" => a_string_including("Back in before it is cured"))
      again = step["lines"].select { |one| one["measures"] == "wet_g" }
      expect(again.size).to eq(2)
      card = mark(card, again.last, value: 1590)
      expect(card["steps"].find { |one| one["do"] == "stabilise" }["says"].last["tone"]).to eq("go")
    end

    it "brings a short pour onto the card, and ends with the piece mended, the journal written and the loss remembered" do
      crack = { "id" => "K", "type" => "void", "centre" => { "clock_deg" => 0, "r_mm" => 25, "z_mm" => 90 }, "size_mm" => [20, 20, 20], "contents" => "air" }
      plan = demo(35)["mend"]
      plan["steps"][0].merge!("of" => ["K"], "mould" => { "type" => "box", "width_mm" => 60, "length_mm" => 100, "depth_mm" => 20 })
      card = opened(35, defects: [crack], mend: plan)
      until (here = lines(card).find { |one| one["key"] == card["next_line"] })["measures"] == "used_g"
        card = mark(card, here)
      end
      clock.now += 3600 * 20
      ask("POST", "/api/cards/#{card['id']}/troubles", { key: key, line: here["key"], trouble: "short", amount: 4 })
      expect(last_response.status).to eq(201), last_response.body
      card = answer_as("Card")
      expect(lines(card).map { |one| one["text"] }).to include("Resin for the rest.", "Hardener for the rest.", "Mixed and poured.")
      while card["next_line"]
        here = lines(card).find { |one| one["key"] == card["next_line"] }
        card = mark(card, here, value: { "used_g" => 80, "gel_min" => 2000 }[here["measures"]])
      end
      ask("POST", "/api/cards/#{card['id']}/end", { key: key })
      expect(answer_as("Card")["ended_at"]).not_to be_nil
      ask("GET", "/api/blanks/#{card['blank_id']}")
      kept = answer_as("KeptBlank")
      expect(kept["document"]).not_to have_key("mend")
      expect(kept["document"]["defects"].first).to include("type" => "resin_body", "id" => "K")
      expect(kept["version"]).to eq(2)
      expect(kept["journal"].last).to include("kind" => "mend", "note" => a_string_including("used g 80"))
      expect(db[:records].select_map(:kind)).to include("cure_factor")
      ask("POST", "/api/cards/#{card['id']}/marks", { key: key, line: lines(card).first["key"], kind: "taken_back" })
      expect(problem(422)["detail"]).to include("has ended")
    end
  end

  it "waits to dry from an earliest to a likely day, on the board as on the rack" do
    ask("POST", "/api/blanks", { document: demo(39) })
    ask("GET", "/api/waits")
    wait = answer_as("Waits")["waits"].first
    earliest, likely = wait.values_at("earliest_at", "likely_at").map { |time| Time.parse(time) }
    expect(earliest).to be_between(clock.now, likely - 86_400)
    expect(wait).to include("card_id" => nil, "unlocks" => "dry enough for what follows")
  end

  describe "as a calendar" do
    it "is read by an independent parser, one event a wait with its alarm" do
      card = opened(35)
      mark(card, line(card, "Leave it in the mould"), "started")
      ask("GET", "/api/waits.ics")
      expect(last_response.content_type).to start_with("text/calendar")
      File.write(path = File.join(Dir.mktmpdir, "waits.ics"), last_response.body)
      script = <<~PYTHON
        import sys, json, icalendar
        calendar = icalendar.Calendar.from_ical(open(sys.argv[1], "rb").read())
        print(json.dumps([[str(e["SUMMARY"]), e["DTSTART"].dt.isoformat(), [str(a["ACTION"]) for a in e.walk("VALARM")]] for e in calendar.walk("VEVENT")]))
      PYTHON
      found = JSON.parse(IO.popen(["/usr/bin/python3", "-c", script, path], &:read))
      likely = line(mark(card, lines(card).first), "Leave it in the mould")["wait"]["likely_at"]
      expect(found).to eq([["No. 35 Six coat-pegs: demoulding", Time.parse(likely).utc.strftime("%Y-%m-%dT%H:%M:%S+00:00"), ["DISPLAY"]]])
    end
  end
end
