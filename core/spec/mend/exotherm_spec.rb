# frozen_string_literal: true

RSpec.describe MossyAnvil::Mend::Exotherm do
  def kinetics(working_min, **more) =
    MossyAnvil::Mend::CureCalibration.kinetics(working_min: working_min, density_g_ml: 1.10, **more)

  {
    40 => {
      3 => 27,
      6 => 63,
      12 => 154
    },
    180 => {
      12 => 30,
      25 => 118
    },
    720 => {
      25 => 26,
      50 => 54,
      100 => 163
    }
  }.each do |minutes, peaks|
    it "E22: workable for #{minutes} min, peaks within 6 C of an independent solver's" do
      peaks.each do |depth, celsius|
        expect(described_class.new(kinetics(minutes), depth_mm: depth).peak_c).to be_within(6).of(celsius),
        "#{depth} mm"
      end
    end
  end

  it "perfectly insulated, warms by the heat of cure over its heat capacity" do
    k = kinetics(180)
    run = described_class.new(k, depth_mm: 20, top_h: 0, bottom_h: 0, until_cured: 0.98)
    last = run.moments.last
    expect(last.celsius.mean - 20).to be_within(0.01 * k.adiabatic_rise_k).of(k.adiabatic_rise_k * last.cured.mean)
    expect(k.adiabatic_rise_k).to be_within(0.1).of(300 / 1.7)
  end

  it "does not change its peak with finer steps or more nodes" do
    k = kinetics(40)
    plain = described_class.new(k, depth_mm: 8).peak_c
    expect(described_class.new(k, depth_mm: 8, finer: 3).peak_c).to be_within(1).of(plain)
    expect(described_class.new(k, depth_mm: 8, nodes: 61).peak_c).to be_within(1).of(plain)
  end

  it "gels later in a colder shop, and peaks no lower the deeper it is" do
    k = kinetics(180)
    gels = [26, 22, 18, 14, 10].map { |air| described_class.new(k, depth_mm: 12, start_c: air, air_c: air).gel_s }
    expect(gels).to eq(gels.sort)
    peaks = [4, 8, 12, 16, 24, 40].map { |depth| described_class.new(k, depth_mm: depth).peak_c }
    expect(peaks).to eq(peaks.sort)
  end

  it "follows a day's swing: a cold night is later than a steady day, earlier than steady cold" do
    k = kinetics(720)
    day, night = [20, 12].map { |air| described_class.new(k, depth_mm: 20, start_c: 20, air_c: air).gel_s }
    swing = ->(time) { 16 + (4 * Math.cos(2 * Math::PI * time / 86_400)) }
    expect(described_class.new(k, depth_mm: 20, start_c: 20, air_c: swing).gel_s).to be_between(day, night)
  end

  it "loses more against wood than against a mould" do
    k = kinetics(40)
    expect(described_class.new(k, depth_mm: 8, bottom_h: 12).peak_c).to be <
      described_class.new(k, depth_mm: 8, bottom_h: 6).peak_c
  end

  it "takes what lies under a layer as cured: no heat comes of it" do
    k = kinetics(40)
    stacked = described_class.new(k, depth_mm: 10, below: 0.5)
    expect(stacked.moments.first.cured.to_a.count(1.0)).to be_within(1).of(15)
    expect(stacked.peak_c).to be < described_class.new(k, depth_mm: 10).peak_c
  end
end

RSpec.describe MossyAnvil::Mend::CoolingSlab do
  # Fourier series of a slab cooling from 1 towards 0 at both faces alike, at its middle; biot: h times half the depth
  # over conductivity, roots of x tan x = biot.
  def middle(fourier, biot)
    (0...12).sum do |n|
      low, high = n * Math::PI, (n * Math::PI) + (Math::PI / 2) - 1e-12
      80.times { ((low + high) / 2).then { |x| x * Math.tan(x) < biot ? low = x : high = x } }
      4 * Math.sin(low) / ((2 * low) + Math.sin(2 * low)) * Math.exp(-(low**2) * fourier)
    end
  end

  it "cools as the Fourier series says, within half a percent" do
    diffusivity, conductivity, depth = 1.07e-7, 0.2, 40.0
    [10.0, 200.0].each do |loss|
      slab =
        described_class.new(
          depth,
          nodes: 61,
          diffusivity_m2_s: diffusivity,
          conductivity: conductivity,
          bottom_h: loss,
          top_h: loss
        )
      step = slab.step_no_longer_than(600)
      temperatures, time = Numo::DFloat.ones(61) * 100, 0.0
      8.times do
        temperatures = slab.after(step, temperatures, 0.0)
        time += step
        half = depth / 2000
        expect(temperatures[30] / 100).to be_within(0.005).of(
          middle(diffusivity * time / (half**2), loss * half / conductivity)
        )
      end
    end
  end

  it "cools the same in one long step as in many short ones" do
    slab = described_class.new(20.0, nodes: 21, diffusivity_m2_s: 1e-7, conductivity: 0.2, bottom_h: 6, top_h: 10)
    long = slab.step_no_longer_than(500)
    short = long / 8
    once = slab.after(long, Numo::DFloat.new(21).seq, 5.0)
    often = 8.times.inject(Numo::DFloat.new(21).seq) { |now, _| slab.after(short, now, 5.0) }
    expect((once - often).abs.max).to be < 1e-9
  end
