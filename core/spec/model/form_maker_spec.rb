# frozen_string_literal: true

RSpec.describe MossyAnvil::Model::FormMaker do
  let(:log) { blank(shape: { type: "disc", diameter_mm: 160, length_mm: 200 }) }

  def made(kind, **measures) = described_class.new(log, kind, measures)

  def piece(kind, **measures)
    blank(
      shape: {
        type: "disc",
        diameter_mm: 160,
        length_mm: 200
      },
      form: JSON.parse(JSON.generate(made(kind, **measures).form), symbolize_names: true)
    )
  end

  def volume(piece) = MossyAnvil::Report::Assessment.new(piece, fineness: :fine).to_h[:stages].values.last[:volume_mm3]

  described_class.kinds.each do |row|
    it "makes a #{row["name"]} that the blank file takes, inside the wood, from no measures at all" do
      made_piece = piece(row["key"])
      low, high = made_piece.form.z_span_mm
      expect(low).to be >= 0
      expect(high).to be <= 200
      expect(made_piece.form.outside.largest_mm).to be <= 80
      expect(made(row["key"]).to_h[:measures].map { |measure| measure[:given] }).to all(be(false))
    end
  end

  it "turns a sphere of 80 mm to 268.1 ml, and a ring to its own" do
    expect(volume(piece("sphere", diameter_mm: 80))).to be_within(0.005 * 268_083).of(268_083)
    ring = piece("ring", bore_mm: 60, thickness_mm: 5, height_mm: 20)
    expect(volume(ring)).to be_within(0.005 * 20_420).of(Math::PI * ((35**2) - (30**2)) * 20)
    expect(ring.form).to be_open_both_ends
  end

  it "keeps to the measures given" do
    bowl = made("bowl", diameter_mm: 140, height_mm: 60, foot_mm: 50, wall_mm: 6, floor_mm: 9).form
    expect(bowl["outside"].first[1]).to eq(25)
    expect(bowl["outside"].last[1]).to eq(70)
    expect(bowl["outside"].last[0] - bowl["outside"].first[0]).to be_within(1e-6).of(60)
    expect(bowl["follows"]).to eq("wall_mm" => 6.0, "floor_mm" => 9.0)
    cup = piece("stem_cup", height_mm: 150, cup: 0.4, wall_mm: 4)
    expect(cup.form.wall_depth_mm).to be_within(0.5).of((150 * 0.4) - 4)
  end

  {
    { foot_mm: 170 } => %r{/measures/foot_mm: is 170.0: no more than its diameter},
    { height_mm: 500 } => %r{/measures/height_mm: is 500.0: at most 200},
    { wall_mm: Float::NAN } => %r{/measures/wall_mm: is .*: a number from 0},
    { wall_mm: "7" } => %r{/measures/wall_mm},
    { depth_mm: 3 } => %r{/measures/depth_mm: is no measure of a bowl},
    { fullness: 2 } => %r{/measures/fullness: is 2: a number from 0 to 1}
  }.each do |measures, said|
    it("refuses #{measures}") { expect { made("bowl", **measures) }.to raise_error(MossyAnvil::InvalidInput, said) }
  end

  it("refuses a kind there is not") do
    expect { made("teapot") }.to raise_error(MossyAnvil::InvalidInput, %r{/kind: is .teapot.: bowl, })
  end
end
