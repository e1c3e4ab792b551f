# frozen_string_literal: true

module MossyAnvil
  module Solid
    # The footprint of a crack or bark inclusion in the planes through the axis: depth x run, taken out whole of every
    # plane within CORE_DEG of it, and from there by a cos2 that falls to nothing at REACH_DEG. The core is wider than
    # the step between planes, and the fall has no jump, so the answer does not depend on where the planes of the grid
    # happen to lie. HALF_DEG is where the fall is half way.
    class PathCover
      CORE_DEG, REACH_DEG = 8.0, 12.0
      HALF_DEG = (CORE_DEG + REACH_DEG) / 2

      Patch = BodyCover::Patch
      # Of a path on the side: the rods it weighs in in, how near it comes to the axis in each (mm) and by what share it
      # does, as the rows of one array.
      Step =
        Struct.new(:table) do
          def self.of(rods, tips_mm, weights) = new(Model::PathRows.stack([rods, tips_mm, weights]))

          def size = table.shape[1]
          def rods = @rods ||= Numo::Int32.cast(table[0, true])
          def tips_mm = table[1, true]
          def weights = table[2, true]
          def from_axis? = @highest_mm ? @highest_mm.zero? : (@highest_mm = tips_mm.max).zero?
        end
      STEPS = Cache.new(600)

      # Columns touched, the range of layers (or cells) the path runs over, the largest weight of any sample at each
      # (columns x keys), and the largest depth (keys).
      Run = Struct.new(:columns, :span, :weights, :depths_mm)

      # shape: what the grid is over.
      def initialize(grid, shape, defect)
        @grid = grid
        @shape = shape
        @defect = defect
      end

      # A Patch whose cover is the share of strength taken out, 0 to 1, by a crack as deep as it is; from a face also by
      # one right through.
      def patch(through: false)
        return side_patch if @defect.side?

        face_patch(through ? Numo::DFloat[@grid.length_mm] : run.depths_mm)
      end

      # The Step of a path on the side, as deep as it is or right through; the same one as long as it is that path and
      # what the grid is over.
      def step(through: false)
        STEPS.of([@grid.over, @defect, through]) do
          Step.of(
            @grid.rods_at(run.columns, run.span),
            through ? Numo::DFloat.zeros(run.weights.size) : tips_mm.flatten.clip(0, nil),
            run.weights.flatten
          )
        end
      end

      private

      def run
        @run ||=
          begin
            samples = @defect.samples(@shape)
            weighed(samples, @defect.side? ? @grid.layers_at(samples.z_mm) : @grid.cells_at(samples.radius_mm))
          end
      end

      def weighed(samples, keys)
        columns = columns_near(samples.clock_deg)
        chosen = samples_by_key(keys.to_a)
        places = even(chosen.values)
        clock_deg, depth_mm = [samples.clock_deg, samples.depth_mm].map { |values| values[places] }
        weights = weights_of(clock_deg.reshape(*places.shape, 1), columns)
        Run.new(columns, chosen.keys.first..chosen.keys.last, weights, depth_mm.max(axis: 1))
      end

      # Every key as many samples as the one with most, its own last one over again.
      def even(chosen)
        most = chosen.map(&:size).max
        Numo::Int32.cast(chosen.map { |own| own + ([own.last] * (most - own.size)) })
      end

      # Columns within REACH_DEG of any sample.
      def columns_near(clock_deg)
        least, most = ClockAngle.short_turns(clock_deg - clock_deg[0]).minmax
        low, high = least + clock_deg[0] - REACH_DEG - 1e-9, most + clock_deg[0] + REACH_DEG + 1e-9
        first, last = (low / @grid.angular_step_deg).ceil, (high / @grid.angular_step_deg).floor
        if last - first >= @grid.angular
          (0...@grid.angular).to_a
        else
          (first..last).map { |column| column % @grid.angular }.sort
        end
      end

      # Key => the samples that fall there, for every key from first to last. One that none falls in, on a steep path,
      # gets those of the nearest.
      def samples_by_key(keys)
        own = keys.each_index.group_by { |sample| keys[sample] }
        Range.new(*own.keys.minmax).to_h { |key| [key, own[key] || own[own.keys.min_by { |other| (other - key).abs }]] }
      end

      # Share taken out of each column's plane by the nearest of the samples at each key (keys x samples x 1): columns x
      # keys.
      def weights_of(clock_deg, columns)
        turns =
          ClockAngle
            .short_turns(clock_deg - @grid.angles_deg[columns].reshape(1, 1, columns.size))
            .abs
            .min(axis: 1)
            .transpose
            .dup
        fall = ((turns - CORE_DEG) / (REACH_DEG - CORE_DEG)).clip(0, 1) * (Math::PI / 2)
        Numo::DFloat::Math.cos(fall)**2
      end

      # Columns x layers.
      def tips_mm = @grid.surface_at_planes_mm[run.columns, run.span] - run.depths_mm.reshape(1, run.depths_mm.size)

      # Only the cells that it comes down to.
      def side_patch
        reach, tip = @grid.surface_at_planes_mm[run.columns, run.span].dup, tips_mm
        cells = (tip.min / @grid.radial_step_mm).floor.clamp(0, @grid.radial - 1)..(@grid.radial - 1)
        Patch.new(
          run.columns,
          run.span,
          cells,
          radial_share(reach, tip, cells) * run.weights.reshape(*run.weights.shape, 1)
        )
      end

      # Share of the wood in each cell that lies between the tip and the surface.
      def radial_share(reach, tip, cells)
        surface = reach.reshape(*reach.shape, 1)
        inner, outer =
          [@grid.inner_edges_mm, @grid.outer_edges_mm].map { |edges| edges[cells].reshape(1, 1, cells.size) }
        wood_end = Numo::DFloat.minimum(surface, outer)
        wood = Numo::DFloat.maximum(wood_end - inner, 1e-9)
        ((wood_end - Numo::DFloat.maximum(tip.reshape(*tip.shape, 1), inner)) / wood).clip(0, 1)
      end

      # depths_mm: one for every cell the path runs over, or one for all.
      def face_patch(depths_mm)
        depth = axial_share(depths_mm)
        layers = depth.max(axis: 1).gt(0).where.to_a
        cover =
          run.weights.reshape(run.columns.size, 1, run.weights.shape[1]) *
            depth[layers, true].reshape(1, layers.size, depth.shape[1])
        Patch.new(run.columns, layers.first..layers.last, run.span, cover)
      end

      # Share of each layer's thickness (rows) that lies within each depth from the face (columns).
      def axial_share(depths_mm)
        from_face = @defect.enters == "head_face" ? @grid.heights_mm : (@grid.heights_mm * -1) + @grid.length_mm
        within = depths_mm.reshape(1, depths_mm.size) - from_face.reshape(from_face.size, 1)
        (within + (@grid.axial_step_mm / 2)).clip(0, @grid.axial_step_mm) / @grid.axial_step_mm
      end
    end
  end
end
