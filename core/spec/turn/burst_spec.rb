# frozen_string_literal: true

RSpec.describe MossyAnvil::Turn::Burst do
  def solid(**changes) =
    MossyAnvil::Report::SolidAnalysis.new(blank(**changes), MossyAnvil::Report::ShopClimate.new, :default)

  def burst_of(work, name)
    stage = MossyAnvil::Solid::Stage.new(name, work.grid, work.blank)
    work.burst(stage, MossyAnvil::Solid::MassProperties.new(work.grid, work.density_sums, stage))
  end

  def mean_stress_kpa(burst, clock_deg, rpm)
    burst.at(clock_deg).mean_stress_pa_per_w2 * ((rpm / MossyAnvil::Mechanics::RPM)**2) / 1000
  end

  # Dry density at which wood across the fibres is 4 MPa; the density as it stands sets the pull.
  def four_mpa(density_kg_m3)
    material_data(density_kg_m3: density_kg_m3, moisture_pct: 0).merge("kind" => "non_wood")
  end

  it "E3: finds the mean stress in a square block along its sides and across its corners" do
    burst =
      burst_of(
        solid(
          shape: {
            type: "block",
            width_mm: 150,
            height_mm: 150,
            length_mm: 200
          },
          material: material_data(density_kg_m3: 700)
        ),
        :blank
      )
    expect(mean_stress_kpa(burst, 0, 900)).to be_within(0.05).of(17.49)
    expect(mean_stress_kpa(burst, 45, 900)).to be_within(0.05).of(11.66)
  end

  describe "E4: a ring of 100 to 130 mm" do
    let(:ring_blank) do
      { shape: { type: "disc", diameter_mm: 260, length_mm: 40 }, form: ring(130, 100, 40), material: four_mpa(650) }
    end
    let(:strength_share) { Math.sqrt(4.0 / (4.0 * 650 / 580)) }

    def cracked(**changes) = crack(clock_deg: 0, z_mm: [0, 40], depth_mm: 30, **changes)

    it "carries 60.67 kPa when sound" do
      expect(mean_stress_kpa(burst_of(solid(**ring_blank), :hollowed), 0, 800)).to be_within(0.1).of(60.67)
    end

    it "bursts at 938 rpm with one side cracked right through, worked under 331" do
      work = solid(**ring_blank, defects: [cracked(through: true)])
      rpm = burst_of(work, :hollowed).weakest.burst_rpm * strength_share
      expect(rpm).to be_within(3).of(938)
      expect(rpm / Math.sqrt(8)).to be_within(1.5).of(331)
    end

    it "says the same where the depth alone reaches the hollow" do
      work = solid(**ring_blank, defects: [cracked])
      expect(burst_of(work, :hollowed).weakest.burst_rpm * strength_share).to be_within(3).of(938)
    end

    it "bursts at 514 rpm when all of it is soft as well" do
      pieces =
        [[0, "p"], [120, "q"], [240, "r"]].map do |clock_deg, id|
          body("soft_zone", id: id, clock_deg: clock_deg, r_mm: 0, z_mm: 20, size_mm: [400, 400, 80], grade: "soft")
        end
      soft = solid(**ring_blank, defects: [cracked(through: true), pieces.first])
      # The zone lightens the wood to 0.7 as well, but for the pull soft wood counts as whole.
      expect(burst_of(soft, :hollowed).weakest.burst_rpm * strength_share).to be_within(4).of(514)
    end

    it "names the plane through the crack" do
      work =
        solid(
          **ring_blank,
          defects: [cracked(through: true, path: [{ clock_deg: 75, z_mm: 0 }, { clock_deg: 75, z_mm: 40 }])]
        )
      expect(burst_of(work, :hollowed).weakest.clock_deg).to be_within(12).of(75)
    end
  end

  it "takes the plane that holds the fibres as the weak one" do
    stage = assess(material: material_data(grain: "face", grain_clock_deg: 30))[:stages][:blank]
    expect(stage[:weak_plane_clock_deg]).to be_within(0.01).of(30)
  end

  it "turns with the blank and changes nothing else" do
    turned =
      lambda do |by|
        assess(
          material: material_data(grain: "face", grain_clock_deg: 20 + by),
          form: BlankHelper::BOWL,
          shape: {
            type: "disc",
            diameter_mm: 240,
            length_mm: 60,
            centre_offset_mm: MossyAnvil::ClockAngle.point(110 + by, 3)
          },
          defects: [crack(clock_deg: 60 + by), body("void", clock_deg: 200 + by, contents: "air")]
        )[
          :stages
        ]
      end
    still = turned.call(0)
    [15, 30, 97.5, 52.3].each do |by|
      grid_step = (by % 3.75).zero?
      turned
        .call(by)
        .each do |name, stage|
          was = still[name]
          expect(MossyAnvil::ClockAngle.turn(was[:heavy_clock_deg] + by, stage[:heavy_clock_deg])).to be_within(
            grid_step ? 1e-6 : 0.5
          ).of(0)
          moved = ((stage[:weak_plane_clock_deg] - was[:weak_plane_clock_deg] - by + 90) % 180) - 90
          expect(moved).to be_within(grid_step ? 1e-6 : 4).of(0)
          %i[mass_g imbalance_g_mm burst_rpm limit_rpm crack_runs_rpm].each do |key|
            expect(stage[key]).to be_within((grid_step ? 1e-9 : 0.02) * was[key]).of(was[key]),
            "#{name} #{key} at #{by}"
          end
        end
    end
  end

  it "never bursts later for a deeper crack" do
    random = Random.new(32)
    12.times do
      soft = body("soft_zone", id: "s", clock_deg: random.rand(360), r_mm: 80, size_mm: [80, 90, 60], grade: "spongy")
      low = random.rand(0..30)
      place = { clock_deg: random.rand(360), z_mm: [low, low + random.rand(5..29)] }
      speeds =
        [2, 5, 9, 14, 20, 30, 45, 70, 100].map do |depth_mm|
          assess(defects: [soft, crack(depth_mm: depth_mm, **place)], form: BlankHelper::BOWL)[
            :stages
          ].transform_values { |stage| stage[:burst_rpm] }
        end
      speeds.each_cons(2) do |shallow, deep|
        deep.each { |name, rpm| expect(rpm).to be <= shallow[name] * (1 + 1e-9), "#{name} #{place}" }
      end
    end
  end
end

RSpec.describe MossyAnvil::Turn::CracksAtStage do
  it "runs a crack from end to end of a plain disc at the speed worked by hand" do
    disc = { type: "disc", diameter_mm: 240, length_mm: 60 }
    found = assess(shape: disc, defects: [crack(z_mm: [0, 60], depth_mm: 30, width_mm: 0.2)])[:stages][:blank]
    material = blank.material
    # Half of a disc pulls on its diameter with rho w^2 R^2 / 3, MPa at 1 rad/s: 600 kg/m3, R 0.12 m.
    stress_mpa = 600 * (0.12**2) / 3 / 1e6
    # Edge crack, a 30 of 240 mm: 1.12 - 0.231 s + 10.55 s^2 - 21.72 s^3 + 30.39 s^4.
    s = 30 / 240.0
    edge = 1.12 - (0.231 * s) + (10.55 * (s**2)) - (21.72 * (s**3)) + (30.39 * (s**4))
    intensity = edge * stress_mpa * Math.sqrt(Math::PI * 0.030)
    rpm = Math.sqrt(material.toughness_mpa_sqrt_m / intensity) * 60 / (2 * Math::PI)
    expect(found[:crack_runs_rpm]).to be_within(0.015 * rpm).of(rpm)
  end
end
