# frozen_string_literal: true

RSpec.describe "Walls and caps at the stages" do
  def hollowed(**changes) = assess(form: BlankHelper::BOWL, **changes)[:stages][:hollowed]

  describe "the side force a rim takes" do
    it "falls with the square of the wall" do
      walls = [100, 105].map { |inner| ring(110, inner, 60) }
      forces = walls.map { |form| assess(form: form)[:stages][:hollowed][:allowed_side_force_n] }
      expect(forces[0] / forces[1]).to be_within(0.05).of(4)
    end

    it "is of one place: a soft zone where the wall is thick does not weaken the thin rim" do
      form = BlankHelper::TALL[:form].merge(inside: [[15, 60], [100, 114], [200, 114]])
      low = body("soft_zone", r_mm: 70, z_mm: 30, size_mm: [30, 30, 20], grade: "soft")
      whole, weak =
        [[], [low]].map do |defects|
          assess(shape: BlankHelper::TALL[:shape], form: form, defects: defects)[:stages][:hollowed]
        end
      expect(weak[:allowed_side_force_n]).to be_within(1e-9).of(whole[:allowed_side_force_n])
      expect(weak[:side_force_at]).to include(wall_mm: be_within(0.1).of(4), share: 1.0, opened: false)
    end

    it "falls to a third where a crack goes through the wall" do
      whole, cut =
        [[], [crack(z_mm: [30, 56], depth_mm: 40)]].map { |defects| hollowed(defects: defects)[:allowed_side_force_n] }
      expect(cut / whole).to be_within(1e-6).of(MossyAnvil::Solid::WallForce::WHOLE)
    end

    it "goes by the weakest wood that is left, and names the cuts it takes" do
      zone = body("soft_zone", r_mm: 90, z_mm: 40, size_mm: [60, 60, 80], grade: "soft")
      sound, weak, soft = [[], [zone], [zone.merge(grade: "spongy")]].map { |defects| hollowed(defects: defects) }
      expect(weak[:allowed_side_force_n]).to be_within(1e-6).of(sound[:allowed_side_force_n] * 0.3)
      # So soft that next to nothing is left, it opens the ring; pressed in where it is soft, it gives way sooner still.
      expect(soft[:allowed_side_force_n]).to be_within(1e-6).of(sound[:allowed_side_force_n] * 0.1)
      thick = assess(form: ring(110, 60, 60))[:stages][:hollowed]
      expect(thick[:cuts_taken]).to include("shear_scrape", "finishing", "roughing")
      expect(soft[:cuts_taken]).to eq([])
    end
  end

  describe "caps" do
    it "lists every one" do
      heavy = { type: "disc", diameter_mm: 240, length_mm: 60, centre_offset_mm: [4, 0] }
      stage =
        hollowed(
          shape: heavy,
          defects: [
            crack(z_mm: [30, 56], depth_mm: 40),
            body("loose_piece", id: "l", clock_deg: 200, r_mm: 104, z_mm: 45, size_mm: [9, 9, 9], bonded_share: 0.5)
          ]
        )
      expect(stage[:caps].map { |cap| cap[:key] }).to include("lathe", "rim", "burst", "crack", "loose_piece")
      expect(stage[:caps]).to all(include(key: be_a(String), rpm: be_positive))
      expect(stage[:limit_rpm]).to eq(stage[:caps].map { |cap| cap[:rpm] }.min)
    end

    it "works a running crack at half its speed and splitting at its reserve" do
      stage = hollowed(defects: [crack(z_mm: [30, 56], depth_mm: 40)])
      rpm = stage[:caps].to_h { |cap| [cap[:key], cap[:rpm]] }
      expect(rpm["crack"]).to be_within(1e-9).of(stage[:crack_runs_rpm] / 2)
      expect(rpm["burst"]).to be_within(1e-9).of(stage[:burst_rpm] / Math.sqrt(8))
    end

    it "gets kinder with ballast and a bolted stand" do
      off = { type: "disc", diameter_mm: 240, length_mm: 60, centre_offset_mm: [9, 0] }
      shaking = ->(lathe) do
        assess(shape: off, lathe: lathe)[:stages][:blank][:caps].find { |cap| cap[:key] == "imbalance" }[:rpm]
      end
      light, ballasted, bolted =
        [{ "stand" => "light" }, { "stand" => "light", "ballast_kg" => 140 }, { "stand" => "bolted" }].map do |change|
          shaking.call(BlankHelper::LATHE.merge(change))
        end
      expect(ballasted / light).to be_within(1e-9).of(Math.sqrt(2))
      expect(bolted / light).to be_within(1e-9).of(Math.sqrt(0.12 / 0.05))
    end

    it "hangs the counterweight opposite the heavy side, at three quarters of the radius" do
      off = { type: "disc", diameter_mm: 240, length_mm: 60, centre_offset_mm: MossyAnvil::ClockAngle.point(40, 6) }
      stage = assess(shape: off)[:stages][:blank]
      weight = stage[:counterweight]
      expect(weight[:clock_deg]).to be_within(0.01).of(220)
      expect(weight[:radius_mm]).to be_within(1e-9).of(0.75 * stage[:swing_mm] / 2)
      expect(weight[:mass_g] * weight[:radius_mm]).to be_within(1e-6).of(stage[:imbalance_g_mm])
    end
  end

  describe "splitting" do
    it "comes sooner in a lighter, weaker wood only through its strength, and never through its mass alone" do
      light, heavy =
        [400, 800].map do |density|
          assess(material: material_data(density_kg_m3: density))[:stages][:blank][:burst_rpm]
        end
      # pull and strength both go with density, so the speed does not
      expect(light).to be_within(1e-6 * heavy).of(heavy)
    end

    it "goes as the inverse of size for the same shape" do
      small, large =
        [120, 240].map do |diameter|
          assess(shape: { type: "disc", diameter_mm: diameter, length_mm: diameter / 4.0 })[:stages][:blank][:burst_rpm]
        end
      expect(small / large).to be_within(1e-6).of(2)
    end

    it "comes later once a crack is glued" do
      check = crack(z_mm: [0, 60], depth_mm: 60)
      open_rpm, glued, sound =
        [[check], [check.merge(mend: "epoxy")], []].map do |defects|
          assess(defects: defects)[:stages][:blank][:burst_rpm]
        end
      expect(open_rpm).to be < glued
      expect(glued).to be <= sound
    end

    it "is not hurt by resin in place of a void" do
      place = { r_mm: 70, size_mm: [50, 60, 55] }
      empty, cast =
        [body("void", contents: "air", **place), body("resin_body", density_kg_m3: 1100, **place)].map do |defect|
          assess(defects: [defect])[:stages][:blank][:burst_rpm]
        end
      expect(cast).to be > empty
    end
  end
end
