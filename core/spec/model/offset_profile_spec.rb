# frozen_string_literal: true

RSpec.describe MossyAnvil::Model::OffsetProfile do
  def form(outside, wall_mm:, floor_mm:, opens: "tail", curve: "straight")
    MossyAnvil::Model::Form.new(
      kind: "bowl",
      opens: opens,
      curve: curve,
      outside: outside,
      follows: {
        wall_mm: wall_mm,
        floor_mm: floor_mm
      }
    )
  end

  def least(form) =
    MossyAnvil::Model::WallThickness
      .new(form, MossyAnvil::Model::Disc.new(diameter_mm: 400, length_mm: 100))
      .least
      .thickness_mm

  it "lies the wall away square to a cone, not along the radius" do
    cone = form([[0, 20], [60, 80]], wall_mm: 8, floor_mm: 15)
    # Parallel lines 8 apart at 45 degrees: 8 x 1.4142 along the radius.
    expect(cone.inside.radius_mm(35)).to be_within(0.1).of(55 - 11.314)
    expect(least(cone)).to be_within(0.1).of(8)
    expect(cone.floor_mm).to be_within(1e-9).of(15)
  end

  it "is a ball within a ball" do
    # Cut off at 70 of its 80 mm, for a mouth.
    ball =
      Array.new(61) do |step|
        (step * Math.acos(-0.75) / 60).then { |turn| [40 - (40 * Math.cos(turn)), 40 * Math.sin(turn)] }
      end
    hollow = form(ball, wall_mm: 6, floor_mm: 7)
    [20, 40, 55].each do |z_mm|
      expect(hollow.inside.radius_mm(z_mm)).to be_within(0.1).of(Math.sqrt((34**2) - ((z_mm - 40)**2)))
    end
  end

  it "keeps clear of a step, on both sides of its corner" do
    stepped = form([[0, 40], [30, 40], [30.01, 60], [60, 60]], wall_mm: 6, floor_mm: 10)
    expect(stepped.inside.radius_mm(20)).to be_within(0.1).of(34)
    # 3 mm above the corner: 40 less the root of 36 - 9.
    expect(stepped.inside.radius_mm(33)).to be_within(0.1).of(40 - Math.sqrt(27))
    expect(stepped.inside.radius_mm(45)).to be_within(0.1).of(54)
    expect(least(stepped)).to be_within(0.1).of(6)
  end

  it "is the same either way round, and begins higher where the foot is too narrow for it" do
    up, down =
      form([[0, 30], [50, 90]], wall_mm: 7, floor_mm: 9),
      form([[0, 90], [50, 30]], wall_mm: 7, floor_mm: 9, opens: "head")
    expect(up.inside.radius_mm(30)).to be_within(1e-6).of(down.inside.radius_mm(20))
    narrow = form([[0, 5], [30, 5], [60, 50]], wall_mm: 6, floor_mm: 8)
    expect(narrow.inside.first_z_mm).to be > 30
  end

  it "leaves no hollow where the wall takes all, which is a fault of the file" do
    expect(form([[0, 20], [40, 20]], wall_mm: 25, floor_mm: 5)).not_to be_hollow
    thick = BlankHelper::BOWL.except(:inside).merge(follows: { wall_mm: 200, floor_mm: 5 })
    expect { blank(form: thick) }.to raise_error(MossyAnvil::InvalidInput, %r{/form/follows: leaves no hollow})
    expect { blank(form: BlankHelper::BOWL.merge(follows: { wall_mm: 5, floor_mm: 5 })) }.to raise_error(
      MossyAnvil::InvalidInput,
      /beside an inside of its own/
    )
  end
end
