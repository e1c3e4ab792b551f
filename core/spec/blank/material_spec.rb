# frozen_string_literal: true

RSpec.describe MossyAnvil::Material do
  def material(**changes)
    described_class.new(kind: "wood", species: "beech", density_kg_m3: 580 * 1.12, moisture_pct: 12, grain: "face", grain_clock_deg: 90, **changes)
  end

  it "takes the water out of the density" do
    expect(material.dry_density_kg_m3).to be_within(1e-9).of(580)
  end

  it "has the book strengths at the book density, dry" do
    expect(material).to have_attributes(strength_across_mpa: be_within(1e-9).of(4), strength_along_mpa: be_within(1e-9).of(90),
      toughness_mpa_sqrt_m: be_within(1e-9).of(0.4))
  end

  it "is strong along the fibres, weak across them, and in between by Hankinson" do
    expect([90, 270, 0, 180].map { |pull| material.strength_mpa(pull).round(9) }).to eq([90, 90, 4, 4])
    expect(material.strength_mpa(60)).to be_within(0.01).of(14.12)
    expect(material.strength_mpa(120)).to be_within(0.01).of(14.12)
  end

  it "is as strong all round where the fibres run along the axis or every way" do
    %w[end burl none].each do |grain|
      expect([0, 45, 90].map { |pull| material(grain: grain, grain_clock_deg: nil).strength_mpa(pull) }.uniq.size).to eq(1)
    end
  end

  it "goes in proportion to dry density" do
    half = material(density_kg_m3: 290 * 1.12)
    expect(half.strength_across_mpa * 2).to be_within(1e-9).of(material.strength_across_mpa)
  end

  it "loses three tenths from 12 to 25 % of moisture, and no more" do
    wet = ->(moisture_pct) { material(moisture_pct: moisture_pct, density_kg_m3: 580 * (1 + (moisture_pct / 100.0))).strength_across_mpa }
    expect([8, 12, 18.5, 25, 60].map { |moisture_pct| (wet[moisture_pct] / 4).round(6) }).to eq([1, 1, 0.85, 0.7, 0.7])
  end

  it "takes resin as resin" do
    resin = material(kind: "resin", grain: "none", density_kg_m3: 1100, moisture_pct: 0)
    expect(resin).to have_attributes(strength_across_mpa: 25, strength_along_mpa: 25, toughness_mpa_sqrt_m: 0.6, wooden?: false)
  end
end
