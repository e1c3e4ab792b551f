# frozen_string_literal: true

RSpec.describe MossyAnvil::Mend::RepairOptions do
  def report(defect, form: BlankHelper::BOWL, **changes) =
    assess(defects: [defect], form: form, **changes)[:defects].first
  def ways(...) = report(...)[:ways].to_h { |way| [way[:key], way] }

  let(:in_wall) { crack(z_mm: [30, 55], depth_mm: 40, width_mm: 4) }

  # By hand: all of the opening with epoxy at 0.06 a ml, ready in 1440 min; work 15 min and 2 a ml; leaving costs
  # nothing but 5 min.
  it "says what each costs, how much work it is and how long it takes" do
    found = report(in_wall)
    fill_ml = found[:open_volume_mm3] / 1000
    fill, leave = %w[fill leave].map { |key| found[:ways].find { |way| way[:key] == key } }
    expect(fill).to include(
      cost: be_within(1e-9).of(fill_ml * 0.06),
      hands_min: be_within(1e-9).of(15 + (2 * fill_ml)),
      wait_h: 24.0,
      advised: true
    )
    expect(leave).to include(
      cost: 0.0,
      hands_min: 5,
      wait_h: 0,
      advised: false,
      risk: {
        key: "tables.ways.risks.leave.crack",
        amounts: {
        }
      }
    )
    expect(found[:ways].first[:key]).to eq("fill")
  end

  it "offers none for what is cut away or glued, casting only for what is wide enough, and drying only for what is wet" do
    expect(ways(crack(z_mm: [0, 3], depth_mm: 6))).to eq({})
    expect(ways(in_wall.merge(mend: "epoxy"))).to eq({})
    expect(ways(in_wall).keys).to contain_exactly("fill", "hold", "leave")
    expect(ways(body("void", r_mm: 100, z_mm: 45, size_mm: [30, 30, 20], contents: "air")).keys).to include("cast")
    wet = { material: material_data(moisture_pct: 24) }
    expect(ways(in_wall, **wet)["dry_first"]).to include(
      advised: true,
      wait_h: be_positive,
      risk: a_hash_including(key: "tables.ways.risks.dry_first.any")
    )
  end

  it "dries first what is too wet for its filler, pours what is large, shows a pocket on a piece to look at and fills it on one for food" do
    expect(report(in_wall, material: material_data(moisture_pct: 24))).to include(
      verdict: "dry_first",
      reason: a_hash_including(key: "triage.too_wet", amounts: a_hash_including(gate: { value: 12, unit: "%" }))
    )
    open_pocket = body("void", r_mm: 113, z_mm: 56, size_mm: [12, 12, 9], contents: "air")
    thick = { kind: "disc", opens: "tail", outside: [[2, 115], [58, 115]], curve: "straight" }
    expect(report(open_pocket.merge(size_mm: [60, 60, 40]), form: thick)[:verdict]).to eq("cast")
    verdicts = %w[display food].to_h { |use| [use, report(open_pocket, form: thick.merge(use: use))] }
    expect(verdicts.transform_values { |found| found[:verdict] }).to eq("display" => "leave", "food" => "fill")
    expect(verdicts["food"][:ways].find { |way| way[:key] == "leave" }[:risk][:key]).to eq(
      "tables.ways.risks.leave.food"
    )
  end

  it "takes off in the hand what hardly holds, and digs out dirt an edge would meet" do
    expect(report(body("loose_piece", r_mm: 105, z_mm: 45, bonded_share: 0.1))[:verdict]).to eq("remove_now")
    expect(report(body("loose_piece", r_mm: 105, z_mm: 45, bonded_share: 0.3))[:verdict]).to eq("hold")
    expect(report(body("void", r_mm: 110, z_mm: 45, size_mm: [20, 20, 20], contents: "dirt"))[:verdict]).to eq(
      "remove_now"
    )
  end

  it "lifts no limit by what is chosen" do
    limits =
      %w[leave hold fill].map do |chosen|
        assess(defects: [in_wall.merge(chosen: chosen)], form: BlankHelper::BOWL)[:stages].transform_values do |stage|
          stage[:limit_rpm]
        end
      end
    expect(limits.uniq.size).to eq(1)
    left, advised =
      %w[leave fill].map { |chosen| assess(defects: [in_wall.merge(chosen: chosen)], form: BlankHelper::BOWL) }
    expect([advised[:verdict], left[:verdict]]).to eq(%w[mend care])
    expect(advised[:next_move]).to include(key: "move.mend", amounts: { ids: { value: ["b"], unit: "ids" } })
    expect(left[:next_move][:key]).not_to eq("move.mend")
    expect(ways(in_wall.merge(chosen: "hold")).values.select { |way| way[:chosen] }.map { |way| way[:key] }).to eq(
      ["hold"]
    )
  end
