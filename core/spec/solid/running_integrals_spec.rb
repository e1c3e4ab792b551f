# frozen_string_literal: true

RSpec.describe "Sums over the grid" do
  let(:shape) { MossyAnvil::Model::Disc.new(diameter_mm: 200, length_mm: 50) }
  let(:grid) { MossyAnvil::Solid::Grid.new(shape) }

  def cut(radius_mm) =
    MossyAnvil::Solid::IntegrationLimit.new(grid, Numo::DFloat.zeros(grid.angular, grid.axial) + radius_mm)

  describe MossyAnvil::Solid::RunningIntegrals do
    [[], [5], (0...96).to_a].each do |held|
      it "is exact in r up to any radius, for every power, with #{held.size} columns held cell by cell" do
        sums = described_class.new(MossyAnvil::Solid::Field.new(grid, 1, grid.rods_at(held, 0...64)), 0..3)
        [0.0, 0.3, 37.7, 2.0833, 99.99, 100.0].each do |radius_mm|
          (0..3).each do |power|
            expect(sums.up_to(cut(radius_mm))[power][5, 9]).to be_within(1e-9 * (100**(power + 1))).of(
              (radius_mm**(power + 1)) / (power + 1)
            )
          end
        end
      end
    end

    it "adds up a field that changes along r" do
      field = MossyAnvil::Solid::Field.new(grid, 0, grid.rods_at([0, 1], 0...64))
      field.cells[true, 24..-1] = 3
      sums = described_class.new(field, 1..1)
      expect(sums.up_to(cut(80))[0][2, 0]).to eq(0)
      expect(sums.up_to(cut(80))[0][0, 0]).to be_within(1e-9).of(3 * ((80**2) - (50**2)) / 2)
    end
  end

  describe MossyAnvil::Turn::HalfBodyForces do
    def pulls_of(**changes)
      work = MossyAnvil::Report::SolidAnalysis.new(blank(**changes), MossyAnvil::Report::ShopClimate.new, :default)
      stage = MossyAnvil::Solid::Stage.new(:blank, work.grid, work.blank)
      described_class.new(work.grid, MossyAnvil::Solid::MassProperties.new(work.grid, work.density_sums, stage).moments)
    end

    it "finds the pull of half a cylinder and where it acts" do
      pulls = pulls_of
      # integral of d over a half disc is 2 R^3 / 3
      expect(pulls.pull_kg_m[0]).to be_within(1e-4).of(6e-7 * 60 * 2 / 3.0 * (120**3) * 1e-3)
      expect(pulls.u_mm.abs.max).to be < 1e-6
      expect(pulls.z_mm[7]).to be_within(1e-6).of(30)
    end

    it "pulls more on the heavy half" do
      pulls = pulls_of(shape: { type: "disc", diameter_mm: 240, length_mm: 60, centre_offset_mm: [6, 0] })
      expect(pulls.pull_kg_m[0]).to be > pulls.pull_kg_m[48]
      # the half from 3 o'clock on is as heavy as the one before it, but its pull sits towards 3
      expect(pulls.pull_kg_m[24]).to be_within(1e-9).of(pulls.pull_kg_m[72])
      expect(pulls.u_mm[24]).to be > 1
    end
  end

  describe MossyAnvil::Solid::Stage do
    def stage(name, **changes)
      piece = blank(**changes)
      described_class.new(name, MossyAnvil::Solid::Grid.new(piece.shape), piece)
    end

    it "goes through as many stages as the piece has" do
      expect(described_class.names_for(blank)).to eq(%i[blank])
      expect(described_class.names_for(blank(form: BlankHelper::BOWL.except(:inside)))).to eq(%i[blank rounded outside])
      expect(described_class.names_for(blank(form: BlankHelper::BOWL))).to eq(%i[blank rounded outside hollowed])
    end

    it "keeps nothing outside the form's own span" do
      outside = stage(:outside, form: BlankHelper::BOWL)
      expect(outside.outer.thickness_mm.sum).to be_within(1e-9).of(52)
      expect(outside.outer.middle_mm.minmax).to all(be_between(4, 56))
    end

    it "takes the largest circle that fits where there is no form" do
      square = { type: "block", width_mm: 90, height_mm: 100, length_mm: 60 }
      expect(stage(:rounded, shape: square)).to have_attributes(round_radius_mm: 45, swing_mm: 90, true_running?: true)
      expect(stage(:blank, shape: square)).to have_attributes(
        swing_mm: be_within(1e-9).of(Math.hypot(90, 100)),
        true_running?: false
      )
    end

    it "leaves wings where the form reaches past the wood" do
      winged =
        stage(
          :outside,
          shape: {
            type: "block",
            width_mm: 100,
            height_mm: 100,
            length_mm: 60
          },
          form: {
            kind: "bowl",
            opens: "tail",
            outside: [[0, 30], [60, 64]],
            curve: "straight"
          }
        )
      expect(winged).to have_attributes(true_running?: false, swing_mm: 128)
    end
  end
end
