# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe "Odds of a way of the work", :server do
  let(:document) do
    JSON.parse(JSON.generate(blank_data(defects: [crack(id: "a", depth_mm: 20)], form: BlankHelper::BOWL)))
  end

  before { db[:que_jobs].delete }

  it "are played on the queue, can be seen on the way, and come to what the core comes to" do
    told = []
    progress = MossyAnvil::Server::Store::Tasks.instance_method(:progress?)
    allow_any_instance_of(MossyAnvil::Server::Store::Tasks).to receive(:progress?) do |store, id, done, total, **about|
      told << about[:so_far]
      progress.bind_call(store, id, done, total, **about)
    end
    ask("POST", "/api/odds", { document: document, truths: 20, seed: 3 })
    expect(last_response.status).to eq(202), log.string.lines.last(2).join
    found = worked(answer["id"])
    expect(found).to include("kind" => "odds", "state" => "ended", "problem" => nil)
    # After ten, after all, and at each act that is tried then.
    expect(told.map { |one| one[:truths] }.uniq).to eq([10, 20])
    expect(told.last(2).map { |one| one[:best_improvement] }).to eq([nil, nil])
    expect(found["so_far"]["truths"]).to eq(20)
    odds =
      MossyAnvil::Rehearsal::Odds.new(
        MossyAnvil::Formats::BlankFile.from_data(document),
        truths: 20,
        seed: 3,
        now: Time.now,
        climate: MossyAnvil::Server::Store::Shops.new(db).climate
      )
    played = JSON.parse(JSON.generate(odds.so_far(odds.outcomes)))
    expect(found["result"]).to include(played.slice("sound", "causes"))
  end

  it "are refused at the field: no form, too many truths; nothing is put on the queue" do
    ask("POST", "/api/odds", { document: document.except("form") })
    expect(problem(422)["errors"].first["pointer"]).to eq("/document/form")
    ask("POST", "/api/odds", { document: document, truths: 100_000 })
    expect(problem(422)["errors"].first["pointer"]).to eq("/truths")
    ask("POST", "/api/odds", { document: document.merge("defects" => [{ "type" => "crack" }]) })
    expect(problem(422)["errors"].map { |one| one["pointer"] }).to all(start_with("/document/defects/0"))
    expect(db[:que_jobs].count).to eq(0)
    expect(db[:tasks].where(kind: "odds").count).to eq(0)
  end

  it "are played without trying what betters them where that is not asked for" do
    ask("POST", "/api/odds", { document: document, truths: 10, better: false })
    expect(worked(answer["id"])).to include("state" => "ended", "done" => 10, "of" => 10)
    expect(answer["result"]).to include("truths" => 10, "best_improvement" => nil)
  end

  it "stay with the piece as long as it is as it was, on the board and against what became of it" do
    ask("POST", "/api/blanks", { document: document })
    kept = answer_as("KeptBlank")
    ask("GET", "/api/blanks/#{kept["id"]}/odds")
    expect(answer).to eq("odds" => nil)
    of = kept.slice("id", "version")
    ask("POST", "/api/odds", { document: document, truths: 10, better: false, blank: of })
    told = worked(answer["id"])["result"]
    ask("GET", "/api/blanks/#{kept["id"]}/odds")
    expect(answer["odds"]).to include("told" => told, "now" => true)
    ask("GET", "/api/board")
    expect(answer_as("Board")["pieces"].first["odds"]).to include("truths" => 10, "sound" => told["sound"])
    ask("PUT", "/api/blanks/#{kept["id"]}", { version: kept["version"], document: document.merge("name" => "Other") })
    ask("GET", "/api/blanks/#{kept["id"]}/odds")
    expect(answer["odds"]["now"]).to be(false)
    ask("GET", "/api/board")
    expect(answer_as("Board")["pieces"].first["odds"]).to be_nil
    # Of a version that is no longer kept nothing is kept.
    ask("POST", "/api/odds", { document: document, truths: 20, better: false, blank: of })
    worked(answer["id"])
    ask("GET", "/api/blanks/#{kept["id"]}/odds")
    expect(answer["odds"]["told"]["truths"]).to eq(10)
  end

  it "stop when they are told to" do
    ask("POST", "/api/odds", { document: document, truths: 20 })
    id = answer["id"]
    ask("DELETE", "/api/tasks/#{id}")
    expect(worked(id)).to include("state" => "stopped", "result" => nil)
  end
end
