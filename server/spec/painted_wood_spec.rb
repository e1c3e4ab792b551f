# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe MossyAnvil::Server::Prints::PaintedWood do
  prints = MossyAnvil::Server::Prints

  # A disc ⌀200 x 100.
  def disc(*defects)
    shape = { "type" => "disc", "diameter_mm" => 200, "length_mm" => 100 }
    MossyAnvil::Formats::BlankFile.from_data(JSON.parse(JSON.generate(blank_data(shape: shape, defects: defects))))
  end

  # With a crack at 3 o'clock, and a pocket that comes out at 9.
  let(:blank) do
    disc(
      crack(clock_deg: 90, z_mm: [30, 70], width_mm: 6, depth_mm: 20),
      body("void", clock_deg: 270, r_mm: 92, z_mm: 50, size_mm: [30, 30, 30], contents: "air")
    )
  end

  # How bright it is so many mm to the right of the middle of the piece and above it, of 255.
  def brightness(painted, right_mm, up_mm)
    image = Vips::Image.new_from_buffer(painted.jpeg, "")
    scale = described_class::WIDE / painted.mm_per_share
    x, y = described_class::CENTRE.map { |share| share * described_class::WIDE }
    image.extract_area((x + (right_mm * scale)).round - 2, (y - (up_mm * scale)).round - 2, 5, 5).avg
  end

  it "shows from each side what opens there, and not what opens elsewhere" do
    bare = brightness(prints::PaintedSide.new(blank, 1, 0), 0, 0)
    expect(brightness(prints::PaintedSide.new(blank, 1, 90), 0, 0)).to be < bare / 2
    expect(brightness(prints::PaintedSide.new(blank, 1, 270), 0, 0)).to be < bare / 2
    expect(brightness(prints::PaintedSide.new(blank, 1, 180), 0, 0)).to be_within(bare / 4).of(bare)
    # From 2 o'clock the crack at 3 lies above the middle: 100 mm times the sine of 30 degrees.
    expect(brightness(prints::PaintedSide.new(blank, 1, 60), 0, 50)).to be < bare / 2
  end

  it "shows an end as who stands before it sees it: from the headstock the clock runs the other way" do
    whole = disc(crack(clock_deg: 90, z_mm: [0, 100], width_mm: 12, depth_mm: 60))
    tail, head = %w[tail_face head_face].map { |face| prints::PaintedEnd.new(whole, 1, face) }
    expect(brightness(tail, 90, 0)).to be < brightness(tail, -90, 0) / 2
    expect(brightness(head, -90, 0)).to be < brightness(head, 90, 0) / 2
    expect([tail, head].map(&:about).map { |about| about["view"] }).to eq(%w[tail_face head_face])
  end

  it "paints where what is sent may be no SVG, and leaves that so" do
    MossyAnvil::Server.load_all
    expect(prints::PaintedEnd.new(blank, 1).jpeg).to start_with("\xFF\xD8".b)
    expect { Vips::Image.svgload_buffer(prints::PaintedEnd.new(blank, 1).svg) }.to raise_error(Vips::Error, /blocked/)
  end

  it "is the same for the same seed, and another for another" do
    one, same, other = [1, 1, 2].map { |seed| prints::PaintedEnd.new(blank, seed).jpeg }
    expect(same).to eq(one)
    expect(other).not_to eq(one)
  end
end
