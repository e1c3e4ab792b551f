# frozen_string_literal: true

RSpec.describe MossyAnvil::Scan::ProfileTrace do
  # A picture 400 mm wide; the axis lies level at 0.5 of the width down, its head end at the left.
  def traced(curve:, axis: { from: [0.1, 0.5], to: [0.9, 0.5] }, from_z_mm: 0, **changes)
    described_class.new(
      { scale: { from: [0.1, 0.9], to: [0.6, 0.9], mm: 200 }, axis: axis, curve: curve }.merge(changes)
    ).profile(from_z_mm: from_z_mm)
  end

  # Along and off the axis in mm to places on that picture, the axis turned about its head end.
  def places(points, turn: 0)
    points.map do |along, off|
      x, y = along / 400.0, -off / 400.0
      [0.1 + (x * Math.cos(turn)) - (y * Math.sin(turn)), 0.5 + (x * Math.sin(turn)) + (y * Math.cos(turn))]
    end
  end

  let(:vase) { [[20, 30], [60, 55], [110, 22], [140, 28]] }
  let(:found) { [[0, 30], [40, 55], [90, 22], [120, 28]] }

  def off_by(points) = points.zip(found).map { |one, other| one.zip(other).map { |a, b| (a - b).abs }.max }.max

  it "reads radii off the axis, from the end the curve begins at" do
    expect(off_by(traced(curve: places(vase)))).to be < 0.01
    expect(traced(curve: places(vase), from_z_mm: 7).first).to eq([7.0, 30.0])
  end

  it "does not mind which side of the axis, which end first, or how the picture was held" do
    [places(vase.map { |along, off| [along, -off] }), places(vase.reverse)].each do |curve|
      expect(off_by(traced(curve: curve))).to be < 0.01
    end
    turn = 0.7
    axis = { from: [0.1, 0.5], to: places([[200, 0]], turn: turn).first }
    expect(off_by(traced(curve: places(vase, turn: turn), axis: axis))).to be < 0.01
  end

  it "is as far along as the axis says: the other way round it is the other end that comes first" do
    turned = traced(curve: places(vase), axis: { from: [0.9, 0.5], to: [0.1, 0.5] })
    expect(turned.map(&:last)).to eq([28.0, 22.0, 55.0, 30.0])
  end

  {
    "two points" => [{ curve: [[0.1, 0.4], [0.3, 0.4]] }, %r{/curve: has 2 points}],
    "an axis of nothing" => [{ axis: { from: [0.1, 0.5], to: [0.1, 0.5] } }, %r{/axis/to}],
    "a scale of nothing" => [{ scale: { from: [0.1, 0.1], to: [0.1, 0.1], mm: 20 } }, %r{/scale/to}],
    "a curve over the axis" => [{ curve: [[0.1, 0.4], [0.2, 0.45], [0.3, 0.6]] }, /crosses the axis/],
    "an undercut" => [{ curve: [[0.1, 0.4], [0.3, 0.3], [0.2, 0.2], [0.4, 0.2]] }, /turns back at 80.0 mm/],
    "a curve straight up" => [{ curve: [[0.1, 0.4], [0.1, 0.3], [0.1, 0.2]] }, /ends where it begins/]
  }.each do |name, (changes, said)|
    it("refuses #{name}") do
      expect { traced(curve: places(vase), **changes) }.to raise_error(MossyAnvil::InvalidInput, said)
    end
  end
end
