# frozen_string_literal: true

require_relative "cast_helper"

RSpec.describe MossyAnvil::Mend::Batches do
  def batches(key, grams, **more)
    resin = MossyAnvil::Mend::Resin.of(key)
    described_class.new(resin, grams, kinetics: resin.kinetics, **more)
  end

  it "are never over the cup nor over the time, whatever the resin and the mass" do
    MossyAnvil::Table
      .rows("resins")
      .each do |row|
        [40, 333, 1500, 7777].each do |grams|
          found = batches(row["key"], grams, start_c: 24, air_c: 24)
          expect(found.cup_g).to be <= row["cup_limit_g"] + 1e-6
          expect(found.handling_min).to be <= (0.6 * found.working_min) + 1e-6 unless found.too_quick?
          expect(found.cup_g * found.count).to be_within(1e-6).of(grams)
        end
      end
  end

  it "add up to the gram, and say what a gram too much does" do
    found = batches("casting_epoxy", 778)
    part_a, part_b = found.targets_g
    expect(part_a + part_b).to eq(found.cup_g.round)
    expect(found.per_gram).to be_within(1e-9).of(1.0 / part_b)
    expect(found.within_g[1]).to be_within(1e-9).of(0.03 * part_b)
    expect(batches("quick_epoxy", 9).targets_g.sum).to be_within(1e-9).of(9.0)
  end

  it "says where even a drop cannot be mixed in time" do
    quick = MossyAnvil::Mend::Resin.of("quick_epoxy", sheet: { "working_min" => 1 })
    expect(described_class.new(quick, 50, kinetics: quick.kinetics)).to be_too_quick
  end
end

RSpec.describe MossyAnvil::Mend::Mould do
  it "holds what geometry says" do
    expect(described_class.new({ type: "box", width_mm: 160, length_mm: 160, depth_mm: 70 }).volume_mm3).to eq(
      1_792_000
    )
    expect(described_class.new({ type: "tube", diameter_mm: 100, depth_mm: 100 }).volume_mm3).to be_within(1).of(
      785_398
    )
    # A frustum by hand: pi/12 * 100 * (80^2 + 80*100 + 100^2).
    expect(described_class.new({ type: "cup", diameter_mm: 80, top_mm: 100, depth_mm: 100 }).volume_mm3).to be_within(
      1
    ).of(638_790)
    expect(
      described_class.new({ type: "box", width_mm: 100, length_mm: 100, depth_mm: 10, displaced_ml: 40 }).volume_mm3
    ).to eq(60_000)
  end

  it "is sawn so that sides and ends close on the base" do
    cuts = described_class.new({ type: "sheet", width_mm: 60, length_mm: 180, depth_mm: 60, sheet_mm: 6 }).cut_list
    expect(cuts).to eq([["base", 1, 192.0, 72.0], ["side", 2, 192.0, 72.0], ["end", 2, 60.0, 72.0]])
    expect(described_class.new({ type: "tube", diameter_mm: 60, depth_mm: 60 }).cut_list).to eq([])
  end

  it "names the size that is missing or of another kind" do
    expect { described_class.new({ type: "tube", width_mm: 60, depth_mm: 60 }, at: "/m") }.to raise_error(
      MossyAnvil::InvalidInput
    ) { |error| expect(error.faults.map(&:path)).to contain_exactly("/m/diameter_mm", "/m/width_mm") }
  end
end

