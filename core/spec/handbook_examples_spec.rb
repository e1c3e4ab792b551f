# frozen_string_literal: true

# The hand-checked examples of the calculation that are one formula each.
RSpec.describe "Hand-checked examples" do
  it "E5: Hankinson between 90 and 4 MPa" do
    expect(MossyAnvil::Model::Material.hankinson(90, 4, 30)).to be_within(0.01).of(14.12)
    expect(MossyAnvil::Model::Material.hankinson(90, 4, 60)).to be_within(0.01).of(5.26)
  end

  it "E6: pull on a half-held chip" do
    mass_g = 35 * 20 * 15 * 600 * 1e-6
    pull = MossyAnvil::Turn::LoosePiece.pull_n(mass_g, 110, 700)
    expect(pull).to be_within(0.01).of(3.72)
    expect(pull / (35 * 15 * 0.3)).to be_within(0.001).of(0.024)
  end

  it "E7: rim speeds" do
    expect(MossyAnvil::RimSpeed.rpm(12, 250)).to be_within(0.5).of(917)
    expect(MossyAnvil::RimSpeed.rpm(6, 320)).to be_within(0.5).of(358)
  end

  it "E10: moisture that wood comes to" do
    { [20, 0.50] => 9.27, [15, 0.75] => 14.63, [22, 0.40] => 7.68 }.each do |air, emc|
      expect(MossyAnvil::Mend::Moisture.emc_pct(*air)).to be_within(0.01).of(emc)
    end
  end

  it "E11: days from 30 to 12 %" do
    tau = MossyAnvil::Mend::Drying.tau_days(28, 0.58)
    expect(tau).to be_within(0.05).of(15.3)
    expect(MossyAnvil::Mend::Drying.new(emc_pct: 9.5, tau_days: tau).days(30, 12)).to be_within(0.1).of(32.1)
  end

  it "E12: oven-dry mass and the weight to wait for" do
    dry = MossyAnvil::Mend::Moisture.oven_dry_mass_g(1840, 24)
    expect(dry).to be_within(0.5).of(1484)
    expect(MossyAnvil::Mend::Moisture.mass_at_g(dry, 12)).to be_within(0.5).of(1662)
  end

  it "E17: crack and pocket" do
    cracks = [
      crack(id: "w", z_mm: [10, 90], depth_mm: 15, width_mm: 3),
      crack(id: "t", clock_deg: 200, z_mm: [10, 90], depth_mm: 15, width_mm: 3, through: true)
    ]
    pocket = body("void", id: "v", contents: "air", size_mm: [30, 22, 18])
    found = assess(shape: { type: "disc", diameter_mm: 240, length_mm: 100 }, defects: [*cracks, pocket])
    wedge, through, pocket = found[:defects].map { |defect| defect[:open_volume_mm3] / 1000 }
    expect(wedge).to be_within(0.018).of(1.80)
    expect(through).to be_within(0.036).of(3.60)
    expect(pocket).to be_within(0.062).of(6.22)
  end

  it "E25: surface speed under the paper" do
    expect(MossyAnvil::RimSpeed.rpm(3, 180)).to be_within(0.5).of(318)
  end

  it "E28: a crack from end to end and one of 80 mm" do
    expect(MossyAnvil::Turn::CrackRun.edge_factor(30 / 120.0)).to be_within(0.001).of(1.505)
    expect(MossyAnvil::Turn::CrackRun.intensity_mpa_sqrt_m(0.12, depth_mm: 30, width_mm: 120)).to be_within(0.0001).of(
      0.0555
    )
    expect(MossyAnvil::Turn::CrackRun.shape_factor(30.0, 40.0)).to be_within(0.001).of(1.911)
    expect(MossyAnvil::Turn::CrackRun.intensity_mpa_sqrt_m(0.12, depth_mm: 30, width_mm: 120, run_mm: 80)).to be_within(
      0.0001
    ).of(0.0401)
  end

  it "E29 and E30: side force on a wall, whole and cracked through" do
    wall = { radius_mm: 115, wall_mm: 8, height_mm: 50 }
    expect(MossyAnvil::Solid::WallForce.stress_mpa(60, **wall)).to be_within(0.01).of(4.11)
    expect(MossyAnvil::Solid::WallForce.allowed_n(4, **wall)).to be_within(0.5).of(29)
    expect(MossyAnvil::Solid::WallForce.allowed_n(4, **wall, cracked_through: true)).to be_within(0.5).of(9)
  end

  # Sugar maple, G 0.63: D 5.18e-11.
  it "E31: rough-turned, the wall decides" do
    air = 11.8
    days =
      lambda do |thick, to|
        tau = MossyAnvil::Mend::Drying.tau_days(thick, 0.63)
        [tau, MossyAnvil::Mend::Drying.new(emc_pct: air, tau_days: tau).days(28, to)]
      end
    expect(days[28, 13.8]).to match([be_within(0.1).of(17.7), be_within(0.5).of(37)])
    expect(days[102, 15]).to match([be_within(0.6).of(236), be_within(0.6).of(382)])
  end

  it "E32: as fast as it may go without checking" do
    safe =
      lambda do |thick|
        tau = MossyAnvil::Mend::Drying.tau_days(thick, 0.63)
        MossyAnvil::Mend::SafeDrying.new(tangential_pct: 9.9, tau_days: tau, thickness_mm: thick)
      end
    expect(safe[28].drier_points).to be_within(0.005).of(4.85)
    expect(safe[28].points_a_day).to be_within(0.005).of(0.33)
    expect(safe[28].days(28, 14)).to be_within(0.5).of(42)
    expect(safe[102].points_a_day).to be_within(0.0005).of(0.025)
    expect(safe[102].days(28, 14)).to be_within(1.5).of(559)
  end

  it "E33: a crack opens by its own depth where the pith is not in the piece" do
    maple = MossyAnvil::Model::Stock.of("sugar_maple")
    expect(maple.tangential_pct).to eq(9.9)
    opened =
      lambda do |pith|
        material = material_data(species: "sugar_maple", pith: pith)
        one = blank(defects: [crack(depth_mm: 29)], material: material.compact)
        MossyAnvil::Mend::CrackOpening.new(one, from_pct: 28, to_pct: 12).openings.first.last
      end
    expect(opened["out"]).to be_within(0.05).of(1.5)
    expect(opened["in"]).to be > 15
    # Where nobody knows, a crack that stays far from the axis is taken not to reach it.
    expect(opened[nil]).to eq(opened["out"])
  end
end
