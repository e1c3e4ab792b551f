# frozen_string_literal: true

RSpec.describe MossyAnvil::Model::SurveyTests do
  def reading(kind, shown, clock_deg: 90, z_mm: 30, **at)
    {
      :kind => kind,
      (shown.is_a?(Numeric) ? :value : :found) => shown,
      :at => {
        clock_deg: clock_deg,
        z_mm: z_mm,
        **at
      },
      :taken_at => "2030-05-01T09:00:00Z"
    }
  end

  def tested(*readings, **changes) =
    blank(readings: readings, shape: { type: "disc", diameter_mm: 200, length_mm: 100 }, **changes)
  def zones(*readings, **changes) = tested(*readings, **changes).defects

  # By hand: along z the zone ends where 6 mm comes down to 2 on the way to a sound 1 mm, at 50 + 20 x 4/5 = 66; the
  # other way 15 mm on, at 15.
  # Round it nobody looked further: 15 mm either way.
  it "makes a soft zone of three places where an awl goes 6 mm deep, ending between the last of them and the next sound one" do
    found = zones(*[30, 40, 50].map { |z_mm| reading("awl", 6, z_mm: z_mm) }, reading("awl", 1, z_mm: 70))
    expect(found.size).to eq(1)
    expect(found.first).to have_attributes(
      id: "t1",
      type: "soft_zone",
      clock_deg: be_within(1e-6).of(90),
      radius_mm: be_within(1e-6).of(100),
      z_mm: be_within(1e-6).of((15 + 66) / 2.0)
    )
    expect(found.first.size_mm).to match([30, 30, 51].map { |mm| be_within(1e-6).of(mm) })
    expect(found.first.detail).to include(grade: "soft", by_test: true)
  end

  it "says nothing of a zone the survey has already, at all its soft places and as soft" do
    awls = [30, 40, 50].map { |z_mm| reading("awl", 6, z_mm: z_mm) }
    known = ->(grade, z_mm = 40.5) do
      body("soft_zone", id: "s", clock_deg: 90, r_mm: 100, z_mm: z_mm, size_mm: [30, 30, 51], grade: grade)
    end
    by_test = ->(*defects) { zones(*awls, defects: defects).select(&:by_test?).size }
    expect([by_test[known["soft"]], by_test[known["spongy"]], by_test[known["firm"]], by_test[known["soft", 5]]]).to eq(
      [0, 0, 1, 1]
    )
  end

  it "grades by the deepest, and takes a crumbling nail and a drunk drop for an awl that went in" do
    expect(zones(reading("awl", 9), reading("awl", 3, z_mm: 40)).map { |zone| zone.detail[:grade] }).to eq(["spongy"])
    expect(zones(reading("thumbnail", "crumbles")).map { |zone| zone.detail[:grade] }).to eq(["soft"])
    expect(zones(reading("drop", "drinks")).map { |zone| zone.detail[:grade] }).to eq(["firm"])
    expect(
      zones(reading("awl", 1), reading("drop", "beads"), reading("thumbnail", "dents"), reading("tap", "clear"))
    ).to eq([])
  end

  it "parts two soft places with a sound one between, and joins them over 12 o'clock" do
    expect(zones(reading("awl", 6, z_mm: 20), reading("awl", 1, z_mm: 40), reading("awl", 6, z_mm: 60)).size).to eq(2)
    expect(zones(reading("awl", 6, clock_deg: 355), reading("awl", 6, clock_deg: 5)).map(&:clock_deg)).to match(
      [be_within(1e-6).of(0).or(be_within(1e-6).of(360))]
    )
  end

  it "finds a zone on a face as well, under the face" do
    found = zones(reading("awl", 6, z_mm: 100, r_mm: 50)).first
    expect(found).to have_attributes(clock_deg: be_within(1e-6).of(90), radius_mm: be_within(1e-6).of(50), z_mm: 100.0)
    expect(found.size_mm).to match([30, 30, 30].map { |mm| be_within(1e-6).of(mm) })
  end

  it "puts down as loose what moves under the blade, unless that is known" do
    expect(zones(reading("pry", "moves"))).to match(
      [have_attributes(type: "loose_piece", radius_mm: 92.5, detail: include(bonded_share: 0.2))]
    )
    known = body("loose_piece", clock_deg: 90, r_mm: 95, bonded_share: 0.5)
    expect(zones(reading("pry", "moves"), defects: [known]).map(&:id)).to eq(["v"])
    expect(zones(reading("pry", "holds"))).to eq([])
  end

  it "suspects a hollow behind a dull knock in the worst case only, and only where nothing explains it" do
    dull = tested(reading("tap", "dull"))
    expect([dull.defects, dull.suspects.map(&:type)]).to eq([[], ["void"]])
    stage = MossyAnvil::Report::Assessment.new(dull).to_h[:stages][:blank]
    expect(stage[:worst][:burst_rpm]).to be < stage[:burst_rpm]
    expect(tested(reading("tap", "dull"), defects: [crack(clock_deg: 92, z_mm: [20, 60])]).suspects).to eq([])
    expect(tested(reading("tap", "dull"), reading("awl", 6, z_mm: 35)).suspects).to eq([])
  end

  it "goes by the later word where the same place was tried again, whatever order they are given in" do
    soft, hard = reading("awl", 9), reading("awl", 1, z_mm: 33).merge(taken_at: "2030-06-01T09:00:00Z")
    expect([zones(soft, hard), zones(hard, soft)]).to eq([[], []])
    expect(zones(soft, reading("awl", 1, z_mm: 45).merge(taken_at: "2030-06-01T09:00:00Z")).size).to eq(1)
    expect(zones(reading("pry", "moves"), reading("pry", "holds").merge(taken_at: "2030-05-01T09:01:00Z"))).to eq([])
    # A clear knock says nothing of how soft the skin is.
    expect(zones(soft, reading("tap", "clear").merge(taken_at: "2030-06-01T09:00:00Z")).size).to eq(1)
    lit = [reading("lamp", "glows"), reading("lamp", "dark").merge(taken_at: "2030-05-02T09:00:00Z")]
    said = MossyAnvil::Report::Assessment.new(tested(*lit)).to_h[:advice][:survey]
    expect(keys(said)).not_to include("advice.tests.glows")
  end

  it "takes no longer for thousands of tests than for the latest two hundred" do
    many =
      Array.new(1500) do |index|
        reading("awl", index % 9, clock_deg: (index * 7) % 360, z_mm: index % 100).merge(
          taken_at: format("2030-05-01T09:00:%02dZ", index % 60)
        )
      end
    expect(tested(*many).tests.size).to be <= described_class::MOST
  end

  it "changes the answer: a spongy zone found by awl costs strength and mass as one that was surveyed" do
    readings = [30, 40].map { |z_mm| reading("awl", 12, z_mm: z_mm) }
    sound, spongy = [tested, tested(*readings)].map { |piece| MossyAnvil::Report::Assessment.new(piece).to_h }
    expect(spongy[:stages][:blank][:burst_rpm]).to be < sound[:stages][:blank][:burst_rpm]
    expect(spongy[:stages][:blank][:mass_g]).to be < sound[:stages][:blank][:mass_g]
    zone = tested(*readings).defects.first
    surveyed = body("soft_zone", clock_deg: 90, r_mm: 100, z_mm: 35, size_mm: zone.size_mm, grade: "spongy")
    expect(
      MossyAnvil::Report::Assessment.new(tested(defects: [surveyed])).to_h[:stages][:blank][:burst_rpm]
    ).to be_within(1e-6).of(spongy[:stages][:blank][:burst_rpm])
  end

  it "is made on the wood" do
    expect { tested(reading("awl", 6, z_mm: 101)) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/readings/0/at/z_mm: is 101}
    )
    expect { tested(reading("awl", 6, r_mm: 120)) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/readings/0/at/r_mm: is 120}
    )
    expect { tested(reading("tap", "muffled")) }.to raise_error(MossyAnvil::InvalidInput, %r{/readings/0/found})
  end
