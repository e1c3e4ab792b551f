# frozen_string_literal: true

RSpec.describe MossyAnvil::Mend::BubbleLog do
  let(:began) { Time.utc(2030, 5, 1, 12) }

  # seen: [[minutes after it began, level], ...]
  def log(*seen) = described_class.new(began, seen.map { |minutes, level| [began + (minutes * 60), level] })
  def at(minutes) = began + (minutes * 60)

  it "has stopped once none came for ten minutes, and bubbled until the first of those looks" do
    seen = log([5, 3], [60, 2], [180, 0], [185, 0])
    expect(seen.bubbled_min(at(189))).to be_nil
    expect(seen.bubbled_min(at(190))).to eq(180)
    expect(seen.says(at(192))).to include(
      tone: "go",
      key: "bubbles.stopped",
      amounts: {
        quiet: {
          value: 12.0,
          unit: "min"
        },
        bubbled: {
          value: 180.0,
          unit: "min"
        }
      }
    )
  end

  it "goes on where any came after a quiet look" do
    seen = log([100, 0], [109, 1])
    expect(seen.bubbled_min(at(300))).to be_nil
    expect(seen.says(at(300))).to include(
      tone: "care",
      key: "bubbles.still",
      amounts: {
        seen: {
          value: "bubbles.levels.few",
          unit: "term"
        }
      }
    )
    expect(log([100, 0], [109, 1], [120, 0]).bubbled_min(at(131))).to eq(120)
  end

  it "asks to look again while it is quiet for less, and says nothing before the first look" do
    expect(log([30, 0]).says(at(34))).to include(tone: "plain", key: "bubbles.quiet")
    expect(log.says(at(30))).to be_nil
  end
end
