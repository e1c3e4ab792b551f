# frozen_string_literal: true

RSpec.describe MossyAnvil::Mend::HeatThrough do
  it "E16: a round of 64 mm after 73 min, a slab of 40 mm after 62" do
    expect(described_class.minutes(across_mm: 64)).to be_within(0.6).of(73)
    expect(described_class.minutes(length_mm: 40)).to be_within(0.6).of(62)
  end

  it "agrees within 2 % with the first term of the series, and with a slab stepped through time" do
    first_term = Math.log(1.602 / 0.05) / 5.783 * (0.032**2) / 1.4e-7 / 60
    expect(described_class.minutes(across_mm: 64)).to be_within(0.02 * first_term).of(first_term)
    slab =
      MossyAnvil::Mend::CoolingSlab.new(
        40.0,
        nodes: 81,
        diffusivity_m2_s: 1.4e-7,
        conductivity: 0.2,
        bottom_h: 1e5,
        top_h: 1e5
      )
    step = slab.step_no_longer_than(20)
    temperatures, time = Numo::DFloat.zeros(81) + 20, 0.0
    until temperatures[40] >= 90 - (0.05 * 70)
      temperatures = slab.after(step, temperatures, 90.0)
      time += step
    end
    expect(time / 60).to be_within(1.3).of(described_class.minutes(length_mm: 40))
  end

  it "takes a short round as warming from its ends too, never longer than either way alone" do
    both = described_class.minutes(across_mm: 64, length_mm: 40)
    expect(both).to be < [described_class.minutes(across_mm: 64), described_class.minutes(length_mm: 40)].min
    expect(described_class.minutes(across_mm: 64, length_mm: 4000)).to be_within(0.5).of(
      described_class.minutes(across_mm: 64)
    )
  end
end

RSpec.describe MossyAnvil::Mend::Stabilising do
  let(:blank) { described_class.new(volume_mm3: 420_000, dry_density_kg_m3: 430, resin_g_ml: 1.05) }

  it "E14: what 420 ml of light wood weigh dry, and take at most" do
    expect(blank.dry_g).to be_within(0.05).of(180.6)
    expect(blank.room_share).to be_within(0.0005).of(0.713)
    expect(blank.most_g).to be_within(0.5).of(315)
    expect(blank.most_g / blank.dry_g).to be_within(0.005).of(1.74)
  end

  it "E15: what a vessel takes to 25 mm over the blank" do
    expect(blank.vessel_ml(180, 90)).to be_within(0.6).of(2506)
  end

  it "reads the weights: short of what was expected goes back in" do
    expect(blank.verdict(180.6, 180.6 + (0.6 * 314.6), 0.6)).to match([be_within(0.001).of(0.6), :fine])
    expect(blank.verdict(180.6, 180.6 + (0.4 * 314.6), 0.6)).to match([be_within(0.001).of(0.4), :short])
  end

  it "knows what the gauge can come to, lower the higher the shop stands" do
    expect(described_class.air_hpa(0)).to be_within(0.01).of(1013.25)
    expect(described_class.air_hpa(1500)).to be_within(2).of(845.6)
    expect(described_class.gauge_hpa(1000)).to be_within(1e-9).of(980)
  end
end