end

RSpec.describe "What tests say" do
  def test_at(kind, found, z_mm: 40) =
    { kind: kind, found: found, at: { clock_deg: 120, z_mm: z_mm }, taken_at: "2030-05-01T09:00:00Z" }

  it "is said in the survey, drawn apart from it, and a dull knock is among what to test next" do
    readings = [
      test_at("thumbnail", "crumbles"),
      test_at("pry", "moves"),
      test_at("lamp", "glows"),
      test_at("tap", "dull", z_mm: 2)
    ]
    found = assess(readings: readings)
    said = found[:advice][:survey]
    expect(keys(said)).to include("advice.tests.soft", "advice.tests.moves", "advice.tests.glows")
    expect(said.map { |advice| values(advice) }).to include(
      a_hash_including(id: "t1", grade: "grades.soft"),
      a_hash_including(id: "t2")
    )
    expect(found[:geometry][:by_test].map { |body| body[:id] }).to eq(%w[t1 t2])
    expect(found[:verdict]).to eq("mend")
    knock =
      blank(
        readings: [test_at("tap", "dull")],
        form: ring(118, 98, 60),
        lathe: BlankHelper::LATHE.merge("mass_kg" => 5, "stand" => "light")
      )
    expect(MossyAnvil::Report::NextTests.new(knock).to_a.first).to include(id: "u1", test: "probe", clock_deg: 120.0)
    expect(MossyAnvil::Report::Assessment.new(knock).to_h[:geometry][:suspects].size).to eq(1)
  end
end
