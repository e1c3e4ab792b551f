# frozen_string_literal: true

RSpec.describe MossyAnvil::Formats::SvgPath do
  def profile(text, **how) = described_class.new(text, **how.slice(:mm_per_unit)).profile(**how.slice(:from_z_mm))

  it "reads lines either way round, large and small letters, and what is drawn below the axis" do
    expect(profile("M0 20 L60 50")).to eq([[0.0, 20.0], [60.0, 50.0]])
    expect(profile("m60,-50 l-60,30", from_z_mm: 4)).to eq([[4.0, 20.0], [64.0, 50.0]])
    expect(profile("M1e1 2 H20", mm_per_unit: 2.5)).to eq([[0.0, 5.0], [25.0, 5.0]])
  end

  it "keeps to a curve within a twentieth of a mm, with few points" do
    # A quarter of a circle of 40 mm about [0, 0], as drawn with one cubic.
    found = profile("M0 40 C22.0914 40 40 22.0914 40 0")
    expect(found.size).to be < 30
    line = MossyAnvil::Model::Profile.new(found, curve: "straight")
    [5, 15, 25, 35].each { |z_mm| expect(line.radius_mm(z_mm)).to be_within(0.1).of(Math.sqrt(1600 - (z_mm**2))) }
  end

  it "goes on smoothly with S and T, and takes a step as a step" do
    expect(profile("M0 10 C5 10 5 20 10 20 S15 30 20 30").last).to eq([20.0, 30.0])
    expect(profile("M0 10 Q5 10 10 20 T20 30").last).to eq([20.0, 30.0])
    expect(profile('<svg><path id="p" d="M0 40 h50 v10 h10"/></svg>')).to eq(
      [[0.0, 40.0], [50.0, 40.0], [50.02, 50.0], [60.0, 50.0]]
    )
  end

  {
    "M0 20 A5 5 0 0 0 9 9" => /the command A: lines and B/,
    "L1 2 3 4" => /no path: one that begins with M/,
    "M0 1 L20 5 L10 9" => /turns back at 20.0/,
    "M0 -5 L9 5" => /crosses the axis/,
    "M0 1 L1e999 3" => /goes too far out/,
    "M0 1 L1e308 3" => /goes too far out/,
    "M0 1#{" L 1 2" * 21_000}" => /more than 20000 points/,
    "#{"<path " * 9} d='x'/>" => /holds no path/,
    "M0 0" => /has 1 points/,
    "M0 0 L1 2 3" => /a multiple of 2/,
    "M0 1 L5 1 M6 1 L9 1" => /a second line/,
    "<svg/>" => /holds no path/,
    "" => /is no path/
  }.each do |text, said|
    it("refuses #{text.inspect}") { expect { profile(text) }.to raise_error(MossyAnvil::InvalidInput, said) }
  end

  # Work is counted, not timed: each round of thinning looks at one stretch, and there are as many rounds as points are
  # kept.
  it "keeps the points that matter of a zigzag without end, and looks at no place more often than points are kept" do
    looked = 0
    path = described_class.new("M0 10 #{Array.new(8000) { |turn| "L#{turn + 1} #{turn.even? ? 60 : 10}" }.join(" ")}")
    allow(path).to(
      receive(:farthest).and_wrap_original do |original, *given|
        original.call(*given).tap { looked += given.last - given[-2] }
      end
    )
    found = path.profile
    expect(found.size).to eq(described_class::MOST_POINTS)
    expect([found.first, found.last]).to eq([[0.0, 10.0], [8000.0, 10.0]])
    expect(looked).to be <= 8001 * described_class::MOST_POINTS
  end

  it "finds the first path that has a line in a drawing of many that have none, looking at each once" do
    expect(profile("#{'<path id="x"/>' * 5000}<path d = \"M0 5 L10 5\"/>")).to eq([[0.0, 5.0], [10.0, 5.0]])
    # Never closed: nothing is looked for again and again.
    expect { profile("<path " * 30_000) }.to raise_error(MossyAnvil::InvalidInput, /holds no path/)
  end
end
