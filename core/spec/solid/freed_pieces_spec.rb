# frozen_string_literal: true

RSpec.describe MossyAnvil::Solid::FreedPieces do
  # A chord across the tail face at 80 mm from the axis, and a crack round the side under it.
  def chord(depth_mm: 20, **changes)
    ends = Math.acos(80 / 120.0) / MossyAnvil::ClockAngle::RADIANS
    {
      id: "c",
      type: "crack",
      enters: "tail_face",
      depth_mm: depth_mm,
      width_mm: 1,
      path: [-ends, ends].map { |turn| { clock_deg: (90 + turn) % 360, z_mm: 60, r_mm: 120 } }
    }.merge(changes)
  end

  def round(depth_mm: 45, from: 35, to: 145, **changes)
    {
      id: "s",
      type: "crack",
      enters: "side",
      depth_mm: depth_mm,
      width_mm: 1,
      path: [{ clock_deg: from, z_mm: 40 }, { clock_deg: to, z_mm: 40 }]
    }.merge(changes)
  end

  def pieces(*cracks)
    made = blank(defects: cracks)
    described_class.new(made.shape, MossyAnvil::Model::DefectIntersections.open_seams(made)).all
  end

  let(:segment_mm2) { ((120**2) * Math.acos(80 / 120.0)) - (80 * Math.sqrt((120**2) - (80**2))) }

  it "finds what a chord and a crack under it free, by the segment of a circle" do
    found = pieces(chord, round)
    expect(found.size).to eq(1)
    expect(found.first).to have_attributes(
      ids: %w[c s],
      volume_mm3: be_within(0.12 * segment_mm2 * 20).of(segment_mm2 * 20),
      clock_deg: be_within(4).of(90),
      radius_mm: be_within(6).of(94),
      z_mm: be_within(3).of(50)
    )
  end

  it "frees nothing while a bridge is left: the crack under it too shallow or too short, the chord too shallow, or one of them glued" do
    [
      [chord, round(depth_mm: 25)],
      [chord, round(to: 100)],
      [chord(depth_mm: 8), round],
      [chord(mend: "epoxy"), round],
      [chord],
      [round]
    ].each { |cracks| expect(pieces(*cracks)).to eq([]) }
  end

  it "finds it over 12 o'clock as well, and turned by any angle" do
    [0, 30, 271].each do |turn|
      turned =
        [chord, round].map do |crack|
          crack.merge(path: crack[:path].map { |point| point.merge(clock_deg: (point[:clock_deg] + turn) % 360) })
        end
      found = pieces(*turned)
      expect(found.size).to eq(1)
      expect(MossyAnvil::ClockAngle.turn(found.first.clock_deg, 90 + turn).abs).to be < 5
    end
  end

  it "finds a wedge between two cracks to the axis and one across them" do
    wedge = [0, 60].map { |clock_deg| crack(id: "r#{clock_deg}", clock_deg: clock_deg, z_mm: [0, 60], depth_mm: 120) }
    expect(pieces(*wedge).map(&:volume_mm3).sum).to be_within(0.1 * Math::PI * (120**2) * 10).of(
      Math::PI * (120**2) * 10
    )
    expect(pieces(wedge.first)).to eq([])
  end
end

