# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe "Bad input to what forms are made of", :server do
  let(:document) { JSON.parse(JSON.generate(blank_data(form: BlankHelper::BOWL))) }

  def pointers(path, body)
    ask("POST", path, body)
    problem(422)["errors"].map { |error| error["pointer"] }
  end

  def draft(**changes) = { document: document.merge(changes.transform_keys(&:to_s)).compact }

  it "is named at its field, wherever it goes in" do
    {
      "/api/reckon/form" => [
        [{ document: document, kind: "bowl", measures: { diameter_mm: "wide" } }, "/measures/diameter_mm"],
        [{ document: document }, "/kind"],
        [{ document: document, kind: "bowl", measures: { luck_mm: 3 } }, "/measures/luck_mm"],
        [{ document: document, kind: "b" * 50 }, "/kind"]
      ],
      "/api/reckon/move" => [
        [{ document: document, move: { slide_mm: 1e9 } }, "/move/slide_mm"],
        [{ document: document, move: { flipped: "yes" } }, "/move/flipped"],
        [{ document: document, move: { up_mm: 2 } }, "/move/up_mm"]
      ],
      "/api/reckon/set-outs" => [
        [{ document: document, wanted: { feet: 2 } }, "/wanted/feet"],
        [{ document: document, wanted: { every_mm: 0 } }, "/wanted/every_mm"]
      ],
      "/api/reckon/profile" => [
        [{ path: "" }, "/path"],
        [{ path: "M0 0 A1" }, "/path"],
        [{ path: "M0 1 L5 5", mm_per_unit: 0 }, "/mm_per_unit"]
      ],
      "/api/reckon/strip" => [
        [{ document: document, rpm: -1 }, "/rpm"],
        [{ document: document.except("form"), rpm: 100 }, "/document/form"]
      ],
      "/api/reckon/mounts" => [[{ document: document.except("form") }, "/document/form"]]
    }.each do |path, bodies|
      bodies.each { |body, pointer| expect([path, pointers(path, body)]).to eq([path, [pointer]]) }
    end
  end

  it "numbers that are none are no numbers" do
    text = JSON.generate(document: document, kind: "bowl", measures: { diameter_mm: 1 })
    %w[1e400 -1e400 NaN Infinity].each do |number|
      ask("POST", "/api/reckon/form", text.sub('"diameter_mm":1', %("diameter_mm":#{number})))
      expect(last_response.status).to be_between(400, 422)
      expect(problem(last_response.status)["detail"]).not_to include("rb:")
    end
  end

  it "in a blank's centres, its inside that follows, its sketches and its jaws" do
    bowl = document["form"]
    {
      "/document/centres/head_mm" => {
        centres: {
          head_mm: [1],
          tail_mm: [0, 0]
        }
      },
      "/document/centres/tail_mm" => {
        centres: {
          head_mm: [0, 0]
        }
      },
      "/document/centres" => {
        centres: {
          head_mm: [300, 0],
          tail_mm: [0, 0]
        }
      },
      "/document/form/follows/wall_mm" => {
        form: bowl.except("inside").merge("follows" => { "wall_mm" => 0, "floor_mm" => 5 })
      },
      "/document/form/follows" => {
        form: bowl.merge("follows" => { "wall_mm" => 5, "floor_mm" => 5 })
      },
      "/document/sketches/0/form" => {
        sketches: [{ name: "x" }]
      },
      "/document/sketches/0/form/inside" => {
        sketches: [{ name: "x", form: bowl.merge("inside" => [[14, 0], [56, 130]]) }]
      },
      "/document/lathe/jaws_mm/0" => {
        lathe: BlankHelper::LATHE.merge("jaws_mm" => [-5])
      }
    }.each do |pointer, changes|
      expect([pointer, pointers("/api/reckon", draft(**changes))]).to eq([pointer, [pointer]])
    end
    expect(pointers("/api/reckon", draft(sketches: Array.new(9) { { name: "x", form: bowl } }))).to eq(
      ["/document/sketches"]
    )
  end

  it "and the database takes none of it either" do
    id = take_in(form: BlankHelper::BOWL)["id"]
    sketch = { blank_id: id, position: 0, name: "x", form: Sequel.pg_jsonb_wrap({}) }
    own = db[:forms].where(blank_id: id)
    half = Sequel.pg_jsonb_wrap("head_mm" => [1], "tail_mm" => [0, 0])
    [
      -> { db[:sketches].insert(**sketch, position: 9) },
      -> { db[:sketches].insert(**sketch, name: "") },
      -> { own.update(wall_mm: 5) },
      -> { own.update(wall_mm: Float::INFINITY, floor_mm: 4, inside: nil) },
      -> { own.update(kind: "teapot") },
      -> { db[:blanks].where(id: id).update(centres: half) },
      -> { db[:lathes].update(jaws_mm: Sequel.pg_jsonb_wrap([1] * 21)) }
    ].each { |nonsense| expect(&nonsense).to raise_error(Sequel::CheckConstraintViolation) }
  end

  it "a name of markup is kept as it is, and goes nowhere but into text" do
    kept = take_in(form: BlankHelper::BOWL, sketches: [{ name: "<script>alert(1)</script>", form: BlankHelper::BOWL }])
    expect(kept["document"]["sketches"].first["name"]).to eq("<script>alert(1)</script>")
    ask("POST", "/api/reckon/compare", { document: kept["document"] })
    expect(answer_as("Comparison")["forms"].last["outcome"]["section_svg"]).not_to include("<script")
  end
end
