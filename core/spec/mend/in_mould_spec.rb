# frozen_string_literal: true

RSpec.describe MossyAnvil::Mend::InMould do
  def mould(**size) = MossyAnvil::Mend::Mould.new({ type: "box", width_mm: 160, length_mm: 200, depth_mm: 60, **size })
  let(:disc) { MossyAnvil::Model::Disc.new(diameter_mm: 100, length_mm: 50) }
  let(:block) { MossyAnvil::Model::Block.new(width_mm: 80, height_mm: 40, length_mm: 150) }

  def lying(shape, mould: self.mould, **placed) = described_class.new(shape, mould, placed)

  it "knows the resin on each side of it, where it stands off the middle" do
    expect(lying(disc, x_mm: 20, y_mm: -5).rooms).to eq(left: 70, right: 30, front: 25, back: 35)
    expect(lying(block, x_mm: 0).rooms).to eq(left: 60, right: 60, front: 60, back: 60)
    expect(lying(block, lies: true).rooms).to eq(left: 25, right: 25, front: 40, back: 40)
  end

  it "reaches farther by its corners once it is turned" do
    # 150 x 80 at 30 degrees: 150 cos + 80 sin = 169.9 by 150 sin + 80 cos = 144.3
    rooms = lying(block, lies: true, turned_deg: 30).rooms
    expect(rooms[:left]).to be_within(0.01).of(100 - (169.904 / 2))
    expect(rooms[:front]).to be_within(0.01).of(80 - (144.282 / 2))
  end

  it "goes into a round mould by its farthest corner" do
    tube = MossyAnvil::Mend::Mould.new({ type: "tube", diameter_mm: 100, depth_mm: 60 })
    expect(lying(block, mould: tube).rooms[:around]).to be_within(0.01).of(50 - (Math.hypot(80, 40) / 2))
    expect(lying(block, mould: tube, x_mm: 10).rooms[:around]).to be_within(0.01).of(50 - Math.hypot(50, 20))
    expect(lying(disc, mould: tube, y_mm: 3).rooms[:around]).to be_within(1e-9).of(-3)
  end

  it "counts only what lies under the pour" do
    expect(lying(disc).under_share).to eq(1)
    expect(lying(disc, up_mm: 35).under_share).to be_within(1e-9).of(0.5)
    expect(lying(disc, up_mm: 35).stands_out_mm).to be_within(1e-9).of(25)
    # Lying, a disc of 50 mm radius, 60 deep: the segment by hand is 0.6265 of the circle.
    expect(lying(disc, lies: true).under_share).to be_within(1e-4).of(0.62647)
    expect(lying(block, lies: true, up_mm: 30).under_share).to eq(0.75)
    expect(lying(block, up_mm: 70).under_share).to eq(0)
  end

  it "lies off the axis the casting is turned about, upright or along the mould at half its depth" do
    expect(lying(disc, x_mm: 3, y_mm: 4).off_mm).to eq(5)
    # lying 40 high on the floor of 60: its middle at 20, the axis at 30
    expect(lying(block, lies: true, x_mm: 50).off_mm).to eq(10)
    expect(lying(block, lies: true, up_mm: 10).off_mm).to eq(0)
  end
end
