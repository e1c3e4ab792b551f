# frozen_string_literal: true

require "rexml/document"

RSpec.describe MossyAnvil::Formats::SkinMap do
  def drawing(*defects, **changes) =
    REXML::Document.new(described_class.new(blank(defects: defects, **changes)).svg).root

  # What is drawn for a defect, as numbers in mm, margin off.
  def numbers(root, id, element, attribute)
    root
      .get_elements("//g[@id='#{id}']/#{element}")
      .map { |found| found.attributes[attribute].scan(/-?\d+\.\d+/).map(&:to_f) }
  end

  it "is once round the blank wide and as tall as it is long, in mm, with a bar to measure" do
    root = drawing
    round = Math::PI * 240
    expect(root.attributes["width"].to_f).to be_within(0.001).of(round + 28)
    expect(%w[width height].map { |side| root.attributes[side] }).to all(end_with("mm"))
    expect(root.attributes["viewBox"].split.drop(2).map(&:to_f)).to eq(
      [root.attributes["width"].to_f, root.attributes["height"].to_f]
    )
    expect(root.get_elements("//rect").first.attributes["width"].to_f).to be_within(0.001).of(round)
    expect(root.get_elements("//path[@id='scale']").first.attributes["d"]).to include("h100M")
  end

  it "draws a crack at its hour and its height, tail above" do
    from, to =
      numbers(drawing(crack(clock_deg: 90, z_mm: [10, 50])), "b", "path", "d").first.each_slice(2).to_a.values_at(0, -1)
    expect([from[0], to[0]]).to all(be_within(0.01).of(Math::PI * 240 / 4))
    expect([from[1], to[1]]).to match([be_within(0.3).of(50), be_within(0.3).of(10)])
  end

  it "draws what runs over 12 o'clock at both ends of the map" do
    over = crack(path: [{ clock_deg: 350, z_mm: 30 }, { clock_deg: 10, z_mm: 30 }])
    expect(numbers(drawing(over), "b", "path", "d").size).to eq(2)
    expect(
      numbers(drawing(body("void", clock_deg: 0, contents: "air")), "v", "ellipse", "cx").flatten.map(&:round)
    ).to contain_exactly(0, (Math::PI * 240).round)
  end

  it "never lets a name be more than a name" do
    root = drawing(name: "<script>alert(1)</script> & Co")
    expect(root.get_elements("//script")).to eq([])
    expect(root.get_elements("title").first.text).to include("<script>alert(1)</script> & Co")
  end
end
