# frozen_string_literal: true

module MossyAnvil
  # The footprint of a crack or bark inclusion in the planes through the axis:
  # depth x run, taken out of every plane within 12 degrees, weighted by cos2 of the angle between.
  class PathCover
    REACH_DEG = 12.0

    Patch = BodyCover::Patch

    def initialize(grid, shape, defect)
      @grid = grid
      @defect = defect
      @samples = defect.samples(shape)
      @weakened = {}
      @columns, @span, @weights = weigh { |sample| @defect.side? ? layer_of(sample) : cell_of(sample) }
    end

    # A Patch whose cover is the share of strength taken out, 0 to 1, by a crack that goes so deep.
    def patch(depth_mm)
      @defect.side? ? side_patch(depth_mm) : face_patch(depth_mm)
    end

    private

    # The columns that a crack at an hour weakens, and by how much: [[column, weight], ...].
    def weakened_at(clock_deg)
      @weakened[clock_deg] ||= begin
        reach = (REACH_DEG / @grid.angular_step_deg).ceil
        middle = @grid.column_at(clock_deg)
        columns = (-reach..reach).map { |step| (middle + step) % @grid.angular }
        turns = columns.map { |column| Clock.turn(clock_deg, column * @grid.angular_step_deg) }
        columns.zip(turns).select { |_, turn| turn.abs <= REACH_DEG + 1e-9 }.map { |column, turn| [column, Math.cos(turn * Clock::RADIANS)**2] }
      end
    end

    # Columns touched, the range of layers (or cells) the path runs over, and the largest weight at each.
    def weigh(&)
      table = Hash.new { |columns, column| columns[column] = Hash.new(0.0) }
      @samples.each do |sample|
        key = yield(sample)
        weakened_at(sample.clock_deg).each { |column, weight| table[column][key] = weight if weight > table[column][key] }
      end
      low, high = @samples.map(&).minmax
      weights = Numo::DFloat.zeros(table.size, high - low + 1)
      table.each_value.with_index { |by_key, row| fill(weights, row, by_key, low) }
      [table.keys, low..high, weights]
    end

    # What lies between two samples of one column gets the weight of the nearer one, so that a steep path leaves no gaps.
    def fill(weights, row, by_key, low)
      keys = by_key.keys.sort
      keys.each { |key| weights[row, key - low] = by_key[key] }
      keys.each_cons(2) do |before, after|
        ((before + 1)...after).each { |key| weights[row, key - low] = by_key[key - before <= after - key ? before : after] }
      end
    end

    def layer_of(sample) = @grid.layer_at(sample.z_mm)
    def cell_of(sample) = (sample.radius_mm / @grid.radial_step_mm).floor.clamp(0, @grid.radial - 1)

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