end

RSpec.describe MossyAnvil::Mend::DefectLocation do
  def where(defect, form: BlankHelper::BOWL) = assess(defects: [defect], form: form)[:defects].first[:where]

  it "names a crack under the future tenon, and says so in the reason" do
    foot = {
      id: "b",
      type: "crack",
      enters: "head_face",
      path: [{ clock_deg: 60, z_mm: 0, r_mm: 5 }, { clock_deg: 60, z_mm: 0, r_mm: 30 }],
      depth_mm: 9,
      width_mm: 1
    }
    found = assess(defects: [foot], form: BlankHelper::BOWL)[:defects].first
    expect(found[:where]).to include("tenon")
    expect(found[:reason][:key]).to eq("triage.under_tenon")
    expect(where(crack(z_mm: [30, 55], depth_mm: 30))).not_to include("tenon")
  end

  it "tells floor from wall, and the rim" do
    through_floor = {
      id: "b",
      type: "crack",
      enters: "head_face",
      depth_mm: 40,
      width_mm: 1,
      path: [{ clock_deg: 60, z_mm: 0, r_mm: 45 }, { clock_deg: 80, z_mm: 0, r_mm: 48 }]
    }
    wide_foot =
      BlankHelper::BOWL.merge(outside: [[4, 80], [20, 95], [56, 110]], inside: [[14, 40], [18, 60], [56, 100]])
    found = assess(defects: [through_floor], form: wide_foot)[:defects].first
    expect(found).to include(breaks_through: true, where: include("floor"))
    expect(found[:reason][:key]).to eq("triage.through_floor")
    wall = assess(defects: [crack(z_mm: [30, 55], depth_mm: 40)], form: BlankHelper::BOWL)[:defects].first
    expect(wall).to include(where: %w[wall rim], reason: a_hash_including(key: "triage.through_wall"))
    expect(where(crack(z_mm: [0, 3], depth_mm: 6))).to eq([])
  end
end

RSpec.describe MossyAnvil::Report::ValueReport do
  # By hand: 12 for the blank, 6 h at 20, and a crack to fill with so much epoxy in (15 + 2 a ml) minutes.
  it "weighs what it would fetch against blank, materials and hours" do
    defect = crack(z_mm: [30, 55], depth_mm: 40, width_mm: 4)
    found =
      assess(
        defects: [defect],
        form: BlankHelper::BOWL,
        intake: {
          cost: 12
        },
        worth: {
          outcome: 200,
          hours: 6,
          rate: 20
        }
      )
    fill_ml = found[:defects].first[:open_volume_mm3] / 1000
    cost = 12 + (fill_ml * 0.06) + ((6 + ((15 + (2 * fill_ml)) / 60)) * 20)
    expect(found[:worth]).to include(cost: be_within(1e-9).of(cost), margin: be_within(1e-9).of(200 - cost), pays: true)
    expect(found[:verdict]).to eq("mend")
  end

  it "says not worth it where it is not, unless something worse is wrong, and nothing where nobody said" do
    poor = { intake: { cost: 12 }, worth: { outcome: 60, hours: 6, rate: 20 } }
    found = assess(**poor)
    expect(found[:verdict]).to eq("not_worth_it")
    expect(found[:advice][:survey].flat_map { |advice| keys_within(advice) }).to include(
      "advice.opening.not_worth_it",
      "advice.pays_not"
    )
    stone = body("hard_inclusion", r_mm: 100, z_mm: 45, of: "stone")
    expect(assess(defects: [stone], form: BlankHelper::BOWL, **poor)[:verdict]).to eq("stop")
    expect(assess[:worth]).to be_nil
  end
end

RSpec.describe MossyAnvil::Report::Cautions do
  it "says in one line what its kind and its defects bring, and is quiet of what is not there" do
    line = ->(**changes) { assess(**changes)[:advice][:survey].find { |advice| advice[:key] == "advice.look_out" } }
    spalted =
      line[
        material: material_data(character: ["spalted"]),
        defects: [body("loose_piece", r_mm: 105, bonded_share: 0.3)]
      ]
    expect(keys_within(spalted)).to include(
      "tables.woods.dust.hardwood",
      "tables.cautions.spalted.text",
      "tables.cautions.loose_piece.text"
    )
    expect(line[material: material_data(species: "dreamwood")]).to be_nil
  end
end
