# frozen_string_literal: true

RSpec.describe MossyAnvil::Solid::SkinArea do
  def areas(form, **changes)
    piece = blank(form: form, **changes)
    described_class.new(piece.form, piece.shape).then { |area| [area.outside_mm2, area.inside_mm2] }
  end

  it "covers a cylinder with both its ends" do
    outside, inside = areas({ kind: "disc", opens: "tail", outside: [[0, 50], [40, 50]], curve: "straight" })
    expect(outside).to be_within(1e-6).of((2 * Math::PI * 50 * 40) + (2 * Math::PI * (50**2)))
    expect(inside).to eq(0)
  end

  it "covers a cup inside and out, its rim counted once" do
    cup = { kind: "bowl", opens: "tail", outside: [[0, 50], [40, 50]], inside: [[10, 40], [40, 40]], curve: "straight" }
    outside, inside = areas(cup)
    expect(outside).to be_within(1e-6).of(
      (2 * Math::PI * 50 * 40) + (Math::PI * (50**2)) + (Math::PI * ((50**2) - (40**2)))
    )
    expect(inside).to be_within(1e-6).of((2 * Math::PI * 40 * 30) + (Math::PI * (40**2)))
  end

  it "covers a cup that opens to the head as the same cup turned round" do
    cup = { kind: "bowl", opens: "tail", outside: [[0, 30], [40, 50]], inside: [[10, 20], [40, 40]], curve: "straight" }
    turned = {
      kind: "bowl",
      opens: "head",
      outside: [[0, 50], [40, 30]],
      inside: [[0, 40], [30, 20]],
      curve: "straight"
    }
    areas(turned).zip(areas(cup)) { |other, one| expect(other).to be_within(1e-6).of(one) }
  end

  it "leaves the floor out of a ring" do
    outside, inside = areas(ring(50, 40, 40))
    expect(inside).to be_within(1e-6).of(2 * Math::PI * 40 * 40)
    expect(outside).to be_within(1e-6).of((2 * Math::PI * 50 * 40) + (2 * Math::PI * ((50**2) - (40**2))))
  end

  it "counts only the share of the turn where there is wood" do
    square = { type: "block", width_mm: 80, height_mm: 80, length_mm: 40 }
    winged = { kind: "disc", opens: "tail", outside: [[0, 50], [40, 50]], curve: "straight" }
    share = 1 - (8 * Math.acos(40 / 50.0) / (2 * Math::PI))
    side = areas(winged, shape: square)[0] - (2 * Math::PI * (50**2) * share)
    expect(side).to be_within(0.06 * 2 * Math::PI * 50 * 40).of(2 * Math::PI * 50 * 40 * share)
  end
end
