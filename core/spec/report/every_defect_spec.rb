# frozen_string_literal: true

# All eight kinds of trouble, each alone in the same sound disc of 600 kg/m3.
RSpec.describe "Every kind of defect" do
  bark = {
    id: "k",
    type: "bark_inclusion",
    enters: "side",
    path: [{ clock_deg: 60, z_mm: 5 }, { clock_deg: 60, z_mm: 55 }],
    depth_mm: 30,
    width_mm: 4
  }
  place = { r_mm: 70, size_mm: [40, 40, 30], clock_deg: 90 }
  volume_cm3 = Math::PI / 6 * 40 * 40 * 30 / 1000
  galleries = Math::PI / 4 * 4 * 3 / 100

  let(:sound) { assess[:stages][:blank] }

  def with(defect) = assess(defects: [defect])[:stages][:blank]

  # What it does to the mass, in g/cm3 over its own volume: its density less the wood's.
  {
    "an empty void" => [{ type: "void", contents: "air" }, -0.6],
    "dirt" => [{ type: "void", contents: "dirt" }, 1.5 - 0.6],
    "stone in a pocket" => [{ type: "void", contents: "stone" }, 2.6 - 0.6],
    "spongy wood" => [{ type: "soft_zone", grade: "spongy" }, -0.3],
    "soft wood" => [{ type: "soft_zone", grade: "soft" }, -0.18],
    "firm spalt" => [{ type: "soft_zone", grade: "firm" }, -0.06],
    "galleries" => [{ type: "galleries", hole_diameter_mm: 2, holes_per_cm2: 3 }, -0.6 * galleries],
    "a stone" => [{ type: "hard_inclusion", of: "stone" }, 2.0],
    "metal" => [{ type: "hard_inclusion", of: "metal" }, 7.2],
    "a knot" => [{ type: "hard_inclusion", of: "knot" }, 0.12],
    "resin" => [{ type: "resin_body", density_kg_m3: 1100 }, 0.5],
    "a loose piece" => [{ type: "loose_piece", bonded_share: 0.3 }, 0.0]
  }.each do |name, (detail, change)|
    it "#{name} changes the mass by its own density and volume, and turns the heavy side to where the weight is" do
      found = with(body(detail[:type], **place, **detail.except(:type)))
      expect(found[:mass_g] - sound[:mass_g]).to be_within(0.02 * volume_cm3 * [change.abs, 0.05].max).of(
        change * volume_cm3
      )
      next if change.zero?

      expect(found[:heavy_clock_deg]).to be_within(2).of(change.positive? ? 90 : 270)
      expect(found[:imbalance_g_mm]).to be_within(0.04 * change.abs * volume_cm3 * 70).of(change.abs * volume_cm3 * 70)
    end
  end

  {
    "a crack" => {
      id: "b",
      type: "crack",
      enters: "side",
      path: [{ clock_deg: 60, z_mm: 5 }, { clock_deg: 60, z_mm: 55 }],
      depth_mm: 30,
      width_mm: 2
    },
    "bark" => bark,
    "a void" => {
      type: "void",
      contents: "air"
    },
    "spongy wood" => {
      type: "soft_zone",
      grade: "spongy"
    },
    "galleries" => {
      type: "galleries",
      hole_diameter_mm: 3,
      holes_per_cm2: 4
    },
    "a loose piece" => {
      type: "loose_piece",
      bonded_share: 0.1
    }
  }.each do |name, detail|
    it "#{name} weakens: it splits earlier, and may run no faster" do
      found = with(detail[:path] ? detail : body(detail[:type], **place, r_mm: 85, **detail.except(:type)))
      expect(found[:burst_rpm]).to be_between(0.7 * sound[:burst_rpm], 0.97 * sound[:burst_rpm])
      expect(found[:limit_rpm]).to be <= sound[:limit_rpm]
    end
  end

  it "a loose piece would fly off with the energy of its own weight and speed" do
    expect(MossyAnvil::Turn::LoosePiece.throw_energy_j(6.3, 110, 700)).to be_within(1e-4).of(
      0.5 * 0.0063 * ((0.110 * 700 * 2 * Math::PI / 60)**2)
    )
    stage = with(body("loose_piece", **place, bonded_share: 0.3))
    # By the box, the heavier of the two solids it may be.
    mass_kg = 0.6 * volume_cm3 / 1000 * 6 / Math::PI
    expect(stage[:loose_pieces]).to match(
      [
        {
          id: "v",
          mass_g: be_within(0.01).of(mass_kg * 1000),
          throw_energy_j: be_within(1e-4).of(0.5 * mass_kg * ((0.070 * stage[:limit_rpm] * 2 * Math::PI / 60)**2))
        }
      ]
    )
  end

  it "a shift of the shape moves the centre of mass by just as much" do
    shifted =
      assess(shape: { type: "disc", diameter_mm: 240, length_mm: 60, centre_offset_mm: [4, -3] })[:stages][:blank]
    expect(shifted[:centre_of_mass_mm]).to match(
      [be_within(0.05).of(4), be_within(0.05).of(-3), be_within(1e-6).of(30)]
    )
  end
end
