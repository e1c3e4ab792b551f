# frozen_string_literal: true

RSpec.describe MossyAnvil::Solid::SteppedStrength do
  let(:grid) { MossyAnvil::Solid::Grid.new(MossyAnvil::Model::Disc.new(diameter_mm: 200, length_mm: 50)) }

  def step(rods, tips, weights) =
    MossyAnvil::Solid::PathCover::Step.of(Numo::Int32[*rods], Numo::DFloat[*tips], Numo::DFloat[*weights])
  # What a part of a section cut at so many mm all over has to tell.
  def part(radius_mm) =
    Struct.new(:cut).new(
      MossyAnvil::Solid::IntegrationLimit.new(grid, Numo::DFloat.zeros(grid.angular, grid.axial) + radius_mm)
    )

  let(:steps) do
    described_class.of([[step([5, 9], [80, 60], [0.5, 1.0]), 1.0], [step([9, 20], [40, 90], [0.25, 1.0]), 0.5]])
  end

  it "keeps each rod once, its steps from the axis out" do
    expect(steps.rods.to_a).to eq([5, 9, 20])
    expect(steps.tips_mm.map(&:to_a)).to eq(
      [[80, 40, 90], [described_class::NOWHERE_MM, 60, described_class::NOWHERE_MM]]
    )
    expect(steps.taken.map(&:to_a)).to eq([[0.5, 0.125, 0.5], [0, 1, 0]])
  end

  it "takes what lies beyond each tip out of the integrals, by hand" do
    area, first, second = steps.wood_change(part(100)).map(&:to_a)
    # rod 5: half of 80 to 100. rod 9: an eighth of 40 to 60, all from 60 on. rod 20: half of 90 to 100.
    expect(area).to match([-10, -(20 / 8.0) - 40, -5].map { |mm| be_within(1e-9).of(mm) })
    expect(first[0]).to be_within(1e-9).of(-((100**2) - (80**2)) / 4.0)
    expect(second[1]).to be_within(1e-6).of(-((60**3) - (40**3)) / 24.0 - (((100**3) - (60**3)) / 3.0))
  end

  it "makes one of all open steps that begin at the axis, by hand" do
    here =
      described_class.of(
        [[step([5, 9], [0, 0], [0.5, 1.0]), 1.0], [step([5], [0], [0.25]), 1.0], [step([9], [0], [1.0]), 0.0]]
      )
    # rod 5: of the half that the first leaves, the second takes a quarter. rod 9: the first takes all.
    expect([here.rods.to_a, here.tips_mm.map(&:to_a), here.taken.map(&:to_a)]).to eq([[5, 9], [[0, 0]], [[0.625, 1.0]]])
    expect(here.wood_change(part(100)).map { |values| values[0] }).to match(
      [62.5, 3125, 625_000 / 3.0].map { |less| be_within(1e-6).of(-less) }
    )
  end

  it "keeps glue lines that begin at the axis apart from open cracks, and takes from both" do
    here = described_class.of([[step([5], [0], [0.5]), 1.0], [step([5], [0], [0.5]), 0.5]])
    expect(here.opens.map(&:to_a).flatten).to contain_exactly(0, 1)
    # half, and of the other half a quarter
    expect(here.wood_change(part(100))[0][0]).to be_within(1e-6).of(-62.5)
  end

  it "leaves out what takes nothing, and all of it where nothing else is there" do
    expect(
      described_class.of([[step([5, 9], [0, 0], [0.5, 1.0]), 0.0], [step([3], [40], [1.0]), 0.0]]).rods.to_a
    ).to eq([])
    soft = { material: material_data(species: "balsa", density_kg_m3: 90) }
    sound, *glued =
      [[], [crack(mend: "epoxy")], [crack(mend: "epoxy", through: true)]].map do |defects|
        assess(**soft, defects: defects)[:stages][:blank][:burst_rpm]
      end
    expect(glued).to all(be_within(1e-9 * sound).of(sound))
  end

  it "takes nothing where the piece is cut inside every tip" do
    expect(steps.wood_change(part(35)).map { |values| values.abs.max }).to eq([0, 0, 0])
  end

  it "agrees with the same steps held cell by cell" do
    tips = [0, 4, 17].map { |cell| grid.inner_edges_mm[cell] }
    here = described_class.of([[step([3, 4, 5], tips, [0.3, 0.6, 1.0]), 1.0]])
    field = MossyAnvil::Solid::Field.new(grid, 1, here.rods).thin(here.rods, here.left_in_cells(grid))
    sums = MossyAnvil::Solid::RunningIntegrals.new(field, 0..2)
    cut = part(77.7)
    sums
      .held(cut.cut)
      .zip(here.wood_change(cut))
      .each_with_index do |(held, change), power|
        held
          .to_a
          .zip(change.to_a) do |whole, less|
            expect(whole).to be_within(1e-6).of(((77.7**(power + 1)) / (power + 1)) + less)
          end
      end
  end

  it "must hold as far as the first step that is open, whatever it leaves, or that leaves next to nothing; past a glue line it must" do
    expect(steps.last_mm.to_a).to match([80, 60, be > 1000])
    starved = described_class.of([[step([20], [90], [1.0]), 0.97]])
    expect(starved.last_mm.to_a).to eq([90])
  end

  it "parts by a mark on the grid" do
    marked = Numo::Bit.zeros(grid.rods).tap { |bits| bits[9] = 1 }
    expect(steps.parted(marked).map { |part| part.rods.to_a }).to eq([[5, 20], [9]])
    expect(described_class.none.parted(marked).map { |part| part.rods.size }).to eq([0, 0])
  end

  it "counts no wood beyond a crack's tip as live, on flats inside the grid's reach as well" do
    piece =
      blank(
        shape: {
          type: "block",
          width_mm: 150,
          height_mm: 150,
          length_mm: 60
        },
        defects: [crack(clock_deg: 0, depth_mm: 30)]
      )
    lattice = MossyAnvil::Solid::Grid.new(piece.shape)
    painter = MossyAnvil::Solid::FieldRasterizer.new(lattice, piece)
    section =
      MossyAnvil::Turn::Section.new(
        lattice,
        MossyAnvil::Solid::Stage.new(:blank, lattice, piece),
        MossyAnvil::Turn::Section.prepare(painter.strength, nil)
      )
    expect(
      [section, section.with(MossyAnvil::Turn::WeakRods.new(painter.grid, [painter.cracked[:own][0]]))].map do |one|
        one.far_mm[0, 30]
      end
    ).to match([be_within(1e-9).of(75), be_within(1e-9).of(45)])
  end
end
