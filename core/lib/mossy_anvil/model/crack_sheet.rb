# frozen_string_literal: true

module MossyAnvil
  module Model
    # A crack or bark inclusion as the sheet it is in the wood: from its path on a surface inward to its depth.
    # Measures how far places lie from it, and gives places on it.
    class CrackSheet
      ALONG = 96
      INWARD = 14
      SHEETS = Cache.new(200)

      attr_reader :path

      # The sheet of a path in a shape; the same one as long as they are.
      def self.of(path, shape) = SHEETS.of([path, shape]) { new(path, shape) }

      def initialize(path, shape)
        @path = path
        @shape = shape
      end

      # Bytes it comes to hold: its places.
      def held_bytes = ALONG * (INWARD + 1) * 3 * 8

      def deepest_mm = path.through? ? path.through_depth_mm(@shape) : path.depth_mm

      # Depth below the surface it enters by, distance from the nearest leg of its path, and how deep the path goes
      # there, in mm: arrays for arrays of places.
      # On the side the distance is taken in the surface unrolled at the place's own radius.
      def measures(clock_deg, radius_mm, z_mm)
        path.side? ? on_side(clock_deg, radius_mm, z_mm) : on_face(clock_deg, radius_mm, z_mm)
      end

      # mm from the sheet.
      def distances_mm(clock_deg, radius_mm, z_mm)
        depth, apart, deepest = measures(clock_deg, radius_mm, z_mm)
        beyond = Numo::DFloat.maximum(Numo::DFloat.maximum(depth - deepest, depth * -1), 0)
        Numo::DFloat::Math.hypot(apart, beyond)
      end

      # Places all over the sheet, from mouth to tip: [clock_deg, radius_mm, z_mm], each an array.
      def places = @places ||= sheet(INWARD)

      # Largest gap between neighbouring places, mm.
      def spacing_mm = @spacing_mm ||= [path.samples(@shape, count: ALONG).length_mm.max, deepest_mm / INWARD].max

      # [[least, most], ...] of x, y and z. Inward it runs straight, so mouth and tip bound it.
      def bounds_mm
        @bounds_mm ||=
          begin
            clock, radius, z = sheet(1)
            angle = clock * ClockAngle::RADIANS
            [radius * Numo::DFloat::Math.sin(angle), radius * Numo::DFloat::Math.cos(angle), z].map(&:minmax)
          end
      end

      private

      # Places in so many steps from mouth to tip.
      def sheet(steps)
        samples = path.samples(@shape, count: ALONG)
        deepest = path.through? ? (samples.depth_mm * 0) + deepest_mm : samples.depth_mm
        depth = (Numo::DFloat.new(1, steps + 1).seq / steps) * deepest.reshape(samples.size, 1)
        clock, radius, z = samples.to_a.first(3).map { |values| values.reshape(samples.size, 1) + (depth * 0) }
        inward_from(clock, radius, z, depth).map(&:flatten)
      end

      def inward = path.enters == "head_face" ? 1 : -1

      def on_side(clock_deg, radius_mm, z_mm)
        apart, deepest =
          nearest do |from, to|
            across = ClockAngle.short_turns(clock_deg - from[:clock_deg]) * ClockAngle::RADIANS * radius_mm
            leg_across = radius_mm * (ClockAngle.turn(from[:clock_deg], to[:clock_deg]) * ClockAngle::RADIANS)
            to_leg(across, z_mm - from[:z_mm], leg_across, (to[:z_mm] - from[:z_mm]).to_f)
          end
        [@shape.radius_mm(clock_deg, z_mm) - radius_mm, apart, deepest]
      end

      def inward_from(clock, radius, z, depth) =
        path.side? ? [clock, (radius - depth).clip(0, nil), z] : [clock, radius, z + (depth * inward)]

      def on_face(clock_deg, radius_mm, z_mm)
        x_mm, y_mm = ClockAngle.points(clock_deg, radius_mm)
        apart, deepest =
          nearest do |from, to|
            (x0, y0), (x1, y1) = [from, to].map { |point| ClockAngle.point(point[:clock_deg], point[:r_mm].to_f) }
            to_leg(x_mm - x0, y_mm - y0, (radius_mm * 0) + (x1 - x0), y1 - y0)
          end
        [path.enters == "head_face" ? z_mm : (z_mm * -1) + @shape.length_mm, apart, deepest]
      end

      # Distance from the nearest leg, and how deep the path goes at the nearest place on it. The block gives distance
      # and share of the way for one leg.
      def nearest
        apart = deepest = nil
        path
          .path
          .each_cons(2) do |from, to|
            distance, share = yield(from, to)
            depth =
              path.through? ? (share * 0) + deepest_mm : (share * (to[:depth_mm] - from[:depth_mm])) + from[:depth_mm]
            nearer = apart && Numo::DFloat.cast(distance.lt(apart))
            deepest = apart ? (depth * nearer) + (deepest * ((nearer * -1) + 1)) : depth
            apart = apart ? Numo::DFloat.minimum(apart, distance) : distance
          end
        [apart, deepest]
      end

      # Distance of (u, v) from the stretch between the origin and (leg_u, leg_v), and the share of the way along it
      # that is nearest.
      def to_leg(across, along, leg_across, leg_along)
        length2 = Numo::DFloat.maximum((leg_across * leg_across) + (leg_along * leg_along), 1e-12)
        share = (((across * leg_across) + (along * leg_along)) / length2).clip(0, 1)
        [Numo::DFloat::Math.hypot(across - (share * leg_across), along - (share * leg_along)), share]
      end
    end
  end
end
