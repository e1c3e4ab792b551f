# frozen_string_literal: true

RSpec.describe MossyAnvil::Report::RoughReport do
  def rough(moisture_pct: 30, grain: "face", **changes)
    climate = MossyAnvil::Report::ShopClimate.new(temperature_c: 20, humidity: 0.65)
    piece =
      blank(
        material: material_data(moisture_pct: moisture_pct, grain: grain, grain_clock_deg: 90),
        form: BlankHelper::BOWL,
        **changes
      )
    MossyAnvil::Report::Assessment.new(piece, climate: climate).to_h
  end

  it "by hand: hornbeam of 220 mm across the fibres, from 30 % down to the moisture of this air" do
    whole = rough
    found = whole[:form][:rough]
    stock = MossyAnvil::Model::Stock.of("hornbeam")
    dry = 1 - (stock.tangential_pct / 100 * (30 - found[:to_pct]) / 30)
    expect(found[:narrowest_mm]).to be_within(1e-6).of(220 * dry)
    expect(found[:widest_mm]).to be_within(0.2).of(220)
    expect(found[:narrow_clock_deg]).to eq(180)
    expect(found[:checks_clock_deg]).to eq([90, 270])
    wanted = [22, whole[:form][:least_wall_mm] + found[:oval_mm] + 4].max
    expect(found[:wall_mm]).to be_within(1e-6).of(wanted)
    expect(found[:allowance_mm]).to be_within(1e-6).of(wanted - whole[:form][:least_wall_mm] - found[:oval_mm])
  end

  it "E13: 200 mm along rings that shrink 8.5 % comes to 189.8 mm at 12 %" do
    expect(MossyAnvil::Mend::Shrinkage.size_mm(200, 8.5, 12)).to be_within(0.05).of(189.8)
  end

  it "end grain moves less out of round than face grain, and dry wood not at all" do
    expect(rough(grain: "end")[:form][:rough][:oval_mm]).to be < rough[:form][:rough][:oval_mm]
    expect(rough(moisture_pct: 12)[:form][:rough]).to be_nil
  end

  it "says how far an open crack may open, and not one that is glued" do
    open, glued = [{}, { mend: "thin_ca" }].map { |mend| rough(defects: [crack(z_mm: [20, 50], depth_mm: 40, **mend)]) }
    expect(open[:form][:rough][:opens].first).to include(id: "b", mm: be > 0.5)
    expect(open[:advice][:form]).to include(
      a_hash_including(key: "advice.form.opens", amounts: a_hash_including(id: { value: "b", unit: "text" }))
    )
    expect(glued[:form][:rough][:opens]).to eq([])
  end
end
