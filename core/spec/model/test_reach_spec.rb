# frozen_string_literal: true

RSpec.describe MossyAnvil::Model::TestReach do
  let(:disc) { MossyAnvil::Model::Disc.new(diameter_mm: 400, length_mm: 400) }

  def share(*readings) = described_class.new(disc, readings).share
  def tap(clock_deg, z_mm, **more) = { kind: "tap", at: { clock_deg: clock_deg, z_mm: z_mm, **more }, taken_at: "" }

  it "is nothing without tests, or with those of no place" do
    expect(share).to eq(0)
    expect(share({ kind: "mass", value: 900, taken_at: "" })).to eq(0)
  end

  it "takes in what lies about each, once where they overlap, and never more than there is" do
    whole = Math::PI * (200**2) * 400
    inside = tap(90, 200, r_mm: 100)
    expect(share(inside)).to be_within(0.2 * 4 / 3.0 * Math::PI * (50**3) / whole).of(
      4 / 3.0 * Math::PI * (50**3) / whole
    )
    expect(share(inside, inside)).to eq(share(inside))
    expect(share(inside, tap(270, 200, r_mm: 100))).to be_within(1e-3).of(2 * share(inside))
    # On the skin only the half of it is in the wood.
    expect(share(tap(90, 200))).to be_between(0.35 * share(inside), 0.6 * share(inside))
    everywhere =
      (0..23).flat_map { |hour| (0..8).flat_map { |row| [40, 120, 200].map { |r| tap(hour * 15, row * 50, r_mm: r) } } }
    expect(share(*everywhere)).to be_between(0.95, 1.0)
  end

  it "goes as deep as pins were driven" do
    pins = ->(deep) do
      { kind: "moisture", value: 12, depth_mm: deep, at: { clock_deg: 0, z_mm: 200, r_mm: 60 }, taken_at: "" }
    end
    expect(share(pins.call(60))).to be > share(pins.call(20))
  end
end
