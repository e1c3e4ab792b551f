# frozen_string_literal: true

RSpec.describe "Shapes" do
  def radius(shape, clock_deg, z_mm = 0)
    shape.radius_mm(Numo::DFloat[clock_deg], Numo::DFloat[z_mm])[0]
  end

  describe MossyAnvil::Model::Disc do
    it "is round about its own centre" do
      disc = described_class.new(diameter_mm: 200, length_mm: 50, centre_offset_mm: [12, -5])
      (0...360).step(17) do |clock_deg|
        x_mm, y_mm = MossyAnvil::ClockAngle.point(clock_deg, radius(disc, clock_deg))
        expect(Math.hypot(x_mm - 12, y_mm + 5)).to be_within(1e-9).of(100)
      end
      expect(disc.max_radius_mm).to be_within(1e-9).of(113)
      expect(disc.min_radius_mm).to be_within(1e-9).of(87)
    end

    it "knows when the lathe axis has left the wood" do
      expect(described_class.new(diameter_mm: 100, length_mm: 50, centre_offset_mm: [0, 49.9])).to be_axis_inside
      expect(described_class.new(diameter_mm: 100, length_mm: 50, centre_offset_mm: [40, 40])).not_to be_axis_inside
    end
  end

  describe MossyAnvil::Model::Block do
    let(:block) { described_class.new(width_mm: 100, height_mm: 60, length_mm: 200, centre_offset_mm: [10, -4]) }

    it "reaches its sides along the hours" do
      expect([0, 90, 180, 270].map { |clock_deg| radius(block, clock_deg).round(9) }).to eq([26, 60, 34, 40])
    end

    it "reaches its farthest corner" do
      corner = MossyAnvil::ClockAngle.of_point(60, -34)
      expect(radius(block, corner)).to be_within(1e-6).of(Math.hypot(60, 34))
      expect(block.max_radius_mm).to be_within(1e-9).of(Math.hypot(60, 34))
      expect(block.min_radius_mm).to be_within(1e-9).of(26)
    end

    it "turns by a right angle with its sides changed about" do
      turned = described_class.new(width_mm: 60, height_mm: 100, length_mm: 200, centre_offset_mm: [-4, -10])
      [0, 13, 45, 77, 160, 305].each do |clock_deg|
        expect(radius(turned, clock_deg + 90)).to be_within(1e-9).of(radius(block, clock_deg))
      end
    end
  end

  describe MossyAnvil::Model::Outline do
    let(:circle) { Array.new(72) { 80.0 } }

    it "goes in straight lines between its stations" do
      cone =
        described_class.new(
          stations: [
            { z_mm: 0, radii_mm: [50] * 8 },
            { z_mm: 40, radii_mm: [70] * 8 },
            { z_mm: 100, radii_mm: [40] * 8 }
          ]
        )
      expect([0, 20, 40, 70, 100].map { |z_mm| radius(cone, 33, z_mm).round(6) }).to eq([50, 60, 70, 55, 40])
      expect(cone).to have_attributes(
        max_radius_mm: be_within(1e-9).of(70),
        min_radius_mm: be_within(1e-9).of(40),
        length_mm: 100
      )
    end

    # By hand: at 15 degrees half way between two of its steps, at z 30 a quarter of the way from one station to the
    # next.
    it "gives any array of places in one look-up: between steps and stations, over twelve o'clock, beyond its ends" do
      shape =
        described_class.new(
          stations: [
            { z_mm: 0, radii_mm: [40, 60] * 6 },
            { z_mm: 20, radii_mm: [80] * 12 },
            { z_mm: 60, radii_mm: [100] * 12 }
          ]
        )
      angles, heights = Numo::DFloat[0, 15, 30, 345, 375].reshape(5, 1), Numo::DFloat[[-5, 0, 10, 30, 60, 70]]
      found = shape.radius_mm(angles, heights)
      expect(found.shape).to eq([5, 6])
      expect(found[true, 1].to_a).to match([40, 50, 60, 50, 50].map { |mm| be_within(1e-9).of(mm) })
      expect(found[1, true].to_a).to match([50, 50, 65, 85, 100, 100].map { |mm| be_within(1e-9).of(mm) })
      expect(shape.radius_mm(Numo::DFloat[0, 30], Numo::DFloat[10, 10]).to_a).to match(
        [be_within(1e-9).of(60), be_within(1e-9).of(70)]
      )
    end

    it "is one and the same all along where it was measured once" do
      once = described_class.new(stations: [{ z_mm: 0, radii_mm: [40, 60] * 6 }])
      expect(once.radius_mm(Numo::DFloat[0, 30].reshape(2, 1), Numo::DFloat[[0, 50]]).to_a).to eq([[40, 40], [60, 60]])
    end

    it "is the disc that its radii describe, on the axis and off it" do
      round =
        described_class.new(stations: [0, 60].map { |z_mm| { z_mm: z_mm, radii_mm: circle } }, centre_offset_mm: [9, 6])
      disc = MossyAnvil::Model::Disc.new(diameter_mm: 160, length_mm: 60, centre_offset_mm: [9, 6])
      (0...360).step(11) do |clock_deg|
        expect(radius(round, clock_deg, 30)).to be_within(0.02).of(radius(disc, clock_deg, 30))
      end
    end

    it "knows when the lathe axis has left the wood" do
      off =
        described_class.new(
          stations: [0, 60].map { |z_mm| { z_mm: z_mm, radii_mm: circle } },
          centre_offset_mm: [90, 0]
        )
      expect(off).not_to be_axis_inside
    end

    it "weighs what the disc weighs" do
      stations = [0, 60].map { |z_mm| { z_mm: z_mm, radii_mm: [120] * 60 } }
      expect(assess(shape: { type: "outline", stations: stations })[:stages][:blank][:mass_g]).to be_within(0.1).of(
        assess[:stages][:blank][:mass_g]
      )
    end

    it "weighs a cone by its frustum" do
      stations = [[0, 60], [90, 30]].map { |z_mm, r| { z_mm: z_mm, radii_mm: [r] * 90 } }
      volume = Math::PI * 90 / 3 * ((60**2) + (60 * 30) + (30**2))
      expect(assess(shape: { type: "outline", stations: stations })[:stages][:blank][:volume_mm3]).to be_within(
        0.002 * volume
      ).of(volume)
    end
  end
end
