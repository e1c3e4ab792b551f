# frozen_string_literal: true

module MossyAnvil
  module Solid
    # How much of each cell an ellipsoid covers. Along a ray from the axis the ellipsoid is one exact stretch of r;
    # narrow bodies are seen by several rays to a column.
    class BodyCover
      RAYS_WANTED = 12
      PATCHES = Cache.new(300)
      # What covers more cells than this is not kept: it is soon worked out again against the room it takes.
      MOST_CELLS = 8000

      # cover: columns x layers x cells, 0 to 1, over the cells the body can touch; one cell deep where it is the same
      # from the axis all the way out.
      Patch =
        Struct.new(:columns, :layers, :cells, :cover) do
          # Numbers of the rods it lies in, in the order of the cover.
          def rods(grid) = @rods ||= grid.rods_at(columns, layers)
        end

      # The Patch of a body, or nil where it misses every cell; the same one as long as it is that body and that grid.
      def self.patch(grid, body)
        key = [grid.over, body]
        PATCHES.found(key) ||
          new(grid, body).patch.tap { |patch| PATCHES.keep(key, patch) if patch && patch.cover.size <= MOST_CELLS }
      end

      def initialize(grid, body)
        @grid = grid
        @body = body
        @half = body.size_mm.map { |extent| extent / 2 }
      end

      # Layers that the body can touch: a range, nil where it misses the blank's length.
      def layers = range(@body.z_mm, @half[2], @grid.axial_step_mm, @grid.axial)

      # Columns that the body can touch, a list.
      def columns
        spread = (columns_wide / 2).ceil + 1
        return (0...@grid.angular).to_a if (2 * spread) + 1 >= @grid.angular

        middle = @grid.column_at(@body.clock_deg)
        (-spread..spread).map { |step| (middle + step) % @grid.angular }
      end

      # A Patch, or nil where the body misses every cell.
      def patch
        columns, layers, cells = touched
        return if columns.empty? || layers.nil? || cells.nil?

        rays = (RAYS_WANTED / columns_wide).ceil.clamp(1, 2 * RAYS_WANTED)
        Patch.new(columns, layers, cells, share_of_cells(*stretches(columns, layers, rays), cells))
      end

      private

      def touched
        [columns, layers, range(@body.radius_mm, @half.first(2).max, @grid.radial_step_mm, @grid.radial)]
      end

      # How many columns the body is wide, seen from the axis.
      def columns_wide
        reach = @half.first(2).max
        return @grid.angular if reach >= @body.radius_mm

        2 * Math.asin(reach / @body.radius_mm) / @grid.angular_step_rad
      end

      def range(middle, half, step, count)
        low = ((middle - half) / step).floor.clamp(0, count - 1)
        high = ((middle + half) / step).floor.clamp(0, count - 1)
        middle - half > step * count ? nil : (low..high)
      end

      # The stretch of r inside the ellipsoid, from and to, of no length where there is none: rays x columns x layers.
      # A r2 - 2 B r + C <= 0, with
      # A = cos2/a2 + sin2/b2, B = rc cos/a2, C = rc2/a2 - (1 - (z-zc)2/c2); a, b, c half extents, rc centre radius.
      def stretches(columns, layers, rays)
        a, b, = @half
        turn = ray_turns(columns, rays)
        cosine = Numo::DFloat::Math.cos(turn)
        quadratic = ((cosine / a)**2) + ((Numo::DFloat::Math.sin(turn) / b)**2)
        linear = cosine * (@body.radius_mm / (a**2))
        under_root = (linear**2) - (quadratic * level(layers))
        root = Numo::DFloat::Math.sqrt(under_root.clip(0, nil))
        [(linear - root) / quadratic, (linear + root) / quadratic]
      end

      # C of each layer, 1 x 1 x layers.
      def level(layers)
        a, _, c = @half
        level = (((@grid.heights_mm[layers] - @body.z_mm) / c)**2) + (((@body.radius_mm / a)**2) - 1)
        level.reshape(1, 1, level.size)
      end

      # Angle of each ray from the body's own, rays x columns x 1.
      def ray_turns(columns, rays)
        offsets = (((Numo::DFloat.new(rays, 1, 1).seq + 0.5) / rays) - 0.5) * @grid.angular_step_deg
        (offsets + (@grid.angles_deg[columns].reshape(1, columns.size, 1) - @body.clock_deg)) * ClockAngle::RADIANS
      end

      # By r2, since that is how a cell's volume goes; the rays of a column on the average.
      def share_of_cells(from, to, cells)
        long = [*from.shape, 1]
        inner, outer =
          [@grid.inner_edges_mm, @grid.outer_edges_mm].map { |edges| edges[cells].reshape(1, 1, 1, cells.size) }
        low = Numo::DFloat.maximum(from.reshape(*long), inner)
        high = Numo::DFloat.maximum(Numo::DFloat.minimum(to.reshape(*long), outer), low)
        InPlace.multiply(high - low, high + low).mean(axis: 0) /
          ((outer * outer) - (inner * inner)).reshape(1, 1, cells.size)
      end
    end
  end
end
