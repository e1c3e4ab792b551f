# frozen_string_literal: true

RSpec.describe MossyAnvil::Placing::PlacementField do
  let(:present) { MossyAnvil::Model::Placement.present }
  let(:plain) { { kind: "disc", opens: "tail", curve: "straight", outside: [[10, 60], [50, 60]] } }

  def field(form: plain, shape: { type: "disc", diameter_mm: 160, length_mm: 80 }, **changes) =
    described_class.new(blank(form: form, shape: shape, **changes))

  it "knows the wood from the air: a corner of a square form-circle, a form past its side" do
    square = { type: "block", width_mm: 100, height_mm: 100, length_mm: 80 }
    # A circle of 60 goes past sides 50 off for 4 x 2 arccos(5/6) of the turn.
    share = 4 * 2 * Math.acos(50 / 60.0) / (2 * Math::PI)
    expect(field(shape: square).measure(present).air).to be_within(0.04).of(share)
    expect(field.measure(present).air).to eq(0)
    expect(field.measure(present.with(x_mm: 25.0)).air).to be > 0.1
  end

  it "is nothing where a centre is off the wood, the axis leans too far or the form goes past an end" do
    [{ x_mm: 90.0 }, { lean_x_mm: 60.0 }, { slide_mm: 31.0 }, { slide_mm: -11.0 }, { scale: 2.1 }].each do |move|
      expect(field.measure(present.with(**move))).to be_nil
    end
    expect(field.measure(present.with(slide_mm: 30.0))).not_to be_nil
  end

  it "weighs: a form off the middle of a uniform blank is balanced, one beside a resin body is not" do
    expect(field.measure(present).off_axis_mm).to be < 0.5
    heavy =
      field(
        defects: [
          body("resin_body", id: "r", density_kg_m3: 1400, clock_deg: 90, r_mm: 35, z_mm: 30, size_mm: [40, 40, 40])
        ]
      )
    expect(heavy.measure(present).off_axis_mm).to be > 0.8
    expect(heavy.measure(present.with(x_mm: 3.0)).off_axis_mm).to be < heavy.measure(present).off_axis_mm
  end

  it "yields by volume" do
    share = (60.0**2) * 40 / ((80.0**2) * 80)
    expect(field.measure(present).yield).to be_within(0.02).of(share)
    expect(field.measure(present.with(scale: 0.5)).yield).to be_within(0.02).of(share / 8)
  end

  it "sees what opens both skins, and leaves out what no longer does" do
    ring = {
      kind: "ring",
      opens: "tail",
      curve: "straight",
      outside: [[10, 60], [50, 60]],
      inside: [[10, 50], [50, 50]]
    }
    through =
      field(
        form: ring,
        defects: [
          crack(id: "t", clock_deg: 90, z_mm: [10, 70], depth_mm: 40),
          crack(id: "s", clock_deg: 270, z_mm: [10, 70], depth_mm: 23)
        ]
      )
    expect(through.measure(present).through).to eq(["t"])
    # The second ends 57 mm from the axis; with the axis 9 mm nearer to it, it opens both.
    expect(through.measure(present.with(x_mm: -9.0)).through).to include("s")
  end

  it "knows a natural edge at the mouth from a form that hangs in the air" do
    bowl = { kind: "winged", opens: "tail", curve: "straight", outside: [[10, 30], [70, 88]] }
    cap = {
      type: "outline",
      stations: [{ z_mm: 0, radii_mm: [90] * 12 }, { z_mm: 40, radii_mm: [90] * 12 }, { z_mm: 80, radii_mm: [50] * 12 }]
    }
    found = field(form: bowl, shape: cap).measure(present)
    expect(found.bark_rim).to eq(1.0)
    expect(field(form: bowl, shape: { type: "disc", diameter_mm: 200, length_mm: 80 }).measure(present).bark_rim).to eq(
      0.0
    )
  end
end
