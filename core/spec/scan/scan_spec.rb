# frozen_string_literal: true

# Made-up scans of bodies whose volume, centre and area are known.
module ScanHelper
  # Rings of points [r, z] turned round an axis off by [x, y]; closed by a point at each end. List of triangles.
  def turned(profile, steps: 96, off: [0, 0])
    rings =
      profile.map do |r, z|
        Array.new(steps) do |step|
          (step * 2 * Math::PI / steps).then { |a| [off[0] + (r * Math.sin(a)), off[1] + (r * Math.cos(a)), z] }
        end
      end
    ends = [[rings.first, [*off, profile.first[1]]], [rings.last, [*off, profile.last[1]]]]
    walls =
      rings
        .each_cons(2)
        .flat_map do |low, high|
          steps.times.flat_map { |at| quad(low[at], low[(at + 1) % steps], high[(at + 1) % steps], high[at]) }
        end
    caps =
      ends.each_with_index.flat_map do |(ring, middle), top|
        steps.times.map do |at|
          [middle, ring[at], ring[(at + 1) % steps]].then { |face| top.zero? ? face : face.reverse }
        end
      end
    walls + caps
  end

  def quad(a, b, c, d) = [[a, c, b], [a, d, c]]

  # A box with the corner at its far top cut off by so much along each side.
  def cut_box(width, height, length, cut)
    w, h, l = width, height, length
    polygons = [
      [[0, 0, 0], [0, h, 0], [w, h, 0], [w, 0, 0]],
      [[0, 0, 0], [w, 0, 0], [w, 0, l], [0, 0, l]],
      [[0, 0, 0], [0, 0, l], [0, h, l], [0, h, 0]],
      [[0, 0, l], [w, 0, l], [w, h - cut, l], [w - cut, h, l], [0, h, l]],
      [[w, 0, 0], [w, h, 0], [w, h, l - cut], [w, h - cut, l], [w, 0, l]],
      [[0, h, 0], [0, h, l], [w - cut, h, l], [w, h, l - cut], [w, h, 0]],
      [[w, h - cut, l], [w, h, l - cut], [w - cut, h, l]]
    ]
    polygons.flat_map { |corners| (1..(corners.size - 2)).map { |at| [corners[0], corners[at], corners[at + 1]] } }
  end

  def binary_stl(triangles)
    ["made up".ljust(80), triangles.size].pack("a80V") +
      triangles.map { |corners| [0, 0, 0, *corners.flatten, 0].pack("e12v") }.join
  end

  def text_stl(triangles)
    lines =
      triangles.map do |corners|
        "facet normal 0 0 0\n outer loop\n#{
          corners.map { |corner| "  vertex #{corner.join(" ")}\n" }.join
        } endloop\nendfacet\n"
      end
    "solid lump\n#{lines.join}endsolid lump\n"
  end

  def obj(triangles)
    "# a lump\n#{triangles.flatten(1).map { |corner| "v #{corner.join(" ")}\n" }.join}#{
      triangles.size.times.map { |at| "f #{(at * 3) + 1}/1 #{(at * 3) + 2}//2 #{(at * 3) + 3}\n" }.join
    }"
  end

  def sphere(radius, rings: 96) =
    (1...rings).map { |step| (step * Math::PI / rings).then { |a| [radius * Math.sin(a), radius * (1 - Math.cos(a))] } }
end

