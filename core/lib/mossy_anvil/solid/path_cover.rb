# frozen_string_literal: true

module MossyAnvil
  # The footprint of a crack or bark inclusion in the planes through the axis:
  # depth x run, taken out of every plane within 12 degrees, weighted by cos2 of the angle between.
  class PathCover
    REACH_DEG = 12.0

    Patch = BodyCover::Patch

    # depth_mm: how deep to take it (its own depth, or right through).
    def initialize(grid, shape, defect, depth_mm: defect.depth_mm)
      @grid = grid
      @defect = defect
      @samples = defect.samples(shape)
      @depth_mm = depth_mm
    end

    # A Patch whose cover is the share of strength taken out, 0 to 1.
    def patch
      @defect.side? ? side_patch : face_patch
    end

    private

    # Each sample with the columns it weakens: yields column, weight, sample.
    def each_weakened
      reach = (REACH_DEG / @grid.angular_step_deg).ceil
      @samples.each do |sample|
        middle = @grid.column_at(sample.clock_deg)
        (-reach..reach).each do |step|
          column = (middle + step) % @grid.angular
          between = Clock.turn(sample.clock_deg, column * @grid.angular_step_deg)
          yield column, Math.cos(between * Clock::RADIANS)**2, sample if between.abs <= REACH_DEG + 1e-9
        end
      end
    end

    # The largest weight at each (column, key), as { column => { key => weight } }.
    def strongest
      table = Hash.new { |columns, column| columns[column] = Hash.new(0.0) }
      each_weakened do |column, weight, sample|
        key = yield(sample)
        table[column][key] = weight if weight > table[column][key]
      end
      table
    end

    def side_patch
      table = strongest { |sample| @grid.layer_at(sample.z_mm) }
      columns = table.keys
      low, high = layer_span
      weights = Numo::DFloat.zeros(columns.size, high - low + 1)
      columns.each_with_index { |column, row| fill(weights, row, table[column], low, high) }
      cover = radial_share(@grid.reach_mm[columns, low..high]) * weights.reshape(columns.size, high - low + 1, 1)
      Patch.new(columns, low..high, 0..(@grid.radial - 1), cover)
    end

    # Share of the wood in each cell that lies within the depth from the surface.
    def radial_share(reach)
      surface = reach.reshape(*reach.shape, 1)
      inner, outer = [@grid.inner_edges_mm, @grid.outer_edges_mm].map { |edges| edges.reshape(1, 1, @grid.radial) }
      wood_end = Numo::DFloat.minimum(surface, outer)
      taken = wood_end - Numo::DFloat.maximum(surface - @depth_mm, inner)
      (taken / Numo::DFloat.maximum(wood_end - inner, 1e-9)).clip(0, 1)
    end

    def layer_span
      @samples.map { |sample| @grid.layer_at(sample.z_mm) }.minmax
    end

    # Layers between two samples of one column get the weight of the nearer one, so that a steep path leaves no gaps.
    def fill(weights, row, by_layer, low, high)
      keys = by_layer.keys.sort
      (keys.first..keys.last).each do |layer|
        nearest = keys.min_by { |key| (key - layer).abs }
        weights[row, layer - low] = by_layer[nearest] if layer.between?(low, high)
      end
    end

    def face_patch
      table = strongest { |sample| (sample.radius_mm / @grid.radial_step_mm).floor.clamp(0, @grid.radial - 1) }
      columns = table.keys
      low, high = @samples.map { |sample| (sample.radius_mm / @grid.radial_step_mm).floor.clamp(0, @grid.radial - 1) }.minmax
      weights = Numo::DFloat.zeros(columns.size, high - low + 1)
      columns.each_with_index { |column, row| fill(weights, row, table[column], low, high) }
      depth = axial_share
      layers = depth.gt(0).where.to_a
      cover = weights.reshape(columns.size, 1, high - low + 1) * depth[layers].reshape(1, layers.size, 1)
      Patch.new(columns, layers.first..layers.last, low..high, cover)
    end

    # Share of each layer's thickness that lies within the depth from the face.
    def axial_share
      from_face = @defect.enters == "head_face" ? @grid.heights_mm : (@grid.heights_mm * -1) + @grid.length_mm
      ((from_face * -1) + @depth_mm + (@grid.axial_step_mm / 2)).clip(0, @grid.axial_step_mm) / @grid.axial_step_mm
    end
  end
end
