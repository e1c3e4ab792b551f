# frozen_string_literal: true

module MossyAnvil
  module Model
    # A lump measured by radii at equal clock steps, at several stations along z.
    # Between stations, and between steps, the radius is taken in a straight line.
    # Radii are about the shape's own centre, which `centre_offset_mm` moves off the lathe axis.
    class Outline
      FINE_STEPS = 720

      attr_reader :stations_mm

      # stations: [{ z_mm:, radii_mm: }] in order of z, first at 0.
      def initialize(stations:, centre_offset_mm: [0, 0])
        @stations = stations
        @centre_offset_mm = centre_offset_mm.map(&:to_f).freeze
        @stations_mm = stations.map { |station| station[:z_mm].to_f }.freeze
        @rings = stations.map { |station| ring_about_axis(station[:radii_mm], centre_offset_mm) }.freeze
        # All rings one after another, to look radii up in; nothing asks for any where the axis lies outside one.
        @table = Numo::DFloat.hstack(@rings.map { |ring| ring || Numo::DFloat.zeros(FINE_STEPS) })
        freeze
      end

      # Bytes it holds: its rings, and the table of them.
      def held_bytes = 2 * @table.byte_size

      # The same wood with its centre so far, [x, y], from where it was.
      def moved(by_mm) = Outline.new(stations: @stations, centre_offset_mm: @centre_offset_mm.zip(by_mm).map(&:sum))

      def length_mm = @stations_mm.last
      # Never the same radius everywhere.
      def centred? = false

      def axis_inside? = @rings.all? { |ring| ring&.min&.positive? }
      def max_radius_mm = @rings.map(&:max).max
      def min_radius_mm = @rings.map(&:min).min
      def across_mm = 2 * min_radius_mm
      def least_extent_mm = [across_mm, length_mm].min

      # Distance from the axis to the surface, mm. clock_deg and z_mm: arrays that broadcast together.
      def radius_mm(clock_deg, z_mm)
        cell, next_cell, beyond = places_on_ring(Numo::DFloat.cast(clock_deg), FINE_STEPS)
        ring, above = station_below(Numo::DFloat.cast(z_mm))
        low, high =
          [ring, ring + (FINE_STEPS * [@rings.size - 1, 1].min)].map do |start|
            blend(@table[start + cell].dup, @table[start + next_cell].dup, beyond)
          end
        blend(low, high, above)
      end

      private

      def blend(one, other, share) = one + ((other - one) * share)

      # Where in the table the ring at or below each z begins, and how far up to the next one it lies, 0 to 1; beyond
      # the ends, those of the end.
      def station_below(z_mm)
        return Numo::Int32.zeros(*z_mm.shape), z_mm * 0 if @rings.size == 1

        passed =
          @stations_mm[1...-1].inject(Numo::Int32.zeros(*z_mm.shape)) do |count, station|
            count + Numo::Int32.cast(z_mm.ge(station))
          end
        heights = Numo::DFloat.cast(@stations_mm)
        from, to = heights[passed].dup, heights[passed + 1].dup
        [passed * FINE_STEPS, ((z_mm - from) / (to - from)).clip(0, 1)]
      end

      # Of a ring of so many even steps: the step at or before each angle, the one after it, and how far on to that it
      # lies.
      def places_on_ring(clock_deg, steps)
        place = ClockAngle.fold_all(clock_deg) * (steps / 360.0)
        below = place.floor
        cell = Numo::Int32.cast(below) % steps
        [cell, (cell + 1) % steps, place - below]
      end

      def on_ring(ring, clock_deg)
        cell, next_cell, beyond = places_on_ring(clock_deg, ring.size)
        blend(ring[cell].dup, ring[next_cell].dup, beyond)
      end

      # Radii seen from the lathe axis, FINE_STEPS of them, from radii about the shape's own centre;
      # nil where the axis lies outside the outline.
      def ring_about_axis(radii_mm, offset_mm)
        ring = Numo::DFloat.cast(radii_mm)
        angles = Numo::DFloat.new(FINE_STEPS).seq * (360.0 / FINE_STEPS)
        radii = on_ring(ring, angles)
        return radii if offset_mm.all?(&:zero?)

        points =
          angles
            .to_a
            .zip(radii.to_a)
            .map do |clock_deg, radius_mm|
              x_mm, y_mm = ClockAngle.point(clock_deg, radius_mm)
              x_mm += offset_mm[0]
              y_mm += offset_mm[1]
              [ClockAngle.of_point(x_mm, y_mm), Math.hypot(x_mm, y_mm)]
            end
        resample(points)
      end

      def resample(points)
        turned = points.each_cons(2).sum { |(from, _), (to, _)| ClockAngle.turn(from, to) }
        return nil if turned < 180

        sorted = points.sort
        padded = [[sorted.last[0] - 360, sorted.last[1]], *sorted, [sorted.first[0] + 360, sorted.first[1]]]
        Numo::DFloat.cast(Array.new(FINE_STEPS) { |step| between(padded, step * 360.0 / FINE_STEPS) })
      end

      def between(points, clock_deg)
        after = points.bsearch_index { |(angle, _)| angle > clock_deg } || (points.size - 1)
        (low, at_low), (high, at_high) = points[after - 1], points[after]
        share = high > low ? (clock_deg - low) / (high - low) : 0.0
        at_low + ((at_high - at_low) * share)
      end
    end
  end
end
