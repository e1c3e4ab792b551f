# frozen_string_literal: true

module MossyAnvil
  # A quantity over the cells of a grid that is the same everywhere (its ground) but in some columns,
  # which are held cell by cell. Most of a blank is sound, so most columns need no cells.
  class Field
    attr_reader :grid, :ground, :columns, :cells

    # columns: the indices that may differ. cells: columns x layers x cells; the ground all over where none are given.
    def initialize(grid, ground, columns, cells = nil)
      @grid = grid
      @ground = ground.to_f
      @columns = columns.freeze
      @cells = cells || Numo::DFloat.new(columns.size, grid.axial, grid.radial).fill(ground)
      @row_of = columns.each_with_index.to_h.freeze
    end

    # Lays a value over a patch, by how much the patch covers each cell.
    def blend(patch, value)
      at = [patch.columns.map { |column| @row_of.fetch(column) }, patch.layers, patch.cells]
      @cells[*at] = (@cells[*at] * ((patch.cover * -1) + 1)) + (patch.cover * value)
    end

    # Takes a share of what is there out of a patch.
    def take_out(patch, share)
      at = [patch.columns.map { |column| @row_of.fetch(column) }, patch.layers, patch.cells]
      @cells[*at] = @cells[*at] * ((patch.cover * -share) + 1)
    end

    # The value in one cell.
    def [](column, layer, cell)
      row = @row_of[column]
      row ? @cells[row, layer, cell] : ground
    end

    # A field of its own for other columns, with this one's values in them.
    def over(columns)
      Field.new(grid, ground, columns).tap do |other|
        shared = columns.each_index.select { |row| @row_of.key?(columns[row]) }
        other.cells[shared, true, true] = @cells[shared.map { |row| @row_of[columns[row]] }, true, true] if shared.any?
      end
    end

    # Every cell of the grid, angle x layer x cell.
    def dense
      Numo::DFloat.new(*grid.shape).fill(ground).tap { |whole| whole[columns, true, true] = cells if columns.any? }
    end
  end
end
