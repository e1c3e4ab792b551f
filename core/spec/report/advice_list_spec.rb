# frozen_string_literal: true

RSpec.describe MossyAnvil::Report::AdviceList do
  def said(station, **changes) = keys(assess(**changes)[:advice][station])
  def headline(**changes) = assess(**changes)[:advice][:survey].first

  let(:deep_crack) { crack(z_mm: [30, 60], depth_mm: 35) }

  it "says go for a sound centred disc" do
    report = assess
    expect(report[:verdict]).to eq("go")
    headline = report[:advice][:survey].first
    expect(headline).to include(tone: "go", key: "advice.limit")
    expect(keys_within(headline)).to include("advice.opening.go", "stages.blank", "caps.rim.name")
    expect(said(:survey)).to include("advice.balanced")
  end

  it "says mend first while something is to be filled, held or soaked" do
    [
      deep_crack,
      body("soft_zone", r_mm: 100, z_mm: 40, grade: "spongy"),
      body("loose_piece", r_mm: 105, z_mm: 40, bonded_share: 0.9)
    ].each { |defect| expect(assess(defects: [defect], form: BlankHelper::BOWL)[:verdict]).to eq("mend") }
  end

  it "says care where trouble holds the speed down though nothing is to mend" do
    heavy = { type: "disc", diameter_mm: 240, length_mm: 60, centre_offset_mm: [14, 0] }
    bench = BlankHelper::LATHE.merge("mass_kg" => 40, "stand" => "light")
    expect(assess(shape: heavy, lathe: bench)[:verdict]).to eq("care")
    expect(said(:survey, shape: heavy)).to include(a_string_starting_with("advice.heavy"))
  end

  it "names what governs: a crack that runs, or splitting" do
    expect(keys_within(headline(defects: [deep_crack], form: BlankHelper::BOWL))).to include(
      "advice.grows_at",
      "defects.crack"
    )
    # Cut through on both sides, a ring is in two halves.
    halves = [0, 180].map { |clock_deg| crack(id: "c#{clock_deg}", clock_deg: clock_deg, z_mm: [0, 40], depth_mm: 60) }
    found =
      headline(shape: { type: "disc", diameter_mm: 260, length_mm: 40 }, form: ring(130, 100, 40), defects: halves)
    expect(found[:key]).to eq("advice.no_speed")
    expect(keys_within(found)).to include("advice.opening.stop", "stages.hollowed")
  end

  it "points every figure at a working that is there" do
    report = assess(defects: [deep_crack, body("void", contents: "air")], form: BlankHelper::BOWL)
    figures = report[:advice].values.flatten.filter_map { |advice| advice[:figure] }
    expect(figures.size).to be > 8
    expect(report[:workings].keys).to include(*figures)
  end

  it "holds the scale against the measures, water counted" do
    dry_g = assess[:stages][:blank][:mass_g] / 1.12
    weighed =
      lambda do |grams|
        said(:survey, readings: [{ kind: "mass", value: grams, taken_at: "2030-05-01T09:00:00Z" }]).grep(/weight/).first
      end
    expect(weighed.call(dry_g * 1.12)).to eq("advice.weight_agrees")
    expect(weighed.call(dry_g * 0.9)).to eq("advice.weight_differs")
  end

  it "says dry first where the wood is too wet for the filler it asks for" do
    wet, dry =
      [20, 11].map do |moisture_pct|
        assess(material: material_data(moisture_pct: moisture_pct), defects: [deep_crack], form: BlankHelper::BOWL)
      end
    expect(
      [wet, dry].map { |report| [report[:verdict], report[:advice][:survey].first[:amounts][:opening][:value][:key]] }
    ).to eq([%w[dry advice.opening.dry], %w[mend advice.opening.mend]])
  end

  it "opens with the stone that an edge would strike, and still says what the speed hangs on" do
    stone = body("hard_inclusion", r_mm: 105, z_mm: 45, of: "stone")
    headline = assess(defects: [stone], form: BlankHelper::BOWL)[:advice][:survey].first
    expect(headline[:tone]).to eq("stop")
    expect(keys_within(headline)).to include("advice.opening.struck", "stages.hollowed", "caps.rim.name")
  end

  it "warns of thin walls, of what goes through, and of the side force" do
    form = said(:form, defects: [deep_crack], form: BlankHelper::BOWL)
    expect(form).to include("advice.form.wall", "advice.form.floor", "advice.form.through", "advice.form.no_cut")
    expect(said(:form)).to eq(["advice.form.none"])
    expect(said(:form, form: BlankHelper::BOWL.except(:inside))).to include("advice.form.solid")
  end

  it "has the shield beside the speeds, and the respirator beside spalted dust" do
    expect(said(:turn).last).to eq("advice.turn.stand_aside")
    expect(said(:turn, material: material_data(kind: "non_wood", grain: "none", moisture_pct: 0)).last).to eq(
      "advice.turn.heat"
    )
    expect(said(:finish, material: material_data(character: ["spalted"])).last).to eq("advice.finish.spores")
    expect(said(:finish)).not_to include("advice.finish.spores")
  end
end

RSpec.describe MossyAnvil::Report::NextMove do
  def move(**changes) = assess(**changes)[:next_move]

  let(:check) { crack(z_mm: [30, 60], depth_mm: 35) }

  it "asks for a form first" do
    expect(move).to include(action: "draw_form", station: "form", ready: true)
  end

  it "takes out what would break an edge before anything else" do
    stone = body("hard_inclusion", r_mm: 100, z_mm: 40, of: "stone")
    expect(move(defects: [stone], form: BlankHelper::BOWL)).to include(
      action: "survey",
      key: "move.take_out",
      amounts: {
        ids: {
          value: ["v"],
          unit: "ids"
        }
      }
    )
  end

  it "waits for wood that is dried whole to come to what its mend asks, and says when to weigh" do
    whole = { choices: { wet: "dry_whole" } }
    wet = move(material: material_data(moisture_pct: 22), defects: [check], form: BlankHelper::BOWL, route: whole)
    expect(wet).to include(action: "weigh", ready: false)
    amounts = values(wet)
    expect(amounts[:gate]).to eq(15)
    expect(amounts[:wait]).to be_between(1, 7)
    expect(amounts[:left]).to be > amounts[:wait]
  end

  it "says so where this air will never get it there" do
    climate = MossyAnvil::Report::ShopClimate.new(temperature_c: 12, humidity: 0.85)
    whole = { choices: { wet: "dry_whole" } }
    wet = { material: material_data(moisture_pct: 24), defects: [check], form: BlankHelper::BOWL }
    piece = blank(**wet, route: whole)
    expect(MossyAnvil::Report::Assessment.new(piece, climate: climate).to_h[:next_move][:key]).to eq(
      "move.somewhere_drier"
    )
  end

  it "mends dry wood before hollowing, then turns it" do
    expect(move(defects: [check], form: BlankHelper::BOWL)).to include(
      action: "mend",
      key: "move.mend",
      amounts: {
        ids: {
          value: ["b"],
          unit: "ids"
        }
      }
    )
    mended = move(defects: [check.merge(mend: "thick_ca")], form: BlankHelper::BOWL)
    expect(mended).to include(action: "log_cut", station: "turn", key: "move.mount")
  end
end
