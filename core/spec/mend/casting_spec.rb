# frozen_string_literal: true

RSpec.describe MossyAnvil::Mend::Casting do
  def resin(**row)
    MossyAnvil::Mend::Resin.new(
      {
        "key" => "r",
        "name" => "resin",
        "mix_by" => "mass",
        "parts" => [100, 0.0001],
        "density_g_ml" => [1.10, 1.10],
        "cup_limit_g" => 400
      }.merge(row.transform_keys(&:to_s))
    )
  end

  it "E18: what a mould takes round the wood, and what to mix" do
    mould = MossyAnvil::Mend::Mould.new({ type: "box", width_mm: 160, length_mm: 160, depth_mm: 70 }).volume_mm3
    cast = described_class.new(resin: resin, mould_mm3: mould, wood_mm3: 1_150_000)
    expect(cast.net_mm3 / 1000).to be_within(0.5).of(642)
    expect(cast.mix_g).to be_within(0.5).of(778)
  end

  it "E19: 2 to 1 by volume, on the scale" do
    mix = resin(mix_by: "volume", parts: [2, 1], density_g_ml: [1.16, 0.97])
    expect(mix.hardener_per_hundred).to be_within(0.05).of(41.8)
    expect(mix.density_g_ml).to be_within(0.0001).of(1.0967)
    part_a, part_b = mix.split_g(778)
    expect([part_a, part_b]).to match([be_within(1).of(548), be_within(1).of(229)])
    expect(part_a + part_b).to be_within(1e-9).of(778)
  end

  it "weighs a mix by mass as its parts say" do
    expect(resin(parts: [100, 50], density_g_ml: [1.15, 1.0]).split_g(150)).to match(
      [be_within(1e-9).of(100), be_within(1e-9).of(50)]
    )
  end

  it "E20: lift on wood in resin" do
    expect(described_class.lift_n(1_150_000, 560, 1.10)).to be_within(0.01).of(6.09)
    expect(described_class.lift_n(1_000, 1_350, 1.10)).to be_negative
  end

  it "says by a minus that the wood does not fit" do
    expect(described_class.new(resin: resin, mould_mm3: 785_398, wood_mm3: 800_000).net_mm3).to be_negative
  end

  it "knows its resins by key and names them where the key is off" do
    expect(MossyAnvil::Mend::Resin.of("casting_epoxy").name[:key]).to eq("tables.resins.casting_epoxy.name")
    expect { MossyAnvil::Mend::Resin.of("glue") }.to raise_error(MossyAnvil::InvalidInput, /casting_epoxy/)
  end
end

RSpec.describe MossyAnvil::Mend::Shrinkage do
  it "E13: a green round of 200 mm at 12 %" do
    expect(described_class.size_mm(200, 8.5, 12)).to be_within(0.05).of(189.8)
  end

  it "does nothing above fibre saturation, and swells back the same way" do
    expect(described_class.size_mm(200, 8.5, 40, from_pct: 60)).to eq(200)
    there = described_class.size_mm(200, 8.5, 8, from_pct: 20)
    expect(described_class.size_mm(there, 8.5, 20, from_pct: 8)).to be_within(1e-9).of(200)
  end
end
