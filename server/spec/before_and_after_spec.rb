# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe MossyAnvil::Server::Services::BeforeAndAfter do
  # Pictures as the store tells of them; mm: across the whole width.
  def pictures(*sizes)
    all =
      sizes.map.with_index do |(wide, tall, millimetres), index|
        scale = millimetres && { mm_per_share: millimetres, centre: [0.5, 0.5] }
        { id: index, view: "tail", caption: "", width_px: wide, height_px: tall, scale: scale }
      end
    store = Object.new
    store.define_singleton_method(:of) { |_| all }
    described_class.new(store, 1)
  end

  # 400 mm across and 300 high beside 200 by 400: the largest side is 400 mm, so they are 1 and 0.5 of it wide.
  it "makes a millimetre the same in both where both have a scale" do
    expect(pictures([800, 600, 400.0], [400, 800, 200.0]).widths).to eq([1.0, 0.5])
  end

  it "fits the tallest too" do
    # 100 mm across and 400 high beside 200 by 200.
    expect(pictures([100, 400, 100.0], [400, 400, 200.0]).widths).to eq([0.25, 0.5])
  end

  it "says nothing where one has no scale, or there is but one" do
    expect([pictures([800, 600, 400.0], [400, 800, nil]).widths, pictures([800, 600, 400.0]).widths]).to eq([nil, nil])
  end
end
