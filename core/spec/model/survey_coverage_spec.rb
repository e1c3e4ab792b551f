# frozen_string_literal: true

RSpec.describe MossyAnvil::Model::SurveyCoverage do
  def seen(*ranges, ends: []) =
    ranges.map { |from, to| { surface: "side", from_deg: from, to_deg: to } } + ends.map { |one| { surface: one } }

  def coverage(list, defects: [], character: ["spalted"])
    blank(material: material_data(character: character), survey: { seen: list }, defects: defects).coverage
  end

  it "takes the side and the ends by their skin: a disc of 240 by 60" do
    # Side pi 240 60, each end pi 240^2 / 4: three equal thirds.
    expect(coverage(seen([0, 360])).share).to be_within(1e-12).of(1 / 3.0)
    expect(coverage(seen([0, 180], ends: ["head_face"])).share).to be_within(1e-12).of(0.5)
    expect(coverage(seen([0, 360], ends: %w[head_face tail_face])).share).to eq(1)
  end

  it "joins what touches or goes over twelve, and names what is left, the widest first" do
    expect(coverage(seen([0, 90], [90, 120], [300, 330])).gaps).to eq([[120, 300], [330, 360]])
    expect(coverage(seen([330, 400], [30, 100])).gaps).to eq([[100, 330]])
    expect(coverage(seen([-30, 200], [190, 330])).gaps).to eq([])
    expect(coverage(seen(ends: ["head_face"])).gaps).to eq([[0, 360]])
  end

  it "is never more for less that was seen, whatever the ranges" do
    random = Random.new(17)
    200.times do
      ranges =
        Array.new(random.rand(1..6)) { random.rand(-360..360).then { |from| [from, from + random.rand(1..360)] } }
      share = coverage(seen(*ranges)).share
      expect(share).to be_between(0, 1 / 3.0 + 1e-9)
      expect(coverage(seen(*ranges.drop(1), ends: ["head_face"])).share - 1 / 3.0).to be <= share + 1e-9
      # By hand: degree by degree.
      hit = (0...720).count { |half| ranges.any? { |from, to| ((half / 2.0 + 0.25 - from) % 360) < to - from } }
      expect(share * 3).to be_within(0.01).of(hit / 720.0)
    end
  end

  it "never says go of a difficult blank that nobody looked at, and sends one to its survey" do
    spalted = material_data(character: ["spalted"])
    found = assess(material: spalted, form: BlankHelper::BOWL)
    expect(found[:verdict]).not_to eq("go")
    expect(found[:next_move]).to include(key: "move.look_over", station: "survey")
    expect(keys(found[:advice][:survey])).to include("unseen.nothing")
    half = assess(material: spalted, form: BlankHelper::BOWL, survey: { seen: seen([0, 100], ends: %w[head_face]) })
    expect(values(half[:advice][:survey].find { |one| one[:key] == "unseen.hours" })).to eq(from: 100.0, to: 0.0)
    whole = { seen: seen([0, 360], ends: %w[head_face tail_face]) }
    expect(assess(material: spalted, form: BlankHelper::BOWL, survey: whole)[:next_move][:key]).not_to eq(
      "move.look_over"
    )
    # Clear stock is not asked for it, and an old survey that found something went all round.
    expect(assess(form: BlankHelper::BOWL)[:coverage]).to include(needed: false)
    expect(assess(material: spalted, defects: [crack], form: BlankHelper::BOWL)[:coverage]).to include(needed: false)
  end
end
