# frozen_string_literal: true

module MossyAnvil
  module Solid
    # A quantity over the cells of a grid that is the same everywhere (its ground) but in some rods.
    # A rod is one angle at one height, from the axis outwards; most of a blank is sound, so most rods need no cells.
    class Field
      attr_reader :grid, :ground, :rods

      # Numbers of the rods that some patches lie in, each once and in order.
      def self.rods_of(grid, patches)
        return Numo::Int32[] if patches.empty?
        return patches.first.rods(grid).sort if patches.size == 1

        held = Numo::Bit.zeros(grid.rods)
        patches.each { |patch| held[patch.rods(grid)] = 1 }
        held.where
      end

      # rods: the numbers of those that may differ, each once and in order (see Grid#rods_at). They start as the ground
      # or, where there is one, as the source.
      def initialize(grid, ground, rods, source: nil)
        @grid = grid
        @ground = ground.to_f
        @rods = Numo::Int32.cast(rods)
        @source = source
      end

      # Is it its ground all over?
      def plain? = rods.empty?

      # Rods x cells; nil where there are none.
      def cells = plain? ? nil : laid

      # Lays a value over a patch, by how much the patch covers each cell.
      def blend(patch, value)
        change(patch) { |there, cover| InPlace.add(InPlace.multiply(InPlace.add(cover * -1, 1), there), cover * value) }
      end

      # Takes shares of what is there out of patches: [[patch, share], ...].
      def take_out(cuts)
        cuts.each do |patch, share|
          change(patch) { |there, cover| InPlace.multiply(InPlace.add(cover * -share, 1), there) }
        end
      end

      # Leaves only shares of what is there in some of its rods: shares of rods x cells. Returns itself.
      def thin(some, shares)
        return self if some.empty?

        at = rows[some]
        laid[at, true] = laid[at, true] * shares
        self
      end

      # The value in one cell.
      def [](column, layer, cell)
        row = rows[(column * grid.axial) + layer]
        row.negative? ? ground : cells[row, cell]
      end

      # The values at arrays of rods and of cells along them.
      def at(rods, cells)
        found = Numo::DFloat.zeros(rods.size) + ground
        row = rows[rods]
        held = row.ge(0).where
        found[held] = self.cells[(row[held] * grid.radial) + cells[held]] if held.size.positive?
        found
      end

      # The values in a layer, columns x cells; nil where they are all the ground.
      def layer(layer)
        row = rows[(Numo::Int32.new(grid.angular).seq * grid.axial) + layer]
        held = row.ge(0).where
        return if held.empty?

        Numo::DFloat
          .new(grid.angular, grid.radial)
          .fill(ground)
          .tap { |found| found[held, true] = cells[row[held], true] }
      end

      # A field of its own for other rods, with this one's values in them.
      def over(other_rods) = Field.new(grid, ground, other_rods, source: self)

      # Every cell of the grid, angle x layer x cell.
      def dense
        whole = Numo::DFloat.new(grid.rods, grid.radial).fill(ground)
        whole[rods, true] = cells unless plain?
        whole.reshape(*grid.shape)
      end

      # Row in #cells of each of some rods; -1 for those that are plain ground.
      def rows_of(some) = rows[some]

      private

      # Row of each of the grid's rods in #cells; -1 for those that are plain ground.
      def rows
        @rows ||=
          (Numo::Int32.zeros(grid.rods) - 1).tap do |table|
            table[rods] = Numo::Int32.new(rods.size).seq if rods.size.positive?
          end
      end

      # Rows of #cells that a patch lies in.
      def held(patch)
        rows[patch.rods(grid)].tap do |at|
          raise ReckoningError, "a patch lies outside the rods this field holds" if at.min.negative?
        end
      end

      def change(patch)
        at = held(patch)
        laid[at, patch.cells] = yield(laid[at, patch.cells], patch.cover.reshape(at.size, patch.cover.shape[2]))
      end

      def laid =
        @laid ||=
          Numo::DFloat
            .new(rods.size, grid.radial)
            .fill(@ground)
            .tap { |own| take_over(own) if @source && !@source.plain? }

      def take_over(own)
        from = @source.rows_of(rods)
        shared = from.ge(0).where
        own[shared, true] = @source.cells[from[shared], true] if shared.size.positive?
      end
    end
  end
end
