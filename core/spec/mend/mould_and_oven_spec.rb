# frozen_string_literal: true

require_relative "cast_helper"

RSpec.describe "A casting's mould, colours and oven" do
  include CastHelper

  it "takes pigment by each colour's share, of each kind one, and warns by what each bears" do
    colours =
      [
        ["sea", 0.5, 3, "dye"],
        ["sand", 0.25, 4, "mica"],
        ["gold", 0.25, 2, "mica"]
      ].map { |name, share, pigment_pct, with| { name: name, share: share, pigment_pct: pigment_pct, with: with } }
    step = cast(wood: { by: "weight", value: 300 }, colours: colours)
    taken = step[:materials].to_h { |row| [row[:key], row[:amount]] }
    mix = step[:detail][:cast][:mix_g]
    expect(taken["dye"]).to be_within(1e-6).of(mix * 0.5 * 0.03)
    expect(taken["mica"]).to be_within(1e-6).of(mix * 0.25 * 0.06)
    over = step[:says].select { |advice| advice[:key] == "steps.cast.says.too_much_pigment" }
    expect(over.map { |advice| values(advice) }).to match(
      [a_hash_including(colour: "sea", pigment: "tables.pigments.dye.name")]
    )
    expect(step[:says].flat_map { |advice| keys_within(advice) }).to include("tables.pigments.mica.caution")
    weighed = step[:lines].select { |line| line[:draws]&.fetch(:key) == "mica" }.sum { |line| line[:target][:value] }
    expect(weighed).to be_within(1e-6).of(taken["mica"])
    expect do
      cast(wood: { by: "weight", value: 300 }, colours: [{ name: "a", share: 1, pigment_pct: 1, with: "soot" }])
    end.to raise_error(MossyAnvil::InvalidInput, %r{/mend/steps/0/colours: is "soot": one of mica, paste, dye})
  end

  it "is lined by its floor and its walls to the rim, a quarter more for folds" do
    step = cast(wood: { by: "weight", value: 300 }, lined: true)
    # 160 x 160 and four walls of 160 x 82: 256 + 524.8 cm2
    expect(step[:materials].find { |row| row[:key] == "film" }[:amount]).to be_within(1e-6).of(780.8 * 0.0046 * 1.25)
    expect(keys(step[:lines].map { |line| line[:message] })).to include("steps.cast.line.line")
    expect(cast(wood: { by: "weight", value: 300 })[:materials].map { |row| row[:key] }).not_to include("film")
  end

  it "starts the first layer between resin and a warm mould, by what each of them holds" do
    wood = { wood: { by: "weight", value: 300 } }
    usual, warm = [{}, { mould_c: 45 }].map { |more| detail(**wood, **more) }
    expect(warm[:heat][:hottest_c].first).to be > usual[:heat][:hottest_c].first
    # 3 mm of board under the layer, by hand: 1.6 J/cm3K against 1.7 J/gK of the mix.
    thick, density = warm[:layers].first[:thick_mm], warm[:density_g_ml]
    resin, mould = thick * density * 1.7, 3 * 1.6
    expect(warm[:heat][:celsius][0][0]).to be_within(0.01).of(((resin * 20) + (mould * 45)) / (resin + mould))
    expect(warm[:at_once_c]).to be > usual[:at_once_c]
  end

  it "is cured through by the oven in hours: slowly up, its heart warm, held, down again" do
    oven = { oven_c: 60, hold_h: 4 }
    plain, baked = [{}, { post_cure: oven }].map { |more| cast(wood: { by: "weight", value: 300 }, **more) }
    expect(baked[:cure_h]).to be < plain[:cure_h]
    found = baked[:detail][:cast][:oven]
    expect(found[:ramp_h]).to be_within(1e-9).of(4.0)
    # The middle of a slab is within 5 % of the way where 4/pi e^(-pi2/4 Fo) is 0.05, Fo = 1.312
    diffusivity = 0.2 / (baked[:detail][:cast][:density_g_ml] * 1000 * 1700)
    expect(found[:heat_h] * 3600).to be_within(0.02 * found[:heat_h] * 3600).of(1.312 * (0.035**2) / diffusivity)
    expect(baked[:cure_h]).to be_within(1e-6).of(
      baked[:detail][:cast].then { |one| one[:last_pour_h] + one[:demould_h] } + 4 + (2 * found[:heat_h]) + 4
    )
    expect(keys(baked[:lines].map { |line| line[:message] })).to include("steps.cast.line.oven_up")
    expect(keys(cast(wood: { by: "weight", value: 300 }, post_cure: { oven_c: 140, hold_h: 1 })[:says])).to include(
      "steps.cast.says.oven_soft"
    )
  end

  it "tells the parts by the cup's marks too where the sheet gives them by volume" do
    sheet = { mix_by: "volume", parts: [2, 1], density_g_ml: [1.1, 1.0] }
    found = cast(wood: { by: "weight", value: 300 }, sheet: sheet)
    layer = found[:detail][:cast][:layers].first
    expect(layer[:part_a_ml] / layer[:part_b_ml]).to be_within(0.05).of(2)
    expect(layer[:part_a_ml]).to be_within(1e-6).of(layer[:part_a_g] / 1.1)
    weighed = found[:lines].find { |line| line[:kind] == "weigh" }
    expect(weighed[:message][:key]).to eq("steps.cast.line.resin_by_marks")
    expect(weighed[:message][:amounts][:volume]).to include(value: be_within(1e-6).of(layer[:part_a_ml]), unit: "ml")
    by_mass =
      cast(wood: { by: "weight", value: 300 }, sheet: { mix_by: "mass", parts: [100, 42], density_g_ml: [1.1, 1.0] })
    expect(by_mass[:lines].find { |line| line[:kind] == "weigh" }[:message][:key]).to eq("steps.cast.line.resin")
  end
end
