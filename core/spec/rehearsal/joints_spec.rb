# frozen_string_literal: true

require_relative "../core_helper"

RSpec.describe MossyAnvil::Rehearsal::Joints do
  # A disc of 640 kg/m3, ⌀250 x 60, with a crack of 0.3 mm that thin CA fills: 2 MPa.
  def disc(**changes)
    blank(
      shape: {
        type: "disc",
        diameter_mm: 250,
        length_mm: 60
      },
      material: material_data(density_kg_m3: 640),
      defects: [crack(id: "A", width_mm: 0.3, depth_mm: 20, mend: "thin_ca", **changes)]
    )
  end

  def opens_rpm(blank, strength: 1.0, hollow: true)
    described_class.new(blank, strength: strength, hollow: hollow).to_a.map(&:opens_rpm)
  end

  it "opens in a wall where rho w2 R2 is what the filling bears: 2 MPa, 640 kg/m3, R 125 mm, 4,270 rpm" do
    expect(opens_rpm(disc)).to contain_exactly(be_within(1).of(4270))
    # A solid disc is pulled by (3 + 0.3) / 8 of that at its axis.
    expect(opens_rpm(disc, hollow: false)).to contain_exactly(be_within(2).of(4270 / Math.sqrt(0.4125)))
  end

  it "opens sooner by weak glue, whatever the wood, and never where nothing was mended or the pull is along it" do
    glued = disc.defects.first
    weak = disc.with_defects([glued.bonded(0.5 / 1.3)])
    expect(opens_rpm(weak, strength: 1.3)).to contain_exactly(be_within(1).of(4270 * Math.sqrt(0.5)))
    expect(opens_rpm(disc(mend: "none"))).to eq([])
    around = [{ clock_deg: 0, z_mm: 30 }, { clock_deg: 120, z_mm: 32 }]
    expect(opens_rpm(disc(path: around))).to eq([])
  end

  describe "in the truths of a plan" do
    let(:platter) { MossyAnvil::Formats::BlankFile.read(File.read("demo/39-hall-platter.anvil.json")) }
    let(:odds) { MossyAnvil::Rehearsal::Odds.new(platter, truths: 1) }
    let(:step) { odds.plan.steps.find { |one| one.id == "hollow" } }

    # What the step meets in a truth whose glue bears so many MPa.
    def met(glue_mpa)
      draws = MossyAnvil::Rehearsal::Draws.new(1, 0)
      draws.define_singleton_method(:triangular) { |name, *range| name == "glue" ? glue_mpa : super(name, *range) }
      truth = MossyAnvil::Rehearsal::Truth.new(platter, draws, MossyAnvil::Rehearsal::HiddenTroubles.new(platter))
      climate = MossyAnvil::Report::ShopClimate.new
      MossyAnvil::Rehearsal::Meets.new(odds.plan, truth, climate: climate, fineness: :default, wall_n: {}).of(step)
    end

    it "goes by each truth's glue, and is an event where it turns faster" do
      weak, sound = met(1.0), met(2.0)
      opens = ->(one) { one.joints.find { |joint| joint.id == "A" }.opens_rpm }
      expect(opens.call(weak)).to be_within(1e-6).of(opens.call(sound) / Math.sqrt(2))
      events = ->(rpm) { MossyAnvil::Rehearsal::Hazards.new(weak, rpm).at_speed.map { |event| [event.key, event.of] } }
      expect(events.call(opens.call(weak) * 1.01)).to include(%w[glue_opens A])
      expect(events.call(opens.call(weak) * 0.99)).not_to include(%w[glue_opens A])
    end
  end
end
