# frozen_string_literal: true

module MossyAnvil
  module Model
    # The wall of the finished piece all along it: the true shortest way through the wood from the hollow to the
    # outside.
    # The outside is the form's or, where the wood ends before the form does, the wood's own surface. Where that surface
    # runs out over the hollow there is a feather edge and no wall to measure: at those hours the wall counts only where
    # the wood reaches the form.
    class WallThickness
      Least = Struct.new(:thickness_mm, :z_mm, :r_mm, keyword_init: true)
      # Places along the inside, arrays of one size: z, inner radius and thickness, mm.
      Places = Struct.new(:z_mm, :r_mm, :thickness_mm)
      STEPS = 150
      # Where the wood leaves less than this share of the form's own wall, it is running out.
      FEATHER_SHARE = 0.5
      ANGLES = 96
      # Of the inside's points, so many are passed over for one that is looked at all along the wall.
      EVERY = 3
      FOUND = Cache.new(60)

      def initialize(form, shape)
        @form = form
        @shape = shape
      end

      # The walls of a form in a shape; the same ones as long as they are, and in any shape that has wood all round it.
      def self.of(form, shape) = FOUND.of([form, form.wood_all_round?(shape) ? nil : shape]) { new(form, shape) }

      # The least wall of a form that is hollow, in a shape.
      def self.least(form, shape) = of(form, shape).least

      # Least wall with the place on the inside where it is; nil where the form is not hollow.
      # Taken between two polylines of STEPS pieces and the profiles' own points, so never more than a few hundredths of
      # a mm too large.
      def least
        return unless @form.hollow?

        @least ||=
          begin
            thickness, at = nearest(inside_line, outside_line)
            Least.new(thickness_mm: thickness, z_mm: inside_line[at][0], r_mm: inside_line[at][1])
          end
      end

      # Places all along the inside of a hollow form, each with the wall there; the one where it is least among them.
      def places
        @places ||=
          begin
            z, r = by_axis(inside_line.each_slice(EVERY).map(&:first).push([least.z_mm, least.r_mm]))
            z0, r0, dz, dr = pieces(outside_line)
            from_z, from_r = [[z, z0], [r, r0]].map { |points, starts| points.reshape(points.size, 1) - starts }
            Places.new(z, r, to_pieces(from_z, from_r, dz, dr).min(axis: 1))
          end
      end

      # Clock hours, in degrees, at which the wood's own surface crosses the hollow: there is a feather edge. Empty on a
      # whole rim.
      def feather_clocks_deg
        @form.hollow? ? crosses.where.to_a.map { |column| column * (360.0 / ANGLES) } : []
      end

      private

      # From the axis over the closed end and along the outside to the rim, [z, r].
      def outside_line
        @outside_line ||=
          begin
            heights = heights_of(@form.outside)
            closed_line(
              [
                heights.to_a,
                Numo::DFloat.minimum(@form.outside.radii_mm(heights), nearest_surface(heights)).to_a
              ].transpose
            )
          end
      end

      # A line along the outside, led over the closed end to the axis.
      def closed_line(line)
        low, high = @form.z_span_mm
        return line if @form.open_both_ends?

        @form.opens == "tail" ? [[low, 0.0], *line] : [*line, [high, 0.0]]
      end

      def inside_line
        @inside_line ||=
          heights_of(@form.inside).then { |heights| [heights.to_a, @form.inside.radii_mm(heights).to_a].transpose }
      end

      # Even places along a profile, and its own points, where it may turn a corner.
      def heights_of(profile)
        low, high = profile.first_z_mm, profile.last_z_mm
        Numo::DFloat.cast(
          (Array.new(STEPS + 1) { |step| low + ((high - low) * step / STEPS) } + profile.points.map(&:first)).uniq.sort
        )
      end

      # The wood's nearest surface at each z, over the hours at which it does not cross the hollow; so far out that it
      # does not count where it does at all.
      def nearest_surface(heights)
        whole = surface(heights)
        whole += Numo::DFloat.cast(crosses).reshape(ANGLES, 1) * 1e6 if crosses.any?
        whole.shape[1] == 1 ? whole.min : whole.min(axis: 0)
      end

      # A Bit for each hour: does the wood run out over the hollow somewhere along it?
      def crosses
        @crosses ||= @form.wood_all_round?(@shape) ? Numo::Bit.zeros(ANGLES) : runs_out
      end

      def runs_out
        heights = heights_of(@form.inside)
        inner, outer =
          [@form.inside, @form.outside].map { |profile| profile.radii_mm(heights).reshape(1, heights.size) }
        wood = surface(heights) + (inner * 0)
        short = wood.lt(outer)
        (short & wood.lt(inner + (short.any? ? own_wall_mm * FEATHER_SHARE : 0))).count_true(axis: 1).gt(0)
      end

      # Least wall of the form itself, wherever the wood ends.
      def own_wall_mm
        heights = heights_of(@form.outside)
        nearest(inside_line, closed_line([heights.to_a, @form.outside.radii_mm(heights).to_a].transpose)).first
      end

      # Radius of the wood, hours x heights, or hours x 1 where it is the same along the axis.
      def surface(heights)
        radii = @shape.radius_mm(Numo::DFloat.new(ANGLES, 1).seq * (360.0 / ANGLES), heights.reshape(1, heights.size))
        radii.shape[0] == ANGLES ? radii : radii + Numo::DFloat.zeros(ANGLES, 1)
      end

      # Where each piece of a line begins and how far it goes, [z, r, dz, dr].
      def pieces(line)
        (z0, r0), (z1, r1) = by_axis(line[0...-1]), by_axis(line[1..])
        [z0, r0, z1 - z0, r1 - r0]
      end

      # Indexes of the points and pieces (that begin at z0, r0 and are so long) that may be nearest to each other.
      def near_pairs(z, r, z0, r0, long)
        to_starts = Numo::DFloat::Math.hypot(z.reshape(z.size, 1) - z0, r.reshape(r.size, 1) - r0)
        near = (to_starts - long).le(to_starts.min).where
        [near / z0.size, near % z0.size]
      end

      # [shortest distance from any point to any piece of the line, place of that point]. No piece can be nearer than
      # its own start less its length, so only those are measured to that may beat the nearest start of all.
      def nearest(points, line)
        z, r = by_axis(points)
        z0, r0, dz, dr = pieces(line)
        point, piece = near_pairs(z, r, z0, r0, Numo::DFloat::Math.hypot(dz, dr))
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
end
