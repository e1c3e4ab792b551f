# frozen_string_literal: true

RSpec.describe MossyAnvil::Placing::PlacementGoals do
  let(:piece) do
    found = [
      crack(id: "c", z_mm: [0, 60], depth_mm: 20),
      body("void", id: "v", contents: "air"),
      body("resin_body", id: "r", density_kg_m3: 1100)
    ]
    blank(defects: found, form: BlankHelper::BOWL)
  end
  let(:plain) do
    {
      kept: {
        "c" => 0.5,
        "v" => 0.0,
        "r" => 1.0
      },
      in_view: {
        "c" => 0.1,
        "v" => 0.0,
        "r" => 0.5
      },
      through: [],
      air: 0.0,
      bark_rim: 0.0,
      yield: 0.3,
      off_axis_mm: 1.0,
      tenon_mm: 12,
      scale: 1.0
    }
  end

  def measures(**changes) = MossyAnvil::Placing::PlacementField::Measures.new(**plain, **changes)
  def wish(key, of: nil, weight: 1) = { key: key, weight: weight, of: of }
  def wishes(*list) = described_class.new(list, piece)
  def value(key, of: nil, **changes) = wishes(wish(key, of: of)).value(wish(key, of: of), measures(**changes))

  it "knows what each wish is worth" do
    expect(value("lose_cracks")).to eq(0.5)
    expect(value("keep_bark_rim", bark_rim: 0.7)).to eq(0.7)
    expect(value("keep_in_view", of: "c")).to be_within(1e-9).of(0.3)
    expect(value("keep_in_view", of: "r")).to eq(1.0)
    expect(value("most_wood")).to eq(0.3)
    expect(value("largest", scale: 1.3)).to eq(1.0)
    expect(value("largest", scale: 0.7)).to eq(0.0)
    expect(value("best_balanced")).to eq(0.5)
  end

  it "counts defects by their size, and what is character not as trouble" do
    # The crack: 60 mm of run by 20 deep, half kept; the pocket, pi/6 of 30 x 22 x 18, gone; the resin is no trouble.
    crack, pocket = 60 * 20.0, Math::PI / 6 * 30 * 22 * 18
    expect(value("lose_trouble")).to be_within(1e-9).of(1 - (crack * 0.5 / (crack + pocket)))
  end

  it "weighs them, and takes off for air, for what opens both skins and for no tenon" do
    both = wishes(wish("lose_cracks", weight: 3), wish("most_wood"))
    usual = both.worth(measures)
    expect(usual).to be_within(1e-9).of((((3 * 0.5) + 0.3) / 4) + (described_class::EQUALS_SHARE * (0.5 + 0.5) / 2))
    table = MossyAnvil::Table["wishes"]["penalties"]
    expect(both.worth(measures(through: %w[c v]))).to be_within(1e-9).of(usual - (2 * table["through"]))
    expect(both.worth(measures(tenon_mm: 2))).to be_within(1e-9).of(usual - table["no_tenon"])
    expect(both.worth(measures(air: 0.102))).to be_within(1e-9).of(usual - (0.1 * table["air"]))
  end

  it "takes nothing off for what is wished through the wall, nor for the air over a natural edge" do
    seen = wishes(wish("keep_in_view", of: "c"))
    expect(seen.worth(measures(through: ["c"]))).to eq(seen.worth(measures))
    edge = wishes(wish("keep_bark_rim"))
    expect(edge.fits?(measures(air: 0.3))).to be(true)
    expect(seen.fits?(measures(air: 0.3))).to be(false)
    expect(edge.worth(measures(air: 0.3))).to eq(edge.worth(measures))
  end
end
