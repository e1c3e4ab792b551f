# frozen_string_literal: true

module MossyAnvil
  module Turn
    # Places along a defect in the wall of a hollow form, as arrays: clock_deg, z_mm, outer and inner radius of the wall
    # there; bits: where there is a wall (in_wall), where the defect leaves next to nothing of it (through), and where
    # it leaves half of it at most (ragged).
    class WallLine
      # Wood of which so little is left across the wall, as a share of it, is an opening.
      OPEN_SHARE = 0.15
      # Along a body that opens the wall somewhere, all counts as open where no more than this share is left.
      RAGGED_SHARE = 0.5
      # A path that leaves less than this share of the wall in line with it goes through.
      LIGAMENT_SHARE = 0.05
      PLACES = 121
      # A path on a face lies in the wall to within so much.
      NEAR_MM = 0.5

      attr_reader :clock_deg, :z_mm, :outer_mm, :inner_mm, :in_wall, :through, :ragged

      class << self
        # The line of a path that enters by the side.
        def of_side(path, shape, form)
          samples = path.samples(shape)
          tip = path.through? ? samples.radius_mm * 0 : samples.radius_mm - samples.depth_mm
          new(samples.clock_deg, samples.z_mm, shape, form).tap { |line| line.cut_down_to(tip) }
        end

        # From a face a path runs down the wall as deep as it is, at the place of it that lies in the wall; through
        # where it crosses the wall. nil where it misses it.
        def of_face(path, shape, form)
          samples = path.samples(shape)
          radii, clocks, rim, inside = *in_rim(samples, path, shape, form)
          return if inside.none?

          heights = down_from(path, samples.depth_mm[inside], shape)
          new(heights * 0 + ClockAngle.mean(clocks), heights, shape, form).tap do |line|
            least, most = radii.minmax
            line.cut_through if most - least >= (1 - OPEN_SHARE) * rim.wall_mm[inside].min
          end
        end

        # Heights of places from a face as deep into the wood as a path goes.
        def down_from(path, depths_mm, shape)
          deep_mm = path.through? ? shape.length_mm : depths_mm.max
          down = (Numo::DFloat.new(PLACES).seq + 0.5) / PLACES * deep_mm
          path.enters == "head_face" ? down : (down * -1) + shape.length_mm
        end

        # The line of a body, along the axis at its own hour; nil where it does not reach the hollow's heights.
        def of_body(body, shape, form)
          long = body.size_mm[2] / 2
          low = [body.z_mm - long, form.inside.first_z_mm].max
          high = [body.z_mm + long, form.inside.last_z_mm].min
          return if high - low < 1e-6

          along(low, high, body.clock_deg, shape, form).tap do |line|
            reach = reach_mm(body, line.z_mm)
            line.take_up((reach * -1) + body.radius_mm, reach + body.radius_mm, body)
          end
        end

        # How far in and out of its own radius a body reaches at heights.
        def reach_mm(body, z_mm)
          deep, _, long = body.size_mm.map { |extent| extent / 2 }
          Numo::DFloat::Math.sqrt(((((z_mm - body.z_mm) / long)**2 * -1) + 1).clip(0, 1)) * deep
        end

        # Even places between two heights at one hour.
        def along(low_mm, high_mm, clock_deg, shape, form)
          heights = (Numo::DFloat.new(PLACES).seq / (PLACES - 1) * (high_mm - low_mm)) + low_mm
          new(heights * 0 + clock_deg, heights, shape, form)
        end

        private

        # Radii and hours of a face path's samples in the rim, the rim's own line, and bits of which samples those are.
        def in_rim(samples, path, shape, form)
          top = path.enters == "head_face" ? form.inside.first_z_mm + 1e-6 : form.inside.last_z_mm - 1e-6
          rim = new(samples.clock_deg, samples.z_mm * 0 + top, shape, form)
          inside =
            rim.in_wall & samples.radius_mm.ge(rim.inner_mm - NEAR_MM) & samples.radius_mm.le(rim.outer_mm + NEAR_MM)
          [samples.radius_mm[inside], samples.clock_deg[inside], rim, inside]
        end
      end

      def initialize(clock_deg, z_mm, shape, form)
        @clock_deg = clock_deg
        @z_mm = z_mm
        @outer_mm = Numo::DFloat.minimum(form.outside.radii_mm(z_mm), shape.radius_mm(clock_deg, z_mm))
        @inner_mm = form.inside.radii_mm(z_mm)
        @in_wall = z_mm.ge(form.inside.first_z_mm) & z_mm.le(form.inside.last_z_mm) & @outer_mm.gt(@inner_mm)
        @through = @ragged = Numo::Bit.zeros(z_mm.size)
      end

      def wall_mm = outer_mm - inner_mm

      # Cut from outside down to radii: through where next to nothing is left in line.
      def cut_down_to(tips_mm) =
        @through = in_wall & tips_mm.le(inner_mm + (wall_mm * LIGAMENT_SHARE)) & tips_mm.lt(outer_mm)

      def cut_through = @through = in_wall

      # Taken up between two radii by a body; what it holds itself counts against it.
      def take_up(from_mm, to_mm, body)
        covered = (Numo::DFloat.minimum(to_mm, outer_mm) - Numo::DFloat.maximum(from_mm, inner_mm)).clip(0, nil)
        left = body.open? ? OPEN_SHARE : OPEN_SHARE - (body.strength_factor / 2)
        @through = in_wall & covered.ge(wall_mm * (1 - left))
        @ragged = in_wall & covered.ge(wall_mm * (1 - RAGGED_SHARE))
        @ragged = in_wall & covered.gt(0) if @ragged.none?
      end
    end
  end
end
