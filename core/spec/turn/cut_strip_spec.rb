# frozen_string_literal: true

RSpec.describe MossyAnvil::Turn::CutStrip do
  let(:bowl) { BlankHelper::BOWL }

  def strip(rpm: 600, **changes) = described_class.new(blank(form: bowl, **changes)).to_h(rpm)

  it "is sound all the way on a sound round blank, and where there is no form it cannot be" do
    found = strip
    expect(found[:belts].flatten.compact).to eq([])
    expect(found[:worst]).to be_nil
    expect(found[:depths].map { |depth| depth[:met] }).to all(match("sound" => be_within(1e-9).of(1)))
    expect { described_class.new(blank, at: "/document") }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/document/form: is missing}
    )
  end

  it "begins in the air over the flats of a block, with four knocks a turn, and comes to sound wood where the form lies within" do
    found = strip(shape: { type: "block", width_mm: 224, height_mm: 224, length_mm: 60 })
    expect(found[:depths].first[:most_air]).to include(knocks_per_s: 600 / 60.0 * 4, air_share: be > 0.9)
    expect(found[:depths].first[:most_air][:advice]).to start_with("nibble")
    expect(found[:depths].last).to include(most_air: nil, trouble_share: 0, left_mm: 0)
    expect(found[:worst]).to eq(0)
    trouble = found[:depths].map { |depth| depth[:trouble_share] }
    expect(trouble).to eq(trouble.sort.reverse)
  end

  it "sees a bad belt coming: only at the depth and the height where it lies" do
    found =
      strip(
        defects: [body("soft_zone", id: "s", grade: "spongy", clock_deg: 0, r_mm: 100, z_mm: 10, size_mm: [10, 60, 12])]
      )
    met = found[:belts].map { |heights| heights.map { |belt| belt && belt[:kind] } }
    deep, high =
      (0...met.size)
        .to_a
        .product((0...met.first.size).to_a)
        .select { |depth, height| met[depth][height] == "spongy" }
        .transpose
    expect(found[:z_mm].values_at(*high)).to all(be_between(3, 17))
    expect(deep.min).to be_positive
    expect(deep.max).to be < met.size - 1
    expect(found[:depths].last[:met].keys).to eq(["sound"])
  end
end
