# frozen_string_literal: true

RSpec.describe MossyAnvil::Mend::FillPositions do
  def positions(*defects) = described_class.new(blank(defects: defects).defects, blank.shape).all

  it "lies three checks up one after another, round from after the widest gap, ends last" do
    found =
      positions(
        crack(id: "a", clock_deg: 350),
        crack(id: "b", clock_deg: 90),
        crack(id: "c", clock_deg: 200),
        {
          id: "e",
          type: "crack",
          enters: "tail_face",
          depth_mm: 5,
          width_mm: 2,
          path: [{ clock_deg: 0, z_mm: 60, r_mm: 5 }, { clock_deg: 0, z_mm: 60, r_mm: 40 }]
        }
      )
    expect(found.map { |one| [one.up, one.ids] }).to eq(
      [["clock", ["a"]], ["clock", ["b"]], ["clock", ["c"]], ["tail", ["e"]]]
    )
    expect(found[0].clock_deg).to be_within(1e-6).of(350)
  end

  it "takes neighbours together, and across twelve o'clock too" do
    over_twelve =
      positions(crack(id: "a", clock_deg: 356), crack(id: "m", clock_deg: 180), crack(id: "b", clock_deg: 6))
    expect(over_twelve.map(&:ids)).to contain_exactly(%w[a b], ["m"])
    near = positions(crack(id: "a", clock_deg: 40), crack(id: "b", clock_deg: 50))
    expect(near.map(&:ids)).to eq([%w[a b]])
    expect(near[0].clock_deg).to be_within(1e-6).of(45)
  end

  it "says where one runs too far round to lie level" do
    wide = crack(id: "w").merge(path: [{ clock_deg: 0, z_mm: 30 }, { clock_deg: 90, z_mm: 30 }])
    expect(positions(wide).first.wide).to be(true)
  end
end
