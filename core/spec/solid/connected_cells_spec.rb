# frozen_string_literal: true

RSpec.describe MossyAnvil::Solid::ConnectedCells do
  let(:shape) { [8, 4, 3] }
  let(:walls) { described_class::Walls.new(*Array.new(3) { Numo::Int32.zeros(*shape) }) }
  let(:wood) { Numo::Bit.ones(*shape) }

  def cell(column, layer, ring) = (((column * shape[1]) + layer) * shape[2]) + ring
  def reached(from) = described_class.new(wood, walls).with(cell(*from))

  it "are all of it where nothing parts them" do
    expect(reached([5, 2, 1]).count_true).to eq(8 * 4 * 3)
  end

  it "end at a wall that goes right across, and lie on either side of it" do
    walls.layer[true, 2, true] = 1
    below, above = reached([0, 0, 0]), reached([0, 3, 0])
    expect([below.count_true, above.count_true]).to eq([8 * 2 * 3, 8 * 2 * 3])
    expect((below & above).count_true).to eq(0)
  end

  it "hang together round a wall with a gap in it" do
    walls.layer[true, 2, true] = 1
    walls.layer[6, 2, 1] = 0
    expect(reached([0, 0, 0]).count_true).to eq(8 * 4 * 3)
  end

  it "hang together over 12 o'clock, which two walls part but one does not" do
    walls.column[3, true, true] = 1
    expect(reached([3, 0, 0]).count_true).to eq(8 * 4 * 3)
    walls.column[6, true, true] = 1
    expect(reached([3, 0, 0]).count_true).to eq(3 * 4 * 3)
    expect(reached([7, 0, 0]).count_true).to eq(5 * 4 * 3)
  end

  it "are none of what is no wood" do
    wood[true, true, 1] = 0
    expect(reached([0, 0, 0]).count_true).to eq(8 * 4)
    expect(reached([0, 0, 1]).count_true).to eq(0)
  end
end
