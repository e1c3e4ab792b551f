# frozen_string_literal: true

RSpec.describe MossyAnvil::Report::NextTests do
  def tests(*defects) = described_class.new(blank(defects: defects, **BlankHelper::TALL)).to_a

  # Its skin lies 2 mm under the surface, its hollow 6.
  def in_wall(id, clock_deg, **more) = crack(id: id, clock_deg: clock_deg, z_mm: [80, 200], depth_mm: 4, **more)

  it "puts first what moves the speed most, and leaves out what moves nothing: the crack in the wall, not the one the form turns away" do
    gone = crack(id: "g", clock_deg: 200, z_mm: [0, 4], depth_mm: 1)
    found = tests(gone, in_wall("w", 60, depth_mm: 5))
    expect(found.map { |test| test[:id] }).to eq(["w"])
    expect(found.first).to include(test: "feeler", clock_deg: be_within(1).of(60), z_mm: be_within(1).of(140))
  end

  it "says just what the two ends come to" do
    found = tests(in_wall("w", 60, depth_range_mm: [3, 9])).first
    ends =
      [3, 9].map do |depth_mm|
        assess(defects: [in_wall("w", 60).merge(depth_mm: depth_mm)], **BlankHelper::TALL)[:stages][:hollowed][
          :limit_rpm
        ]
      end
    expect([found[:best_rpm], found[:worst_rpm]]).to match([be_within(1e-6).of(ends.max), be_within(1e-6).of(ends.min)])
  end

  it "trusts a feeler more than a guess" do
    soft = body("soft_zone", id: "s", clock_deg: 60, r_mm: 116, z_mm: 120, size_mm: [30, 60, 170], grade: "soft")
    spread =
      lambda do |found_by|
        tests(soft, in_wall("w", 60, depth_mm: 5, found_by: found_by))
          .find { |test| test[:id] == "w" }
          &.then { |test| test[:best_rpm] - test[:worst_rpm] } || 0
      end
    expect(spread["guessed"]).to be >= spread["seen"]
    expect(spread["seen"]).to be > spread["feeler"]
  end

  it "has a test for soft wood, pockets and what is loose, none for what is glued, and looks at so many and no more" do
    soft = body("soft_zone", id: "s", clock_deg: 60, r_mm: 116, z_mm: 120, size_mm: [30, 60, 170], grade: "soft")
    loose = body("loose_piece", id: "l", clock_deg: 200, r_mm: 112, z_mm: 150, bonded_share: 0.03)
    expect(tests(soft, in_wall("w", 62), loose).to_h { |test| [test[:id], test[:test]] }).to include("s" => "awl")
    expect(tests(in_wall("w", 60, mend: "epoxy"))).to eq([])
    expect(tests).to eq([])
  end
end
