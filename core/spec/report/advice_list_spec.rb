# frozen_string_literal: true

RSpec.describe MossyAnvil::Report::AdviceList do
  def texts(station, **changes) = assess(**changes)[:findings][station].map { |finding| finding[:text] }
  def headline(**changes) = assess(**changes)[:findings][:survey].first

  let(:deep_crack) { crack(z_mm: [30, 60], depth_mm: 35) }

  it "says go for a sound centred disc" do
    report = assess
    expect(report[:verdict]).to eq("go")
    expect(report[:findings][:survey].first).to include(tone: "go", text: start_with("Go. As it stands, limit {limit}: set by rim speed"))
    expect(texts(:survey)).to include("It balances on this axis.")
  end

  it "says mend first while something is to be filled, held or soaked" do
    [deep_crack, body("soft_zone", r_mm: 100, z_mm: 40, grade: "spongy"), body("loose_piece", r_mm: 105, z_mm: 40, bonded_share: 0.9)].each do |defect|
      expect(assess(defects: [defect], form: BlankHelper::BOWL)[:verdict]).to eq("mend")
    end
  end

  it "says care where trouble holds the speed down though nothing is to mend" do
    heavy = { type: "disc", diameter_mm: 240, length_mm: 60, centre_offset_mm: [14, 0] }
    bench = BlankHelper::LATHE.merge("mass_kg" => 40, "stand" => "light")
    expect(assess(shape: heavy, lathe: bench)[:verdict]).to eq("care")
    expect(texts(:survey, shape: heavy)).to include(start_with("Heavy at {side}"))
  end

  it "names what governs: a crack that runs, or splitting" do
    expect(headline(defects: [deep_crack], form: BlankHelper::BOWL)[:text]).to include("crack b would grow at about {runs}")
    # Cut through on both sides, a ring is in two halves.
    halves = [0, 180].map { |clock_deg| crack(id: "c#{clock_deg}", clock_deg: clock_deg, z_mm: [0, 40], depth_mm: 60) }
    found = headline(shape: { type: "disc", diameter_mm: 260, length_mm: 40 }, form: ring(130, 100, 40), defects: halves)
    expect(found[:text]).to start_with("Unsafe as planned. Hollowed, no speed is safe.")
  end

  it "points every figure at a working that is there" do
    report = assess(defects: [deep_crack, body("void", contents: "air")], form: BlankHelper::BOWL)
    figures = report[:findings].values.flatten.filter_map { |finding| finding[:figure] }
    expect(figures.size).to be > 8
    expect(report[:workings].keys).to include(*figures)
  end

  it "leaves no amount of a sentence without its value" do
    report = assess(defects: [deep_crack, body("void", r_mm: 108, z_mm: 40, contents: "air")], form: BlankHelper::BOWL)
    report[:findings].each_value do |station|
      station.each { |finding| expect(finding[:values].map { |value| value[:name] }).to match_array(finding[:text].scan(/\{(\w+)\}/).flatten.uniq) }
    end
    report[:defects].each { |defect| expect(defect[:reason]).not_to match(/[{}]/) }
  end

  it "holds the scale against the measures, water counted" do
    dry_g = assess[:stages][:blank][:mass_g] / 1.12
    weighed = lambda do |grams|
      texts(:survey, readings: [{ kind: "mass", value: grams, taken_at: "2030-05-01T09:00:00Z" }]).find { |text| text.match?(/scale/) }
    end
    expect(weighed.call(dry_g * 1.12)).to eq("Weighs {scale} on the scale, as its measures say.")
    expect(weighed.call(dry_g * 0.9)).to start_with("The scale says {scale}, its measures {mass}")
  end

  it "says dry first where the wood is too wet for the filler it asks for" do
    wet, dry = [20, 11].map { |moisture_pct| assess(material: material_data(moisture_pct: moisture_pct), defects: [deep_crack], form: BlankHelper::BOWL) }
    expect([wet, dry].map { |report| [report[:verdict], report[:findings][:survey].first[:text][/\A[^.]+/]] }).to eq([["dry", "Dry first"], ["mend", "Mend first"]])
  end

  it "opens with the stone that an edge would strike, and still says what the speed hangs on" do
    stone = body("hard_inclusion", r_mm: 105, z_mm: 45, of: "stone")
    headline = assess(defects: [stone], form: BlankHelper::BOWL)[:findings][:survey].first
    expect(headline).to include(tone: "stop", text: a_string_starting_with("Unsafe as planned: an edge would strike v. Hollowed, "))
    expect(headline[:text]).to include("limit {limit}: set by rim speed")
  end

  it "warns of thin walls, of what goes through, and of the side force" do
    form = texts(:form, defects: [deep_crack], form: BlankHelper::BOWL)
    expect(form).to include(start_with("Thinnest wood"), "Floor {floor} on the axis.", "b goes through the finished wall.",
      a_string_matching(/the finished wall takes \{force\} from the side/))
    expect(texts(:form)).to eq(["No form drawn yet: the numbers are of the blank as it stands."])
    expect(texts(:form, form: BlankHelper::BOWL.except(:inside))).to include("Solid: nothing is hollowed.")
  end

  it "has the shield beside the speeds, and the respirator beside spalted dust" do
    expect(texts(:turn).last).to include("full face shield")
    expect(texts(:turn, material: material_data(kind: "non_wood", grain: "none", moisture_pct: 0)).last).to include("soften and grab")
    expect(texts(:finish, material: material_data(character: ["spalted"])).last).to include("respirator")
    expect(texts(:finish).join).not_to include("spores")
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
    expect(move(defects: [stone], form: BlankHelper::BOWL)).to include(action: "survey", text: start_with("Take out v"))
  end

  it "waits for wet wood to dry to what its mend asks, and says when to weigh" do
    wet = move(material: material_data(moisture_pct: 22), defects: [check], form: BlankHelper::BOWL)
    expect(wet).to include(action: "weigh", ready: false)
    amounts = wet[:values].to_h { |value| [value[:name], value[:value]] }
    expect(amounts["gate"]).to eq(15)
    expect(amounts["wait"]).to be_between(1, 7)
    expect(amounts["left"]).to be > amounts["wait"]
  end

  it "says so where this air will never get it there" do
    climate = MossyAnvil::Report::ShopClimate.new(temperature_c: 12, humidity: 0.85)
    piece = blank(material: material_data(moisture_pct: 24), defects: [check], form: BlankHelper::BOWL)
    expect(MossyAnvil::Report::Assessment.new(piece, climate: climate).to_h[:next_move][:text]).to include("somewhere drier")
  end

  it "mends dry wood before hollowing, then turns it" do
    expect(move(defects: [check], form: BlankHelper::BOWL)).to include(action: "mend", text: "Mend b before the lathe turns.")
    mended = move(defects: [check.merge(mend: "thick_ca")], form: BlankHelper::BOWL)
    expect(mended).to include(action: "log_cut", station: "turn", text: start_with("Mount it, tailstock up"))
  end
end

RSpec.describe MossyAnvil::Report::WrittenText do
  it "says a little of something as a little, and never as none" do
    said = { 0.044 => "0.04 ml", 0.4 => "0.4 ml", 9.96 => "10.0 ml", 12.4 => "12 ml", 0 => "0 ml" }
    said.each { |value, text| expect(described_class.amount(value, "ml")).to eq(text) }
  end
end