RSpec.describe "What cracks do between them" do
  ends = Math.acos(80 / 120.0) * 180 / Math::PI
  chord = {
    id: "c",
    type: "crack",
    enters: "tail_face",
    depth_mm: 20,
    width_mm: 1,
    path: [-ends, ends].map { |turn| { clock_deg: (90 + turn) % 360, z_mm: 60, r_mm: 120 } }
  }
  under = {
    id: "s",
    type: "crack",
    enters: "side",
    depth_mm: 45,
    width_mm: 1,
    path: [{ clock_deg: 35, z_mm: 40 }, { clock_deg: 145, z_mm: 40 }]
  }

  it "stops the lathe for a piece they have cut free, at every stage, and says what it weighs and where it is" do
    found = assess(defects: [chord, under], form: BlankHelper::BOWL)
    expect(found.slice(:verdict, :freed)).to match(
      verdict: "stop",
      freed: [a_hash_including(ids: %w[c s], mass_g: be_within(8).of(59.5))]
    )
    expect(found[:stages].values.map { |stage| stage.values_at(:limit_rpm, :governed_by, :unsafe) }).to all(
      eq([0.0, "freed_piece", true])
    )
    expect(found[:advice][:survey]).to include(
      a_hash_including(key: "advice.freed", amounts: a_hash_including(ids: { value: %w[c s], unit: "ids" }))
    )
    expect(found[:next_move]).to include(key: "move.free", amounts: { ids: { value: %w[c s], unit: "ids" } })
    expect(found[:stages][:blank][:loose_pieces]).to match([a_hash_including(id: "c+s", throw_energy_j: be_positive)])
  end

  it "warns of what would meet within the doubt, and stops nothing for it" do
    found = assess(defects: [chord.merge(depth_mm: 10, depth_range_mm: [8, 22]), under])
    expect(found.slice(:freed, :meetings)).to match(
      freed: [],
      meetings: [a_hash_including(ids: %w[c s], likely: false)]
    )
    expect(keys(found[:advice][:turn])).to include("advice.turn.worst_not_at_all")
    expect(keys(found[:advice][:survey])).to include("advice.may_intersect")
    expect(found[:stages][:blank][:governed_by]).not_to eq("freed_piece")
  end

  it "only warns where they meet and free nothing, and is quiet once one is glued" do
    met = assess(defects: [chord, under.merge(path: [{ clock_deg: 60, z_mm: 45 }, { clock_deg: 100, z_mm: 45 }])])
    expect(met.slice(:freed, :meetings)).to match(freed: [], meetings: [a_hash_including(ids: %w[c s], likely: true)])
    expect(keys(met[:advice][:survey])).to include("advice.intersect")
    glued = assess(defects: [chord.merge(mend: "epoxy"), under])
    expect(glued.slice(:freed, :meetings)).to eq(freed: [], meetings: [])
  end
end

RSpec.describe MossyAnvil::Model::DefectIntersections do
  def meetings(*cracks) = described_class.new(blank(defects: cracks)).all

  def down(id, clock_deg, depth_mm: 25, **more) =
    crack(id: id, clock_deg: clock_deg, z_mm: [0, 60], depth_mm: depth_mm, **more)

  it "finds two that cross on the skin, and where" do
    across = {
      id: "x",
      type: "crack",
      enters: "side",
      depth_mm: 10,
      width_mm: 1,
      path: [{ clock_deg: 40, z_mm: 20 }, { clock_deg: 80, z_mm: 20 }]
    }
    expect(meetings(down("d", 60), across)).to match(
      [have_attributes(ids: %w[d x], clock_deg: be_within(1).of(60), z_mm: be_within(1).of(20))]
    )
  end

  it "finds two that meet only inside: a crack from the side and one from the face" do
    face = {
      id: "f",
      type: "crack",
      enters: "tail_face",
      depth_mm: 15,
      width_mm: 1,
      path: [{ clock_deg: 60, z_mm: 60, r_mm: 20 }, { clock_deg: 60, z_mm: 60, r_mm: 100 }]
    }
    expect(meetings(down("d", 60), face).map(&:ids)).to eq([%w[d f]])
    expect(meetings(down("d", 60, depth_mm: 15), face)).to eq([])
  end

  it "does not take neighbours for meeting, nor cracks that are glued" do
    expect(meetings(down("a", 60), down("b", 64))).to eq([])
    across = {
      id: "x",
      type: "crack",
      enters: "side",
      depth_mm: 10,
      width_mm: 1,
      path: [{ clock_deg: 40, z_mm: 20 }, { clock_deg: 80, z_mm: 20 }]
    }
    expect(meetings(down("a", 60, mend: "epoxy"), across)).to eq([])
  end

  it "says the same whichever was found first" do
    across = {
      id: "x",
      type: "crack",
      enters: "side",
      depth_mm: 10,
      width_mm: 1,
      path: [{ clock_deg: 355, z_mm: 20 }, { clock_deg: 5, z_mm: 20 }]
    }
    expect(
      [[down("d", 0), across], [across, down("d", 0)]].map do |cracks|
          meetings(*cracks).map { |meeting| meeting.ids.sort }
        end
        .uniq
    ).to eq([[%w[d x]]])
  end
end
