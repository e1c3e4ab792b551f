# frozen_string_literal: true

RSpec.describe MossyAnvil::Mend::GrooveMap do
  def map(*grooves) = described_class.new(grooves, ->(_) { 50.0 }, [0.0, 100.0], strength_mpa: 4.0)
  def ring(z_mm, deep: 4) =
    { width_mm: 6, depth_mm: deep, path: [{ clock_deg: 0, z_mm: z_mm }, { clock_deg: 360, z_mm: z_mm }] }
  def bar(clock_deg, from, to) =
    { width_mm: 6, depth_mm: 4, path: [{ clock_deg: clock_deg, z_mm: from }, { clock_deg: clock_deg, z_mm: to }] }

  it "takes of a ring its round times its width, and no more where two cross" do
    expect(map(ring(50)).area_mm2).to be_within(0.04 * 1885).of(2 * Math::PI * 50 * 6)
    expect(map(ring(50)).volume_mm3).to be_within(0.04 * 7540).of(2 * Math::PI * 50 * 6 * 4)
    expect(map(ring(50), ring(50)).area_mm2).to eq(map(ring(50)).area_mm2)
  end

  it "finds the islands between rings and bars, and which a light cut breaks out" do
    cage = Array.new(12) { |hour| bar(hour * 30, 40, 60) }.push(ring(40), ring(60))
    islands = map(*cage).islands
    expect(islands.size).to eq(12)
    expect(islands.map(&:area_mm2)).to all(be_within(70).of((26.2 - 6) * (20 - 6)))
    expect(map(ring(40), ring(60)).islands).to eq([])
    deep = map(*cage.map { |groove| groove.merge(depth_mm: 60) }).islands
    expect(islands).to all(satisfy { |island| !island.at_risk? })
    expect(deep).to all(be_at_risk)
  end

  it "lets a stump bear what bends its root: half of 4 MPa times its modulus over its height" do
    cage = Array.new(12) { |hour| bar(hour * 30, 40, 60) }.push(ring(40), ring(60))
    map(*cage).islands.each do |island|
      # Modulus of a square root: side^3 / 6; 4 mm high.
      side = Math.sqrt(island.area_mm2)
      expect(island.bears_n).to be_within(1e-6).of(0.5 * 4.0 * side * side * side / 6 / 4)
    end
  end
end
