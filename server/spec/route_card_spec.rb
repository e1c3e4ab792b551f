# frozen_string_literal: true

require_relative "card_helper"

# A card that runs a stretch of the route: at the lathe, or at the finish.
RSpec.describe "A card of the route", :server do
  include CardHelper

  def kept(number, **changes)
    ask("POST", "/api/blanks", { document: demo(number).merge(changes.transform_keys(&:to_s)).compact })
    answer_as("KeptBlank")
  end

  def begun(id, from)
    ask("POST", "/api/blanks/#{id}/card", { key: key, from: from })
    expect(last_response.status).to eq(201), last_response.body
    answer_as("Card")
  end

  def tick_all(card, step_id)
    card["steps"].find { |step| step["id"] == step_id }["lines"].inject(card) do |now, line|
      next mark(now, line, value: line["target"]["value"]) if line["measures"]

      line["minutes"] ? mark(mark(now, line, "started"), line) : mark(now, line)
    end
  end

  def blank(id) = ask("GET", "/api/blanks/#{id}") && answer_as("KeptBlank")
  def ended(card) = ask("POST", "/api/cards/#{card["id"]}/end", { key: key }) && answer_as("Card")

  it "leads from the mount to the foot, with every cut, and the route goes on by what was ticked" do
    id = kept(39)["id"]
    card = begun(id, "mount")
    expect(card["steps"].map { |step| step["id"] }).to eq(%w[mount true_up outside seat turn_round hollow foot])
    expect(card["steps"].map { |step| step["stretch"] }.uniq).to eq(%w[turn])
    rungs = card["steps"][0]["lines"].filter_map { |one| one["target"] && one["target"]["value"] }
    expect(rungs).to eq(rungs.sort).and have_attributes(size: be > 2)
    expect(rungs.last).to eq(card["steps"][0]["limit_rpm"])
    cut = line(card, "work.line.cut")
    expect(cut["region"]).to include("tool" => "bowl_gouge", "side" => "outside")
    expect(cut["region"]["rpm"]).to be <= rungs.last
    card = tick_all(tick_all(card, "mount"), "true_up")
    expect(ended(card)["ended_at"]).not_to be_nil
    now = blank(id)
    expect(now["document"]["route"]["done"].map { |mark| mark["step"] }).to eq(%w[mount true_up])
    expect(now["journal"].last).to include("kind" => "cut")
    expect(begun(id, "outside")["steps"].first["id"]).to eq("outside")
  end

  it "says what to do when something happens, lathe off first, and goes on slower" do
    card = begun(kept(39)["id"], "true_up")
    here = line(card, "work.line.cut")
    %w[shook knocked flew caught].each do |trouble|
      ask("POST", "/api/cards/#{card["id"]}/troubles", { key: key, line: here["key"], trouble: trouble })
      expect(last_response.status).to eq(201), last_response.body
    end
    card = answer_as("Card")
    came = lines(card).map { |one| one["message"]["key"] }.grep(/stop\z/)
    expect(came.size).to eq(4)
    expect(line(card, "work.line.slower")["target"]["value"]).to be_within(0.01).of(card["steps"][0]["limit_rpm"] * 0.8)
    expect(line(card, "work.line.survey_it")).not_to be_nil
    ask("POST", "/api/cards/#{card["id"]}/troubles", { key: key, line: here["key"], trouble: "foams" })
    expect(problem(422)["errors"].first["pointer"]).to eq("/trouble")
  end

  it "writes a crack that opens into the survey at two presses, and its limit holds at once" do
    # Sound as it stands: what opens is the first opening there is.
    id = kept(34, defects: [], mend: nil, route: nil)["id"]
    card = begun(id, "hollow")
    before = card["steps"][0]["limit_rpm"]
    here = card["steps"][0]["lines"].select { |one| one["region"] }.last
    again = { key: key, line: here["key"], trouble: "opened", amount: 90 }
    2.times { ask("POST", "/api/cards/#{card["id"]}/troubles", again) }
    expect(last_response.status).to eq(201), last_response.body + log.string
    now = answer_as("Card")
    found = blank(id)["document"]["defects"]
    expect(found.size).to eq(1)
    expect(found.first).to include("type" => "crack", "through" => true, "found_on" => "2030-05-01")
    expect(found.first["path"].map { |point| point["z_mm"] }).to eq(here["region"]["z_mm"].map { |z_mm| z_mm.round(1) })
    said = now["steps"][0]["says"].last
    limit = said["key"] == "steps.work.opened_unsafe" ? 0 : said["amounts"]["limit"]["value"]
    expect(limit).to be < before * 0.9
    speeds = lines(now).filter_map { |one| one["region"] && one["region"]["rpm"] }
    expect(speeds).to all(be <= limit)
    ask("POST", "/api/cards/#{card["id"]}/troubles", { key: key, line: here["key"], trouble: "opened" })
    expect(problem(422)["errors"].first["pointer"]).to eq("/amount")
  end

  it "takes a crack that opens before anything is cut for one along the whole piece" do
    id = kept(34)["id"]
    card = begun(id, "mount")
    rung = lines(card).select { |one| one["message"]["key"].end_with?("rung") }[1]
    ask("POST", "/api/cards/#{card["id"]}/troubles", { key: key, line: rung["key"], trouble: "opened", amount: 90 })
    said = answer_as("Card")["steps"][0]["says"].last
    expect(said["key"]).to start_with("steps.work.opened")
    found = blank(id)["document"]["defects"].last
    expect(found["path"].map { |point| point["z_mm"] }).to eq([0, demo(34)["shape"]["length_mm"]])
  end

  it "runs sanding, coats with their waits, and drying, each as its own stretch" do
    id = kept(36)["id"]
    finish = begun(id, "sand")
    expect(finish["steps"].map { |step| step["id"] }).to eq(%w[sand coat])
    expect(lines(finish).count { |one| one["message"]["key"] == "steps.work.line.coat_wait" }).to eq(3)
    wait = line(finish, "work.line.coat_wait")
    mark(finish, wait, "started")
    ask("GET", "/api/waits")
    expect(answer_as("Waits")["waits"].map { |one| one["line"] }).to include(wait["key"])
    drying = begun(kept(39)["id"], "dry")
    expect(drying["steps"].first["lines"].map { |one| one["kind"] }).to eq(%w[do wait do])
  end

  it "mends by a step of mending as its plan does, and marks the rest" do
    id = kept(33)["id"]
    card = begun(id, "glue")
    expect(card["steps"].map { |step| step["do"] }).to include("glue")
    card = tick_all(card, "glue")
    ended(card)
    expect(blank(id)["document"]["defects"].find { |one| one["id"] == "D" }["mend"] || "held").not_to eq("none")
  end

  it "refuses a step there is not, or one that is done" do
    id = kept(39, route: { "done" => [{ "step" => "dry", "on" => "2030-04-01" }] })["id"]
    %w[polish dry].each do |from|
      ask("POST", "/api/blanks/#{id}/card", { key: key, from: from })
      expect(problem(422)["errors"].first["pointer"]).to eq("/from")
    end
  end
end
