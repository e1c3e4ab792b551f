# frozen_string_literal: true

# Limits worked by hand, step by step.
RSpec.describe "Limits by hand" do
  it "a loose piece of 10 g at 100 mm, half of 20 by 30 mm bonded at 1 MPa: 300 N, an eighth of it holds to 1,849 rpm" do
    rpm =
      MossyAnvil::Turn::LoosePiece.limit_rpm(
        mass_g: 10,
        radius_mm: 100,
        size_mm: [10, 20, 30],
        bonded_share: 0.5,
        bond_mpa: 1.0
      )
    # 37.5 N over 0.001 kg m is 37,500 rad2/s2: 193.65 rad/s.
    expect(rpm).to be_within(0.01).of(1849.21)
  end

  it "a crack of 60 mm from the rim of a wall of 6 mm at R 120, 640 kg/m3" do
    # 640 * 0.12**2 = 9.216 Pa; * 1.12 at the edge; root of pi * 0.06 m = 0.43416; lips root of 1 + 1.61 * 3600 / 720 =
    # 3.00832.
    intensity = MossyAnvil::Turn::WallCrack.intensity_mpa_sqrt_m(640, run_mm: 60, radius_mm: 120, wall_mm: 6)
    expect(intensity).to be_within(1e-10).of(1.348141e-5)
    runs = Numo::DFloat[60.0]
    expect(MossyAnvil::Turn::WallCrack.intensities(640, runs, radius_mm: 120, wall_mm: 6)[0]).to be_within(1e-10).of(
      1.348141e-5
    )
  end
end
