# frozen_string_literal: true

RSpec.describe MossyAnvil::Formats::Pattern do
  # BOWL: 52 mm high, its rim of 110 mm radius at the tail.
  let(:pattern) { described_class.new(BlankHelper::BOWL) }

  def laid(pattern, scale: nil, **changes) = pattern.laid_in(blank(**changes), scale: scale)

  it "is kept from its own foot on, whatever blank it came from, and without what that piece was for" do
    expect(pattern.to_document[:outside].first[0]).to eq(0)
    expect([pattern.height_mm, pattern.diameter_mm]).to eq([52, 220])
    expect(described_class.new(BlankHelper::BOWL.merge(use: "food")).to_document).to eq(pattern.to_document)
    expect(described_class.new(pattern.to_document).to_document).to eq(pattern.to_document)
  end

  it "goes into a blank with room as it is, seven tenths of what is over at its foot" do
    # 60 mm long: 8 over, 5.6 of it at the head
    found = laid(pattern)
    expect(found[:scale]).to eq(1)
    expect(found[:form][:outside].values_at(0, -1).map(&:first)).to eq([5.6, 57.6])
    expect(blank(form: found[:form]).form.floor_mm).to be_within(0.02).of(blank(form: BlankHelper::BOWL).form.floor_mm)
  end

  it "is made smaller where the blank is narrower or shorter than it" do
    narrow = laid(pattern, shape: { type: "disc", diameter_mm: 110, length_mm: 60 })
    expect(narrow[:scale]).to be_within(1e-9).of(0.5)
    expect(narrow[:form][:outside].map(&:last).max).to be_within(0.01).of(55)
    short = laid(pattern, shape: { type: "disc", diameter_mm: 240, length_mm: 39 })
    expect(short[:scale]).to be_within(1e-9).of(0.75)
    expect(short[:form][:outside].values_at(0, -1).map(&:first)).to match(
      [be_within(0.01).of(0), be_within(0.01).of(39)]
    )
  end

  it "keeps what the blank is for, and an inside that follows keeps its wall" do
    follows = described_class.new(BlankHelper::BOWL.except(:inside).merge(follows: { wall_mm: 8, floor_mm: 10 }))
    found = laid(follows, scale: 0.5, form: BlankHelper::BOWL.merge(use: "food"))
    expect(found[:form]).to include(use: "food", follows: { wall_mm: 8, floor_mm: 10 })
  end

  it "refuses a size there is no length for, and curves that are none" do
    expect { laid(pattern, scale: 1.2) }.to raise_error(MossyAnvil::InvalidInput, %r{/scale: is 1.2: 0.05 to 1.15})
    expect { laid(pattern, scale: 0) }.to raise_error(MossyAnvil::InvalidInput, %r{/scale})
    crossing = BlankHelper::BOWL.merge(inside: [[12, 0], [56, 140]])
    expect { described_class.new(crossing, at: "/kept") }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/kept/form/inside: meets the outside}
    )
  end
end
