# frozen_string_literal: true

require_relative "../core_helper"

RSpec.describe MossyAnvil::Shop::ShelfValue do
  it "is the share of a pack that is left, by its price" do
    # 300 of 1,200 g at 48: a quarter of it.
    expect(described_class.of(300, pack_g: 1200, pack_price: 48)).to eq(12.0)
  end

  it "is nothing where the book says that more was used than there was" do
    expect(described_class.of(-40, pack_g: 1200, pack_price: 48)).to eq(0.0)
  end
end
