# frozen_string_literal: true

RSpec.describe "What a form leaves to be seen" do
  let(:bowl) do
    {
      kind: "bowl",
      opens: "tail",
      curve: "straight",
      outside: [[6, 60], [56, 110]],
      inside: [[16, 0], [17, 50], [56, 98]]
    }
  end

  def report(defect, **changes) = assess(defects: [defect], form: bowl, **changes)[:defects].first
  def pocket(r_mm, z_mm, size = [8, 8, 8]) =
    body("void", id: "v", contents: "air", clock_deg: 0, r_mm: r_mm, z_mm: z_mm, size_mm: size)

  it "tells outside, inside, rim and foot apart, and what shows nowhere" do
    # Half way up the wall lies between 74 and 85 mm from the axis.
    expect(report(pocket(85, 31))[:shows]).to eq(["outside"])
    expect(report(pocket(67, 31))[:shows]).to eq(["inside"])
    expect(report(pocket(103, 54))[:shows]).to include("rim")
    expect(report(pocket(10, 6))[:shows]).to eq(["foot"])
    expect(report(pocket(30, 11, [4, 4, 3]))[:shows]).to eq([])
    expect(report(pocket(10, 40))).to include(shows: [], verdict: "cut_away")
  end

  it "shows a crack on every skin it is cut by" do
    found = report(crack(id: "c", z_mm: [6, 56], depth_mm: 60))
    expect(found[:shows]).to include("outside", "inside", "rim")
    expect(found[:breaks_through]).to be(true)
  end

  it "says what there is to hold it by, what is left of the blank, and what was paid for the rest" do
    made = assess(form: bowl, intake: { cost: 20 })
    expect(made[:form][:tenon_wood]).to match(length_mm: be_within(1e-9).of(6), diameter_mm: be_within(0.1).of(240))
    left = made[:stages][:hollowed][:volume_mm3] / made[:stages][:blank][:volume_mm3]
    expect(made[:form][:yield_share]).to be_within(1e-9).of(left)
    expect(made[:form][:wasted_value]).to be_within(1e-9).of(20 * (1 - left))
    expect(keys(made[:advice][:form])).to include("advice.form.tenon", "advice.form.yield_and_price")
    expect(keys(assess(form: bowl, intake: { cost: 0 })[:advice][:form])).to include("advice.form.yield")
    bare = assess(form: bowl.merge(outside: [[0, 60], [56, 110]]))
    expect(keys(bare[:advice][:form])).to include("advice.form.no_tenon")
  end

  it "finds resin by its share of the piece" do
    resin = body("resin_body", id: "r", density_kg_m3: 1100, clock_deg: 0, r_mm: 0, z_mm: 10, size_mm: [40, 40, 8])
    made = assess(defects: [resin], form: bowl)
    volume = Math::PI / 6 * 40 * 40 * 8
    expect(made[:form][:resin_share]).to be_within(0.02 * volume / made[:stages][:hollowed][:volume_mm3]).of(
      volume / made[:stages][:hollowed][:volume_mm3]
    )
  end

  it "what is cut away and what is left add up to the blank, and a larger form never weighs less" do
    sizes =
      [0.7, 0.8, 0.9, 1.0].map do |scale|
        moved =
          MossyAnvil::Model::PlacementMove.new(
            blank(form: bowl.merge(outside: [[6, 60], [56, 90]], inside: [[16, 0], [17, 50], [56, 78]])),
            { scale: scale }
          ).to_h[
            :form
          ]
        assess(form: moved)
      end
    masses = sizes.map { |made| made[:stages][:outside][:mass_g] }
    expect(masses).to eq(masses.sort)
    defects = [pocket(80, 30, [30, 30, 30])]
    whole = assess(defects: defects, form: bowl)[:defects].first
    expect(
      whole[:occupied_mm3] * whole[:removed_share] + whole[:occupied_mm3] * (1 - whole[:removed_share])
    ).to be_within(1e-6).of(Math::PI / 6 * 27_000)
  end
end
