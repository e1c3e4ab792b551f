# frozen_string_literal: true

module MossyAnvil
  module Model
    # Zones between the places where an awl (or what counts as one) was tried, on one surface of a blank.
    # Soft places speak for one zone where they lie near each other with no sound one between. A zone ends between its
    # last soft place and the next sound one, where a straight line between their depths comes down to the least that
    # counts as soft; with none beyond, a fixed way on.
    class SoftSpots
      # u, v: mm on the surface, flat; depth_mm: how deep the awl went.
      Spot = Struct.new(:u, :v, :depth_mm)
      # from, to: [u, v] corners of the zone; depth_mm: the deepest of its places.
      Zone =
        Struct.new(:from, :to, :depth_mm) do
          def hold?(spot) = spot.u.between?(from[0], to[0]) && spot.v.between?(from[1], to[1])
        end

      # rule: the row `shows` of the tests table.
      def initialize(spots, rule)
        @soft, @sound = spots.partition { |spot| spot.depth_mm > rule["grades"].last["over_mm"] }
        @least_mm = rule["grades"].last["over_mm"].to_f
        @together_mm, @beyond_mm = rule.values_at("together_mm", "beyond_mm").map(&:to_f)
      end

      # List of Zone, in the order of their first place.
      def zones = groups.map { |group| zone(group) }

      private

      def groups
        left = @soft.dup
        found = []
        found << grown([left.shift], left) until left.empty?
        found
      end

      # Takes out of `left` all that hangs together with the group.
      def grown(group, left)
        while (near = left.find { |spot| group.any? { |own| together?(own, spot) } })
          group << near
          left.delete_at(left.index { |spot| spot.equal?(near) })
        end
        group
      end

      # Near enough, and no sound place within the circle over the line between them.
      def together?(one, other)
        return false if apart(one, other) > @together_mm

        middle = Spot.new((one.u + other.u) / 2, (one.v + other.v) / 2)
        @sound.none? { |spot| apart(spot, middle) < apart(one, other) / 2 }
      end

      def apart(one, other) = Math.hypot(one.u - other.u, one.v - other.v)

      def zone(group)
        low, high = [-1, 1].map { |way| %i[u v].map { |axis| edge(group, axis, way) } }
        Zone.new(low, high, group.map(&:depth_mm).max)
      end

      # Where the zone ends along an axis (:u or :v), one way (-1 or 1).
      def edge(group, axis, way)
        last = group.max_by { |spot| way * spot[axis] }
        beyond = @sound.select { |spot| facing?(last, spot, axis, way) }.min_by { |spot| apart(last, spot) }
        return last[axis] + (way * @beyond_mm) unless beyond

        last[axis] + ((beyond[axis] - last[axis]) * (last.depth_mm - @least_mm) / (last.depth_mm - beyond.depth_mm))
      end

      # Does a sound place lie beyond the last soft one, more that way than across, and near enough to speak for it?
      def facing?(last, spot, axis, way)
        other = axis == :u ? :v : :u
        ahead = way * (spot[axis] - last[axis])
        ahead.positive? && (spot[other] - last[other]).abs <= ahead && apart(last, spot) <= @together_mm
      end
    end
  end
end
