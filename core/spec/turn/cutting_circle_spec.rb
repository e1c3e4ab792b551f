# frozen_string_literal: true

RSpec.describe MossyAnvil::Turn::CuttingCircle do
  let(:square) { { type: "block", width_mm: 150, height_mm: 150, length_mm: 60 } }

  def circle(radius_mm, z_mm = 30, **changes) = described_class.new(blank(**changes), radius_mm, z_mm)

  it "finds the air between the corners of a square, by the arc cosine" do
    # inside where both |x| and |y| are under 75: from acos(75/90) to its mirror, in each quarter
    in_wood = (90 - (2 * Math.acos(75 / 90.0) / MossyAnvil::ClockAngle::RADIANS)) / 90
    corner = circle(90, shape: square)
    expect(corner.air_share).to be_within(0.01).of(1 - in_wood)
    expect(corner.gaps).to eq(4)
    expect(corner.knocks_per_s(300)).to be_within(1e-9).of(20)
  end

  it "has no gap in sound wood, and none where there is no wood at all" do
    expect([circle(74, shape: square).gaps, circle(74, shape: square).air_share]).to eq([0, 0.0])
    expect([circle(120, shape: square).gaps, circle(120, shape: square).air_share]).to eq([0, 1.0])
  end

  it "meets a void over the arc that its half extent spans" do
    void = body("void", clock_deg: 0, r_mm: 80, size_mm: [30, 40, 30], contents: "air")
    met = circle(80, defects: [void])
    # on a circle of 80 mm, 20 mm either way, less the bend of the circle
    expect(met.air_share).to be_within(0.006).of(2 * Math.asin(20 / 80.0) / (2 * Math::PI))
    expect(met.gaps).to eq(1)
  end

  it "tells what else it meets, and does not call it air" do
    found =
      circle(
        80,
        defects: [
          body("soft_zone", id: "s", clock_deg: 90, r_mm: 80, size_mm: [30, 40, 30], grade: "spongy"),
          body("void", id: "d", clock_deg: 270, r_mm: 80, size_mm: [30, 40, 30], contents: "dirt")
        ]
      )
    expect(found.shares.keys).to contain_exactly("sound", "spongy", "dirt")
    expect(found.shares.values.sum).to be_within(1e-9).of(1)
    expect(found.gaps).to eq(0)
  end

  it "meets a crack where it runs, as deep as it goes and no deeper" do
    check = crack(clock_deg: 60, depth_mm: 25)
    expect(
      [circle(110, defects: [check]), circle(90, defects: [check]), circle(110, 58, defects: [check])].map(&:cracks_met)
    ).to eq([1, 0, 0])
    from, to, kind, index = circle(110, defects: [check]).stretches.first
    expect([kind, index]).to eq(["crack", 0])
    expect((from + to) / 2).to be_within(0.5).of(60)
  end

  it "meets a crack in a face across its own line only" do
    check = {
      id: "f",
      type: "crack",
      enters: "tail_face",
      depth_mm: 15,
      width_mm: 2,
      path: [{ clock_deg: 30, z_mm: 60, r_mm: 20 }, { clock_deg: 30, z_mm: 60, r_mm: 100 }]
    }
    expect(
      [circle(60, 55, defects: [check]), circle(60, 40, defects: [check]), circle(110, 55, defects: [check])].map(
        &:cracks_met
      )
    ).to eq([1, 0, 0])
  end

  it "meets a crack that runs over 12 o'clock on both sides of it" do
    over = {
      id: "o",
      type: "crack",
      enters: "side",
      path: [{ clock_deg: 350, z_mm: 30 }, { clock_deg: 370, z_mm: 30 }],
      depth_mm: 25,
      width_mm: 2
    }
    stretch = circle(118, defects: [over]).stretches.first
    expect(stretch.first(3)).to match([be_within(1).of(349.5), be_within(1).of(370.5), "crack"])
  end

  it "gives an opening what lies in it, whatever the order of the survey" do
    place = { r_mm: 80, size_mm: [30, 40, 30] }
    both = [body("void", id: "v", contents: "air", **place), body("soft_zone", id: "s", grade: "soft", **place)]
    expect(both.permutation.map { |defects| circle(80, defects: defects).shares }.uniq.size).to eq(1)
    expect(circle(80, defects: both).shares).not_to have_key("soft")
  end

  it "runs a stretch over 12 o'clock as one" do
    over = circle(80, defects: [body("void", clock_deg: 0, r_mm: 80, size_mm: [30, 40, 30], contents: "air")]).stretches
    expect(over.size).to eq(1)
    expect(over.first[1]).to be > 360
  end

  it "names the way to cut by the air" do
    expect([0.05, 0.2, 0.7].map { |share| described_class.advice(share)["key"] }).to eq(%w[plain light nibble])
    expect(described_class.advice(0.0)).to be_nil
  end

  it "is reported for each stage at the circle most in the air, at that stage's limit" do
    stages =
      assess(
        shape: square,
        form: {
          kind: "bowl",
          opens: "tail",
          outside: [[0, 40], [60, 90]],
          inside: [[10, 0], [60, 80]],
          curve: "straight"
        }
      )[
        :stages
      ]
    cut = stages[:blank][:interrupted_cut]
    expect(cut).to include(gaps: 4, radius_mm: be_within(0.1).of(90))
    expect(cut[:knocks_per_s]).to be_within(1e-9).of(4 * stages[:blank][:limit_rpm] / 60)
    expect(stages[:outside][:interrupted_cut][:z_mm]).to be > 50
    expect(assess[:stages].values.map { |stage| stage[:interrupted_cut] }).to all(be_nil)
  end
end
