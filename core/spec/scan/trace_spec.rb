# frozen_string_literal: true

RSpec.describe MossyAnvil::Scan::Trace do
  # Points on an ellipse in a picture 400 mm wide: half axes 120 and 90 mm, its middle at half the width and 0.4 of it
  # down.
  def ellipse(count: 16, tilt: 0)
    Array.new(count) do |step|
      angle = step * 2 * Math::PI / count
      x, y = 120 * Math.cos(angle), 90 * Math.sin(angle)
      [
        0.5 + (((x * Math.cos(tilt)) - (y * Math.sin(tilt))) / 400),
        0.4 + (((x * Math.sin(tilt)) + (y * Math.cos(tilt))) / 400)
      ]
    end
  end

  def traced(outline: ellipse, **changes)
    described_class.new(
      {
        scale: {
          from: [0.1, 0.9],
          to: [0.6, 0.9],
          mm: 200
        },
        outline: outline,
        length_mm: 60,
        view: "tail_face"
      }.merge(changes)
    ).to_h
  end

  def radii(...) = traced(...)[:stations].first[:radii_mm]

  it "gets the axes of a known ellipse within one part in a hundred, however it lies" do
    [0, 0.4, 1.2].each do |tilt|
      found = traced(outline: ellipse(tilt: tilt))
      expect(found[:across_mm]).to match([be_within(1.8).of(180), be_within(2.4).of(240)])
      expect(found[:centre]).to match([be_within(1e-3).of(0.5), be_within(1e-3).of(0.4)])
    end
    expect(radii[0]).to be_within(0.9).of(90)
    expect(radii[18]).to be_within(1.2).of(120)
  end

  it "is a slab of that outline, as a blank file takes it, with as much wood as the ellipse" do
    found = traced
    shape = { type: "outline", stations: found[:stations] }
    expect(assess(shape: shape, defects: [])[:stages][:blank][:volume_mm3]).to be_within(
      0.01 * Math::PI * 120 * 90 * 60
    ).of(Math::PI * 120 * 90 * 60)
  end

  it "takes the axis that is given, and sees a picture of the head end from the other side" do
    off = radii(centre: [0.5 + (20 / 400.0), 0.4])
    expect(off.values_at(18, 54)).to match([be_within(1.2).of(100), be_within(1.4).of(140)])
    expect(radii(centre: [0.5 + (20 / 400.0), 0.4], view: "head_face").values_at(18, 54)).to match(
      [be_within(1.4).of(140), be_within(1.2).of(100)]
    )
  end

  # By hand: 40 mm right of the middle and 40 above it is half past one, 56.6 mm out.
  it "puts traced cracks and pockets on the face they were seen on, and says their depth is a guess" do
    marks = [
      { type: "crack", points: [[0.5, 0.4], [0.6, 0.3]] },
      { type: "void", centre: [0.6, 0.4], edge: [0.6, 0.42] }
    ]
    crack, void = traced(marks: marks)[:defects]
    expect(crack).to include(id: "A", enters: "tail_face", found_by: "guessed", depth_mm: 15.0)
    expect(crack[:path].last).to match(clock_deg: be_within(1e-6).of(45), r_mm: be_within(0.01).of(56.57), z_mm: 60.0)
    expect(void).to include(
      id: "B",
      centre: {
        clock_deg: be_within(1e-6).of(90),
        r_mm: be_within(1e-6).of(40),
        z_mm: 60.0
      },
      contents: "air"
    )
    expect(void[:size_mm].first).to be_within(1e-6).of(16)
    piece =
      blank(
        shape: {
          type: "outline",
          stations: traced[:stations]
        },
        defects: traced(marks: marks, view: "head_face")[:defects]
      )
    expect(piece.defects.map { |defect| defect.path? ? defect.path.last[:clock_deg] : defect.clock_deg }).to match(
      [be_within(1e-6).of(315), be_within(1e-6).of(270)]
    )
  end

  {
    "too few points" => [{ outline: [[0, 0], [1, 0], [1, 1]] }, %r{/outline: has 3 points}],
    "a scale of nothing" => [{ scale: { from: [0.1, 0.1], to: [0.1, 0.1], mm: 20 } }, %r{/scale/to}],
    "an axis beside it" => [{ centre: [0.95, 0.4] }, %r{/centre: is outside}],
    "a line and no outline" => [{ outline: Array.new(6) { |at| [0.1 * at, 0.2] } }, %r{/outline: holds no area}],
    "a crack of one point" => [{ marks: [{ type: "crack", points: [[0.5, 0.4]] }] }, %r{/marks/0/points}]
  }.each do |name, (changes, said)|
    it("refuses #{name}") { expect { traced(**changes) }.to raise_error(MossyAnvil::InvalidInput, said) }
  end
end
