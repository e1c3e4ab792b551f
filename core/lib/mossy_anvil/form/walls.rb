# frozen_string_literal: true

module MossyAnvil
  # The thinnest place of the finished piece: the true shortest way through the wood from the hollow to the outside.
  # The outside is the form's or, where the wood ends before the form does, the wood's own surface.
  class Walls
    Least = Struct.new(:thickness_mm, :z_mm, :r_mm, keyword_init: true)
    STEPS = 240

    def initialize(form, shape)
      @form = form
      @shape = shape
    end

    # Least wall with the place on the inside where it is; nil where the form is not hollow.
    # Taken between two polylines of STEPS pieces, so never more than a few hundredths of a mm too large.
    def least
      return unless @form.hollow?

      points = inside_line
      distances = distances_mm(points, outside_line)
      nearest = distances.min_index
      Least.new(thickness_mm: distances[nearest], z_mm: points[nearest][0], r_mm: points[nearest][1])
    end

    private

    # From the axis over the closed end and along the outside to the rim.
    def outside_line
      low, high = @form.z_span_mm
      reach = surface_radii(low, high)
      line = even(low, high).map { |z_mm| [z_mm, [@form.outside.radius_mm(z_mm), reach.call(z_mm)].min] }
      return line if @form.open_both_ends?

      @form.opens == "tail" ? [[low, 0.0], *line] : [*line, [high, 0.0]]
    end

    def inside_line
      even(@form.inside.first_z_mm, @form.inside.last_z_mm).map { |z_mm| [z_mm, @form.inside.radius_mm(z_mm)] }
    end

    def even(low, high) = Array.new(STEPS + 1) { |step| low + ((high - low) * step / STEPS) }

    # The wood's nearest surface at z, over the whole turn.
    def surface_radii(low, high)
      heights = even(low, high)
      angles = Numo::DFloat.new(96, 1).seq * (360.0 / 96)
      radii = @shape.radius_mm(angles, Numo::DFloat.cast(heights).reshape(1, heights.size))
      least = radii.shape[1] == 1 ? Array.new(heights.size, radii.min) : radii.min(axis: 0).to_a
      ->(z_mm) { least[((z_mm - low) / (high - low) * STEPS).round.clamp(0, STEPS)] }
    end

    # Shortest distance from each point to any piece of the line.
    def distances_mm(points, line)
      starts, ends = line[0...-1], line[1..]
      z, r = by_axis(points).map { |axis| axis.reshape(points.size, 1) }
      (z0, r0), (z1, r1) = by_axis(starts), by_axis(ends)
      dz, dr = z1 - z0, r1 - r0
      share = (((z - z0) * dz) + ((r - r0) * dr)) / Numo::DFloat.maximum((dz**2) + (dr**2), 1e-18)
      share = share.clip(0, 1)
      Numo::NMath.sqrt(((z - z0 - (share * dz))**2) + ((r - r0 - (share * dr))**2)).min(axis: 1)
    end

    def by_axis(points)
      table = Numo::DFloat.cast(points)
      [table[true, 0].dup, table[true, 1].dup]
    end
  end
end