RSpec.describe MossyAnvil::Mend::CastStep do
  include CastHelper

  it "E18, E19: what a mould takes round measured wood, what to mix, and how it is split" do
    found =
      detail(
        wood: {
          by: "displacement",
          value: 1150
        },
        sheet: {
          mix_by: "volume",
          parts: [2, 1],
          density_g_ml: [1.16, 0.97]
        },
        cup_g: 15
      )
    expect(found[:net_ml]).to be_within(0.5).of(642)
    layers = found[:layers].size
    expect(found[:mix_g]).to be_within(0.5).of((642 * 1.0967 * 1.08) + (15 * layers))
    expect(found[:hardener_per_hundred]).to be_within(0.05).of(41.8)
    expect(found[:part_a_g] + found[:part_b_g]).to be_within(layers).of(found[:mix_g])
    expect(found[:layers].sum { |layer| layer[:cups] * (layer[:part_a_g] + layer[:part_b_g]) }).to eq(
      found[:part_a_g] + found[:part_b_g]
    )
  end

  it "goes round the wood of the survey, less the cracks it runs into" do
    whole = detail({ shape: { type: "disc", diameter_mm: 140, length_mm: 60 } })
    expect(whole[:wood_ml]).to be_within(0.01 * 923.6).of(923.6)
    pocket = body("void", contents: "air", r_mm: 60, z_mm: 30, size_mm: [40, 20, 20])
    open =
      MossyAnvil::Solid::DefectShares
        .of(blank(shape: { type: "disc", diameter_mm: 140, length_mm: 60 }, defects: [pocket]))
        .first
        .last
        .open_mm3 / 1000
    expect(
      detail({ shape: { type: "disc", diameter_mm: 140, length_mm: 60 }, defects: [pocket] })[:net_ml] - whole[:net_ml]
    ).to be_within(0.05).of(open)
  end

  it "E20: lift by what was weighed and pushed aside, and what to lay on it" do
    found =
      detail(
        wood: {
          by: "displacement",
          value: 1150,
          mass_g: 644
        },
        sheet: {
          mix_by: "mass",
          parts: [100, 50],
          density_g_ml: [1.10, 1.10]
        }
      )
    expect(found[:lift_n]).to be_within(0.01).of(6.09)
    expect(found[:hold_down_g]).to be_within(1).of(621)
  end

  it "E21: a bubble under 3.5 bar, in a pot that bears it and takes the mould" do
    pot = { diameter_mm: 300, depth_mm: 300, rated_bar: 4, bar: 3.5 }
    found = detail(wood: { by: "weight", value: 300 }, air: "pressure", pot: pot)
    expect(found[:bubble_mm]).to be_within(0.005).of(0.73)
    expect(found[:pot]).to include(within_rating: true, fits: true)
    over = cast(wood: { by: "weight", value: 300 }, air: "pressure", pot: pot.merge(bar: 4.5, diameter_mm: 200))
    expect(keys(over[:says].select { |one| one[:tone] == "stop" })).to include(
      "steps.cast.says.over_rating",
      "steps.cast.says.pot_too_small"
    )
  end

  it "refuses a mould no larger than what lies in it, at its depth" do
    expect { cast(wood: { by: "displacement", value: 2000 }) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/mend/steps/0/mould/depth_mm: makes a mould of 1792 ml}
    )
  end

  it "says how far off the middle the wood may lie, and stops beyond that" do
    small = {
      shape: {
        type: "disc",
        diameter_mm: 140,
        length_mm: 60
      },
      lathe: BlankHelper::LATHE.merge("mass_kg" => 40, "stand" => "light")
    }
    found = detail(small)[:insert]
    per_mm = ((1.07 * 1000) - 600).abs * 923_600 * 1e-6
    allowed = 0.05 * 40 * 9.81 / (1e-6 * ((found[:start_rpm] * Math::PI / 30)**2))
    expect(found[:most_offset_mm]).to be_within(0.02 * allowed / per_mm).of(allowed / per_mm)
    expect(keys(cast(small, placed: { x_mm: 900 })[:says])).to include("steps.cast.says.off_the_middle")
  end

  it "asks that colours come to the whole, and warns of too much pigment" do
    wrong =
      cast(
        wood: {
          by: "weight",
          value: 300
        },
        colours: [{ name: "sea", share: 0.5, pigment_pct: 8 }, { name: "sand", share: 0.3 }]
      )
    expect(keys(wrong[:says])).to include("steps.cast.says.colours", "steps.cast.says.too_much_pigment")
  end

  it "brings up a pour that ran short: gram by gram, within the window, sanded after it" do
    blank_of =
      blank(
        mend: {
          steps: [
            {
              id: "cast",
              do: "cast",
              with: "casting_epoxy",
              mould: {
                type: "box",
                width_mm: 100,
                length_mm: 100,
                depth_mm: 12
              },
              wood: {
                by: "displacement",
                value: 20
              }
            }
          ]
        }
      )
    step = MossyAnvil::Report::MendReport.new(blank_of).steps.first
    soon = step.trouble("short", amount: 3, hours: 1)
    weighed = soon[:lines].filter_map { |line| line[:target] }.sum { |target| target[:value] }
    expect(weighed).to be_within(1).of(
      (100 * 100 * 3 / 1000.0 * (100 / 120.0) * step.pour.resin.density_g_ml * 1.08) + 15
    )
    expect(soon[:lines].first).to include(kind: "wait")
    window = step.detail[:layers].last[:next_until_h]
    late = step.trouble("short", amount: 3, hours: window + 1)
    expect(late[:lines].first[:message][:key]).to eq("steps.cast.line.too_late")
    expect { step.trouble("short") }.to raise_error(MossyAnvil::InvalidInput, /amount: is missing/)
    expect { step.trouble("bubbles") }.to raise_error(MossyAnvil::InvalidInput, /at such a step/)
  end

  it "pours what is missing in layers where it is too deep for one, and no more than the mould is deep" do
    data = {
      id: "cast",
      do: "cast",
      with: "casting_epoxy",
      mould: {
        type: "box",
        width_mm: 100,
        length_mm: 100,
        depth_mm: 60
      },
      wood: {
        by: "displacement",
        value: 20
      }
    }
    step = MossyAnvil::Report::MendReport.new(blank(mend: { steps: [data] })).steps.first
    lines = step.trouble("short", amount: 40, hours: 20)[:lines]
    expect(lines.count { |line| line[:kind] == "timer" }).to eq(3)
    expect(step.trouble("short", amount: 4, hours: 20)[:lines].count { |line| line[:kind] == "timer" }).to eq(1)
    expect(step.plan.limit_mm).to eq(15.0)
    expect { step.trouble("short", amount: 61, hours: 20) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/amount: is 61: no more than the pour is deep}
    )
  end

  it "moves every wait of the cure by the shop's own pace, and learns from the time reckoned, not from the time moved" do
    data = {
      id: "cast",
      do: "cast",
      with: "casting_epoxy",
      mould: {
        type: "box",
        width_mm: 100,
        length_mm: 100,
        depth_mm: 30
      },
      wood: {
        by: "displacement",
        value: 20
      }
    }
    slow =
      MossyAnvil::Model::ShopRecords.new(Array.new(96) { { kind: "cure_factor", of: "casting_epoxy", value: 1.5 } })
    usual, own =
      [MossyAnvil::Model::ShopRecords.new, slow].map do |records|
        MossyAnvil::Report::MendReport.new(blank(mend: { steps: [data] }), records: records).steps.first
      end
    times = %i[gel_h next_from_h next_until_h]
    pace = 1.5**(96 / 100.0)
    expect(own.detail[:layers][0].values_at(*times)).to match(
      usual.detail[:layers][0].values_at(*times).map { |hours| be_within(1e-9).of(pace * hours) }
    )
    expect(own.ready_h).to be_within(1e-6).of(pace * usual.ready_h)
    expect(own.working_min).to eq(usual.working_min)
    found = own.verdict("gel_min" => usual.plan.unpaced_gel_s / 60 * 1.5)
    expect(found[:records]).to eq([{ kind: "cure_factor", of: "casting_epoxy", value: 1.5 }])
  end

  it "learns its loss and its pace from what was really used" do
    step =
      MossyAnvil::Report::MendReport
        .new(
          blank(
            mend: {
              steps: [
                {
                  id: "cast",
                  do: "cast",
                  with: "casting_epoxy",
                  mould: {
                    type: "box",
                    width_mm: 100,
                    length_mm: 100,
                    depth_mm: 12
                  },
                  wood: {
                    by: "displacement",
                    value: 20
                  }
                }
              ]
            }
          )
        )
        .steps
        .first
    found =
      step.verdict(
        "used_g" => 100 * step.pour.resin.density_g_ml * 1.2,
        "gel_min" => step.plan.unpaced_gel_s / 60 * 1.5
      )
    expect(found[:records]).to contain_exactly(
      { kind: "loss_share", of: nil, value: be_within(1e-9).of(0.2) },
      { kind: "cure_factor", of: "casting_epoxy", value: be_within(1e-9).of(1.5) }
    )
  end

  it "keeps working time and time in the mould apart, and both longer in the cold" do
    warm, cold =
      [22, 12].map do |celsius|
        data = {
          id: "c",
          do: "cast",
          with: "casting_epoxy_deep",
          mould: {
            type: "box",
            width_mm: 100,
            length_mm: 100,
            depth_mm: 20
          },
          wood: {
            by: "displacement",
            value: 20
          }
        }
        MossyAnvil::Report::MendReport.new(
          blank(mend: { steps: [data] }),
          climate: MossyAnvil::Report::ShopClimate.new(temperature_c: celsius)
        ).to_h[
          :steps
        ].first
      end
    [warm, cold].each { |step| expect(step[:working_min]).to be < step[:ready_h] * 60 }
    expect(cold[:working_min]).to be > warm[:working_min]
    expect(cold[:ready_h]).to be > warm[:ready_h]
  end
end
