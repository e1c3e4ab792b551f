# frozen_string_literal: true

module MossyAnvil
  module Solid
    # Paints a blank's density and strength into the grid, each defect once and only inside its own bounds.
    # Where several meet: void, then resin or hard, then the lowest factor; the order of the survey does not matter.
    class FieldRasterizer
      # Where cracks leave less of a cell than this, it tears before the piece parts, and need not hold.
      MUST_HOLD_SHARE = 0.75
      RANKS = { lowered: 0, hard: 1, void: 2 }.freeze

      attr_reader :grid

      def initialize(grid, blank)
        @grid = grid
        @blank = blank
        @whole_kg_m3, @wood_kg_m3 = blank.material.density_kg_m3, blank.material.wood_kg_m3
        bodies = blank.defects.reject(&:path?).sort_by { |body| standing(body) }
        @patches = bodies.map { |body| [body, BodyCover.patch(grid, body)] }.select(&:last)
        @paths = blank.defects.select(&:path?).map { |path| [path, PathCover.new(grid, blank.shape, path)] }
      end

      # Field of kg/m3.
      def density
        @density ||=
          begin
            bark = bark_patches
            field = Field.new(grid, @whole_kg_m3, Field.rods_of(grid, bark + @patches.map(&:last)))
            bark.each { |patch| field.blend(patch, bark_kg_m3) }
            @patches.each { |body, patch| field.blend(patch, body.density_kg_m3(@wood_kg_m3)) }
            field
          end
      end

      # Does anything lighten the wood?
      def lightened? =
        @paths.any? { |path, _| !path.crack? } ||
          @patches.any? { |body, _| body.density_kg_m3(@wood_kg_m3) < @whole_kg_m3 }

      # Field of the kg/m3 that defects make the wood lighter by, 0 elsewhere. For the pull that splits what is open,
      # soft or bark counts as the whole wood does, so that no defect is ever of help.
      def lightening
        bark = bark_patches
        field = Field.new(grid, 0, Field.rods_of(grid, bark + @patches.map(&:last)))
        bark.each { |patch| field.blend(patch, [@whole_kg_m3 - bark_kg_m3, 0].max) }
        @patches.each { |body, patch| field.blend(patch, [@whole_kg_m3 - body.density_kg_m3(@wood_kg_m3), 0].max) }
        field
      end

      # Field of the share of the wood's own strength: bodies only, no cracks.
      def strength
        @strength ||= painted(1.0, &:strength_factor)
      end

      # Field of the MPa that resin brings of its own, or nil where there is none.
      def own_strength
        return @own_strength if defined?(@own_strength)

        resin = @patches.any? { |body, _| body.own_strength_mpa.positive? }
        @own_strength = resin ? painted(0.0, &:own_strength_mpa) : nil
      end

      # The rods that cracks and bark weaken, with those as deep as they are (:own) and right through (:through):
      # SteppedStrength where the wood is sound but for what comes in from the side, and elsewhere fields of strength
      # and own strength (or nil), and which of their cells must hold.
      # An open path takes all; a glued one leaves the glue line's strength.
      # more: further paths, beside the survey's.
      def cracked(more = [])
        paths = @paths + more.map { |path| [path, PathCover.new(grid, @blank.shape, path)] }
        %i[own through].to_h { |depth| [depth, weakened(paths, depth)] }
      end

      private

      # Later in the sort paints over earlier. The rest of the key only makes the order the same for any survey order.
      def standing(body)
        value = body.strength_factor
        [
          RANKS.fetch(body.rank),
          -value,
          -body.density_kg_m3(@wood_kg_m3),
          body.clock_deg,
          body.radius_mm,
          body.z_mm,
          *body.size_mm
        ]
      end

      def weakened(paths, depth)
        side, face = paths.partition { |path, _| path.side? }
        steps =
          SteppedStrength.of(side.map { |path, cover| [cover.step(through: through?(path, depth)), share_lost(path)] })
        cuts = face.map { |path, cover| [cover.patch(through: through?(path, depth)), share_lost(path)] }
        plain, mixed = steps.parted(marked(strength.rods, Field.rods_of(grid, cuts.map(&:first))))
        [plain, weakened_cells(mixed, cuts)]
      end

      # Fields of strength and own strength in the rods that steps and cuts share with other defects, and which of their
      # cells must hold.
      def weakened_cells(mixed, cuts)
        held = marked(mixed.rods, Field.rods_of(grid, cuts.map(&:first))).where
        left = mixed.left_in_cells(grid) unless mixed.rods.empty?
        fields =
          [strength, own_strength].map do |field|
            field&.over(held)&.tap { |weak| weak.thin(mixed.rods, left).take_out(cuts) }
          end
        [*fields, fields.first.plain? ? nil : holding(fields.first, mixed, cuts.select { |_, share| share >= 1 })]
      end

      # Cells of a weakened field that must hold, 1 or 0, rods x cells: not those that open cracks leave less than
      # MUST_HOLD_SHARE of. nil where there are none.
      def holding(field, mixed, cuts)
        return if cuts.empty? && mixed.rods.empty?

        held = Numo::Int8.ones(field.rods.size, grid.radial)
        unless mixed.rods.empty?
          whole = mixed.holding_in_cells(grid).gt(MUST_HOLD_SHARE)
          held[field.rows_of(mixed.rods), true] = Numo::Int8.cast(whole)
        end
        cuts.each { |patch, share| let_go(held, field, patch, share) }
        held
      end

      def let_go(held, field, patch, share)
        rows, cover = field.rows_of(patch.rods(grid)), patch.cover
        left = Numo::Int8.cast((cover * share).lt(1 - MUST_HOLD_SHARE)).reshape(rows.size, cover.shape[2])
        held[rows, patch.cells] = held[rows, patch.cells] * left
      end

      def bark_patches =
        @bark_patches ||= @paths.reject { |path, _| path.crack? }.map { |path, cover| thinned(path, cover.patch) }

      # A Bit for every rod of the grid, 1 for those in any of some lists.
      def marked(*lists) =
        Numo::Bit.zeros(grid.rods).tap { |held| lists.each { |rods| held[rods] = 1 if rods.size.positive? } }

      def through?(path, depth) = path.through? || (depth == :through && !path.holds?)

      def bark_kg_m3 = Table["local_factors"]["bark_inclusion"]["bark"]["density"]["kg_m3"]

      def painted(ground)
        field = Field.new(grid, ground, Field.rods_of(grid, @patches.map(&:last)))
        @patches.each { |body, patch| field.blend(patch, yield(body)) }
        field
      end

      def share_lost(path)
        return 1.0 unless path.holds?

        1 - [path.bond_mpa / @blank.material.strength_across_mpa, 1.0].min
      end

      # Bark has a thickness but is narrower than a column: its share of the column's arc counts.
      def thinned(bark, patch)
        arc =
          ((grid.inner_edges_mm + (grid.radial_step_mm / 2)) * (2 * PathCover::HALF_DEG * ClockAngle::RADIANS)).reshape(
            1,
            1,
            grid.radial
          )
        thin = ((arc**-1) * bark.width_mm).clip(0, 1)[true, true, patch.cells]
        PathCover::Patch.new(patch.columns, patch.layers, patch.cells, patch.cover * thin)
      end
    end
  end
end
