# frozen_string_literal: true

RSpec.describe MossyAnvil::Solid::MassProperties do
  def turned(points)
    { kind: "disc", opens: "tail", outside: points, curve: "straight" }
  end

  it "E1: weighs a paraboloid of R 100 mm at 60 mm as 942.5 ml" do
    points = Array.new(61) { |z| [z, 100 * Math.sqrt(z / 60.0)] }
    stages = assess(form: turned(points))[:stages]
    expect(stages[:outside][:volume_mm3] / 1000).to be_within(0.002 * 942.5).of(942.5)
  end

  it "E1: weighs a sphere of 80 mm as 268.1 ml" do
    points = Array.new(161) { |step| [step / 2.0, Math.sqrt([1600 - (((step / 2.0) - 40)**2), 0].max)] }
    shape = { type: "disc", diameter_mm: 90, length_mm: 80 }
    report = assess(shape: shape, form: turned(points))
    expect(report[:stages][:outside][:volume_mm3] / 1000).to be_within(0.3).of(268.1)
    expect(report[:form][:skin_area_mm2][:outside] / 100).to be_within(0.3).of(201.1)
  end

  it "E2: finds mass, imbalance, limit and counterweight of a disc 5 mm off centre" do
    shape = { type: "disc", diameter_mm: 240, length_mm: 60, centre_offset_mm: [5, 0] }
    stage = assess(shape: shape)[:stages][:blank]
    expect(stage[:mass_g]).to be_within(0.5).of(1628.6)
    expect(stage[:imbalance_g_mm]).to be_within(3).of(8143)
    expect(stage[:heavy_clock_deg]).to be_within(0.01).of(90)
    imbalance_cap = stage[:caps].find { |cap| cap[:key] == "imbalance" }
    expect(imbalance_cap[:rpm]).to be_within(1).of(1109)
    expect(MossyAnvil::Turn::Balance.counterweight_g(stage[:imbalance_g_mm], 90)).to be_within(0.1).of(90.5)
  end

  it "finds no imbalance in a centred sound disc" do
    stage = assess[:stages][:blank]
    expect(stage[:imbalance_g_mm]).to be < 1e-6 * stage[:mass_g]
    expect(stage[:heavy_clock_deg]).to be_nil
    expect(stage[:counterweight]).to be_nil
  end

  it "halves the mass with half the density" do
    light = assess(material: material_data(density_kg_m3: 300))[:stages][:blank]
    expect(light[:mass_g] * 2).to be_within(1e-6).of(assess[:stages][:blank][:mass_g])
  end

  it "moves the centre of mass by the hand-worked amount of a void" do
    pocket = body("void", size_mm: [40, 40, 40], r_mm: 60, contents: "air")
    stage = assess(defects: [pocket])[:stages][:blank]
    disc_mm3 = Math::PI * (120**2) * 60
    void_mm3 = Math::PI / 6 * (40**3)
    expected = -60 * void_mm3 / (disc_mm3 - void_mm3)
    expect(stage[:centre_of_mass_mm][1]).to be_within(0.02 * expected.abs).of(expected)
    expect(stage[:heavy_clock_deg]).to be_within(0.1).of(180)
  end

  it "changes little on a finer grid" do
    pieces = {
      defects: [
        body("void", contents: "air"),
        body("soft_zone", id: "s", clock_deg: 200, size_mm: [70, 90, 50], grade: "spongy")
      ],
      form: BlankHelper::BOWL
    }
    coarse, fine = %i[default fine].map { |fineness| assess(fineness: fineness, **pieces)[:stages] }
    coarse.each_key do |name|
      expect(fine[name][:mass_g]).to be_within(0.005 * fine[name][:mass_g]).of(coarse[name][:mass_g])
      expect(fine[name][:imbalance_g_mm]).to be_within(0.02 * fine[name][:imbalance_g_mm]).of(
        coarse[name][:imbalance_g_mm]
      )
    end
  end

  it "does not mind the order of the survey" do
    defects = [
      body("soft_zone", id: "s", size_mm: [80, 80, 50], grade: "soft"),
      body("void", contents: "dirt"),
      body("resin_body", id: "r", clock_deg: 20, density_kg_m3: 1100),
      crack
    ]
    one, other = [defects, defects.reverse].map { |list| assess(defects: list)[:stages] }
    expect(one).to eq(other)
  end

  it "lets void win over resin, resin over lowered wood" do
    here = { size_mm: [30, 30, 30] }
    layers = [
      body("soft_zone", id: "s", grade: "spongy", **here),
      body("resin_body", id: "r", density_kg_m3: 1800, **here),
      body("void", contents: "air", **here)
    ]
    masses = [1, 2, 3].map { |count| assess(defects: layers.first(count))[:stages][:blank][:mass_g] }
    expect(masses[1]).to be > masses[0]
    expect(masses[2]).to be < masses[0]
  end
end
