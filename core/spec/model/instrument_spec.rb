# frozen_string_literal: true

RSpec.describe MossyAnvil::Model::Instrument do
  let(:tachometer) { described_class.of("tachometer") }

  def read(instrument, value, at_s: 100.0, now_s: 100.1, **about) =
    instrument.read(value, at_s: at_s, now_s: now_s, **about)

  def fault_of
    yield
  rescue MossyAnvil::InvalidInput => e
    e.faults.map(&:path)
  end

  it "takes what such a device can give" do
    expect(read(tachometer, 812).to_h).to include(key: "tachometer", value: 812, spot: "", doubtful: false)
  end

  [-3, 1e9, Float::NAN, Float::INFINITY, nil, "812"].each do |value|
    it("refuses #{value.inspect} rpm") { expect(fault_of { read(tachometer, value) }).to eq(%w[/value]) }
  end

  it "refuses a reading of yesterday, of tomorrow, or before the last one" do
    last = read(tachometer, 812)
    expect(fault_of { read(tachometer, 812, at_s: 100 - 86_400) }).to eq(%w[/at])
    expect(fault_of { read(tachometer, 812, at_s: 100 + 86_400) }).to eq(%w[/at])
    expect(fault_of { read(tachometer, 812, at_s: 99.9, last: last) }).to eq(%w[/at])
  end

  it "doubts a leap until the next reading bears it out, and forgets one that nothing bears out" do
    first = read(tachometer, 500)
    leap = read(tachometer, 5000, at_s: 100.1, shown: first, last: first)
    expect(leap.doubtful).to be(true)
    expect(read(tachometer, 5010, at_s: 100.2, shown: first, last: leap).doubtful).to be(false)
    expect(read(tachometer, 505, at_s: 100.2, shown: first, last: leap).doubtful).to be(false)
    expect(read(tachometer, 2500, at_s: 100.2, shown: first, last: leap).doubtful).to be(true)
  end

  it "knows the probes of a thermometer apart, and asks no number of a microphone" do
    expect(read(described_class.of("thermometer"), 82.5, spot: "oven").spot).to eq("oven")
    expect(fault_of { read(described_class.of("thermometer"), 82.5, spot: "pocket") }).to eq(%w[/spot])
    expect(read(described_class.of("microphone"), nil).doubtful).to be(false)
    expect { described_class.of("sextant") }.to raise_error(MossyAnvil::InvalidInput)
  end

  it "says that a reading is lost after three seconds" do
    expect([2.9, 3.1].map { |age_s| described_class.lost?(age_s) }).to eq([false, true])
  end
end