RSpec.describe MossyAnvil::Scan::Mesh do
  include ScanHelper

  def mesh(triangles) = MossyAnvil::Scan::MeshFile.read(binary_stl(triangles))

  it "has the volume, centre and area of a ball within one part in a hundred" do
    ball = mesh(turned(sphere(40)))
    expect(ball.volume_mm3).to be_within(0.01 * 268_083).of(268_083)
    expect(ball.area_mm2).to be_within(0.01 * 20_106).of(20_106)
    expect(ball.centre_mm).to match([0, 0, 40].map { |mm| be_within(0.4).of(mm) })
    expect(ball).to be_closed
  end

  it "has those of a cylinder off its axis" do
    cylinder = mesh(turned([[30, 0], [30, 100]], off: [12, -7]))
    expect(cylinder.volume_mm3).to be_within(0.01 * Math::PI * 90_000).of(Math::PI * 90_000)
    expect(cylinder.area_mm2).to be_within(250).of((2 * Math::PI * 30 * 100) + (2 * Math::PI * 900))
    expect(cylinder.centre_mm).to match([12, -7, 50].map { |mm| be_within(0.1).of(mm) })
  end

  # By hand: a corner of three right angles, 30 mm along each side, holds 30^3 / 6 = 4500 mm3, its middle a quarter of
  # 30 in from the corner.
  # It takes three half squares of 450 mm2 and leaves one face of sqrt(3) / 4 x (30 sqrt 2)^2 = 779.4 mm2.
  it "has those of a box with a corner cut off, to the last figure" do
    box = mesh(cut_box(60, 80, 100, 30))
    whole = 480_000
    centre = [60, 80, 100].map { |side| ((whole * side / 2.0) - (4500 * (side - 7.5))) / (whole - 4500) }
    expect(box.volume_mm3).to be_within(1e-3).of(whole - 4500)
    expect(box.area_mm2).to be_within(1e-2).of((2 * (4800 + 6000 + 8000)) - (3 * 450) + 779.42)
    expect(box.centre_mm).to match(centre.map { |mm| be_within(1e-4).of(mm) })
  end

  it "knows a surface with a hole" do
    expect(mesh(turned(sphere(40)).drop(3000))).not_to be_closed
  end
end

