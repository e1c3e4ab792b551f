# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe "Searches for placements", :server do
  let(:asked) do
    document =
      blank_data(
        defects: [
          crack(id: "a", z_mm: [0, 60], depth_mm: 30),
          crack(id: "b", clock_deg: 200, z_mm: [0, 30], depth_mm: 20)
        ],
        form: BlankHelper::BOWL.merge("use" => "food")
      )
    {
      document: JSON.parse(JSON.generate(document)),
      wishes: [{ key: "lose_cracks", weight: 2 }, { key: "best_balanced", weight: 1 }],
      may_change: %w[slide centre]
    }
  end

  # Work is done as soon as it is asked for.
  def at_once
    Que::Job.run_synchronously = true
    yield
  ensure
    Que::Job.run_synchronously = false
  end

  before { db[:que_jobs].delete }

  it "finds placements that can be taken over as they are, worth no less than the present one" do
    at_once { ask("POST", "/api/searches", asked) }
    expect(last_response.status).to eq(202), log.string.lines.last(2).join
    ask("GET", "/api/searches/#{answer["id"]}")
    found = answer_as("Search")
    expect(found).to include("state" => "ended", "problem" => nil, "done" => found["of"])
    expect(found["present"]).to include("present" => true, "gains" => [], "gives_up" => [])
    expect(found["answers"].map { |row| row["worth"] }.max).to be >= found["present"]["worth"]
    best = found["answers"].first
    ask(
      "POST",
      "/api/reckon",
      { document: asked[:document].merge("form" => best["form"], "centres" => best["centres"]).compact }
    )
    expect(last_response.status).to eq(200), last_response.body
    expect(best["form"]["use"]).to eq("food")
  end

  it "keeps what is asked until a worker has time for it, and does no more of what was stopped" do
    ask("POST", "/api/searches", asked)
    waiting = answer_as("Search")
    expect(waiting).to include("state" => "waiting", "done" => 0, "answers" => [])
    expect(db[:que_jobs].count).to eq(MossyAnvil::Server::Services::Placing::PARTS)
    ask("DELETE", "/api/searches/#{waiting["id"]}")
    expect(answer_as("Search")["state"]).to eq("stopped")
    at_once { MossyAnvil::Server::Jobs::SearchJob.enqueue(waiting["id"], 0) }
    ask("GET", "/api/searches/#{waiting["id"]}")
    expect(answer_as("Search")).to include("state" => "stopped", "answers" => [])
  end

  it "names what is wrong with what is wished, and keeps nothing of it" do
    {
      [{ key: "luck", weight: 1 }] => "/wishes/0/key",
      [{ key: "keep_in_view", weight: 1, of: "z" }] => "/wishes/0/of",
      [{ key: "largest", weight: 0 }] => "/wishes/0/weight",
      [] => "/wishes"
    }.each do |wishes, pointer|
      ask("POST", "/api/searches", asked.merge(wishes: wishes))
      expect(problem(422)["errors"].map { |error| error["pointer"] }).to eq([pointer])
    end
    ask("POST", "/api/searches", asked.merge(document: asked[:document].except("form")))
    expect(problem(422)["errors"].first["pointer"]).to eq("/form")
    expect(db[:searches].count).to eq(0)
    ask("GET", "/api/searches/7")
    problem(404)
  end

  it "takes no more than it can do" do
    MossyAnvil::Server::Store::Searches::MOST_UNFINISHED.times { ask("POST", "/api/searches", asked) }
    expect(last_response.status).to eq(202)
    ask("POST", "/api/searches", asked)
    expect(problem(429)["detail"]).to include("under way")
  end
end

RSpec.describe "Forms from measures, moved and compared", :server do
  let(:document) { JSON.parse(JSON.generate(blank_data(form: BlankHelper::BOWL))) }

  it "makes a form, and says which measures it took from the blank" do
    ask("POST", "/api/reckon/form", { document: document, kind: "hollow_form", measures: { wall_mm: 7 } })
    made = answer_as("MadeForm")
    expect(made["form"]).to include("kind" => "hollow_form", "follows" => include("wall_mm" => 7.0))
    expect(made["measures"].to_h { |measure| [measure["key"], measure["given"]] }).to include(
      "wall_mm" => true,
      "diameter_mm" => false
    )
    ask("POST", "/api/reckon/form", { document: document, kind: "bowl", measures: { diameter_mm: -3 } })
    expect(problem(422)["errors"].first["pointer"]).to eq("/measures/diameter_mm")
  end

  it "moves it, and says where it would leave the wood" do
    ask("POST", "/api/reckon/move", { document: document, move: { flipped: true, x_mm: 4 } })
    moved = answer_as("Laid")
    expect(moved["form"]["opens"]).not_to eq(document["form"]["opens"])
    expect(moved["centres"]).to eq("head_mm" => [4.0, 0.0], "tail_mm" => [4.0, 0.0])
    ask("POST", "/api/reckon/move", { document: document, move: { slide_mm: 500 } })
    expect(problem(422)["errors"].first["detail"]).to include("past the end")
  end

  it "keeps sketches and centres with the blank, and compares them" do
    sketch = {
      "name" => "A plate",
      "form" => document["form"].except("inside").merge("kind" => "disc"),
      "centres" => {
        "head_mm" => [2, 0],
        "tail_mm" => [0, 1]
      }
    }
    kept = take_in(form: BlankHelper::BOWL, sketches: [sketch], centres: { head_mm: [1, 1], tail_mm: [1, 1] })
    expect(kept["document"]["sketches"]).to eq([sketch])
    expect(kept["document"]["centres"]).to eq("head_mm" => [1, 1], "tail_mm" => [1, 1])
    ask("POST", "/api/reckon/compare", { document: kept["document"] })
    forms = answer_as("Comparison")["forms"]
    expect(forms.map { |form| form["name"] }).to eq([nil, "A plate"])
    expect(forms.last["outcome"]["mass_g"]).to be > forms.first["outcome"]["mass_g"]
  end
end
