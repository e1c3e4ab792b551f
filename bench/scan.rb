# frozen_string_literal: true

# A scan of some 200,000 triangles, as a binary STL and as text, read and cut to stations.
class ScanBench
  ROUND, ALONG = 448, 224
  ROUNDS = 5

  def run
    puts "Scan of #{triangles.size} triangles"
    files = { "binary" => binary, "as text" => text }
    # A server holds no such list beside the file, and what is held is looked through at every collection of garbage.
    @triangles = nil
    files.each do |name, bytes|
      times = Times.taken(ROUNDS, warm_up: 1) { MossyAnvil::Scan::ScanReport.new(bytes).to_h }
      Times.say "#{name}, #{bytes.bytesize / 1_000_000} MB",
                format("p50 %.1f s, longest %.1f s", Times.median(times) / 1000, times.last / 1000)
    end
  end

  private

  # Of a ball with five bosses round it, each of three corners.
  def triangles
    @triangles ||=
      ALONG
        .times
        .to_a
        .product(ROUND.times.to_a)
        .flat_map do |row, step|
          here, next_one, across, below =
            corner(row, step),
            corner(row, step + 1),
            corner(row + 1, step + 1),
            corner(row + 1, step)
          [([here, below, across] if row < ALONG - 1), ([here, across, next_one] if row.positive?)].compact
        end
  end

  def corner(row, step)
    down, round = Math::PI * row / ALONG, 2 * Math::PI * (step % ROUND) / ROUND
    radius = 80 + (3 * Math.sin(5 * round) * (Math.sin(down)**2))
    [radius * Math.sin(down) * Math.cos(round), radius * Math.sin(down) * Math.sin(round), radius * Math.cos(down)]
  end

  def binary =
    ["", triangles.size].pack("a80V") + triangles.map { |corners| [0, 0, 1, *corners.flatten, 0].pack("e12v") }.join

  def text
    facets =
      triangles.map do |corners|
        vertices = corners.map { |place| format("    vertex %.6e %.6e %.6e\n", *place) }.join
        "facet normal 0.123456 -0.234567 0.964321\n  outer loop\n#{vertices}  endloop\nendfacet\n"
      end
    "solid ball\n#{facets.join}endsolid ball\n"
  end
end
