# frozen_string_literal: true

module MossyAnvil
  # How much of each cell an ellipsoid covers. Along a ray from the axis the ellipsoid is one exact stretch of r;
  # narrow bodies are seen by several rays to a column.
  class BodyCover
    RAYS_WANTED = 12

    # cover: columns x layers x cells, 0 to 1, over the cells the body can touch.
    Patch = Struct.new(:columns, :layers, :cells, :cover)

    def initialize(grid, body)
      @grid = grid
      @body = body
      @half = body.size_mm.map { |extent| extent / 2 }
    end

    # A Patch, or nil where the body misses every cell.
    def patch
      columns, layers, cells = touched
      return if columns.empty? || layers.nil? || cells.nil?

      rays = (RAYS_WANTED / columns_wide).ceil.clamp(1, 2 * RAYS_WANTED)
      cover = Array.new(rays) { |ray| cover_by_ray(columns, layers, cells, ((ray + 0.5) / rays) - 0.5) }.inject(:+) / rays
      Patch.new(columns, layers, cells, cover)
    end

    private

    def touched
      [touched_columns, range(@body.z_mm, @half[2], @grid.axial_step_mm, @grid.axial),
       range(@body.radius_mm, @half.first(2).max, @grid.radial_step_mm, @grid.radial)]
    end

    # How many columns the body is wide, seen from the axis.
    def columns_wide
      reach = @half.first(2).max
      return @grid.angular if reach >= @body.radius_mm

      2 * Math.asin(reach / @body.radius_mm) / @grid.angular_step_rad
    end

    def touched_columns
      spread = (columns_wide / 2).ceil + 1
      return (0...@grid.angular).to_a if (2 * spread) + 1 >= @grid.angular

      middle = @grid.column_at(@body.clock_deg)
      (-spread..spread).map { |step| (middle + step) % @grid.angular }
    end

    def range(middle, half, step, count)
      low = ((middle - half) / step).floor.clamp(0, count - 1)
      high = ((middle + half) / step).floor.clamp(0, count - 1)
      middle - half > step * count ? nil : (low..high)
    end

    # The stretch of r inside the ellipsoid: A r2 - 2 B r + C <= 0, with
    # A = cos2/a2 + sin2/b2, B = rc cos/a2, C = rc2/a2 - (1 - (z-zc)2/c2); a, b, c half extents, rc centre radius.
    def cover_by_ray(columns, layers, cells, offset)
      a, b, c = @half
      turn = (@grid.angles_deg[columns] + (offset * @grid.angular_step_deg) - @body.clock_deg) * Clock::RADIANS
      cosine, sine = Numo::NMath.cos(turn), Numo::NMath.sin(turn)
      quadratic = ((cosine / a)**2 + ((sine / b)**2)).reshape(columns.size, 1)
      linear = (cosine * (@body.radius_mm / (a**2))).reshape(columns.size, 1)
      level = (((@grid.heights_mm[layers] - @body.z_mm) / c)**2) + (((@body.radius_mm / a)**2) - 1)
      under_root = (linear**2) - (quadratic * level.reshape(1, level.size))
      root = Numo::NMath.sqrt(under_root.clip(0, nil))
      hit = Numo::DFloat.cast(under_root.gt(0))
      share_of_cells((linear - root) / quadratic, (linear + root) / quadratic, hit, cells)
    end

    # By r2, since that is how a cell's volume goes.
    def share_of_cells(from, to, hit, cells)
      shape3 = [*from.shape, 1]
      inner, outer = [@grid.inner_edges_mm, @grid.outer_edges_mm].map { |edges| edges[cells].reshape(1, 1, cells.size) }
      low = Numo::DFloat.maximum(from.reshape(*shape3), inner)
      high = Numo::DFloat.minimum(to.reshape(*shape3), outer)
      covered = (high * high) - (low * low)
      covered[high.le(low)] = 0
      covered / ((outer * outer) - (inner * inner)) * hit.reshape(*shape3)
    end
  end
end
