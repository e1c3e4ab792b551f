# frozen_string_literal: true

RSpec.describe MossyAnvil::Turn::ShakeWatch do
  # Ten readings a second of so many seconds: { from second => [rpm, mm/s] }. The second at which it first grows.
  def alarm_s(seconds, told)
    watch = described_class.new
    noise = Random.new(1)
    (0...(seconds * 10))
      .find do |tick|
        rpm, mm_s = told.select { |from, _| from <= tick / 10.0 }.values.last
        watch.grows?(tick / 10.0, rpm * (1 + noise.rand(-0.003..0.003)), mm_s * (1 + noise.rand(-0.1..0.1)))
      end
      &.fdiv(10)
  end

  it "is silent at one speed and one shaking, whatever the noise" do
    expect(alarm_s(120, { 0 => [600, 1.2] })).to be_nil
  end

  it "says so within two seconds where it doubles at one speed" do
    expect(alarm_s(60, { 0 => [600, 1.2], 30 => [600, 2.4] })).to be_between(30.5, 32)
  end

  it "says nothing where the speed was changed, or the lathe stood still in between" do
    expect(alarm_s(60, { 0 => [600, 1.2], 30 => [800, 2.4] })).to be_nil
    expect(alarm_s(60, { 0 => [600, 1.2], 30 => [0, 0], 31 => [600, 2.4] })).to be_nil
  end

  it "says so until the lathe has stood still" do
    watch = described_class.new
    600.times { |tick| watch.grows?(tick / 10.0, 600, tick < 300 ? 1.2 : 2.4) }
    expect(watch.grown?).to be(true)
    expect(watch.grows?(60, 0, 0)).to be(false)
    expect(watch.grown?).to be(false)
  end

  it "does not take the noise of a gauge for shaking" do
    expect(alarm_s(60, { 0 => [600, 0.05], 30 => [600, 0.2] })).to be_nil
  end
end
