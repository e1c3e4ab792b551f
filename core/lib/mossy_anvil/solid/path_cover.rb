# frozen_string_literal: true

module MossyAnvil
  # The footprint of a crack or bark inclusion in the planes through the axis:
  # depth x run, taken out of every plane within 12 degrees, weighted by cos2 of the angle between.
  class PathCover
    REACH_DEG = 12.0
    LEAST_COSINE = Math.cos((REACH_DEG + 1e-6) * Clock::RADIANS)

    Patch = BodyCover::Patch

    def initialize(grid, shape, defect)
      @grid = grid
      @defect = defect
      samples = defect.samples(shape)
      @columns, @span, @weights = weigh(samples.clock_deg, @defect.side? ? layers_of(samples) : cells_of(samples))
    end

    # A Patch whose cover is the share of strength taken out, 0 to 1, by a crack that goes so deep.
    def patch(depth_mm)
      @defect.side? ? side_patch(depth_mm) : face_patch(depth_mm)
    end

    private

    # Columns touched, the range of layers (or cells) the path runs over, and the largest weight of any sample at each (columns x keys).
    def weigh(clock_deg, keys)
      by_sample = weights_of(clock_deg)
      rows = keys.to_a.each_index.group_by { |sample| keys[sample] }
      span = Range.new(*rows.keys.minmax)
      # A layer that no sample falls in, on a steep path, gets the weights of the nearest that one does.
      table = Numo::DFloat.vstack(span.map { |key| by_sample[rows[key] || rows[rows.keys.min_by { |other| (other - key).abs }], true].max(axis: 0) })
      columns = table.max(axis: 0).gt(0).where.to_a
      [columns, span, table[true, columns].transpose.dup]
    end

    # cos2 of the turn between each sample and each column (samples x columns), 0 beyond REACH_DEG.
    def weights_of(clock_deg)
      from, to = clock_deg.reshape(clock_deg.size, 1) * Clock::RADIANS, @grid.angles_deg.reshape(1, @grid.angular) * Clock::RADIANS
      cosine = (Numo::NMath.cos(from) * Numo::NMath.cos(to)) + (Numo::NMath.sin(from) * Numo::NMath.sin(to))
      cosine[cosine.lt(LEAST_COSINE)] = 0
      cosine * cosine
    end

    def layers_of(samples) = Numo::Int32.cast((samples.z_mm / @grid.axial_step_mm).floor.clip(0, @grid.axial - 1))
    def cells_of(samples) = Numo::Int32.cast((samples.radius_mm / @grid.radial_step_mm).floor.clip(0, @grid.radial - 1))

    def side_patch(depth_mm)
      cover = radial_share(@grid.reach_mm[@columns, @span], depth_mm) * @weights.reshape(*@weights.shape, 1)
      Patch.new(@columns, @span, 0..(@grid.radial - 1), cover)
    end

    # Share of the wood in each cell that lies within the depth from the surface.
    def radial_share(reach, depth_mm)
      surface = reach.reshape(*reach.shape, 1)
      inner, outer = [@grid.inner_edges_mm, @grid.outer_edges_mm].map { |edges| edges.reshape(1, 1, @grid.radial) }
      wood_end = Numo::DFloat.minimum(surface, outer)
      taken = wood_end - Numo::DFloat.maximum(surface - depth_mm, inner)
      (taken / Numo::DFloat.maximum(wood_end - inner, 1e-9)).clip(0, 1)
    end

    def face_patch(depth_mm)
      depth = axial_share(depth_mm)
      layers = depth.gt(0).where.to_a
      cover = @weights.reshape(@columns.size, 1, @weights.shape[1]) * depth[layers].reshape(1, layers.size, 1)
      Patch.new(@columns, layers.first..layers.last, @span, cover)
    end

    # Share of each layer's thickness that lies within the depth from the face.
    def axial_share(depth_mm)
      from_face = @defect.enters == "head_face" ? @grid.heights_mm : (@grid.heights_mm * -1) + @grid.length_mm
      ((from_face * -1) + depth_mm + (@grid.axial_step_mm / 2)).clip(0, @grid.axial_step_mm) / @grid.axial_step_mm
    end
  end
end
