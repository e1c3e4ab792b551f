# frozen_string_literal: true

RSpec.describe MossyAnvil::Model::Material do
  it "counts resin drawn into it as weight, not as the wood's own strength" do
    bare = blank(material: material_data(density_kg_m3: 600, moisture_pct: 1)).material
    full = blank(material: material_data(density_kg_m3: 950, moisture_pct: 1, resin_kg_m3: 350)).material
    expect(full).to have_attributes(
      dry_density_kg_m3: bare.dry_density_kg_m3,
      strength_across_mpa: bare.strength_across_mpa,
      density_kg_m3: 950
    )
    expect(
      assess(material: material_data(density_kg_m3: 950, moisture_pct: 1, resin_kg_m3: 350))[:stages][:blank][:mass_g]
    ).to be_within(1).of(Math::PI * (12**2) * 6 * 0.95)
    expect { blank(material: material_data(density_kg_m3: 600, resin_kg_m3: 700)) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/material/resin_kg_m3: is 700}
    )
  end

  it "is the same wood at another moisture" do
    wet = blank(material: material_data(density_kg_m3: 750, moisture_pct: 25)).material
    expect(wet.at(moisture_pct: 10)).to have_attributes(
      density_kg_m3: be_within(1e-9).of(660),
      dry_density_kg_m3: be_within(1e-9).of(600)
    )
  end

  def material(**changes)
    described_class.new(
      kind: "wood",
      species: "beech",
      density_kg_m3: 580 * 1.12,
      moisture_pct: 12,
      grain: "face",
      grain_clock_deg: 90,
      **changes
    )
  end

  it "takes the water out of the density" do
    expect(material.dry_density_kg_m3).to be_within(1e-9).of(580)
  end

  it "has the book strengths at the book density, dry" do
    expect(material).to have_attributes(
      strength_across_mpa: be_within(1e-9).of(4),
      strength_along_mpa: be_within(1e-9).of(90),
      toughness_mpa_sqrt_m: be_within(1e-9).of(0.4)
    )
  end

  it "is strong along the fibres, weak across them, and in between by Hankinson" do
    expect([90, 270, 0, 180].map { |pull| material.strength_mpa(pull).round(9) }).to eq([90, 90, 4, 4])
    expect(material.strength_mpa(60)).to be_within(0.01).of(14.12)
    expect(material.strength_mpa(120)).to be_within(0.01).of(14.12)
  end

  it "is as strong all round where the fibres run along the axis or every way" do
    %w[end burl none].each do |grain|
      expect(
        [0, 45, 90].map { |pull| material(grain: grain, grain_clock_deg: nil).strength_mpa(pull) }.uniq.size
      ).to eq(1)
    end
  end

  it "goes in proportion to dry density" do
    half = material(density_kg_m3: 290 * 1.12)
    expect(half.strength_across_mpa * 2).to be_within(1e-9).of(material.strength_across_mpa)
  end

  it "loses three tenths from 12 to 25 % of moisture, and no more" do
    wet = ->(moisture_pct) do
      material(moisture_pct: moisture_pct, density_kg_m3: 580 * (1 + (moisture_pct / 100.0))).strength_across_mpa
    end
    expect([8, 12, 18.5, 25, 60].map { |moisture_pct| (wet[moisture_pct] / 4).round(6) }).to eq([1, 1, 0.85, 0.7, 0.7])
  end

  it "takes resin as resin" do
    resin = material(kind: "resin", grain: "none", density_kg_m3: 1100, moisture_pct: 0)
    expect(resin).to have_attributes(
      strength_across_mpa: 25,
      strength_along_mpa: 25,
      toughness_mpa_sqrt_m: 0.6,
      wooden?: false
    )
  end
end
