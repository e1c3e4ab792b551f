# frozen_string_literal: true

RSpec.describe MossyAnvil::Model::Rate do
  # Three records of 13 where 10 is usual: ln 1.3 = 0.26236, times 3/7 is 0.11244: 1.1190 times. Thirty: times 30/34,
  # 1.2605.
  it "moves a little for a few records and almost all the way for many" do
    few, many = [3, 30].map { |count| described_class.new(10, [13] * count) }
    expect([few.value, many.value]).to match([be_within(0.001).of(11.190), be_within(0.001).of(12.605)])
    expect(described_class.new(10, []).value).to eq(10)
    expect([few.count, many.count]).to eq([3, 30])
  end

  # Middle 1.28; distances of the logarithms 0.0645, 0.0155, 0.0237, 0, 1.139, in the middle 0.0237: times 1.4826 is
  # 0.035, less than ln 1.1 = 0.0953, three of which are 0.286: 4.0 is held back. The other four: mean 0.22868, times
  # 4/8.
  it "holds back what lies too far from the others" do
    rate = described_class.new(1, [1.2, 1.3, 1.25, 1.28, 4.0])
    expect(rate.held_back).to eq([4])
    expect([rate.count, rate.times, rate.spread_times]).to match(
      [4, be_within(1e-4).of(1.1211), be_within(1e-9).of(1.1)]
    )
  end

  # Of wide records none: 0.5, 1, 2 have distances ln 2, 0, ln 2, so a spread of 1.4826 ln 2 = 1.0277, 2.794 times.
  it "knows how far records usually lie apart" do
    rate = described_class.new(1, [0.5, 1, 2])
    expect([rate.held_back, rate.spread_times]).to match([[], be_within(0.001).of(2.794)])
    expect(rate.times).to be_within(1e-9).of(1)
  end

  it "takes nothing, and a slip of the pen, as ten times off" do
    expect(described_class.new(0.1, [0]).value).to be_within(1e-9).of(0.1 * (10**-0.2))
    expect(described_class.new(1, [1e9]).times).to be_within(1e-9).of(10**0.2)
  end
end

RSpec.describe MossyAnvil::Model::ShopRecords do
  it "keeps each kind, and what it is of, for itself" do
    own = described_class.new([*Array.new(4) { { kind: "cure_factor", of: "a", value: 1.5 } }])
    expect(own.factor("cure_factor", "a")).to be_within(1e-9).of(Math.sqrt(1.5))
    expect([own.factor("cure_factor", "b"), own.factor("sanding_factor")]).to eq([1, 1])
    expect([own.count("cure_factor", "a"), own.count("cure_factor", "b")]).to eq([4, 0])
    expect(own.source("cure_factor", "the sheet", "b")).to eq("the sheet")
    expect(own.source("cure_factor", "the sheet", "a")).to eq("your_own_records")
  end

  it "takes no record that cannot be" do
    expect(described_class.plausible?("loss_share", 0.9)).to be(false)
    expect(described_class.plausible?("uptake_share", 0.6)).to be(true)
  end
end

RSpec.describe MossyAnvil::Model::Shelf do
  it "is enough only with what nobody else holds, else says how many packs" do
    expect(described_class.new(left_g: 800, reserved_g: 200, pack_g: 500, asked_g: 600)).to be_enough
    short = described_class.new(left_g: 800, reserved_g: 300, pack_g: 500, asked_g: 1100)
    expect([short.free_g, short.missing_g, short.packs]).to eq([500, 600, 2])
    expect(described_class.new(left_g: -20, reserved_g: 0, pack_g: 500, asked_g: 10).missing_g).to eq(10)
  end
end

RSpec.describe MossyAnvil::Shop::ShelfLife do
  it "goes off so many months after it is opened, by what it is" do
    opened = Date.new(2030, 1, 31)
    days = [%w[finishes drying_oil], %w[finishes ca_film], %w[glues pva], %w[pigments mica]]
    expect(days.map { |kind, like| described_class.goes_off_on(kind, like, opened)&.iso8601 }).to eq(
      ["2031-01-31", "2030-07-31", "2031-01-31", nil]
    )
    expect(described_class.goes_off_on("finishes", "wax", nil)).to be_nil
    # A month shorter than the day it was opened on ends on its last day.
    expect(described_class.goes_off_on("finishes", "ca_film", Date.new(2030, 8, 31)).iso8601).to eq("2031-02-28")
  end

  it "says so a month before, and from the day on" do
    day = Date.new(2030, 7, 31)
    states = [Date.new(2030, 6, 30), Date.new(2030, 7, 1), Date.new(2030, 7, 30), day, Date.new(2031, 1, 1)]
    expect(states.map { |today| described_class.state(day, today) }).to eq([nil, "soon", "soon", "off", "off"])
    expect(described_class.state(nil, day)).to be_nil
  end
end

RSpec.describe MossyAnvil::Shop::Wait do
  let(:start) { Time.utc(2030, 5, 1, 8) }

  def wait(**more) =
    described_class.new(started_at: start, earliest_at: start + 3600, likely_at: start + 7200, cure: true, **more)

  it "takes what is still to go twice as long ten degrees colder, and what is over as over" do
    now = start + 3600 + 1800
    expect(wait.in_air(now, 20, 10)).to eq(earliest_at: start + 3600, likely_at: now + 3600)
    expect(wait.in_air(start, 10, 20)[:likely_at]).to eq(start + 3600)
    expect(wait(cure: false).in_air(now, 20, 10)[:likely_at]).to eq(start + 7200)
  end

  it "closes its ring as it goes" do
    expect(wait.share_done(start + 1800)).to eq(0.25)
    expect(wait.share_done(start + 99_999)).to eq(1.0)
  end
end
