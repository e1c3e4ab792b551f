# frozen_string_literal: true

RSpec.describe MossyAnvil::Turn::WeakRods do
  let(:grid) { MossyAnvil::Solid::Grid.new(MossyAnvil::Model::Disc.new(diameter_mm: 200, length_mm: 50)) }

  def rods(*numbers) = Struct.new(:rods).new(Numo::Int32[*numbers])

  it "knows the columns that any of them lies in, and the place of each rod among those alone" do
    layers = grid.axial
    # Columns 2 and 5; the third list lies in a column of the first.
    first, second = rods((2 * layers) + 1, (2 * layers) + 7), rods(5 * layers)
    third = rods((2 * layers) + 3)
    weak = described_class.new(grid, [first, second, third])
    expect(weak.columns.to_a).to eq([2, 5])
    expect(weak.places.map(&:to_a)).to eq([[1, 7], [layers], [3]])
    expect(weak.each.map { |one, places| [one, places.to_a] }).to eq(
      [[first, [1, 7]], [second, [layers]], [third, [3]]]
    )
  end

  it "leaves out what has no rods, and has no columns where nothing is weak" do
    expect(described_class.new(grid, [rods, rods(4)]).list.size).to eq(1)
    none = described_class.new(grid, [rods])
    expect([none.list, none.columns.to_a, none.places]).to eq([[], [], []])
  end
end
