# frozen_string_literal: true

RSpec.describe MossyAnvil::Model::Lump do
  def taken(lump, **more) =
    MossyAnvil::Report::IntakeReport.new({ lump: lump, species: "hornbeam", moisture_pct: 12 }.merge(more)).to_h
  def litres(lump) = taken(lump)[:volume_mm3] / 1e6

  it "takes a disc and a block as they are" do
    expect(described_class.shape({ type: "disc", diameter_mm: 240, length_mm: 60 })).to eq(
      "type" => "disc",
      "diameter_mm" => 240,
      "length_mm" => 60
    )
    expect(litres({ type: "block", width_mm: 100, height_mm: 80, length_mm: 200 })).to be_within(0.005).of(1.6)
  end

  it "tapers a log: a frustum of a cone" do
    expect(litres({ type: "log", head_diameter_mm: 200, tail_diameter_mm: 140, length_mm: 300 })).to be_within(0.02).of(
      Math::PI / 3 * 300 * ((100**2) + (100 * 70) + (70**2)) / 1e6
    )
  end

  it "rounds a cap as the part of a ball it is: pi h (3 a2 + h2) / 6" do
    expect(litres({ type: "cap", diameter_mm: 300, height_mm: 100 })).to be_within(0.06).of(
      Math::PI * 100 * ((3 * (150**2)) + (100**2)) / 6 / 1e6
    )
  end

  it "takes an outline by its radii" do
    round = [0, 80].map { |z_mm| { z_mm: z_mm, radii_mm: [100] * 12 } }
    expect(litres({ type: "outline", stations: round })).to be_within(0.03).of(Math::PI * (100**2) * 80 / 1e6)
  end

  {
    "a missing size" => [{ type: "log", head_diameter_mm: 200, length_mm: 300 }, "/lump/tail_diameter_mm: is missing"],
    "a size of another shape" => [
      { type: "disc", diameter_mm: 200, length_mm: 30, width_mm: 3 },
      "/lump/width_mm: is no size of a disc"
    ],
    "stations out of order" => [
      { type: "outline", stations: [0, 80, 40].map { |z_mm| { z_mm: z_mm, radii_mm: [100] * 12 } } },
      "/lump/stations/2/z_mm: is 40"
    ],
    "a sliver" => [{ type: "disc", diameter_mm: 2000, length_mm: 1 }, "/lump: is 100 times longer"]
  }.each do |name, (lump, message)|
    it("refuses #{name} at its place") do
      expect { taken(lump) }.to raise_error(MossyAnvil::InvalidInput, /#{Regexp.escape(message)}/)
    end
  end
end

RSpec.describe MossyAnvil::Report::IntakeReport do
  def report(**changes) =
    described_class.new(
      { lump: { type: "disc", diameter_mm: 200, length_mm: 100 }, species: "hornbeam", moisture_pct: 12 }.merge(changes)
    ).to_h

  let(:litres) { Math::PI }

  it "goes by the scale where there is a weight, else by the table with the water it holds, else says it does not know" do
    expect(report(mass_g: 2400)).to include(density_from: "weight", density_kg_m3: be_within(2).of(2400 / litres))
    expect(report(moisture_pct: 30)).to include(
      density_from: "table",
      density_kg_m3: be_within(0.5).of(735 / 1.12 * 1.3)
    )
    expect(report(species: "driftwood")).to include(density_from: "unknown", density_kg_m3: nil, table: nil)
    expect(report(species: "horn", moisture_pct: 0)).to include(density_kg_m3: 1300)
  end

  it "says what a weight off the usual may mean, and what the dust does" do
    said = ->(**changes) { report(**changes)[:says].flat_map { |advice| keys_within(advice) } }
    expect(said[mass_g: 735 * litres]).to include("intake.as_usual")
    expect(said[mass_g: 500 * litres]).to include("intake.lighter")
    expect(said[mass_g: 950 * litres]).to include("intake.heavier")
    expect(said[species: "laburnum"]).to include("tables.woods.dust.poison")
    expect(said[species: "driftwood"]).to include("intake.unknown")
  end
end
