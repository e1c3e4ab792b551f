# frozen_string_literal: true

module MossyAnvil
  # The wood that holds on each side of the axis, angle by angle: strength-weighted moments of every column,
  # and how far out and in the live wood reaches, where stress is greatest.
  class Section
    LIVE_SHARE = 0.05
    MOMENTS = %i[a u uu z zz uz].freeze
    NOWHERE_MM = 1e6

    # Strength ready to be cut at any stage. first_mm, last_mm: innermost and outermost live edge in the columns that have cells.
    Cells = Struct.new(:sums, :own_sums, :columns, :first_mm, :last_mm, keyword_init: true)

    # wood, own: per angle, moments of area (mm, mm2 ...) weighted by share of strength and by MPa.
    # far_mm, near_mm: columns x layers, outermost and innermost live radius; live: where there is any.
    attr_reader :wood, :own, :far_mm, :near_mm, :live, :area_mm2

    # wood: Field of shares of the wood's strength; own: Field of MPa of resin, or nil.
    def self.prepare(wood, own)
      sums = { sums: RunningSums.new(wood, [0, 1, 2]), own_sums: own && RunningSums.new(own, [0, 1, 2]), columns: wood.columns }
      return Cells.new(**sums) if wood.columns.empty?

      live = wood.cells.gt(LIVE_SHARE)
      live |= own.over(wood.columns).cells.gt(LIVE_SHARE) if own
      held = Numo::DFloat.cast(live)
      inner, outer = [wood.grid.inner_edges_mm, wood.grid.outer_edges_mm].map { |edges| edges.reshape(1, 1, wood.grid.radial) }
      Cells.new(**sums, first_mm: (inner + ((held * -1 + 1) * NOWHERE_MM)).min(axis: 2), last_mm: (outer * held).max(axis: 2))
    end

    # cells: of the sound wood.
    def initialize(grid, stage, cells)
      @grid = grid
      @stage = stage
      @parts = [[Cut.new(grid, stage.reach.radii_mm), stage.reach, 1]]
      @parts << [Cut.new(grid, stage.inner_reach_mm), stage.inner, -1] if stage.hollow?
      bound_window
      @area_mm2 = plain_area
      @wood = collect { |cut, power| cells.sums.up_to(cut, power) }
      @own = cells.own_sums ? collect { |cut, power| cells.own_sums.up_to(cut, power) } : MOMENTS.to_h { |name| [name, Numo::DFloat.zeros(grid.angular)] }
      narrow(cells)
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

    # Other cells in place of what their columns held.
    def lay(cells)
      return if cells.columns.empty?

      { @wood => cells.sums, @own => cells.own_sums }.each do |moments, sums|
        next unless sums

        collect { |cut, power| sums.held(cut, power) }.each { |name, part| moments[name][cells.columns] = part }
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

    # Moments of the parts, name => one value a column; the block looks a part's integral up.
    def collect(&look_up)
      @parts.map { |part| of_part(*part, &look_up) }.inject { |one, other| one.merge(other) { |_, a, b| a + b } }
    end

    # Summed over the layers by one product: columns x layers times layers.
    def of_part(cut, layers, sign)
      thick = layers.thickness_mm * sign
      middle = layers.middle_mm
      zero, one, two = [0, 1, 2].map { |power| yield(cut, power) }
      { a: zero.dot(thick), u: one.dot(thick), uu: two.dot(thick), z: zero.dot(thick * middle),
        zz: zero.dot(thick * ((middle**2) + ((layers.thickness_mm**2) / 12))), uz: one.dot(thick * middle) }
    end

    # Draw far and near in to the outermost and innermost live edge.
    # A gap of dead wood between them is left out of account, which is on the safe side.
    def narrow(cells)
      columns = cells.columns
      return if columns.empty?

      @far_mm[columns, true] = Numo::DFloat.minimum(@far_mm[columns, true], cells.last_mm)
      @near_mm[columns, true] = Numo::DFloat.maximum(@near_mm[columns, true], cells.first_mm)
      @live[columns, true] = @live[columns, true] * Numo::DFloat.cast(@far_mm[columns, true].gt(@near_mm[columns, true]))
    end

    # mm2 of the whole plane, whatever its strength, per angle (one side of the axis).
    def plain_area
      area = @stage.reach.radii_mm.dot(@stage.reach.thickness_mm)
      @stage.hollow? ? area - @stage.inner_reach_mm.dot(@stage.inner.thickness_mm) : area
    end
  end
end
