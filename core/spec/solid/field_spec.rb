# frozen_string_literal: true

RSpec.describe MossyAnvil::Solid::Field do
  let(:grid) { MossyAnvil::Solid::Grid.new(MossyAnvil::Model::Disc.new(diameter_mm: 200, length_mm: 50)) }
  let(:field) { described_class.new(grid, 600, grid.rods_at([3, 7], 0...64)) }
  let(:patch) { MossyAnvil::Solid::BodyCover::Patch.new([7], 10..11, 20..22, Numo::DFloat.new(1, 2, 3).fill(0.25)) }

  it "is its ground wherever nothing was laid" do
    expect([field[3, 0, 0], field[50, 4, 4]]).to eq([600, 600])
    expect(field.dense.minmax).to eq([600, 600])
  end

  it "takes a value by how much a patch covers each cell" do
    field.blend(patch, 200)
    expect([field[7, 10, 21], field[7, 12, 21], field[3, 10, 21]]).to eq([500, 600, 600])
    expect(field.dense.ne(600).count_true).to eq(6)
  end

  it "gives up a share of what is there" do
    2.times { field.take_out([[patch, 0.5]]) }
    expect(field[7, 11, 20]).to be_within(1e-9).of(600 * (0.875**2))
  end

  it "thins whole rods cell by cell" do
    field.blend(patch, 200)
    half = Numo::DFloat.ones(1, grid.radial).tap { |shares| shares[0, 21..] = 0.5 }
    field.thin(grid.rods_at([7], 10..10), half)
    expect([field[7, 10, 20], field[7, 10, 21], field[7, 10, 30], field[7, 11, 30]]).to eq([500, 250, 300, 600])
  end

  it "goes over to other rods with what it holds, and leaves itself alone" do
    field.blend(patch, 200)
    other = field.over(grid.rods_at([5, 7], 0...64))
    expect([other[7, 10, 21], other[5, 10, 21], other.rods.size]).to eq([500, 600, 128])
    other.take_out([[patch, 1]])
    expect(field[7, 10, 21]).to eq(500)
  end

  it "refuses a patch on rods it does not hold" do
    astray = MossyAnvil::Solid::BodyCover::Patch.new([8], 0..0, 0..0, Numo::DFloat.ones(1, 1, 1))
    expect { field.blend(astray, 1) }.to raise_error(MossyAnvil::ReckoningError, /outside the rods/)
  end
end

RSpec.describe MossyAnvil::Model::Profile do
  let(:points) { [[4, 45], [20, 85], [30, 85], [56, 110]] }

  %w[smooth straight].each do |curve|
    it "gives the same radii one by one and all at once, #{curve}" do
      profile = described_class.new(points, curve: curve)
      places = [-3, 4, 4.1, 12, 19.99, 20, 25, 30, 41.7, 55.9, 56, 80]
      profile
        .radii_mm(Numo::DFloat.cast(places))
        .to_a
        .zip(places) { |radius, z_mm| expect(radius).to be_within(1e-9).of(profile.radius_mm(z_mm)) }
    end

    it "runs through its own points, #{curve}" do
      profile = described_class.new(points, curve: curve)
      points.each { |z_mm, radius| expect(profile.radius_mm(z_mm)).to be_within(1e-9).of(radius) }
      expect(profile.polyline(steps: 4).size).to eq(13)
      expect(profile).to have_attributes(largest_mm: 110, first_z_mm: 4, last_z_mm: 56)
    end
  end
end
