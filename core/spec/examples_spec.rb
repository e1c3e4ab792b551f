# frozen_string_literal: true

# The hand-checked examples of the reckoning that are one formula each.
RSpec.describe "Hand-checked examples" do
  it "E5: Hankinson between 90 and 4 MPa" do
    expect(MossyAnvil::Material.hankinson(90, 4, 30)).to be_within(0.01).of(14.12)
    expect(MossyAnvil::Material.hankinson(90, 4, 60)).to be_within(0.01).of(5.26)
  end

  it "E6: pull on a half-held chip" do
    mass_g = 35 * 20 * 15 * 600 * 1e-6
    pull = MossyAnvil::LoosePiece.pull_n(mass_g, 110, 700)
    expect(pull).to be_within(0.01).of(3.72)
    expect(pull / (35 * 15 * 0.3)).to be_within(0.001).of(0.024)
  end

  it "E7: rim speeds" do
    expect(MossyAnvil::Rim.rpm(12, 250)).to be_within(0.5).of(917)
    expect(MossyAnvil::Rim.rpm(6, 320)).to be_within(0.5).of(358)
  end

  it "E10: moisture that wood comes to" do
    { [20, 0.50] => 9.27, [15, 0.75] => 14.63, [22, 0.40] => 7.68 }.each do |air, emc|
      expect(MossyAnvil::Moisture.emc_pct(*air)).to be_within(0.01).of(emc)
    end
  end

  it "E11: days from 30 to 12 %" do
    tau = MossyAnvil::Drying.tau_days(28, 0.58)
    expect(tau).to be_within(0.05).of(15.3)
    expect(MossyAnvil::Drying.new(emc_pct: 9.5, tau_days: tau).days(30, 12)).to be_within(0.1).of(32.1)
  end

  it "E12: oven-dry mass and the weight to wait for" do
    dry = MossyAnvil::Moisture.oven_dry_mass_g(1840, 24)
    expect(dry).to be_within(0.5).of(1484)
    expect(MossyAnvil::Moisture.mass_at_g(dry, 12)).to be_within(0.5).of(1662)
  end

  it "E17: crack and pocket" do
    expect(MossyAnvil::Filling.crack_mm3(80, 15, 3)).to be_within(0.1).of(1800)
    expect(MossyAnvil::Filling.crack_mm3(80, 15, 3, through: true)).to be_within(0.1).of(3600)
    expect(MossyAnvil::Filling.pocket_mm3([30, 22, 18])).to be_within(1).of(6220)
  end

  it "E25: surface speed under the paper" do
    expect(MossyAnvil::GritSequence.rpm(3, 180)).to be_within(0.5).of(318)
  end

  it "E28: a crack from end to end and one of 80 mm" do
    expect(MossyAnvil::CrackRun.edge_factor(30 / 120.0)).to be_within(0.001).of(1.505)
    expect(MossyAnvil::CrackRun.intensity_mpa_sqrt_m(0.12, depth_mm: 30, width_mm: 120)).to be_within(0.0001).of(0.0555)
    expect(MossyAnvil::CrackRun.shape_factor(30.0, 40.0)).to be_within(0.001).of(1.911)
    expect(MossyAnvil::CrackRun.intensity_mpa_sqrt_m(0.12, depth_mm: 30, width_mm: 120, run_mm: 80)).to be_within(0.0001).of(0.0401)
  end

  it "E29 and E30: side force on a wall, whole and cracked through" do
    wall = { radius_mm: 115, wall_mm: 8, height_mm: 50 }
    expect(MossyAnvil::WallForce.stress_mpa(60, **wall)).to be_within(0.01).of(4.11)
    expect(MossyAnvil::WallForce.allowed_n(4, **wall)).to be_within(0.5).of(29)
    expect(MossyAnvil::WallForce.allowed_n(4, **wall, cracked_through: true)).to be_within(0.5).of(9)
  end
end
