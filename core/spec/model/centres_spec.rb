# frozen_string_literal: true

RSpec.describe MossyAnvil::Model::Centres do
  def stage(**changes) = assess(shape: { type: "disc", diameter_mm: 200, length_mm: 80 }, **changes)[:stages][:blank]
  def both(x_mm, y_mm) = { head_mm: [x_mm, y_mm], tail_mm: [x_mm, y_mm] }

  it "puts a moved axis as far off the mass as it was moved" do
    moved = stage(centres: both(6, 0))
    expect(moved[:imbalance_g_mm]).to be_within(0.005 * moved[:mass_g] * 6).of(moved[:mass_g] * 6)
    expect(moved[:heavy_clock_deg]).to be_within(0.5).of(270)
    expect(moved[:mass_g]).to be_within(0.002 * moved[:mass_g]).of(stage[:mass_g])
    expect(moved[:swing_mm]).to be_within(0.1).of(212)
  end

  it "moves defects with the wood: a pocket under the new axis is on it" do
    pocket = {
      id: "a",
      type: "void",
      contents: "air",
      centre: {
        clock_deg: 90,
        r_mm: 10,
        z_mm: 40
      },
      size_mm: [20, 20, 20]
    }
    found = blank(defects: [pocket], centres: both(10, 0)).on_centres.defects.first
    expect(found.radius_mm).to be_within(1e-9).of(0)
    expect(stage(defects: [pocket], centres: both(10, 0))[:volume_mm3]).to be_within(1).of(
      stage(centres: both(10, 0))[:volume_mm3]
    )
  end

  it "turns a body's own directions with its place, and keeps its volume" do
    flat = {
      id: "a",
      type: "void",
      contents: "air",
      centre: {
        clock_deg: 0,
        r_mm: 30,
        z_mm: 40
      },
      size_mm: [4, 20, 10]
    }
    # From an axis 30 mm to 3 o'clock of it, what lay along the radius lies half round: 45 degrees.
    found = blank(defects: [flat], centres: both(30, 0)).on_centres.defects.first
    expect(found.clock_deg).to be_within(1e-6).of(315)
    expect(found.volume_mm3).to be_within(1e-6).of(Math::PI / 6 * 800)
    expect(found.size_mm[0]).to be_within(1e-6).of(found.size_mm[1])
  end

  it "leans the axis: as long as the way from centre to centre, the middle as far off as half the lean" do
    leaned = stage(centres: { head_mm: [0, 0], tail_mm: [8, 0] })
    expect(leaned[:centre_of_mass_mm][0]).to be_within(0.25).of(-4)
    # Beyond the square of each centre lies a wedge of 2/3 R3 times the lean.
    wedges_g = 2 * 2.0 / 3 * (100**3) * (8.0 / 80) * 6e-4
    expect(leaned[:mass_g]).to be_within(0.005 * leaned[:mass_g]).of(stage[:mass_g] - wedges_g)
    shape =
      blank(
        shape: {
          type: "disc",
          diameter_mm: 200,
          length_mm: 80
        },
        centres: {
          head_mm: [0, 0],
          tail_mm: [8, 0]
        }
      ).on_centres.shape
    expect(shape.length_mm).to be_within(0.2).of(Math.hypot(80, 8))
  end

  it "hardly leaned is as good as only moved" do
    hardly, moved = stage(centres: { head_mm: [5, 0], tail_mm: [5, 0.001] }), stage(centres: both(5, 0))
    expect(hardly[:mass_g]).to be_within(0.003 * moved[:mass_g]).of(moved[:mass_g])
    expect(hardly[:imbalance_g_mm]).to be_within(0.02 * moved[:imbalance_g_mm]).of(moved[:imbalance_g_mm])
  end

  it "gives drawings both frames, and only where they differ" do
    crack = crack(z_mm: [10, 30], depth_mm: 12)
    still, moved = assess(defects: [crack])[:geometry], assess(defects: [crack], centres: both(5, 5))[:geometry]
    expect(still.values_at(:survey, :on_centres)).to eq([nil, nil])
    expect(moved[:survey][:max_radius_mm]).to be < moved[:max_radius_mm]
    expect(moved[:on_centres].first).to include(id: "b", depth_mm: 12.0)
  end

  {
    { head_mm: [200, 0], tail_mm: [200, 0] } => %r{/centres: lie off the wood},
    { head_mm: [-50, 0], tail_mm: [50, 0] } => %r{/centres: tilt the axis by \d}
  }.each do |centres, said|
    it("refuses #{centres}") { expect { blank(centres: centres) }.to raise_error(MossyAnvil::InvalidInput, said) }
  end
end
