# frozen_string_literal: true

RSpec.describe MossyAnvil::Model::WallThickness do
  def least(outside, inside, opens: "tail", curve: "straight")
    form = MossyAnvil::Model::Form.new(kind: "bowl", opens: opens, outside: outside, inside: inside, curve: curve)
    described_class.new(form, MossyAnvil::Model::Disc.new(diameter_mm: 400, length_mm: 200)).least
  end

  # Two parallel cones: the true way through is square to them, not along the radius.
  it "is square to a slanting wall: the radial way times the cosine of the slope" do
    found = least([[0, 50], [100, 150]], [[10, 50], [100, 140]])
    expect(found.thickness_mm).to be_within(0.01).of(10 * Math.cos(Math::PI / 4))
  end

  it "is found at a step, whichever of inside and outside has it" do
    # The corner of the hollow at z 40, r 60 against an outside of 66 there.
    expect(least([[0, 66], [100, 66]], [[20, 30], [39.98, 30], [40, 60], [100, 60]]).thickness_mm).to be_within(
      1e-6
    ).of(6)
    # A rebate outside down to 64: 4 from the hollow all along, 4 straight through.
    expect(least([[0, 70], [50, 70], [50.02, 64], [100, 64]], [[20, 60], [100, 60]]).thickness_mm).to be_within(
      1e-6
    ).of(4)
  end

  it "counts the floor, and agrees with every place tried one by one" do
    outside, inside = [[0, 40], [30, 85], [60, 110]], [[5, 0], [20, 50], [60, 100]]
    found = least(outside, inside)
    profiles = [outside, inside].map { |points| MossyAnvil::Model::Profile.new(points, curve: "straight") }
    tried =
      (0..220)
        .map { |at| 5 + (at / 4.0) }
        .map do |z_mm|
          radius = profiles[1].radius_mm(z_mm)
          line =
            (0..1200)
              .map { |at| at / 20.0 }
              .map { |other| Math.hypot(z_mm - other, radius - profiles[0].radius_mm(other)) }
          [line.min, (z_mm if radius <= 40)].compact.min
        end
    expect(found.thickness_mm).to be_within(0.02).of(tried.min)
  end
end
