# frozen_string_literal: true

module MossyAnvil
  module Turn
    # The wood that holds on each side of the axis, angle by angle: strength-weighted moments of every column,
    # and how far out and in the live wood reaches, where stress is greatest.
    class Section
      LIVE_SHARE = Solid::SteppedStrength::LIVE_SHARE
      # Rows of the moments: area, and its first and second moments by u (out from the axis) and z.
      MOMENTS = %i[a u uu z zz uz].freeze
      NOWHERE_MM = Solid::SteppedStrength::NOWHERE_MM

      # Strength held cell by cell, ready to be cut at any stage. first_mm, last_mm: innermost and outermost live edge
      # in each of its rods.
      Cells =
        Struct.new(:sums, :own_sums, :rods, :first_mm, :last_mm, keyword_init: true) do
          # What its integrals of wood, and of resin, are more than those of the sound section, in its own rods: for
          # each power one value a rod.
          def wood_change(part) = more(sums, part, part.integrals)
          def own_change(part) = more(own_sums, part, part.own_integrals)

          private

          def more(own, part, sound) = own.held(part.cut).zip(sound).map { |held, power| held - power[rods].dup }
        end
      # One bound of the section: where it cuts, what its layers weigh in by for moments with z to the power of 0, 1 and
      # 2 (1 x 3 x layers), and the integrals of sound wood up to it (own_integrals: of resin, or nil).
      Part =
        Struct.new(:cut, :by_z, :integrals, :own_integrals) do
          def by_two = @by_two ||= by_z[true, 0..1, true].dup
          def by_thickness = @by_thickness ||= by_z[0, 0, true].dup
        end

      # wood, own: MOMENTS x angle (mm, mm2 ...), weighted by share of strength and by MPa; own is nil where there is no
      # resin.
      # far_mm, near_mm: columns x layers, outermost and innermost live radius; live: where there is any.
      attr_reader :wood, :own, :far_mm, :near_mm, :live, :area_mm2

      # wood: Field of shares of the wood's strength; own: Field of MPa of resin, or nil. holding: which of their cells
      # must hold (see FieldRasterizer), or nil where all do.
      def self.prepare(wood, own, holding = nil)
        sums = {
          sums: Solid::RunningIntegrals.new(wood, Solid::RunningIntegrals::POWERS),
          own_sums: own && Solid::RunningIntegrals.new(own, Solid::RunningIntegrals::POWERS),
          rods: wood.rods
        }
        return Cells.new(**sums) if wood.plain?

        live = wood.cells.gt(LIVE_SHARE)
        live |= own.over(wood.rods).cells.gt(LIVE_SHARE) if own
        held = Numo::Int8.cast(live)
        Cells.new(**sums, **live_edges(holding ? held * holding : held, wood.grid))
      end

      # Counted from either end, so that small whole numbers do: a live cell by how far it lies from the other end, a
      # dead one nothing.
      def self.live_edges(held, grid)
        from_first = Numo::Int8.new(1, grid.radial).seq + 1
        last = (held * from_first).max(axis: 1)
        first = ((held * from_first.reverse).max(axis: 1) * -1) + grid.radial
        {
          first_mm: (first * grid.radial_step_mm) + (Numo::DFloat.cast(last.eq(0)) * NOWHERE_MM),
          last_mm: last * grid.radial_step_mm
        }
      end
      private_class_method :live_edges

      # cells: of the sound wood.
      def initialize(grid, stage, cells)
        @grid = grid
        @stage = stage
        @spreads = {}.compare_by_identity
        @parts = [part(stage.outer_at_planes.radii_mm, stage.outer_at_planes, 1, cells)]
        @parts << part(stage.inner_at_planes_mm, stage.inner, -1, cells) if stage.hollow?
        bound_window
        @area_mm2 = plain_area
        gather
        narrow(cells)
      end

      # The same section weakened in some of its rods: a list of SteppedStrength and Cells, no rod in two of them.
      def with(weak)
        dup.tap { |other| other.lay(weak) }
      end

      def initialize_copy(original)
        super
        @far_mm, @near_mm, @live = [original.far_mm, original.near_mm, original.live].map(&:dup)
        @farthest_mm = nil
      end

      # Columns x layers: how far the live wood of the plane reaches to the side of that column. Where it has none on
      # that side, the nearest of it on the other (below 0), and where there is none at all, so far the other way that
      # nothing counts there.
      def farthest_mm = @farthest_mm ||= @live.min.zero? ? past_dead(@far_mm.dup) : @far_mm

      protected

      def lay(weak)
        @wood = @parts.inject(@wood) { |moments, part| moments + change(weak, part, &:wood_change) }
        @own = @parts.inject(@own) { |moments, part| moments + change(weak, part, &:own_change) } if @own
        weak.each { |one| narrow(one) }
      end

      private

      # Far edges, where nothing is live those of the other side; in place.
      def past_dead(farthest)
        dead = @live.eq(0).where
        opposite = (dead + (@grid.rods / 2)) % @grid.rods
        farthest[dead] = (@near_mm[opposite].dup * -1) - (Numo::DFloat.cast(@live[opposite].eq(0)) * 1e30)
        farthest
      end

      def part(radii_mm, layers, sign, cells)
        cut = Solid::IntegrationLimit.new(@grid, radii_mm)
        Part.new(cut, by_z(layers, sign), cells.sums.up_to(cut), cells.own_sums&.up_to(cut))
      end

      def by_z(layers, sign)
        thick = layers.thickness_mm * sign
        middle = layers.middle_mm
        rows([thick, thick * middle, thick * ((middle**2) + ((layers.thickness_mm**2) / 12))]).reshape!(
          1,
          3,
          @grid.axial
        )
      end

      # What weakened rods change in the moments of one part; the block asks for either change of one of them. Summed
      # over the columns they lie in alone.
      def change(weak, part)
        columns, places = spread_of(weak)
        return 0 if columns.empty?

        whole = Solid::RunningIntegrals::POWERS.map { Numo::DFloat.zeros(columns.size, @grid.axial) }
        weak.zip(places) { |one, at| yield(one, part)&.zip(whole) { |more, power| power[at] = more } }
        Numo::DFloat.zeros(MOMENTS.size, @grid.angular).tap { |all| all[true, columns] = moments(whole, part) }
      end

      # The columns that some rods lie in, and for each of them its rods' places among those columns alone.
      def spread_of(weak)
        @spreads[weak] ||= begin
          column_of = weak.map { |one| one.rods / @grid.axial }
          held = Numo::Bit.zeros(@grid.angular).tap { |bits| column_of.each { |columns| bits[columns] = 1 } }
          turn = Numo::Int32.cast(held).cumsum - 1
          [held.where, weak.zip(column_of).map { |one, columns| ((turn[columns] - columns) * @grid.axial) + one.rods }]
        end
      end

      # Moments of the parts together.
      def gather
        @wood = @parts.map { |part| moments(part.integrals, part) }.inject(:+)
        @own = @parts.first.own_integrals && @parts.map { |part| moments(part.own_integrals, part) }.inject(:+)
      end

      # integrals: of r to the power of 0, 1 and 2, each columns x layers. Summed over the layers by one product with
      # all the weights that each goes with; the rows are those of MOMENTS.
      def moments((zero, one, two), part)
        Numo::DFloat
          .zeros(MOMENTS.size, two.shape[0])
          .tap do |table|
            table[[0, 3, 4], true] = zero[true, :new, true].mulsum(part.by_z, axis: 2).transpose
            table[[1, 5], true] = one[true, :new, true].mulsum(part.by_two, axis: 2).transpose
            table[2, true] = two.mulsum(part.by_thickness, axis: 1)
          end
      end

      def rows(lines)
        Numo::DFloat
          .zeros(lines.size, lines.first.size)
          .tap { |table| lines.each_with_index { |line, index| table[index, true] = line } }
      end

      # The window of each column: from the hollow (or the axis) to the outside.
      def bound_window
        @far_mm = @stage.outer_at_planes.radii_mm.dup
        @near_mm = Numo::DFloat.zeros(@grid.angular, @grid.axial)
        if @stage.hollow?
          open_layers = @stage.inner.thickness_mm.ge(@stage.outer_at_planes.thickness_mm * 0.999)
          @near_mm += @stage.inner_at_planes_mm * Numo::DFloat.cast(open_layers).reshape(1, @grid.axial)
        end
        @live =
          Numo::DFloat.cast(@far_mm.gt(@near_mm + 1e-9)) *
            @stage.outer_at_planes.thickness_mm.gt(0).reshape(1, @grid.axial)
      end

      # Draw far and near in to the outermost and innermost live edge.
      # A gap of dead wood between them is left out of account, which is on the safe side.
      def narrow(weak)
        rods = weak.rods
        return if rods.empty?

        far, near =
          Numo::DFloat.minimum(@far_mm[rods].dup, weak.last_mm),
          Numo::DFloat.maximum(@near_mm[rods].dup, weak.first_mm)
        @far_mm[rods] = far
        @near_mm[rods] = near
        @live[rods] = @live[rods].dup * Numo::DFloat.cast(far.gt(near))
      end

      # mm2 of the whole plane, whatever its strength, per angle (one side of the axis).
      def plain_area
        area = @stage.outer_at_planes.radii_mm.dot(@stage.outer_at_planes.thickness_mm)
        @stage.hollow? ? area - @stage.inner_at_planes_mm.dot(@stage.inner.thickness_mm) : area
      end
    end
  end
end
