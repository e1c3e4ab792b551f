# frozen_string_literal: true

RSpec.describe MossyAnvil::Turn::Peel do
  let(:square) { { type: "block", width_mm: 150, height_mm: 150, length_mm: 60 } }

  def peel(depth_mm, rpm: 300, **changes) = described_class.new(blank(**changes), depth_mm: depth_mm).to_h(rpm)
  def at_stage(stage, rpm: 300, **changes) = described_class.new(blank(**changes), stage: stage).to_h(rpm)

  it "on a round blank lies that deep under the skin and meets what is there" do
    void = body("void", r_mm: 100, size_mm: [20, 40, 30], contents: "air")
    expect(peel(5, defects: [void])[:shares]).to match("sound" => be_within(1e-9).of(1))
    met = peel(20, defects: [void])
    expect(met[:rows].map { |row| row[:radius_mm] }).to all(be_within(1e-9).of(100))
    # in its own middle the ellipse is 40 x 30: area pi/4 a b, bent a little by the circle
    expect(met[:shares]["air"] * 2 * Math::PI * 100 * 60).to be_within(50).of(Math::PI / 4 * 40 * 30)
    expect(met[:rows].flat_map { |row| row[:stretches] }.map { |stretch| stretch[:id] }.uniq).to eq(["v"])
    expect(met[:worst]).to include(z_mm: be_within(4).of(30), knocks_per_s: 5.0)
  end

  it "on flats is in the air until it is down to them" do
    corner = Math.hypot(75, 75)
    at_corners = peel(corner - 90, shape: square)
    expect(at_corners[:shares]["air"]).to be_within(0.01).of(4 * 2 * Math.acos(75 / 90.0) / (2 * Math::PI))
    expect(at_corners[:worst][:knocks_per_s]).to be_within(1e-9).of(20)
    expect(peel(corner - 74, shape: square)).to include(shares: match("sound" => be_within(1e-9).of(1)), worst: nil)
  end

  it "adds up, turns with the blank, and says when it has come down to the form" do
    soft = ->(clock_deg) do
      [
        body("soft_zone", clock_deg: clock_deg, r_mm: 100, size_mm: [40, 60, 40], grade: "soft"),
        crack(clock_deg: clock_deg + 90)
      ]
    end
    here, turned = [0, 33].map { |clock_deg| peel(8, defects: soft[clock_deg])[:shares] }
    expect(here.values.sum).to be_within(1e-9).of(1)
    here.each { |kind, share| expect(turned[kind]).to be_within(0.003).of(share) }
    expect([4, 12].map { |depth| peel(depth, form: BlankHelper::BOWL)[:reaches_form] }).to eq([false, true])
  end

  it "refuses a depth that is none" do
    [-1, 120, Float::INFINITY, Float::NAN, nil, "4"].each do |depth|
      expect { peel(depth) }.to raise_error(MossyAnvil::InvalidInput, /depth_mm/)
    end
  end

  it "at a stage lies on what that stage leaves: the round, the outside, the hollow" do
    rounded, outside, hollowed = %w[rounded outside hollowed].map { |stage| at_stage(stage, form: BlankHelper::BOWL) }
    bowl = blank(form: BlankHelper::BOWL).form
    expect(rounded[:rows].map { |row| row[:radius_mm] }).to all(be_within(0.06).of(bowl.outside.largest_mm))
    [[outside, bowl.outside], [hollowed, bowl.inside]].each do |cut, profile|
      expect(cut[:rows].map { |row| row[:z_mm] }).to all(be_between(profile.first_z_mm, profile.last_z_mm))
      cut[:rows].each { |row| expect(row[:radius_mm]).to be_within(0.06).of(profile.radius_mm(row[:z_mm])) }
    end
    expect([outside, hollowed]).to all(include(reaches_form: true, depth_mm: nil))
  end

  it "shows a pocket that only the hollow opens at the hollow alone" do
    bowl = blank(form: BlankHelper::BOWL).form
    z_mm = (bowl.inside.first_z_mm + bowl.inside.last_z_mm) / 2.0
    pocket = body("void", r_mm: bowl.inside.radius_mm(z_mm), z_mm: z_mm, size_mm: [4, 20, 10], contents: "air")
    outside, hollowed = %w[outside hollowed].map { |stage| at_stage(stage, form: BlankHelper::BOWL, defects: [pocket]) }
    expect(outside[:shares]).to match("sound" => be_within(1e-9).of(1))
    expect(hollowed[:worst]).to include(z_mm: be_within(3).of(z_mm), knocks_per_s: 5.0)
  end

  it "refuses a stage this piece does not go through" do
    expect { at_stage("hollowed") }.to raise_error(MossyAnvil::InvalidInput, %r{/stage.*a form first})
    solid_form = BlankHelper::BOWL.except(:inside)
    expect { at_stage("hollowed", form: solid_form) }.to raise_error(MossyAnvil::InvalidInput, %r{/stage.*rounded})
    expect { at_stage("bark", form: BlankHelper::BOWL) }.to raise_error(MossyAnvil::InvalidInput, /stage/)
  end
end
