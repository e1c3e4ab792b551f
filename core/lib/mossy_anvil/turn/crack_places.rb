# frozen_string_literal: true

module MossyAnvil
  module Turn
    # The places along cracks that are cut into equally many pieces, in a grid, and what a stage leaves of the cracks
    # there. Where a place lies does not depend on the stage, and is worked out once.
    class CrackPlaces
      # What is left at the samples of some cracks, cracks x samples: depth, and wood in line with it; in_wall: 1 where
      # it is in a wall, nil where there is none.
      Left = Struct.new(:depth_mm, :width_mm, :in_wall)
      SAMPLES = Model::PathDefect::SAMPLES

      # Model::PathRows.
      attr_reader :rows

      # List of CrackPlaces of all that parts the wood of a blank.
      def self.of(blank, grid)
        parted = blank.defects.select { |defect| defect.path? && defect.parts? }
        Model::PathRows
          .of(parted, blank.shape, count: SAMPLES, with_points: true)
          .map { |rows| new(rows, blank.shape, grid) }
      end

      def initialize(rows, shape, grid)
        @rows = rows
        @shape = shape
        @grid = grid
      end

      # The Left of a stage; form: that of its wall, nil where it has none.
      def left_at(stage, form) = rows.side? ? side_left(stage, form) : face_left(stage, form)

      # Columns of the grid that the samples lie in, cracks x samples.
      def columns = @columns ||= @grid.columns_at(rows.clock_deg)

      private

      def layers = @layers ||= @grid.layers_at(rows.z_mm)
      def rods = @rods ||= (columns * @grid.axial) + layers
      # Across the axis from each.
      def opposite_rods = @opposite_rods ||= (rods + (@grid.rods / 2)) % @grid.rods

      # How deep each goes at its samples, the way it goes.
      def depths_mm =
        @depths_mm ||=
          Numo::DFloat.maximum(
            rows.depth_mm,
            rows.column { |crack| crack.through? ? crack.through_depth_mm(@shape) : 0.0 }
          )

      # Radially inward: in line with it lies the wall or, where it is solid, the whole chord.
      def side_left(stage, form)
        outer, across = either_side(stage.outer_at_planes)
        hollow, inner = hollow_at(stage)
        width = (outer - inner + (across * ((hollow * -1) + 1))) * wood_in(stage.outer_at_planes)
        tip = Numo::DFloat.maximum(rows.radius_mm - depths_mm, inner)
        Left.new(Numo::DFloat.minimum((outer - tip).clip(0, nil), width), width, form && hollow)
      end

      # How far out a bound goes at the samples, and across the axis from them.
      def either_side(bound) = [rods, opposite_rods].map { |at| bound.radii_mm[at].dup }

      # 1 where a bound has wood in the layer of a sample.
      def wood_in(bound) = Numo::DFloat.cast(bound.thickness_mm[layers].gt(0))

      # 1 where a sample lies over the hollow, and how far in that comes; 0 elsewhere.
      def hollow_at(stage)
        return [Numo::DFloat.zeros(*rods.shape)] * 2 unless stage.hollow?

        wood_in(stage.inner).then { |hollow| [hollow, stage.inner_at_planes_mm[rods] * hollow] }
      end

      # Along the axis from a face: in line with it lies the wood of that column.
      def face_left(stage, form)
        low, high, width = held_mm(held_layers(stage))
        from_face = rows.enters == "head_face" ? low : (high * -1) + @shape.length_mm
        left = Numo::DFloat.minimum((depths_mm - from_face).clip(0, nil), width)
        Left.new(left, width, form && in_wall_at(form, low, high))
      end

      # From where to where there is wood, and how much of it.
      def held_mm(held)
        layers = Numo::DFloat.new(1, 1, @grid.axial).seq
        low = (layers + (((held * -1) + 1) * @grid.axial)).min(axis: 2)
        [low, ((layers + 1) * held).max(axis: 2), held.sum(axis: 2)].map { |count| count * @grid.axial_step_mm }
      end

      # 1 where what is in line with a sample of a path on a face is wall and not floor: outside the hollow's mouth, or
      # all of it past the floor.
      def in_wall_at(form, low, high)
        mouth = rows.enters == "head_face" ? form.inside.points.first.last : form.inside.points.last.last
        past_floor =
          (
            if form.opens == "tail"
              low.ge(form.floor_z_mm - @grid.axial_step_mm)
            else
              high.le(form.floor_z_mm + @grid.axial_step_mm)
            end
          )
        Numo::DFloat.cast(rows.radius_mm.ge(mouth) | past_floor)
      end

      # cracks x samples x layers, 1 where there is wood at the sample's radius.
      def held_layers(stage)
        radius = rows.radius_mm.reshape(columns.size, 1)
        outside = stage.outer_at_planes
        held = outside.radii_mm[columns.flatten, true].ge(radius) & outside.thickness_mm.gt(0).reshape(1, @grid.axial)
        held &= past_hollow(stage, radius) if stage.hollow?
        Numo::DFloat.cast(held).reshape(*columns.shape, @grid.axial)
      end

      def past_hollow(stage, radius) =
        stage.inner_at_planes_mm[columns.flatten, true].le(radius) |
          stage.inner.thickness_mm.le(0).reshape(1, @grid.axial)
    end
  end
end
