# frozen_string_literal: true

require "rexml/document"

RSpec.describe MossyAnvil::Formats::SectionMap do
  def drawing(*defects, clock_deg: 90, **changes) =
    REXML::Document.new(described_class.new(blank(defects: defects, **changes), clock_deg: clock_deg).svg).root
  def points(root, path) =
    root.get_elements(path).first.attributes["d"].scan(/-?\d+\.\d+/).map(&:to_f).each_slice(2).to_a

  it "is as long as the blank and as tall as it is across, head to the left" do
    xs, ys = points(drawing, "//path[@id='wood']").transpose
    expect([xs.minmax, ys.minmax]).to eq([[0.0, 60.0], [0.0, 240.0]])
    expect(drawing.get_elements("title").first.text).to include("section, 3 o'clock above")
  end

  # By hand: the axis 10 mm off the middle towards 3 o'clock leaves 130 mm above, 110 below.
  it "shows both hours of a blank that is off its axis" do
    ys =
      points(
        drawing(shape: { type: "disc", diameter_mm: 240, length_mm: 60, centre_offset_mm: [10, 0] }),
        "//path[@id='wood']"
      ).map(&:last)
    expect(ys.minmax).to match([be_within(1e-6).of(0), be_within(1e-6).of(240)])
  end

  # By hand: a pocket of 40 across, middle 60 off the axis at 3 o'clock, cut through its middle: 120 - 60 = 60 down,
  # half of each extent either way.
  it "cuts a pocket where the plane meets it and leaves out what it misses" do
    pocket = body("void", clock_deg: 90, r_mm: 60, z_mm: 25, size_mm: [40, 30, 20], contents: "air")
    ellipse = drawing(pocket).get_elements("//g[@id='v']/ellipse").first.attributes
    expect(%w[cx cy rx ry].map { |name| ellipse[name].to_f }).to match(
      [25, 60, 10, 20].map { |mm| be_within(0.01).of(mm) }
    )
    expect(drawing(pocket, clock_deg: 0).get_elements("//g[@id='v']")).to eq([])
  end

  it "draws a crack near the cut from its mouth to its tip, deeper where it is deeper" do
    sloped =
      crack(depth_mm: 30, path: [{ clock_deg: 90, z_mm: 5, depth_mm: 10 }, { clock_deg: 90, z_mm: 55, depth_mm: 30 }])
    outline = points(drawing(sloped), "//g[@id='b']/path[2]")
    expect(outline.map(&:last).minmax).to match([be_within(0.01).of(0), be_within(0.5).of(30)])
    expect(outline.select { |x, _| x < 6 }.map(&:last).max).to be_within(0.5).of(10)
    expect(drawing(sloped, clock_deg: 140).get_elements("//g[@id='b']")).to eq([])
    expect(drawing(sloped, clock_deg: 270).get_elements("//g[@id='b']").size).to eq(1)
  end
end
