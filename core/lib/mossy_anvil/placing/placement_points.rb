# frozen_string_literal: true

module MossyAnvil
  module Placing
    # A blank and its defects as points: an even grid over the wood, and places all through each defect.
    class PlacementPoints
      # Points over the wood's bounding box each way, and at most so many over all defects.
      WOOD_STEPS = 22
      MOST_POINTS = 16_000

      # wood, defects: [x, y, z], an array each; mass: of each point of the wood.
      attr_reader :wood, :mass, :defects

      def initialize(blank)
        @blank = blank
        @shape = blank.shape
        lay_wood
        lay_defects
      end

      # Share of each defect's points that are among some.
      def shares(some)
        sums = [0, *Numo::DFloat.cast(some).cumsum.to_a]
        @bounds.each_cons(2).map { |from, to| to > from ? (sums[to] - sums[from]) / (to - from) : 0.0 }
      end

      private

      # An even grid of points in the wood, with the mass of each.
      def lay_wood
        x, y, z = even_grid
        clock, radius = Numo::DFloat::Math.atan2(x, y) / ClockAngle::RADIANS, Numo::DFloat::Math.hypot(x, y)
        held = (@shape.radius_mm(clock, z) + (z * 0)).ge(radius).where
        @wood = [x, y, z].map { |line| line[held].dup }
        @mass = density_at(clock[held], radius[held], z[held])
      end

      def density_at(clock_deg, radius_mm, z_mm)
        grid = Solid::Grid.new(@shape)
        rods = (grid.columns_at(clock_deg) * grid.axial) + grid.layers_at(z_mm)
        Solid::FieldRasterizer.new(grid, @blank).density.at(rods, grid.cells_at(radius_mm))
      end

      # x, y and z of the points of an even grid over the blank's bounding box, one array each.
      def even_grid
        steps = (Numo::DFloat.new(WOOD_STEPS).seq + 0.5) / WOOD_STEPS
        across = (steps * 2 * @shape.max_radius_mm) - @shape.max_radius_mm
        [
          across.reshape(WOOD_STEPS, 1, 1),
          across.reshape(1, WOOD_STEPS, 1),
          (steps * @shape.length_mm).reshape(1, 1, WOOD_STEPS)
        ].map { |line| (line + Numo::DFloat.zeros(WOOD_STEPS, WOOD_STEPS, WOOD_STEPS)).flatten }
      end

      # Points of every defect one after another; @bounds says where each one's begin.
      def lay_defects
        lines = defect_lines
        @defects =
          lines.empty? ? Array.new(3) { Numo::DFloat[] } : lines.transpose.map { |line| Numo::DFloat.hstack(line) }
        @bounds = lines.each_with_object([0]) { |(x, _, _), bounds| bounds << (bounds.last + x.size) }
      end

      # [x, y, z] of each.
      def defect_lines
        parts = @blank.defects.map { |defect| places_of(defect) }
        stride = [(parts.sum { |clock, _, _| clock.size } / MOST_POINTS.to_f).ceil, 1].max
        parts.map { |clock, radius, z| some_of([*flat(clock, radius), z], stride) }
      end

      def places_of(defect) = defect.path? ? Model::CrackSheet.of(defect, @shape).places : body_places(defect)

      def some_of(lines, stride)
        some = (0...lines[0].size).step(stride).to_a
        lines.map { |line| line[some].dup }
      end

      # x to 3 o'clock, y to 12 o'clock.
      def flat(clock, radius)
        angle = clock * ClockAngle::RADIANS
        [radius * Numo::DFloat::Math.sin(angle), radius * Numo::DFloat::Math.cos(angle)]
      end

      def body_places(body)
        across, along_arc, level = Solid::DefectLumps.ball
        half = body.size_mm.map { |extent| extent / 2 }
        radial, tangential = (across * half[0]) + body.radius_mm, along_arc * half[1]
        clock = (Numo::DFloat::Math.atan2(tangential, radial) / ClockAngle::RADIANS) + body.clock_deg
        [
          clock,
          Numo::DFloat::Math.hypot(radial, tangential),
          (Numo::DFloat.cast(Solid::DefectLumps::BALL_LINE)[level] * half[2]) + body.z_mm
        ]
      end
    end
  end
end
