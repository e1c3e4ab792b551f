# frozen_string_literal: true

module MossyAnvil
  module Turn
    # What is parted at one stage, cracks and bark seams and, once it is hollowed, whatever opens its wall: the speed at
    # which each runs on.
    #
    # A crack in solid wood goes by CrackRun at every place of it, and the place of the largest K counts. In the wall of
    # a hollow a place can be no worse than the crack torn right through wherever it is as deep as there, which goes by
    # WallCrack; where it does go through, WallCrack alone counts.
    class CracksAtStage
      TINY_MM = 0.1
      SAMPLES = Model::PathDefect::SAMPLES
      # What is left at the samples of some cracks, cracks x samples: depth, and wood in line with it; in_wall: is it in
      # a wall there?
      Left = Struct.new(:depth_mm, :width_mm, :in_wall)
      # ids: of the defects; runs_rpm: it runs at; limit_rpm: to stay below.
      Run = Struct.new(:ids, :runs_rpm, :limit_rpm)

      # rows: list of PathRows of what parts the wood, of SAMPLES pieces. toughness: CrackToughness of the blank.
      # openings: WallOpenings of the stage, or nil where it has no wall.
      def initialize(rows, blank, stage, grid, toughness, openings: nil)
        @rows = rows
        @blank = blank
        @shape = blank.shape
        @stage = stage
        @grid = grid
        @toughness = toughness
        @openings = openings
      end

      # List of Run, empty where nothing is left or nothing pulls on any. burst: Burst of the stage, for the planes'
      # stress.
      def runs(burst) = @rows.flat_map { |rows| runs_of(rows, burst) } + through_wall

      private

      def density_kg_m3 = @blank.material.density_kg_m3
      def whole_toughness = @blank.material.toughness_mpa_sqrt_m

      def runs_of(rows, burst)
        left = rows.side? ? side_left(rows) : face_left(rows)
        there = left.width_mm.gt(TINY_MM) & left.depth_mm.gt(TINY_MM)
        return [] if there.none?

        intensities = worst_intensities(rows, left, there, burst.mean_stresses_at(rows.clock_deg))
        rows.paths.each_with_index.filter_map do |path, row|
          run(path, whole_toughness * @toughness.share(path), intensities[row]) if intensities[row].positive?
        end
      end

      def run(path, tough, intensity)
        rpm = Mechanics::RPM * Math.sqrt(tough / intensity)
        Run.new([path.id], rpm, rpm * CrackRun::WORK_SHARE)
      end

      # MPa root m for 1 rad/s at the place of each path where it is largest.
      def worst_intensities(rows, left, there, stress)
        share = left.depth_mm / Numo::DFloat.maximum(left.width_mm, TINY_MM)
        working = CrackRun.working_over(left.depth_mm, runs_mm(rows, there))
        found = Numo::DFloat::Math.sqrt(working * (Math::PI / 1000)) * CrackRun.edge_factor(share) * stress * there
        bound_in_walls(rows, found, share, left.in_wall.gt(0) & there) if left.in_wall
        found.max(axis: 1).to_a
      end

      # In place.
      def bound_in_walls(rows, found, share, in_wall)
        rows.paths.each_with_index do |path, row|
          at = in_wall[row, true].where
          found[row, at] = bounded(
            path,
            found[row, at].dup,
            share[row, at].dup,
            rows.length_mm[row, at].dup
          ) unless at.empty?
        end
      end

      # Intensities at places in a wall, none more than that of the path torn through wherever it is as deep as there.
      def bounded(path, found, share, length_mm)
        whole = @openings.run_of(path) or return found
        order = (share * -1).sort_index
        torn = Numo::DFloat.zeros(order.size)
        torn[order] = length_mm[order].cumsum / [length_mm.sum, TINY_MM].max * whole.run_mm
        Numo::DFloat.minimum(found, WallCrack.intensities(density_kg_m3, torn, **whole.place.except(:run_mm)))
      end

      # Each by itself, and together with what it runs into: alone it may lie in weaker wood than the two have beside
      # them.
      def through_wall
        return [] unless @openings

        (@openings.each | @openings.all).map do |opening|
          rpm = WallCrack.runs_rpm(whole_toughness * weakest_at(opening), density_kg_m3, **opening.place)
          Run.new(opening.ids, rpm, rpm * opening.work_share)
        end
      end

      # Share of the toughness beside an opening or, were it a crack, in line with it.
      def weakest_at(opening) =
        [@toughness.share(opening.as_crack, but: opening.ids), @openings.weakest_share(opening)].min

      # mm of run that is left of each, cracks x 1; without end where it goes from end to end (which only a crack from
      # the side can).
      def runs_mm(rows, there)
        whole = @stage.outer_at_planes.thickness_mm.sum * CrackRun::WHOLE_RUN_SHARE
        left =
          (rows.length_mm * there).sum(axis: 1).to_a.map { |mm| rows.side? && mm >= whole ? CrackRun::ENDLESS_MM : mm }
        Numo::DFloat.cast(left).reshape(rows.size, 1)
      end

      # How deep each goes at its samples, the way it goes.
      def depths_mm(rows) =
        Numo::DFloat.maximum(
          rows.depth_mm,
          rows.column { |crack| crack.through? ? crack.through_depth_mm(@shape) : 0.0 }
        )

      # Radially inward: in line with it lies the wall or, where it is solid, the whole chord.
      def side_left(rows)
        column, layer = @grid.columns_at(rows.clock_deg), @grid.layers_at(rows.z_mm)
        outer, opposite = either_side(column, layer)
        hollow, inner = hollow_at(rods(column, layer), layer)
        width = (outer - inner + (opposite * ((hollow * -1) + 1))) * wood_in(layer)
        tip = Numo::DFloat.maximum(rows.radius_mm - depths_mm(rows), inner)
        Left.new(Numo::DFloat.minimum((outer - tip).clip(0, nil), width), width, @openings && hollow)
      end

      def rods(column, layer) = (column * @grid.axial) + layer

      # 1 where the stage has wood in a layer.
      def wood_in(layer) = Numo::DFloat.cast(@stage.outer_at_planes.thickness_mm[layer].gt(0))

      # How far out the wood goes at the sample, and across the axis from it.
      def either_side(column, layer)
        opposite = (column + (@grid.angular / 2)) % @grid.angular
        [column, opposite].map { |one| @stage.outer_at_planes.radii_mm[rods(one, layer)].dup }
      end

      # 1 where a sample lies over the hollow, and how far in that comes; 0 elsewhere.
      def hollow_at(rods, layer)
        return [Numo::DFloat.zeros(*rods.shape)] * 2 unless @stage.hollow?

        hollow = Numo::DFloat.cast(@stage.inner.thickness_mm[layer].gt(0))
        [hollow, @stage.inner_at_planes_mm[rods] * hollow]
      end

      # Along the axis from a face: in line with it lies the wood of that column.
      def face_left(rows)
        low, high, width = held_mm(held_layers(rows))
        from_face = rows.enters == "head_face" ? low : (high * -1) + @shape.length_mm
        left = Numo::DFloat.minimum((depths_mm(rows) - from_face).clip(0, nil), width)
        Left.new(left, width, @openings && in_wall_at(rows, low, high))
      end

      # From where to where there is wood, and how much of it.
      def held_mm(held)
        layers = Numo::DFloat.new(1, 1, @grid.axial).seq
        low = (layers + (((held * -1) + 1) * @grid.axial)).min(axis: 2)
        [low, ((layers + 1) * held).max(axis: 2), held.sum(axis: 2)].map { |count| count * @grid.axial_step_mm }
      end

      # 1 where what is in line with a sample of a path on a face is wall and not floor: outside the hollow's mouth, or
      # all of it past the floor.
      def in_wall_at(rows, low, high)
        form = @blank.form
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
      def held_layers(rows)
        column = @grid.columns_at(rows.clock_deg).flatten
        radius = rows.radius_mm.reshape(column.size, 1)
        outside = @stage.outer_at_planes
        held = outside.radii_mm[column, true].ge(radius) & outside.thickness_mm.gt(0).reshape(1, @grid.axial)
        held &= past_hollow(column, radius) if @stage.hollow?
        Numo::DFloat.cast(held).reshape(*rows.clock_deg.shape, @grid.axial)
      end

      def past_hollow(column, radius) =
        @stage.inner_at_planes_mm[column, true].le(radius) | @stage.inner.thickness_mm.le(0).reshape(1, @grid.axial)
    end
  end
end
