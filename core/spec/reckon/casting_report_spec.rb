# frozen_string_literal: true

RSpec.describe MossyAnvil::CastingReport do
  let(:mould) { { type: "box", width_mm: 250, length_mm: 250, depth_mm: 70 } }

  def report(pour = {}, **changes) = described_class.new(blank(**changes), { mould: mould, resin: "casting_epoxy" }.merge(pour)).to_h

  it "pours the mould less the wood, and the cracks and open pockets of it too" do
    wood_ml = Math::PI / 4 * (240**2) * 60 / 1000
    whole = report
    expect(whole[:net_mm3] / 1000).to be_within(1).of(4375 - wood_ml)
    expect(whole[:mix_g]).to be_within(1e-6).of((whole[:net_mm3] / 1000 * ((2 * 1.16) + 0.97) / 3 * 1.08) + 15)
    expect(whole[:part_a_g] + whole[:part_b_g]).to be_within(1e-6).of(whole[:mix_g])
    check = crack(depth_mm: 25, width_mm: 4)
    hidden = body("void", r_mm: 60, size_mm: [20, 20, 20], contents: "air")
    expect(report(defects: [check])[:net_mm3] - whole[:net_mm3]).to be_within(1).of(50 * 25 * 4 / 2.0)
    expect(report(defects: [hidden])[:net_mm3]).to be_within(1e-6).of(whole[:net_mm3])
  end

  it "says how many cups and pours, and what floats" do
    whole = report
    expect(whole[:cups]).to eq((whole[:mix_g] / 1500).ceil)
    expect(whole[:layers]).to eq(5)
    expect(whole[:lift_n]).to be_within(0.05).of((1096.7 - 600) * Math::PI / 4 * (0.24**2) * 0.06 * 9.81)
    expect(whole[:cautions].join).to include("1500 g in one cup", "floats")
    wet = report(material: material_data(moisture_pct: 20, density_kg_m3: 1200))
    expect(wet[:cautions].join).to include("Dry the wood to 12 %").and(satisfy { |text| !text.include?("floats") })
  end

  {
    "a mould the wood does not fit in" => [{ mould: { type: "tube", diameter_mm: 100, depth_mm: 70 } }, "/mould/diameter_mm: makes a mould of 550 ml"],
    "a box without its length" => [{ mould: { type: "box", width_mm: 250, depth_mm: 70 } }, "/mould/length_mm: is missing"],
    "a box with a diameter" => [{ mould: { type: "box", width_mm: 250, length_mm: 250, depth_mm: 70, diameter_mm: 3 } }, "/mould/diameter_mm: is no size of a box"],
    "a resin nobody knows" => [{ resin: "glue" }, "/resin: is \"glue\""]
  }.each do |name, (pour, message)|
    it "refuses #{name} at its field" do
      expect { report(pour) }.to raise_error(MossyAnvil::InvalidInput, /#{Regexp.escape(message)}/)
    end
  end
end
