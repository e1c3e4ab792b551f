# frozen_string_literal: true

module MossyAnvil
  module Turn
    # The wood that holds on each side of the axis, angle by angle: strength-weighted moments of every column,
    # and how far out and in the live wood reaches, where stress is greatest.
    class Section
      LIVE_SHARE = Solid::SteppedStrength::LIVE_SHARE
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
      # wood, own: SectionPart::MOMENTS x angle (mm, mm2 ...), weighted by share of strength and by MPa; own is nil
      # where there is no resin.
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

      # cells: of the sound wood. known: SectionParts by their Layering, those of the same wood that other stages had; a
      # new one is added.
      def initialize(grid, stage, cells, known = {}.compare_by_identity)
        @grid = grid
        @stage = stage
        outer = stage.outer_at_planes
        @parts = [known[outer] ||= SectionPart.new(grid, outer.radii_mm, outer, 1, cells)]
        @parts << SectionPart.new(grid, stage.inner_at_planes_mm, stage.inner, -1, cells) if stage.hollow?
        bound_window
        @area_mm2 = plain_area
        @wood = @parts.map(&:wood).inject(:+)
        @own = @parts.first.own && @parts.map(&:own).inject(:+)
        narrow(cells)
      end

      # The same section weakened in some of its rods: WeakRods.
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
        @wood = @parts.inject(@wood) { |moments, part| moments + part.wood_change(weak) }
        @own = @parts.inject(@own) { |moments, part| moments + part.own_change(weak) } if @own
        weak.list.each { |one| narrow(one) }
      end

      private

      # Far edges, where nothing is live those of the other side; in place.
      def past_dead(farthest)
        dead = @live.eq(0).where
        opposite = (dead + (@grid.rods / 2)) % @grid.rods
        farthest[dead] = (@near_mm[opposite].dup * -1) - (Numo::DFloat.cast(@live[opposite].eq(0)) * 1e30)
        farthest
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
