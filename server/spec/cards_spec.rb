# frozen_string_literal: true

require_relative "card_helper"

RSpec.describe "A card of mending", :server do
  include CardHelper

  it "is ticked once however many hands tick it, and runs on the server's clock" do
    card = opened(35)
    first = lines(card).first
    same = key
    2.times { mark(card, first, key: same) }
    card = mark(card, first)
    expect(db[:card_marks].count).to eq(1)
    expect(card["next_line"]).to eq(lines(card)[1]["key"])

    pour = line(card, "cast.line.pour")
    card = mark(card, pour, "started")
    expect(line(card, "cast.line.pour")["wait"]).to include("started_at" => "2030-05-01T12:00:00Z")
    clock.now += 3600 * 5
    mark(card, pour, "started")
    again = mark(card, pour)
    expect(line(again, "cast.line.pour")).to include("done_at" => "2030-05-01T17:00:00Z")
    expect(line(again, "cast.line.pour")["wait"]).to include(
      "started_at" => "2030-05-01T12:00:00Z",
      "ended_at" => "2030-05-01T17:00:00Z"
    )
  end

  it "names a line it has not, whatever is said of it" do
    card = opened(35)
    { "marks" => { kind: "done" }, "troubles" => { trouble: "leaks" } }.each do |door, said|
      ask("POST", "/api/cards/#{card["id"]}/#{door}", { key: key, line: "cast.99", **said })
      expect(problem(404)["detail"]).to eq("there is no line cast.99 on this card")
    end
    expect(db[:card_marks].count).to eq(0)
  end

  it "is the same card for two who open it, and loses or doubles no tick of two who tick at once" do
    card = opened(35)
    ask("POST", "/api/blanks/#{card["blank_id"]}/card", { key: key })
    expect(answer_as("Card")["id"]).to eq(card["id"])
    wanted = lines(card).first(4).map { |one| one["key"] }
    work = -> do
      MossyAnvil::Server::Services::CardWork.new(db, climate: MossyAnvil::Report::ShopClimate.new, now: clock.now)
    end
    hands =
      Array.new(4) do
        Thread.new do
          wanted.each do |line_key|
            work.call.mark(card["id"], { "key" => SecureRandom.uuid, "line" => line_key, "kind" => "done" })
          end
        end
      end
    hands.each(&:join)
    expect(db[:card_marks].where(kind: "done").select_map(:line)).to match_array(wanted)
  end

  it "takes a tick back and takes it again, with what it drew from the shelf" do
    MossyAnvil::Server::Store::Stocks
      .new(db)
      .then do |stocks|
        id =
          stocks.add_product(
            name: "slow",
            kind: "resins",
            like: "casting_epoxy_deep",
            pack_g: 1000,
            pack_price: 30,
            sheet: {
            }
          )
        stocks.add_lot(id, 500, key, clock.now, part: "resin", code: "old", opened_on: Date.new(2030, 1, 1))
        stocks.add_lot(id, 900, key, clock.now, part: "resin", code: "new", opened_on: Date.new(2030, 3, 1))
      end
    left = -> { MossyAnvil::Server::Store::Stocks.new(db).products.first[:lots].map { |lot| lot[:left_g] } }
    card = opened(35)
    held = MossyAnvil::Server::Store::Stocks.new(db).reserved[%w[casting_epoxy_deep resin]]
    expect(held).to be_within(1e-9).of(
      lines(card)
        .select { |one| one["message"]["key"].start_with?("steps.cast.line.resin") }
        .sum { |one| one["target"]["value"] }
    )
    first, second = lines(card).select { |one| one["message"]["key"].start_with?("steps.cast.line.resin") }
    card = mark(card, first, value: 260)
    expect(left.call).to eq([240, 900])
    card = mark(card, second, value: 300)
    expect(left.call).to eq([0, 840])
    card = mark(card, second, "taken_back")
    expect(left.call).to eq([240, 900])
    mark(card, second, value: 250)
    expect(left.call).to eq([0, 890])
    expect(MossyAnvil::Server::Store::Stocks.new(db).reserved[%w[casting_epoxy_deep resin]]).to eq(0)
  end

  it "rings by the wait: the rack's ring, the board, and both moved by a colder shop" do
    card = opened(35)
    wait = line(card, "cast.line.next_layer")
    mark(card, wait, "started")
    likely = Time.parse(line(mark(card, lines(card).first), "cast.line.next_layer")["wait"]["likely_at"])
    ask("GET", "/api/shop")
    place = answer_as("Shop")["rack"].find { |one| one["id"] == card["blank_id"] }
    expect(place).to include("ready" => false)
    expect(Time.parse(place["wait"]["likely_end_at"])).to eq(likely)

    expect(work("PUT", "/api/shop/air", { temperature_c: 10, humidity: 0.5 })).to include("state" => "ended")
    ask("GET", "/api/waits")
    moved = answer_as("Waits")["waits"].first
    expect(Time.parse(moved["likely_at"]) - clock.now).to be_within(2).of(2 * (likely - clock.now))
    expect(moved).to include("unlocks" => "next_layer", "working" => false)

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
    ask("POST", "/api/cards/#{card["id"]}/marks", { key: key, line: weigh["key"], kind: "done" })
    expect(problem(422)["errors"].first).to include("pointer" => "/value")
    card = mark(card, weigh, value: 890)
    card = mark(card, lines(card).find { |one| one["measures"] == "wet_g" }, value: 1050)
    step = card["steps"].find { |one| one["do"] == "stabilise" }
    expect(step["says"].last).to include("tone" => "stop", "key" => "steps.stabilise.says.not_full")
    again = step["lines"].select { |one| one["measures"] == "wet_g" }
    expect(again.size).to eq(2)
    card = mark(card, again.last, value: 1590)
    expect(card["steps"].find { |one| one["do"] == "stabilise" }["says"].last["tone"]).to eq("go")
  end

  it "keeps what is seen of the bubbles, as often as anybody looks, and says when they have stopped" do
    card = opened(34, mend: { steps: [{ id: "s", do: "stabilise", of: [] }] })
    pump = line(card, "stabilise.line.pump")
    mark(card, pump, "started")
    [[10, 3], [20, 1], [60, 0], [2, 0]].each do |minutes, level|
      clock.now += minutes * 60
      mark(card, pump, "seen", value: level)
    end
    clock.now += 9 * 60
    ask("GET", "/api/blanks/#{card["blank_id"]}/card")
    now = answer_as("MaybeCard")["card"]
    looks = [3, 1, 0, 0].map { |level| include("value" => level) }
    expect(line(now, "stabilise.line.pump")).to include(
      "watch" => "bubbles",
      "seen" => looks,
      "says" => include("tone" => "go")
    )
    expect(line(now, "stabilise.line.bubbled")["suggested"]).to eq(90)
    [[pump, 4], [pump, 1.5], [line(card, "stabilise.line.drain"), 1]].each do |watched, value|
      ask("POST", "/api/cards/#{card["id"]}/marks", { key: key, line: watched["key"], kind: "seen", value: value })
      problem(422)
    end
    expect(db[:card_marks].where(kind: "seen").count).to eq(4)
  end

  it "brings a short pour onto the card, and ends with the piece mended, the journal written and the loss remembered" do
    crack = {
      "id" => "K",
      "type" => "void",
      "centre" => {
        "clock_deg" => 0,
        "r_mm" => 25,
        "z_mm" => 90
      },
      "size_mm" => [20, 20, 20],
      "contents" => "air"
    }
    plan = demo(35)["mend"]
    plan["steps"][0].merge!(
      "of" => ["K"],
      "mould" => {
        "type" => "box",
        "width_mm" => 60,
        "length_mm" => 100,
        "depth_mm" => 20
      }
    )
    card = opened(35, defects: [crack], mend: plan)
    until (here = lines(card).find { |one| one["key"] == card["next_line"] })["measures"] == "used_g"
      card = mark(card, here)
    end
    clock.now += 3600 * 20
    ask("POST", "/api/cards/#{card["id"]}/troubles", { key: key, line: here["key"], trouble: "short", amount: 4 })
    expect(last_response.status).to eq(201), last_response.body
    card = answer_as("Card")
    rest = lines(card).select { |one| one["message"]["amounts"].dig("what", "value", "key") == "steps.cast.part.rest" }
    expect(rest.map { |one| one["message"]["key"] }).to include(
      a_string_starting_with("steps.cast.line.resin"),
      a_string_starting_with("steps.cast.line.hardener")
    )
    expect(line(card, "cast.line.pour_rest")).not_to be_nil
    while card["next_line"]
      here = lines(card).find { |one| one["key"] == card["next_line"] }
      card = mark(card, here, value: { "used_g" => 80, "gel_min" => 2000 }[here["measures"]])
    end
    ask("POST", "/api/cards/#{card["id"]}/end", { key: key })
    expect(answer_as("Card")["ended_at"]).not_to be_nil
    ask("GET", "/api/blanks/#{card["blank_id"]}")
    kept = answer_as("KeptBlank")
    expect(kept["document"]).not_to have_key("mend")
    expect(kept["document"]["defects"].first).to include("type" => "resin_body", "id" => "K")
    expect(kept["version"]).to eq(2)
    expect(kept["journal"].last).to include("kind" => "mend", "note" => a_string_including("used, g 80"))
    expect(db[:records].select_map(:kind)).to include("cure_factor")
    ask("POST", "/api/cards/#{card["id"]}/marks", { key: key, line: lines(card).first["key"], kind: "taken_back" })
    expect(problem(422)["detail"]).to include("has ended")
  end
end
