# frozen_string_literal: true

RSpec.describe MossyAnvil::Solid::FieldRasterizer do
  def painted(*defects, **changes)
    piece = blank(defects: defects, **changes)
    [MossyAnvil::Solid::Grid.new(piece.shape), piece].then { |grid, made| described_class.new(grid, made) }
  end

  # Volume of each cell, mm3.
  def cell_volumes(grid)
    ring = ((grid.outer_edges_mm**2) - (grid.inner_edges_mm**2)) / 2 * grid.angular_step_rad * grid.axial_step_mm
    ring.reshape(1, 1, grid.radial) + Numo::DFloat.zeros(*grid.shape)
  end

  def missing_mm3(painter)
    ((painter.density.dense * -1 + 600) / 600 * cell_volumes(painter.grid)).sum
  end

  [
    [60, [30, 22, 18]],
    [95, [12, 8, 10]],
    [110, [6, 4, 6]],
    [10, [50, 50, 40]],
    [0, [40, 40, 40]],
    [70, [90, 160, 50]]
  ].each do |r_mm, size_mm|
    it "takes out the volume of a void of #{size_mm.join(" x ")} at #{r_mm} mm" do
      volume = Math::PI / 6 * size_mm.inject(:*)
      painter = painted(body("void", r_mm: r_mm, clock_deg: 47, size_mm: size_mm, contents: "air"))
      expect(missing_mm3(painter)).to be_within(0.06 * volume).of(volume)
    end
  end

  it "moves with a void round the clock, over twelve o'clock too" do
    volumes =
      [0, 1.9, 90, 181, 359].map do |clock_deg|
        missing_mm3(painted(body("void", clock_deg: clock_deg, contents: "air")))
      end
    expect(volumes.max - volumes.min).to be < 0.05 * volumes.max
  end

  it "leaves wood alone where nothing was found" do
    painter = painted
    expect([painter.density.dense.minmax, painter.strength.dense.minmax]).to eq([[600, 600], [1, 1]])
    expect(painter.own_strength).to be_nil
    expect(weakened(painter, :own)).to eq([0, true])
  end

  # Rods that fall by steps, and whether there are none held cell by cell.
  def weakened(painter, depth) = painter.cracked[depth].then { |steps, (field, _)| [steps.rods.size, field.plain?] }

  # Steps of the rod in one column and layer: [tip, share taken], ...
  def steps_at(painter, depth, column, layer)
    steps, = painter.cracked[depth]
    row = steps.rods.to_a.index((column * painter.grid.axial) + layer)
    steps.tips_mm.zip(steps.taken).map { |tips, taken| [tips[row], taken[row]] }
  end

  it "takes a crack out whole of the planes within eight degrees, and less and less of those up to twelve, from its tip on" do
    painter = painted(crack(clock_deg: 90, z_mm: [0, 60], depth_mm: 30))
    steps, = painter.cracked[:own]
    expect(
      (steps.rods / painter.grid.axial).to_a.uniq.map { |column| column * painter.grid.angular_step_deg }.minmax
    ).to eq([78.75, 101.25])
    expect(weakened(painter, :own).last).to be(true)
    expect(steps_at(painter, :own, 24, 30)).to match([[be_within(1e-9).of(90), be_within(1e-9).of(1)]])
    expect(steps_at(painter, :own, 22, 30)[0][1]).to be_within(1e-9).of(1)
    # 11.25 degrees off: 3.25 of the 4 over which it falls.
    expect(steps_at(painter, :own, 21, 30)[0][1]).to be_within(1e-9).of(Math.cos(3.25 / 4 * Math::PI / 2)**2)
  end

  it "follows a crack right through to the axis when asked" do
    expect(steps_at(painted(crack(clock_deg: 90, z_mm: [0, 60], depth_mm: 30)), :through, 24, 30)[0][0]).to eq(0)
  end

  it "leaves a glued crack the strength of the glue, and never takes it further" do
    painter =
      painted(
        crack(clock_deg: 90, z_mm: [0, 60], depth_mm: 30, mend: "epoxy"),
        material: material_data(density_kg_m3: 580 * 1.12)
      )
    expect(steps_at(painter, :through, 24, 30)).to match([[be_within(1e-9).of(90), be_within(1e-6).of(0.5)]])
  end

  it "takes one crack after another along a rod, from the axis out" do
    painter = painted(crack(id: "a", clock_deg: 90, depth_mm: 20), crack(id: "b", clock_deg: 90, depth_mm: 50))
    expect(steps_at(painter, :own, 24, 30).map(&:first)).to match([be_within(1e-9).of(70), be_within(1e-9).of(100)])
  end

  it "holds cell by cell what a crack shares with a soft place, and there takes its share of what is left" do
    soft = body("soft_zone", clock_deg: 90, r_mm: 100, size_mm: [20, 20, 20], grade: "soft")
    painter = painted(crack(clock_deg: 90, z_mm: [0, 60], depth_mm: 30), soft)
    steps, (field,) = painter.cracked[:own]
    expect(steps.rods.to_a).not_to include(*field.rods.to_a)
    cell = ->(r_mm) { (r_mm / painter.grid.radial_step_mm).floor }
    inside = painter.strength[24, 32, cell[100]]
    # 11.25 degrees beside the crack, and nearer the axis than its tip
    beside = painter.strength[27, 32, cell[100]]
    expect(field[24, 32, cell[100]]).to eq(0)
    expect(field[27, 32, cell[100]]).to be_within(1e-9).of(beside * (1 - (Math.cos(3.25 / 4 * Math::PI / 2)**2)))
    expect(inside).to be < 1
    expect(field[24, 32, cell[60]]).to eq(1)
  end

  it "goes in from a face only as deep as the crack" do
    face =
      crack(depth_mm: 20).merge(
        enters: "head_face",
        path: [{ clock_deg: 90, z_mm: 0, r_mm: 20 }, { clock_deg: 90, z_mm: 0, r_mm: 90 }]
      )
    painter = painted(face)
    _, (field,) = painter.cracked[:own]
    kept = field.dense
    row = 24
    cell = (60 / painter.grid.radial_step_mm).floor
    expect(kept[row, true, cell].eq(0).count_true).to be_within(1).of(20 / painter.grid.axial_step_mm)
    expect(kept[row, -1, cell]).to eq(1)
    expect(kept[row, 0, -1]).to eq(1)
  end

  it "gives resin a strength of its own" do
    painter = painted(body("resin_body", size_mm: [60, 60, 50], density_kg_m3: 1100))
    expect(painter.own_strength.dense.max).to eq(25)
    at = [0, 32, (60 / painter.grid.radial_step_mm).floor]
    expect([painter.strength[*at], painter.own_strength[*at]]).to eq([0, 25])
  end
end

RSpec.describe MossyAnvil::Solid::PathCover do
  let(:shape) { MossyAnvil::Model::Disc.new(diameter_mm: 240, length_mm: 60) }
  let(:grid) { MossyAnvil::Solid::Grid.new(shape) }

  def patch_of(data, depth_mm) =
    described_class.new(grid, shape, MossyAnvil::Model::Defects.from(data.merge(depth_mm: depth_mm))).patch

  it "leaves no layer out along a steep path" do
    steep = crack(path: [{ clock_deg: 80, z_mm: 2 }, { clock_deg: 100, z_mm: 58 }])
    patch = patch_of(steep, 20)
    middle = patch.columns.index(24)
    expect(patch.cover[middle, true, -1].gt(0).count_true).to be >= 50
  end

  it "takes the deeper crack out of all that the shallower one takes" do
    shallow, deep = [10, 25].map { |depth_mm| patch_of(crack, depth_mm) }
    expect(deep.cells.first).to be < shallow.cells.first
    expect((deep.cover[true, true, -shallow.cells.size..] - shallow.cover).min).to be >= 0
    expect(deep.cover.sum).to be > shallow.cover.sum
  end
end
