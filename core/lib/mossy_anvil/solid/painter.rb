# frozen_string_literal: true

module MossyAnvil
  # Paints a blank's density and strength into the grid, each defect once and only inside its own bounds.
  # Where several meet: void, then resin or hard, then the lowest factor; the order of the survey does not matter.
  class Painter
    RANKS = { lowered: 0, hard: 1, void: 2 }.freeze

    attr_reader :grid

    def initialize(grid, blank)
      @grid = grid
      @blank = blank
      @wood_kg_m3 = blank.material.density_kg_m3
      bodies = blank.defects.reject(&:path?).sort_by { |body| standing(body) }
      @patches = bodies.map { |body| [body, BodyCover.new(grid, body).patch] }.select(&:last)
      @paths = blank.defects.select(&:path?).map { |path| [path, PathCover.new(grid, blank.shape, path)] }
    end

    # kg/m3 in every cell.
    def density
      @density ||= begin
        field = Numo::DFloat.new(*grid.shape).fill(@wood_kg_m3)
        @paths.each { |path, cover| lay_bark(field, path, cover) unless path.crack? }
        @patches.each { |body, patch| blend(field, patch, body.density_kg_m3(@wood_kg_m3)) }
        field
      end
    end

    # Share of the wood's own strength in every cell, bodies only, no cracks.
    def strength
      @strength ||= begin
        field = Numo::DFloat.ones(*grid.shape)
        @patches.each { |body, patch| blend(field, patch, body.strength_factor) }
        field
      end
    end

    # MPa that resin brings of its own, or nil where there is none.
    def own_strength
      resin = @patches.select { |body, _| body.own_strength_mpa.positive? }
      return if resin.empty?

      field = Numo::DFloat.zeros(*grid.shape)
      @patches.each { |body, patch| blend(field, patch, body.own_strength_mpa) }
      field
    end

    # Columns that a crack or bark weakens, and what share of the strength stays in their cells
    # with the paths taken as deep as they are (:own) or right through (:through).
    # An open path takes all; a glued one leaves the glue line's strength.
    def kept_by_paths(depth)
      covers = @paths.map { |path, cover| [path, cover.patch(depth_of(path, depth))] }
      columns = covers.flat_map { |_, patch| patch.columns }.uniq.sort
      kept = Numo::DFloat.ones(columns.size, grid.axial, grid.radial)
      row_of = columns.each_with_index.to_h
      covers.each { |path, patch| take_out(kept, path, patch, patch.columns.map { |column| row_of[column] }) }
      [columns, kept]
    end

    private

    # Later in the sort paints over earlier. The rest of the key only makes the order the same for any survey order.
    def standing(body)
      value = body.strength_factor
      [RANKS.fetch(body.rank), -value, -body.density_kg_m3(@wood_kg_m3), body.clock_deg, body.radius_mm, body.z_mm, *body.size_mm]
    end

    def depth_of(path, depth)
      open_through = path.through? || (depth == :through && !path.mended?)
      open_through ? path.through_depth_mm(@blank.shape) : path.depth_mm
    end

    def blend(field, patch, value)
      at = [patch.columns, patch.layers, patch.cells]
      field[*at] = (field[*at] * ((patch.cover * -1) + 1)) + (patch.cover * value)
    end

    def take_out(field, path, patch, rows)
      at = [rows, patch.layers, patch.cells]
      field[*at] = field[*at] * ((patch.cover * -share_lost(path)) + 1)
    end

    def share_lost(path)
      return 1.0 unless path.mended?

      1 - [Table["strength"]["glue_line"]["tension_mpa"] / @blank.material.strength_across_mpa, 1.0].min
    end

    # Bark has a thickness but is narrower than a column: its share of the column's arc counts.
    def lay_bark(field, bark, cover)
      kg_m3 = Table["local_factors"]["bark_inclusion"]["bark"]["density"]["kg_m3"]
      patch = cover.patch(bark.depth_mm)
      arc = ((grid.inner_edges_mm + (grid.radial_step_mm / 2)) * (2 * PathCover::REACH_DEG * Clock::RADIANS)).reshape(1, 1, grid.radial)
      thin = ((arc**-1) * bark.width_mm).clip(0, 1)[true, true, patch.cells]
      blend(field, PathCover::Patch.new(patch.columns, patch.layers, patch.cells, patch.cover * thin), kg_m3)
    end
  end
end
