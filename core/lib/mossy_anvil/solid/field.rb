# frozen_string_literal: true

module MossyAnvil
  # A quantity over the cells of a grid that is the same everywhere (its ground) but in some rods.
  # A rod is one angle at one height, from the axis outwards; most of a blank is sound, so most rods need no cells.
  class Field
    attr_reader :grid, :ground, :rods, :cells

    # Numbers of the rods that some patches lie in, each once and in order.
    def self.rods_of(grid, patches)
      held = Numo::Bit.zeros(grid.rods)
      patches.each { |patch| held[patch.rods(grid)] = 1 }
      held.where
    end

    # rods: the numbers of those that may differ, each once and in order (see Grid#rods_at). They start as the ground.
    def initialize(grid, ground, rods)
      @grid = grid
      @ground = ground.to_f
      @rods = Numo::Int32.cast(rods)
      @cells = Numo::DFloat.new(@rods.size, grid.radial).fill(@ground) if @rods.size.positive?
    end

    # Is it its ground all over?
    def plain? = @cells.nil?

    # Lays a value over a patch, by how much the patch covers each cell.
    def blend(patch, value) = change(patch) { |there, cover| (there * ((cover * -1) + 1)) + (cover * value) }

    # Takes shares of what is there out of patches: [[patch, share], ...]. Patches of one cover all the way out are taken out together.
    def take_out(cuts)
      through, partial = cuts.partition { |patch, _| patch.cover.shape[2] < patch.cells.size }
      partial.each { |patch, share| change(patch) { |there, cover| there * ((cover * -share) + 1) } }
      return if through.empty?

      left = Numo::DFloat.ones(rods.size)
      through.each { |patch, share| held(patch).then { |at| left[at] = left[at] * ((patch.cover.flatten * -share) + 1) } }
      cells.inplace * left.reshape(rods.size, 1)
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
      found[held] = @cells[(row[held] * grid.radial) + cells[held]] if held.size.positive?
      found
    end

    # A field of its own for other rods, with this one's values in them.
    def over(other_rods)
      Field.new(grid, ground, other_rods).tap do |other|
        next if plain? || other.plain?

        from = rows[other.rods]
        shared = from.ge(0).where
        other.cells[shared, true] = cells[from[shared], true] if shared.size.positive?
      end
    end

    # Every cell of the grid, angle x layer x cell.
    def dense
      whole = Numo::DFloat.new(grid.rods, grid.radial).fill(ground)
      whole[rods, true] = cells unless plain?
      whole.reshape(*grid.shape)
    end

    private

    # Row of each of the grid's rods in #cells; -1 for those that are plain ground.
    def rows
      @rows ||= (Numo::Int32.zeros(grid.rods) - 1).tap { |table| table[rods] = Numo::Int32.new(rods.size).seq if rods.size.positive? }
    end

    # Rows of #cells that a patch lies in.
    def held(patch)
      rows[patch.rods(grid)].tap { |at| raise ReckoningError, "a patch lies outside the rods this field holds" if at.min.negative? }
    end

    def change(patch)
      at = held(patch)
      cells[at, patch.cells] = yield(cells[at, patch.cells], patch.cover.reshape(at.size, patch.cover.shape[2]))
    end
  end
end
