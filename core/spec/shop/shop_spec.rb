# frozen_string_literal: true

RSpec.describe MossyAnvil::Model::ShopRecords do
  it "counts from three on, the last dozen, each resin for itself" do
    rows =
      Array.new(20) { |index| { kind: "cure_factor", of: "a", value: index < 8 ? 9.0 : 1.5 } } +
        [{ kind: "cure_factor", of: "b", value: 2 }, { kind: "cure_factor", of: "b", value: 2 }]
    own = described_class.new(rows)
    expect(own.mean("cure_factor", "a")).to eq(1.5)
    expect(own.count("cure_factor", "a")).to eq(12)
    expect(own.mean("cure_factor", "b")).to be_nil
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
