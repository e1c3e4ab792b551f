# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe "Practice", :server do
  def begun(level: 1, seed: 2)
    ask("POST", "/api/practices", { level: level, seed: seed })
    expect(last_response.status).to eq(201), last_response.body
    answer_as("Practice")
  end

  def test(practice, **test)
    ask("POST", "/api/blanks/#{practice["blank_id"]}/practice/tests", { test: test })
    last_response.status == 200 ? answer_as("PracticeTested") : answer
  end

  def document(practice) = ask("GET", "/api/blanks/#{practice["blank_id"]}") && answer_as("KeptBlank")["document"]

  it "makes a blank that is on nobody's rack, board or archive, the same for the same number" do
    practice = begun
    made = MossyAnvil::Rehearsal::BlindBlank.new(seed: 2, level: 1)
    expect(document(practice)).to include(made.document.slice("name", "shape", "defects"))
    ask("GET", "/api/shop")
    expect(answer_as("Shop")["rack"]).to eq([])
    ask("GET", "/api/board")
    expect(answer_as("Board")["pieces"]).to eq([])
    expect(MossyAnvil::Server::Store::Blanks.new(db).ids).to eq([])
    expect(MossyAnvil::Server::Store::Shops.new(db).empty?).to be(true)
    ask("GET", "/api/practices")
    expect(answer_as("Practices")["graded"].size).to eq(20)
    expect(answer["practices"].map { |one| one["blank_id"] }).to eq([practice["blank_id"]])
  end

  it "has photographs of both ends and of its side all round, that show what eyes see and nothing else" do
    practice = begun(level: 4)
    ask("GET", "/api/blanks/#{practice["blank_id"]}/photographs")
    shown = answer_as("Photographs")["photographs"]
    expect(shown.map { |one| one["view"] }).to eq(%w[tail_face head_face other other other other])
    expect(shown.last["caption"]).to eq("Side as seen from 9 o’clock, headstock at the left")
    ask("GET", "/api/blanks/#{practice["blank_id"]}/photographs/#{shown[0]["id"]}/image")
    expect(last_response.body.b).to start_with("\xFF\xD8".b)
  end

  it "answers tests by the truth, writes them down, and takes their minutes until none are left" do
    practice = begun(level: 3)
    truth = MossyAnvil::Rehearsal::BlindBlank.new(seed: 2, level: 3).truth_document["defects"]
    depth = truth.find { |one| one["id"] == "A" }["depth_mm"]
    felt = test(practice, kind: "feel", of: "A")
    expect(felt["told"]).to eq("depth_mm" => depth)
    expect(felt["practice"]["minutes"]).to eq(2)
    expect(document(practice)["defects"].first).to include("depth_mm" => depth, "found_by" => "feeler")
    void =
      truth.find { |one| one["type"] == "void" && one["centre"]["r_mm"] > 90 } ||
        truth.find { |one| one["type"] == "void" }
    test(practice, kind: "tap", clock_deg: void["centre"]["clock_deg"], z_mm: void["centre"]["z_mm"])
    expect(document(practice)["readings"].last).to include(
      "kind" => "tap",
      "at" => a_hash_including("z_mm" => void["centre"]["z_mm"])
    )
    15.times { test(practice, kind: "awl", clock_deg: 0, z_mm: 30) }
    refused = test(practice, kind: "awl", clock_deg: 0, z_mm: 30)
    expect(refused["errors"].first["pointer"]).to eq("/test")
    expect(document(practice)["readings"].size).to eq(16)
  end

  it "refuses tests of what is not there, of blanks of the shop's, and of no known kind" do
    practice = begun
    test(practice, kind: "feel", of: "Z")
    expect(problem(422)["errors"].first["pointer"]).to eq("/test/of")
    [{ kind: "drill", of: "A" }, { kind: "tap" }, { kind: "tap", clock_deg: 1e300, z_mm: 3 }].each do |wrong|
      test(practice, **wrong)
      expect(problem(422)["errors"].first["pointer"]).to start_with("/test")
    end
    own = take_in["id"]
    ask("POST", "/api/blanks/#{own}/practice/tests", { test: { kind: "tap", clock_deg: 0, z_mm: 1 } })
    problem(404)
    ask("GET", "/api/blanks/#{own}/practice")
    expect(answer).to eq("practice" => nil)
    ask("POST", "/api/practices", { level: 9, seed: 1 })
    expect(problem(422)["errors"].first["pointer"]).to eq("/level")
  end

  it "marks the verdict against the truth, once, and carries the blank to a friend" do
    practice = begun
    path = "/api/blanks/#{practice["blank_id"]}/practice"
    told = work("POST", "#{path}/verdict", { verdict: "turn" })
    expect(told).to include("state" => "ended", "problem" => nil)
    marking =
      MossyAnvil::Rehearsal::Marking.new(
        MossyAnvil::Formats::BlankFile.from_data(document(practice)),
        MossyAnvil::Formats::BlankFile.from_data(
          MossyAnvil::Rehearsal::BlindBlank.new(seed: 2, level: 1).truth_document
        ),
        "turn",
        climate: MossyAnvil::Server::Store::Shops.new(db).climate,
        now: Time.now
      ).to_h
    expect(told["result"]["score"]).to be_within(1e-9).of(marking[:score])
    ask("GET", path)
    expect(answer_as_practice).to include("verdict" => "turn", "told" => told["result"])
    test(practice, kind: "tap", clock_deg: 0, z_mm: 30)
    problem(422)
    ask("POST", "#{path}/verdict", { verdict: "leave" })
    problem(422)
    ask("GET", "#{path}/file")
    expect(answer).to include(
      "format" => "mossy-anvil/practice",
      "seed" => 2,
      "level" => 1,
      "score" => told["result"]["score"]
    )
  end

  def answer_as_practice
    expect(ServerHelper.contract.faults("Practice", answer["practice"]).map(&:to_s)).to eq([])
    answer["practice"]
  end
end
