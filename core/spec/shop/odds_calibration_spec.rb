# frozen_string_literal: true

RSpec.describe MossyAnvil::Shop::OddsCalibration do
  it "counts what was said to hold against what held, group by group" do
    pairs = [[0.9, true], [0.9, true], [0.9, false], [0.97, true], [1.0, true], [0.3, false]]
    told = described_class.new(pairs).to_h
    expect(told.slice(:count, :held)).to eq(count: 6, held: 4)
    expect(told[:said]).to be_within(1e-9).of(4.97)
    expect(told[:groups].map { |group| group.values_at(:from, :to, :count, :held) }).to eq(
      [[0.0, 0.5, 1, 0], [0.8, 0.95, 3, 2], [0.95, 1.0, 2, 2]]
    )
  end

  it "has no groups where nothing was ever said" do
    expect(described_class.new([]).to_h).to eq(count: 0, said: 0, held: 0, groups: [])
  end

  it "lets the chance of a piece weigh in its price: half of 300 less what it costs" do
    help = MossyAnvil::Shop::PriceHelp
    expect(help.new(100, [300, 300, 300], sound: 0.5).to_h).to include(ask: 300, sound: 0.5, expected: 50.0)
    expect(help.new(100, [300, 300, 300]).to_h).to include(sound: nil, expected: nil)
  end
end
