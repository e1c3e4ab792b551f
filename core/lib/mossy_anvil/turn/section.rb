# frozen_string_literal: true

module MossyAnvil
  # The wood that holds on each side of the axis, angle by angle: strength-weighted moments of every column,
  # and how far out and in the live wood reaches, where stress is greatest.
  class Section
    LIVE_SHARE = 0.05
    # Rows of the moments: area, and its first and second moments by u (out from the axis) and z.
    MOMENTS = %i[a u uu z zz uz].freeze
    NOWHERE_MM = 1e6

    # Strength ready to be cut at any stage. first_mm, last_mm: innermost and outermost live edge in the rods that have cells;
    # alive: instead of them, 1 for the rods in which as much is live as there was.
    Cells = Struct.new(:sums, :own_sums, :rods, :first_mm, :last_mm, :alive, keyword_init: true)
    # One bound of the section: where it cuts, how its layers weigh, and the integrals of sound wood up to it (own_integrals: of resin, or nil).
    Part = Struct.new(:cut, :by_z, :integrals, :own_integrals)

    # wood, own: MOMENTS x angle (mm, mm2 ...), weighted by share of strength and by MPa; own is nil where there is no resin.
    # far_mm, near_mm: columns x layers, outermost and innermost live radius; live: where there is any.
    attr_reader :wood, :own, :far_mm, :near_mm, :live, :area_mm2

    # wood: Field of shares of the wood's strength; own: Field of MPa of resin, or nil.
    def self.prepare(wood, own)
      return thinned(wood, own) if wood.only_thinned?

      sums = { sums: RunningSums.new(wood, 0..2), own_sums: own && RunningSums.new(own, 0..2), rods: wood.rods }
      return Cells.new(**sums) if wood.plain?

      live = wood.cells.gt(LIVE_SHARE)
      live |= own.over(wood.rods).cells.gt(LIVE_SHARE) if own
      Cells.new(**sums, **live_edges(live, wood.grid))
    end

    # What is left of the sound wood along each rod: its own cells need not be looked at.
    def self.thinned(wood, own)
      Cells.new(sums: ThinnedSums.new(wood), own_sums: own && ThinnedSums.new(own), rods: wood.rods, alive: Numo::DFloat.cast(wood.left.gt(LIVE_SHARE)))
    end
    private_class_method :thinned

    # Counted from either end, so that small whole numbers do: a live cell by how far it lies from the other end, a dead one nothing.
    def self.live_edges(live, grid)
      held = Numo::Int8.cast(live)
      from_first = Numo::Int8.new(1, grid.radial).seq + 1
      last = (held * from_first).max(axis: 1)
      first = ((held * from_first.reverse).max(axis: 1) * -1) + grid.radial
      { first_mm: (first * grid.radial_step_mm) + (Numo::DFloat.cast(last.eq(0)) * NOWHERE_MM), last_mm: last * grid.radial_step_mm }
    end
    private_class_method :live_edges

    # cells: of the sound wood.
    def initialize(grid, stage, cells)
      @grid = grid
      @stage = stage
      @parts = [part(stage.reach.radii_mm, stage.reach, 1, cells)]
      @parts << part(stage.inner_reach_mm, stage.inner, -1, cells) if stage.hollow?
      bound_window
      @area_mm2 = plain_area
      gather
      narrow(cells)
    end

    # The same section with other cells in some of its rods.
    def with(cells)
      dup.tap { |other| other.lay(cells) }
    end

    def initialize_copy(original)
      super
      @far_mm, @near_mm, @live = [original.far_mm, original.near_mm, original.live].map(&:dup)
      @dead = nil
    end

    # 0 where there is live wood, else so much that no stress counts there.
    def dead = @dead ||= ((@live * -1) + 1) * 1e30

    protected

    # Other cells in place of what their rods held.
    def lay(cells)
      return if cells.rods.empty?

      @wood = @parts.inject(@wood) { |moments, part| moments + change(cells.sums, part, part.integrals) }
      @own = @parts.inject(@own) { |moments, part| moments + change(cells.own_sums, part, part.own_integrals) } if @own
      narrow(cells)
    end

    private

    def part(radii_mm, layers, sign, cells)
      cut = Cut.new(@grid, radii_mm)
      Part.new(cut, by_z(layers, sign), cells.sums.up_to(cut), cells.own_sums&.up_to(cut))
    end

    # What the layers' thickness and place weigh in by: for moments with z to the power of 0, 1 and 2.
    def by_z(layers, sign)
      thick = layers.thickness_mm * sign
      middle = layers.middle_mm
      [thick, thick * middle, thick * ((middle**2) + ((layers.thickness_mm**2) / 12))]
    end

    # What other cells change in the moments of one part: nothing but in their own rods.
    def change(sums, part, integrals)
      changes = sums.held(part.cut, integrals).zip(integrals).map do |held, sound|
        Numo::DFloat.zeros(@grid.angular, @grid.axial).tap { |whole| whole[sums.rods] = held - sound[sums.rods] }
      end
      moments(changes, part.by_z)
    end

    # Moments of the parts together.
    def gather
      @wood = @parts.map { |part| moments(part.integrals, part.by_z) }.inject(:+)
      @own = @parts.first.own_integrals && @parts.map { |part| moments(part.own_integrals, part.by_z) }.inject(:+)
    end

    # integrals: of r to the power of 0, 1 and 2, each columns x layers. Summed over the layers by one product with each weight.
    def moments((zero, one, two), (plain, first, second))
      rows([zero.dot(plain), one.dot(plain), two.dot(plain), zero.dot(first), zero.dot(second), one.dot(first)])
    end

    def rows(lines)
      Numo::DFloat.zeros(lines.size, @grid.angular).tap { |table| lines.each_with_index { |line, index| table[index, true] = line } }
    end

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

    # Draw far and near in to the outermost and innermost live edge.
    # A gap of dead wood between them is left out of account, which is on the safe side.
    def narrow(cells)
      rods = cells.rods
      return if rods.empty?
      return @live[rods] = @live[rods] * cells.alive if cells.alive

      far, near = Numo::DFloat.minimum(@far_mm[rods], cells.last_mm), Numo::DFloat.maximum(@near_mm[rods], cells.first_mm)
      @far_mm[rods] = far
      @near_mm[rods] = near
      @live[rods] = @live[rods] * Numo::DFloat.cast(far.gt(near))
    end

    # mm2 of the whole plane, whatever its strength, per angle (one side of the axis).
    def plain_area
      area = @stage.reach.radii_mm.dot(@stage.reach.thickness_mm)
      @stage.hollow? ? area - @stage.inner_reach_mm.dot(@stage.inner.thickness_mm) : area
    end
  end
end