end

RSpec.describe MossyAnvil::Mend::CureKinetics do
  it "is set by the working time of the 100 g cup" do
    [5, 40, 720].each do |minutes|
      cup =
        MossyAnvil::Mend::CuringCup.new(
          MossyAnvil::Mend::CureCalibration.kinetics(working_min: minutes, density_g_ml: 1.1)
        )
      expect(cup.workable_s / 60).to be_within(0.002 * minutes).of(minutes)
    end
  end

  it "takes the heat of cure from the peak on the sheet, and refuses one that cannot be" do
    usual =
      MossyAnvil::Mend::CuringCup.new(
        MossyAnvil::Mend::CureCalibration.kinetics(working_min: 40, density_g_ml: 1.1)
      ).peak_c
    told = MossyAnvil::Mend::CureCalibration.kinetics(working_min: 40, density_g_ml: 1.1, peak_c: usual - 40)
    expect(MossyAnvil::Mend::CuringCup.new(told).peak_c).to be_within(1).of(usual - 40)
    expect(told.heat_j_kg).to be < 300_000
    expect do
      MossyAnvil::Mend::CureCalibration.kinetics(working_min: 900, density_g_ml: 1.1, peak_c: 180, at: "/sheet")
    end.to raise_error(MossyAnvil::InvalidInput, %r{/sheet/peak_c: is 180})
  end
end

RSpec.describe MossyAnvil::Mend::CuringCup do
  let(:kinetics) { MossyAnvil::Mend::CureCalibration.kinetics(working_min: 40, density_g_ml: 1.1) }

  it "gets hotter and quicker the larger it is, slower in the cold" do
    cups = [50, 100, 400, 1000].map { |grams| described_class.new(kinetics, mass_g: grams) }
    expect(cups.map(&:peak_c)).to eq(cups.map(&:peak_c).sort)
    expect(cups.map(&:workable_s)).to eq(cups.map(&:workable_s).sort.reverse)
    expect(described_class.new(kinetics, start_c: 15, air_c: 15).workable_s).to be > 60 * 40
  end
end

RSpec.describe MossyAnvil::Mend::LayerPlan do
  def plan(minutes, depth, **more) =
    described_class.new(
      MossyAnvil::Mend::CureCalibration.kinetics(working_min: minutes, density_g_ml: 1.1),
      depth,
      **more
    )

  it "pours at once what stays cool, and in even layers what does not" do
    expect(plan(720, 40).layers.size).to eq(1)
    thick = plan(180, 45)
    expect(thick.at_once.peak_c).to be > 70
    expect(thick.layers.sum(&:thick_mm)).to be_within(1e-9).of(45)
    expect(thick.layers.map(&:peak_c).max).to be <= 55.5
    expect(thick.layers.first.thick_mm).to be <= thick.deepest_mm + 1e-9
  end

  it "goes by the sheet where that allows less, and into more layers the hotter the shop" do
    expect(plan(720, 40, sheet_mm: 10).layers.size).to eq(4)
    expect(plan(180, 60, air_c: 28, start_c: 28).layers.size).to be >= plan(180, 60, air_c: 16, start_c: 16).layers.size
  end

  it "lets the next layer on once the last has gelled and cooled, and before it is cured" do
    layer = plan(180, 30).layers.first
    expect(layer.next_from_s).to be >= layer.gel_s
    expect(layer.next_until_s).to be > layer.next_from_s
  end

  it "says so where the resin is too quick for any depth" do
    expect(plan(4, 60)).to be_hopeless
    expect(plan(720, 60)).not_to be_hopeless
  end
end
