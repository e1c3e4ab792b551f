# frozen_string_literal: true

module MossyAnvil
  module Model
    # A radius along the axis, r(z): straight joins, or a monotone cubic that never overshoots its points.
    # Source of the cubic: Fritsch and Carlson (1980), tangents limited to a circle of radius 3.
    class Profile
      POLYLINE_PIECES = 240

      attr_reader :points

      # points: [[z_mm, r_mm], ...] with z rising. curve: "smooth" or "straight".
      def initialize(points, curve:)
        @points = points.map { |z_mm, r_mm| [z_mm.to_f, r_mm.to_f].freeze }.freeze
        @curve = curve
        @legs = legs(curve == "smooth" ? monotone_tangents : nil)
        @knots = Numo::DFloat.cast(@points[1...-1].map(&:first))
        @table = Numo::DFloat.cast(@legs.transpose)
        freeze
      end

      def first_z_mm = points.first[0]
      def last_z_mm = points.last[0]
      def largest_mm = points.map(&:last).max

      # Radius in mm at z (mm); beyond the ends, the radius of the end.
      def radius_mm(z_mm)
        z_mm = z_mm.clamp(first_z_mm, last_z_mm)
        index = (points.bsearch_index { |(z, _)| z > z_mm } || (points.size - 1)) - 1
        z0, width, *leg = @legs[index]
        at_share((z_mm - z0) / width, *leg)
      end

      # Radii in mm at an array of z (mm), of the same shape.
      def radii_mm(z_mm)
        # The leg each z lies on: how many of the points between the ends it has passed.
        leg =
          @knots.empty? ? Numo::Int32.zeros(*z_mm.shape) : z_mm.reshape(*z_mm.shape, 1).ge(@knots).count_true(axis: -1)
        own = @table[true, leg.flatten].dup.reshape!(@table.shape[0], *z_mm.shape)
        z0, width, *rest = Array.new(@table.shape[0]) { |row| own[row, false] }
        at_shares(InPlace.clip((z_mm - z0) / width, 0, 1), *rest)
      end

      # Cut into so many rings of even height: the sum of the radii at either edge of each, the way along the skin
      # between them and the height of its middle, arrays of mm.
      def rings(count)
        high = (last_z_mm - first_z_mm) / count
        edges = (Numo::DFloat.new(count + 1).seq * high) + first_z_mm
        radii = radii_mm(edges)
        along = Numo::DFloat::Math.sqrt(((radii[1..] - radii[0...-1])**2) + (high**2))
        [radii[1..] + radii[0...-1], along, (edges[1..] + edges[0...-1]) / 2]
      end

      # [[z_mm, r_mm], ...], `steps` even pieces to each leg, ends included; fewer where the legs are short and many.
      def polyline(steps: [12, (POLYLINE_PIECES / (points.size - 1.0)).ceil].min)
        points
          .each_cons(2)
          .flat_map { |(z0, _), (z1, _)| Array.new(steps) { |step| z0 + ((z1 - z0) * step / steps) } }
          .push(last_z_mm)
          .then { |line| line.zip(radii_mm(Numo::DFloat.cast(line)).to_a) }
      end

      private

      # For each leg: z it starts at, its width, and the cubic of its radius by the share of the way along it (constant
      # term first).
      # From radii and tangents at both ends (Hermite); without tangents a straight line.
      def legs(tangents)
        points
          .each_cons(2)
          .with_index
          .map do |((z0, r0), (z1, r1)), index|
            width = z1 - z0
            rise = r1 - r0
            t0, t1 = tangents ? [tangents[index] * width, tangents[index + 1] * width] : [rise, rise]
            [z0, width, r0, t0, (3 * rise) - (2 * t0) - t1, t0 + t1 - (2 * rise)].freeze
          end
          .freeze
      end

      def at_share(share, constant, linear, square, cube) =
        (((((share * cube) + square) * share) + linear) * share) + constant

      # The same over arrays.
      def at_shares(share, constant, linear, square, cube)
        sum = [square, linear].inject(share * cube) { |rest, more| InPlace.multiply(InPlace.add(rest, more), share) }
        InPlace.add(sum, constant)
      end

      def monotone_tangents
        slopes = points.each_cons(2).map { |(z0, r0), (z1, r1)| (r1 - r0) / (z1 - z0) }
        tangents = [
          slopes.first,
          *slopes.each_cons(2).map { |a, b| (a * b).positive? ? (a + b) / 2 : 0.0 },
          slopes.last
        ]
        slopes.each_with_index { |slope, index| limit_tangents(tangents, index, slope) }
        tangents.freeze
      end

      def limit_tangents(tangents, index, slope)
        return tangents[index] = tangents[index + 1] = 0.0 if slope.zero?

        length = Math.hypot(tangents[index] / slope, tangents[index + 1] / slope)
        return if length <= 3

        tangents[index] *= 3 / length
        tangents[index + 1] *= 3 / length
      end
    end
  end
end
