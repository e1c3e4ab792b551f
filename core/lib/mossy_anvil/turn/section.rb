# frozen_string_literal: true

module MossyAnvil
  # The wood that holds on each side of the axis, angle by angle: strength-weighted moments of every column,
  # and how far out and in the live wood reaches, where stress is greatest.
  class Section
    LIVE_SHARE = 0.05
    MOMENTS = %i[a u uu z zz uz].freeze

    # Columns (or some of them) with their cells: wood = share of the wood's strength, own = MPa of resin, or nil.
    Cells = Struct.new(:columns, :wood, :own, :sums, :own_sums, :dead, keyword_init: true)

    # wood, own: per angle, moments of area (mm, mm2 ...) weighted by share of strength and by MPa.
    # far_mm, near_mm: columns x layers, outermost and innermost live radius; live: where there is any.
    attr_reader :wood, :own, :far_mm, :near_mm, :live, :area_mm2

    # Cells ready to be cut at any stage. columns: indices in the grid.
    def self.prepare(grid, columns, wood, own)
      live = wood.gt(LIVE_SHARE)
      live |= own.gt(LIVE_SHARE) if own
      dead = columns.each_index.reject { |row| live[row, true, true].all? }
      Cells.new(columns: columns, wood: wood, own: own, sums: RunningSums.new(grid, wood, [0, 1, 2]),
        own_sums: own && RunningSums.new(grid, own, [0, 1, 2]), dead: [dead, live[dead, true, true]])
    end

    # cells: for all columns.
    def initialize(grid, stage, cells)
      @grid = grid
      @stage = stage
      @wood, @own = [nil, nil].map { MOMENTS.to_h { |name| [name, Numo::DFloat.zeros(grid.angular)] } }
      bound_window
      @area_mm2 = plain_area
      lay(cells)
    end

    # The same section with other cells in some of its columns.
    def with(cells)
      dup.tap { |other| other.lay(cells) }
    end

    def initialize_copy(original)
      super
      @wood, @own = [original.wood, original.own].map { |moments| moments.transform_values(&:dup) }
      @far_mm, @near_mm, @live = [original.far_mm, original.near_mm, original.live].map(&:dup)
    end

    protected

    def lay(cells)
      return if cells.columns.empty?

      radii = [[@stage.reach.radii_mm, @stage.reach, 1]]
      radii << [@stage.inner_reach_mm, @stage.inner, -1] if @stage.hollow?
      parts = radii.map { |bound, layers, sign| [Cut.new(@grid, bound[cells.columns, true]), layers, sign] }
      { @wood => cells.sums, @own => cells.own_sums }.each do |moments, sums|
        next unless sums

        collected = collect(sums, parts)
        moments.each { |name, column| column[cells.columns] = collected.fetch(name) }
      end
      narrow(cells)
    end

    private

    # The window of each column: from the hollow (or the axis) to the outside.
    def bound_window
      @far_mm = @stage.reach.radii_mm.dup
      @near_mm = Numo::DFloat.zeros(@grid.angular, @grid.axial)
      if @stage.hollow?
        open_layers = @stage.inner.thickness_mm.ge(@stage.reach.thickness_mm * 0.999)
        @near_mm += @stage.inner_reach_mm * Numo::DFloat.cast(open_layers).reshape(1, @grid.axial)
      end
      @live = Numo::DFloat.cast(@far_mm.gt(@near_mm + 1e-9)) * @stage.reach.thickness_mm.gt(0).reshape(1, @grid.axial)
    end

    # Moments of the parts, name => one value a column.
    def collect(sums, parts)
      parts.map { |cut, layers, sign| of_part(sums, cut, layers, sign) }.inject { |one, other| one.merge(other) { |_, a, b| a + b } }
    end

    # Summed over the layers by one product: columns x layers times layers.
    def of_part(sums, cut, layers, sign)
      thick = layers.thickness_mm * sign
      middle = layers.middle_mm
      zero, one, two = [0, 1, 2].map { |power| sums.up_to(cut, power) }
      { a: zero.dot(thick), u: one.dot(thick), uu: two.dot(thick), z: zero.dot(thick * middle),
        zz: zero.dot(thick * ((middle**2) + ((layers.thickness_mm**2) / 12))), uz: one.dot(thick * middle) }
    end

    # Draw far and near in to the outermost and innermost live cell, where a column has dead ones.
    def narrow(cells)
      rows, live = cells.dead
      return if rows.empty?

      columns = rows.map { |row| cells.columns[row] }
      far = @far_mm[columns, true].reshape(rows.size, @grid.axial, 1)
      near = @near_mm[columns, true].reshape(rows.size, @grid.axial, 1)
      inner, outer = [@grid.inner_edges_mm, @grid.outer_edges_mm].map { |edges| edges.reshape(1, 1, @grid.radial) }
      held = Numo::DFloat.cast(live & inner.lt(far) & outer.gt(near))
      @live[columns, true] = @live[columns, true] * held.max(axis: 2)
      @far_mm[columns, true] = Numo::DFloat.minimum(outer + (far * 0), far * held).then { |edge| (edge * held).max(axis: 2) }
      @near_mm[columns, true] = (Numo::DFloat.maximum(inner + (near * 0), near) + ((held * -1 + 1) * 1e9)).min(axis: 2).clip(0, 1e9)
    end

    # mm2 of the whole plane, whatever its strength, per angle (one side of the axis).
    def plain_area
      area = (@stage.reach.radii_mm * @stage.reach.thickness_mm.reshape(1, @grid.axial)).sum(axis: 1)
      return area unless @stage.hollow?

      area - (@stage.inner_reach_mm * @stage.inner.thickness_mm.reshape(1, @grid.axial)).sum(axis: 1)
    end
  end
end
