# frozen_string_literal: true

RSpec.describe MossyAnvil::Turn::StageLimit do
  it "goes by the lowest cap" do
    limit = described_class.new({ "rim" => 900, "burst" => 700, "imbalance" => nil }, nil)
    expect(limit).to have_attributes(rpm: 700, governed_by: "burst", unsafe?: false)
  end

  it "says not like this where the limit is under the lathe's slowest" do
    heavy = { type: "disc", diameter_mm: 240, length_mm: 60, centre_offset_mm: [100, 0] }
    light =
      BlankHelper::LATHE.merge(
        "mass_kg" => 20,
        "stand" => "light",
        "belts" => [{ "min_rpm" => 400, "max_rpm" => 2000 }]
      )
    knob = { kind: "knob", opens: "tail", outside: [[0, 15], [60, 15]], curve: "straight" }
    report = assess(shape: heavy, lathe: light, form: knob)
    expect(report[:stages][:blank]).to include(unsafe: true, speed_steps_rpm: [], belt: nil)
    expect(report[:verdict]).to eq("stop")
    expect(keys_within(report[:advice][:survey].first)).to include("advice.opening.stop", "stages.blank")
    expect(report[:next_move][:key]).to eq("move.unsafe")
  end

  it "gives no speed to what does not clear the bed or does not go between the centres" do
    small = BlankHelper::LATHE.merge("swing_mm" => 230)
    expect(assess(lathe: small)[:stages][:blank]).to include(limit_rpm: 0.0, governed_by: "swing", unsafe: true)
    short = BlankHelper::LATHE.merge("between_centres_mm" => 50)
    expect(assess(lathe: short)[:stages][:blank]).to include(governed_by: "length", unsafe: true)
  end

  it "climbs by quarters from 40 % of the limit" do
    expect(MossyAnvil::Turn::SpeedSteps.rungs(1000, 60)).to eq([400, 500, 625, 781.25, 976.5625, 1000])
    expect(MossyAnvil::Turn::SpeedSteps.rungs(1000, 900)).to eq([900, 1000])
  end

  it "slows a piece that is cracked or out of true" do
    caps =
      [[false, true], [false, false], [true, true], [true, false]].map do |fragile, true_running|
        MossyAnvil::RimSpeed.cap_m_s(fragile: fragile, true_running: true_running)
      end
    expect(caps).to eq([12, 8, 8, 6])
    expect(assess(defects: [crack])[:stages][:blank]).to include(fragile: true, runs_true: true)
    expect(assess(shape: { type: "block", width_mm: 100, height_mm: 100, length_mm: 60 })[:stages][:blank]).to include(
      fragile: false,
      runs_true: false,
      swing_mm: be_within(0.01).of(141.42)
    )
  end

  it "works a loose piece by its bond" do
    held = body("loose_piece", r_mm: 100, size_mm: [20, 35, 15], bonded_share: 0.3)
    stage = assess(defects: [held])[:stages][:blank]
    expect(stage[:caps].map { |cap| cap[:key] }).to include("loose_piece")
    none = assess(defects: [held.merge(bonded_share: 0)])[:stages][:blank]
    expect(none).to include(limit_rpm: 0.0, governed_by: "loose_piece", unsafe: true)
  end

  it "picks the slowest belt that reaches the speed" do
    expect(assess[:stages][:blank][:belt]).to eq(1)
  end

  it "keeps every reserve at six or more" do
    expect { MossyAnvil::Report::ShopClimate.new(burst_reserve: 5) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/shop/burst_reserve}
    )
  end
end

RSpec.describe MossyAnvil::Model::Lathe do
  let(:lathe) do
    described_class.new(**JSON.parse(JSON.generate(BlankHelper::LATHE), symbolize_names: true), ballast_kg: 25)
  end

  it "knows its range, its weight, and the slowest belt that reaches a speed" do
    expect(lathe).to have_attributes(min_rpm: 60, max_rpm: 3200, total_kg: 165)
    expect([60, 1000, 1200, 1201, 3200, 59, 3201].map { |rpm| lathe.belt_for(rpm) }).to eq([1, 1, 1, 2, 2, nil, nil])
  end
end
