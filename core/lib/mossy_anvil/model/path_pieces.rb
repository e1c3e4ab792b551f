# frozen_string_literal: true

module MossyAnvil
  module Model
    # A path on a shape, cut into pieces. On the side the angle turns evenly the short way; on a face it is straight.
    class PathPieces
      # Places along a path, the length each stands for, and how deep the path goes there: arrays of one size.
      Samples =
        Struct.new(:clock_deg, :radius_mm, :z_mm, :length_mm, :depth_mm, keyword_init: true) do
          def size = clock_deg.size
        end
      # Own points are filled up to a multiple of so many, so that most paths have equally many.
      POINTS = 8
      LENGTHS = Cache.new(500)

      # path: PathDefect.
      def initialize(path, shape)
        @path = path
        @shape = shape
      end

      # mm of each leg along the surface; worked out once for a shape.
      def lengths_mm = @lengths_mm ||= LENGTHS.of([@path, @shape]) { legs.map { |from, to| leg_length(from, to) } }

      # About `count` even pieces, as Samples.
      def even(count)
        legs
          .zip(lengths_mm, pieces_of(count))
          .map { |(from, to), length, pieces| leg_pieces(from, to, length / pieces, pieces) }
          .transpose
          .map { |parts| parts.size == 1 ? parts[0] : Numo::DFloat.hstack(parts) }
          .then { |columns| Samples.new(**Samples.members.zip(columns).to_h) }
      end

      # Even pieces and the path's own points after them, each a piece of no length.
      def with_points(even)
        parts = even.to_a.zip(own_points).map { |both| Numo::DFloat.hstack(both) }
        Samples.new(**Samples.members.zip(parts).to_h)
      end

      private

      def legs = @path.path.each_cons(2).to_a

      # So many of one leg, each so long.
      def leg_pieces(from, to, length_mm, pieces)
        share = (Numo::DFloat.new(pieces).seq + 0.5) / pieces
        depth = (share * (to[:depth_mm] - from[:depth_mm])) + from[:depth_mm]
        [*on_leg(from, to, share), Numo::DFloat.zeros(pieces) + length_mm, depth]
      end

      def own_points
        own = @path.path
        points = own + ([own.last] * (-own.size % POINTS))
        clock, z, depth, r =
          %i[clock_deg z_mm depth_mm r_mm].map { |name| Numo::DFloat.cast(points.map { |point| point[name].to_f }) }
        radius, z = @path.side? ? [@shape.radius_mm(clock, z) + (z * 0), z] : [r, (z * 0) + face_z_mm]
        [ClockAngle.fold_all(clock), radius, z, z * 0, depth]
      end

      # How many pieces each leg gets of so many: as its length, and at least one.
      def pieces_of(count)
        total = lengths_mm.sum
        gone = 0.0
        bounds = lengths_mm.map { |length| total.zero? ? 0 : (count * (gone += length) / total).round }
        [0, *bounds].each_cons(2).map { |from, to| [to - from, 1].max }
      end

      # [clock_deg, radius_mm, z_mm] at shares of the way along one leg.
      def on_leg(from, to, share)
        return across_face(from, to, share) unless @path.side?

        clock_deg = ClockAngle.fold_all((share * ClockAngle.turn(from[:clock_deg], to[:clock_deg])) + from[:clock_deg])
        z_mm = (share * (to[:z_mm] - from[:z_mm])) + from[:z_mm]
        [clock_deg, @shape.radius_mm(clock_deg, z_mm) + (z_mm * 0), z_mm]
      end

      def across_face(from, to, share)
        x_mm, y_mm = flat(from).zip(flat(to)).map { |here, there| (share * (there - here)) + here }
        [
          ClockAngle.fold_all(Numo::DFloat::Math.atan2(x_mm, y_mm) / ClockAngle::RADIANS),
          Numo::DFloat::Math.hypot(x_mm, y_mm),
          (share * 0) + face_z_mm
        ]
      end

      def flat(point) = ClockAngle.point(point[:clock_deg], point[:r_mm].to_f)
      def face_z_mm = @path.enters == "head_face" ? 0.0 : @shape.length_mm

      def surface_mm(clock_deg, z_mm) = @shape.radius_mm(Numo::DFloat[clock_deg], Numo::DFloat[z_mm])[0]

      def leg_length(from, to)
        return Math.hypot(*flat(from).zip(flat(to)).map { |here, there| there - here }) unless @path.side?

        clock_deg, low_mm, high_mm = from[:clock_deg], from[:z_mm], to[:z_mm]
        turn = ClockAngle.turn(clock_deg, to[:clock_deg])
        middle = surface_mm(clock_deg + (turn / 2), (low_mm + high_mm) / 2.0)
        Math.hypot(turn * ClockAngle::RADIANS * middle, high_mm - low_mm)
      end
    end
  end
end
