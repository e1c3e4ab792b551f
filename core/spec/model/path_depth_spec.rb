# frozen_string_literal: true

# A crack that goes deeper at one end than at the other.
RSpec.describe "Depth along a path" do
  def sloped(from_mm, to_mm, **more)
    crack(
      depth_mm: [from_mm, to_mm].max,
      path: [{ clock_deg: 60, z_mm: 5, depth_mm: from_mm }, { clock_deg: 60, z_mm: 55, depth_mm: to_mm }],
      **more
    )
  end

  def even(depth_mm) = crack(depth_mm: depth_mm, z_mm: [5, 55])
  def stage(*defects) = assess(defects: defects, form: ring(115, 80, 60))[:stages][:hollowed]

  # By hand: half the mouth times the run times the mean depth: 2 / 2 x 50 x 20 = 1000 mm3.
  it "counts in the volume" do
    found = assess(defects: [sloped(10, 30)])[:defects].first
    expect(found[:open_volume_mm3]).to be_within(2).of(1000)
  end

  it "is the depth everywhere where every point has the same, and lies between shallow and deep" do
    expect(stage(sloped(20, 20))).to eq(stage(even(20)))
    burst = [even(10), sloped(10, 30), even(30)].map { |defect| stage(defect)[:burst_rpm] }
    expect(burst).to eq(burst.sort.reverse)
    expect(burst.uniq.size).to eq(3)
  end

  it "counts in what a cut meets: at 20 mm under the skin only where it goes so deep" do
    piece = blank(defects: [sloped(10, 30)])
    met = [10, 50].map { |z_mm| MossyAnvil::Turn::CuttingCircle.new(piece, 100, z_mm).cracks_met }
    expect(met).to eq([0, 1])
  end

  it "counts in where it meets another" do
    other = {
      id: "c",
      type: "crack",
      enters: "tail_face",
      depth_mm: 20,
      width_mm: 1,
      path: [{ clock_deg: 40, z_mm: 60, r_mm: 95 }, { clock_deg: 80, z_mm: 60, r_mm: 95 }]
    }
    meet = ->(defect) { MossyAnvil::Model::DefectIntersections.new(blank(defects: [defect, other])).all.size }
    expect([meet[sloped(10, 30)], meet[sloped(30, 10)]]).to eq([1, 0])
  end

  it "is taken deeper in proportion where it may be, and refused beyond the axis" do
    worst = blank(defects: [sloped(10, 30, depth_range_mm: [20, 60])]).at_worst.defects.first
    expect(worst.path.map { |point| point[:depth_mm] }).to eq([20, 60])
    expect { blank(defects: [sloped(10, 300)]) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/defects/0/path/1/depth_mm: is 300}
    )
  end
end
