# frozen_string_literal: true

module MossyAnvil
  module Model
    # The inside that keeps so much wood, the shortest way, to an outside: the outside as a ball of that radius rolled
    # along it from within leaves it.
    # At a height z that is the least of r_o - sqrt(w2 - (z - z_o)2) over the places (z_o, r_o) of the outside within w
    # of z; w the wall.
    class OffsetProfile
      STEPS = 100
      # Where it climbs steeper than so much, at a step of the outside, its points are halved so often: straight joins
      # keep the wall then.
      STEEP, STEEP_MM, HALVINGS = 3.0, 0.5, 6
      OUTSIDE_STEPS = 400
      LEAST_RADIUS_MM = 0.01

      # outside: Profile; opens: "tail" or "head"; lengths in mm.
      def initialize(outside, opens:, wall_mm:, floor_mm:)
        @outside = outside
        @opens = opens
        @wall_mm = wall_mm.to_f
        @floor_mm = floor_mm.to_f
      end

      # [[z_mm, r_mm], ...] from the floor to the rim (or the other way about, as it opens), z rising; nil where no
      # hollow is left.
      # Where the outside narrows towards the floor so far that nothing is left there, the hollow begins higher up.
      def points
        return unless floor_z && reached

        heights, radii = HALVINGS.times.inject(reached) { |(z_mm, r_mm), _| finer(z_mm, r_mm) }
        heights.to_a.zip(radii.to_a.map { |radius| [radius, LEAST_RADIUS_MM].max })
      end

      private

      def floor_z
        z = @opens == "tail" ? @outside.first_z_mm + @floor_mm : @outside.last_z_mm - @floor_mm
        z if z > @outside.first_z_mm && z < @outside.last_z_mm
      end

      # Heights and radii of the part of the hollow that hangs together with the mouth; nil where there is none.
      def reached
        return @reached if defined?(@reached)

        rough = within(heights_between(floor_z))
        open = rough.gt(0).to_a
        open.reverse! if @opens == "head"
        @reached = above(open.rindex(0), rough)
      end

      # From just above the last closed height, counted from the floor, up to the mouth. closed: nil where none is
      # closed.
      def above(closed, rough)
        heights = heights_between(floor_z)
        return if closed == heights.size - 1
        return heights, rough if closed.nil?

        from = @opens == "tail" ? heights.to_a[closed + 1] : heights.to_a[-closed - 2]
        heights_between(from).then { |own| [own, within(own)] }
      end

      # The same with a height between any two where it is steep.
      def finer(heights, radii)
        rise = (radii[1..] - radii[0...-1]).abs
        steep = (rise.gt((heights[1..] - heights[0...-1]) * STEEP) & rise.gt(STEEP_MM)).where
        return heights, radii if steep.empty?

        more = Numo::DFloat.hstack([heights, (heights[steep] + heights[steep + 1]) / 2]).sort
        [more, within(more)]
      end

      # Closer together at the floor, where a bottom rounds most.
      def heights_between(floor_z)
        rim = @opens == "tail" ? @outside.last_z_mm : @outside.first_z_mm
        share = ((Numo::DFloat.new(STEPS + 1).seq / STEPS)**1.5)
        heights = (share * (rim - floor_z)) + floor_z
        @opens == "tail" ? heights : heights.reverse
      end

      # Radius of the hollow at each height, nothing where there is none.
      def within(heights)
        z = heights.reshape(heights.size, 1)
        over = (@wall_mm**2) - ((z - edge_z.reshape(1, edge_z.size))**2)
        reach =
          (edge_r.reshape(1, edge_r.size) - Numo::DFloat::Math.sqrt(over.clip(0, nil))) +
            (Numo::DFloat.cast(over.lt(0)) * 1e9)
        Numo::DFloat.minimum(reach.min(axis: 1), @outside.radii_mm(heights) - @wall_mm).clip(0, nil)
      end

      def edge_z
        @edge_z ||=
          begin
            low, high = @outside.first_z_mm, @outside.last_z_mm
            Numo::DFloat.cast(
              (
                Array.new(OUTSIDE_STEPS + 1) { |step| low + ((high - low) * step / OUTSIDE_STEPS) } +
                  @outside.points.map(&:first)
              ).uniq.sort
            )
          end
      end

      def edge_r = @edge_r ||= @outside.radii_mm(edge_z)
    end
  end
end