RSpec.describe MossyAnvil::Scan::MeshFile do
  include ScanHelper

  let(:box) { cut_box(60, 80, 100, 30) }

  it "reads the same from binary STL, text STL and OBJ, and other units" do
    volumes = [binary_stl(box), text_stl(box), obj(box)].map { |bytes| described_class.read(bytes).volume_mm3 }
    expect(volumes).to all(be_within(1e-2).of(475_500))
    expect(described_class.read(obj(box), scale: 25.4).volume_mm3).to be_within(1e-6 * 475_500 * (25.4**3)).of(
      475_500 * (25.4**3)
    )
    expect(described_class.read("v 0 0 0\nv 9 0 0\nv 9 9 0\nv 0 9 0\nf -4 -3 -2 -1\n").size).to eq(2)
  end

  {
    "nothing" => ["", /holds no triangles/],
    "a picture" => ["\x89PNG\r\n\xFF\xFE".b, /neither text nor a binary STL/],
    "an empty STL" => ["solid x\nendsolid", /no triangles/],
    "a word for a number" => ["solid x\nvertex 1 2 three\nvertex 1 2 3\nvertex 4 5 6\nendsolid", /holds "three"/],
    "a broken triangle" => ["solid x\nvertex 1 2 3\nvertex 1 2 4\nendsolid", /breaks off/],
    "infinity" => ["v 1e400 0 0\nv 1 1 0\nv 0 1 0\nf 1 2 3", /numbers that are none/],
    "a corner there is not" => ["v 0 0 0\nv 1 1 0\nf 1 2 9", /1 to 2, the corners there are/],
    "a corner before the first" => ["v 0 0 0\nf 1 -3 1", /corner "-3"/],
    "two numbers" => ["v 0 0\nf 1 1 1", /without three numbers/],
    "a count that lies" => [["x" * 80, 4_000_000_000].pack("a80V"), /neither text/]
  }.each do |name, (bytes, said)|
    it("refuses #{name}") do
      expect { described_class.read(bytes, at: "/file") }.to raise_error(MossyAnvil::InvalidInput, said)
    end
  end

  # Each was many times as large in memory, or as long in time, as it is in bytes.
  {
    "one face without end" => ["v 0 0 0\nv 1 0 0\nv 0 1 0\nf #{"1 2 3 " * 10_000}\n", /a line of \d+ bytes/],
    "an STL of words without a corner" => ["solid x\n#{"facet normal 0 0 1 " * 40_000}", /no corner in/],
    "lines without end" => ["v 0 0 0\n#{"#\n" * 2_000_001}", /holds 200000\d lines/],
    "corners without a face" => ["v 0 0 0\n" * 800_000, /thin the scan out/]
  }.each do |name, (bytes, said)|
    it("refuses #{name}") do
      expect { described_class.read(bytes, at: "/file") }.to raise_error(MossyAnvil::InvalidInput, said)
    end
  end

  it "passes over blank lines, however many" do
    expect(
      described_class.read("v 0 0 0\n#{"\n" * 3_000_000}v 9 0 0\r\n\r\nv 0 9 0\nv 0 0 9\nf 1 2 3\nf 1 2 4\n").size
    ).to eq(2)
  end

  it "refuses more than it can take before reading it" do
    too_many = described_class::MOST_TRIANGLES + 1
    expect { described_class.read(["", too_many].pack("a80V") + ("\0" * 50 * too_many)) }.to raise_error(
      MossyAnvil::InvalidInput,
      /thin the scan out/
    )
  end
end

RSpec.describe MossyAnvil::Scan::ScanReport do
  include ScanHelper

  def report(triangles, **how) = described_class.new(binary_stl(triangles), **how).to_h

  it "makes an outline of a ball, of a cylinder off its axis and of a box that holds as much as the body does" do
    {
      turned(sphere(40)) => 268_083,
      turned([[30, 0], [30, 100]], off: [12, -7]) => Math::PI * 90_000,
      cut_box(60, 80, 100, 30) => 475_500
    }.each do |triangles, mm3|
      found = report(triangles)
      expect(found[:outline_mm3]).to be_within(0.01 * mm3).of(mm3)
      expect(found[:says]).to eq([])
    end
  end

  it "refuses what is flat, and what is in another unit" do
    flat = "v 0 0 0\nv 90 0 0\nv 0 90 0\nv 90 90 0\nf 1 2 3\nf 2 4 3\n"
    expect { described_class.new(flat) }.to raise_error(
      MossyAnvil::InvalidInput,
      /measures 90 by 90 by 0 mm: 1 to 5000 mm each way/
    )
    expect { report(cut_box(60, 80, 100, 30), unit: "m") }.to raise_error(MossyAnvil::InvalidInput, /another unit/)
    expect { described_class.new(flat.gsub("90", "1e300").sub("v 0 0 0", "v 0 0 9")) }.to raise_error(
      MossyAnvil::InvalidInput,
      /another unit/
    )
  end

  it "centres it, so that a cylinder off its axis runs true" do
    radii = report(turned([[30, 0], [30, 100]], off: [12, -7]))[:stations].flat_map { |station| station[:radii_mm] }
    expect(radii.minmax).to match([be_within(0.2).of(30), be_within(0.2).of(30)])
  end

  it "turns the axis that is asked for to the lathe's, and end for end without mirroring" do
    cone = turned([[40, 0], [10, 100]])
    lying = cone.map { |corners| corners.map { |x, y, z| [z, x, y] } }
    upright, turned_up, about = report(cone), report(lying, axis: "x"), report(cone, reversed: true)
    widths = ->(found) { found[:stations].values_at(0, -1).map { |station| station[:radii_mm].max } }
    expect(widths[upright]).to match([be_within(0.3).of(40), be_within(0.3).of(10)])
    expect(widths[turned_up]).to match([be_within(0.3).of(40), be_within(0.3).of(10)])
    expect(widths[about]).to match([be_within(0.3).of(10), be_within(0.3).of(40)])
    bump = cut_box(60, 80, 100, 30)
    corner = ->(found) { found[:stations][-3][:radii_mm].each_slice(18).map(&:sum) }
    expect(corner[report(bump)].each_with_index.min[1]).to eq(0)
    # From the other end what was at half past one is at half past ten.
    expect(
      report(bump, reversed: true)[:stations][2][:radii_mm].each_slice(18).map(&:sum).each_with_index.min[1]
    ).to eq(3)
  end

  it "says what an outline cannot hold, and refuses a lump that does not close round its axis" do
    bowl = turned([[10, 60], [30, 0], [60, 0], [60, 80], [55, 80], [40, 65], [10, 61]])
    expect(report(bowl)[:says].first[:key]).to eq("scan.differs").or eq("scan.holes")
    far_apart = turned([[10, 0], [10, 40]], off: [100, 0]) + turned([[10, 0], [10, 40]], off: [-100, 0])
    expect { report(far_apart) }.to raise_error(MossyAnvil::InvalidInput, /does not close round its axis/)
  end

  it "refuses a heap of triangles that no lump's surface could be" do
    heap = Array.new(MossyAnvil::Scan::Stations::MOST_MET + 1) { |at| [[at * 0.1, 0, 0], [0, at * 0.1, 0], [0, 0, 9]] }
    expect { report(heap) }.to raise_error(MossyAnvil::InvalidInput, /one closed lump/)
  end
end
