# frozen_string_literal: true

module MossyAnvil
  # The thinnest place of the finished piece: the true shortest way through the wood from the hollow to the outside.
  # The outside is the form's or, where the wood ends before the form does, the wood's own surface.
  class Walls
    Least = Struct.new(:thickness_mm, :z_mm, :r_mm, keyword_init: true)
    STEPS = 150
    ANGLES = 96
    FOUND = Recall.new(60)

    def initialize(form, shape)
      @form = form
      @shape = shape
    end

    # The least wall of a form that is hollow, in a shape.
    def self.least(form, shape) = FOUND.of([form, shape]) { new(form, shape).least }

    # Least wall with the place on the inside where it is; nil where the form is not hollow.
    # Taken between two polylines of STEPS pieces and the profiles' own points, so never more than a few hundredths of a mm too large.
    def least
      return unless @form.hollow?

      points = inside_line
      thickness, at = nearest(points, outside_line)
      Least.new(thickness_mm: thickness, z_mm: points[at][0], r_mm: points[at][1])
    end

    private

    # From the axis over the closed end and along the outside to the rim, [z, r].
    def outside_line
      low, high = @form.z_span_mm
      heights = heights_of(@form.outside)
      radii = Numo::DFloat.minimum(@form.outside.radii_mm(heights), nearest_surface(heights))
      line = [heights.to_a, radii.to_a].transpose
      return line if @form.open_both_ends?

      @form.opens == "tail" ? [[low, 0.0], *line] : [*line, [high, 0.0]]
    end

    def inside_line
      heights = heights_of(@form.inside)
      [heights.to_a, @form.inside.radii_mm(heights).to_a].transpose
    end

    # Even places along a profile, and its own points, where it may turn a corner.
    def heights_of(profile)
      low, high = profile.first_z_mm, profile.last_z_mm
      Numo::DFloat.cast((Array.new(STEPS + 1) { |step| low + ((high - low) * step / STEPS) } + profile.points.map(&:first)).uniq.sort)
    end

    # The wood's nearest surface at each z, over the whole turn.
    def nearest_surface(heights)
      angles = Numo::DFloat.new(ANGLES, 1).seq * (360.0 / ANGLES)
      radii = @shape.radius_mm(angles, heights.reshape(1, heights.size))
      radii.shape[1] == 1 ? radii.min : radii.min(axis: 0)
    end

    # [shortest distance from any point to any piece of the line, place of that point]. No piece can be nearer than its own start less its length,
    # so only those are measured to that may beat the nearest start of all.
    def nearest(points, line)
      (z, r), (z0, r0), (z1, r1) = by_axis(points), by_axis(line[0...-1]), by_axis(line[1..])
      dz, dr = z1 - z0, r1 - r0
      to_starts = Numo::DFloat::Math.hypot(z.reshape(z.size, 1) - z0, r.reshape(r.size, 1) - r0)
      near = (to_starts - Numo::DFloat::Math.hypot(dz, dr)).le(to_starts.min).where
      point, piece = near / z0.size, near % z0.size
      distances = to_pieces(z[point] - z0[piece], r[point] - r0[piece], dz[piece].dup, dr[piece].dup)
      distances.min_index.then { |at| [distances[at], point[at]] }
    end

    # Distances of places, told from the starts of as many straight pieces, to those pieces.
    def to_pieces(z, r, dz, dr)
      share = (((z * dz) + (r * dr)) / Numo::DFloat.maximum((dz * dz) + (dr * dr), 1e-18)).clip(0, 1)
      Numo::DFloat::Math.hypot(z - (share * dz), r - (share * dr))
    end

    def by_axis(points)
      table = Numo::DFloat.cast(points)
      [table[true, 0].dup, table[true, 1].dup]
    end
  end
end
