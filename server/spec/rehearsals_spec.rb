# frozen_string_literal: true

require_relative "card_helper"

RSpec.describe "Rehearsals", :server do
  include CardHelper

  def kept_id = @kept_id ||= ask("POST", "/api/blanks", { document: demo(32) }) && answer_as("KeptBlank")["id"]

  def begun(truth = "survey")
    ask("POST", "/api/blanks/#{kept_id}/rehearsals", { document: demo(32), truth: truth })
    expect(last_response.status).to eq(201), last_response.body
    answer_as("Rehearsal")
  end

  def act(rehearsal, position, **act)
    ask("POST", "/api/rehearsals/#{rehearsal["id"]}/acts", { position: position, act: act })
    last_response.status == 201 ? answer_as("Rehearsal") : answer
  end

  # Up to the step of that kind, by the plan; how many acts that took.
  def to_step(rehearsal, kind)
    state = rehearsal["state"]
    count = 0
    until state["steps"][state["at"]]["kind"] == kind
      step = state["steps"][state["at"]]
      acts = step["limit_rpm"].positive? ? [{ act: "speed", rpm: step["limit_rpm"] }] : []
      acts += state["regions"].each_index.map { |region| { act: "cut", region: region } }
      [*acts, { act: "go_on" }].each { |one| state = act(rehearsal, (count += 1) - 1, **one)["state"] }
    end
    [count, state]
  end

  it "are played by the core's own rules, act by act, and change nothing of the piece" do
    before = ask("GET", "/api/blanks/#{kept_id}") && answer
    rehearsal = begun
    expect(rehearsal).to include("acts" => [], "truth" => "survey", "outcome" => nil, "document" => demo(32))
    count, state = to_step(rehearsal, "outside")
    plan = MossyAnvil::Rehearsal::Setting.new(MossyAnvil::Formats::BlankFile.from_data(demo(32)), seed: nil).plan
    expect(state["speed"]["limit_rpm"]).to eq(plan.steps[state["at"]].rpm)
    ask("GET", "/api/rehearsals/#{rehearsal["id"]}")
    expect(answer_as("Rehearsal")).to include("state" => state)
    expect(answer["acts"].size).to eq(count)
    ask("GET", "/api/blanks/#{kept_id}")
    expect(answer).to eq(before)
  end

  it "can be looked at as they stood after any act, and go on after a reload" do
    rehearsal = begun
    first = act(rehearsal, 0, act: "go_on")["state"]
    second = act(rehearsal, 1, act: "go_on")["state"]
    at = ->(acts) { ask("GET", "/api/rehearsals/#{rehearsal["id"]}?acts=#{acts}") && answer_as("Rehearsal")["state"] }
    expect([at.call(0), at.call(1), at.call(2), at.call(99), at.call("x")]).to eq(
      [rehearsal["state"], first, second, second, second]
    )
  end

  it "end by what a truth does not bear, are told in short, and then take no more" do
    rehearsal = begun
    count, = to_step(rehearsal, "hollow")
    ended = act(rehearsal, count, act: "speed", rpm: 3200)
    expect(ended["state"]["ended"]["event"]).to include("then" => "lost", "step" => "hollow")
    expect(ended["state"]["ended"]["truth"].map { |one| one["id"] }).to eq(demo(32)["defects"].map { |one| one["id"] })
    act(rehearsal, count + 1, act: "look")
    expect(problem(422)["errors"].first["pointer"]).to eq("/act/act")
    ask("GET", "/api/blanks/#{kept_id}/rehearsals")
    expect(answer_as("Rehearsals")["rehearsals"].first).to include(
      "id" => rehearsal["id"],
      "acts" => count + 1,
      "outcome" => a_hash_including("sound" => false, "rpm" => 3200)
    )
  end

  it "keep the truth to themselves until the end, and the same for the whole of it" do
    rehearsal = begun("unknown")
    expect(rehearsal.to_json).not_to include("seed")
    expect(rehearsal["state"]["ended"]).to be_nil
    seeds = [begun("unknown"), begun("unknown")].map { |one| db[:rehearsals].where(id: one["id"]).get(:seed) }
    expect(seeds.uniq.size).to eq(2)
  end

  it "refuse an act from a tab that is behind, and say what is wrong at its field" do
    rehearsal = begun
    act(rehearsal, 0, act: "go_on")
    act(rehearsal, 0, act: "go_on")
    # "current" is a blank's alone.
    expect(problem(409)).not_to include("current")
    {
      { act: "cut", region: 0 } => "/act/act",
      { act: "speed", rpm: 1e300 } => "/act/rpm",
      { act: "fly" } => "/act/act",
      { act: "tap", clock_deg: 0 } => "/act/z_mm"
    }.each do |wrong, pointer|
      act(rehearsal, 1, **wrong)
      expect(problem(422)["errors"].map { |one| one["pointer"] }).to include(pointer)
    end
    expect(db[:rehearsal_acts].count).to eq(1)
    ask("POST", "/api/blanks/#{kept_id}/rehearsals", { document: demo(32).except("form") })
    expect(problem(422)["errors"].first["pointer"]).to eq("/document/form")
    ask("POST", "/api/blanks/999/rehearsals", { document: demo(32) })
    problem(404)
    ask("GET", "/api/rehearsals/999")
    problem(404)
  end
end
