# frozen_string_literal: true

module MossyAnvil
  module Report
    # The painted solid and what all stages share of it, worked out once.
    class SolidAnalysis
      attr_reader :blank, :grid, :climate, :density_sums

      def initialize(blank, climate, fineness)
        @blank = blank
        @climate = climate
        @grid = Solid::Grid.over(blank.shape, fineness: fineness)
        painter = Solid::FieldRasterizer.new(@grid, blank)
        @density_sums = Solid::RunningIntegrals.new(painter.density, 1..3)
        @lightening = painter.lightened? ? Solid::RunningIntegrals.new(painter.lightening, 2..3) : nil
        prepare_sections(painter)
        # The pull is square to the plane: the strength of the plane at each grid angle.
        @strengths = blank.material.strengths_mpa(@grid.angles_deg + 90)
      end

      # A Stage; the hollowed one is the one before it less its hollow.
      def stage(name)
        (@stages ||= {})[name] ||= Solid::Stage.new(
          name,
          grid,
          blank,
          outside: name == :hollowed ? stage(:outside) : nil
        )
      end

      # MassProperties of a stage.
      def mass(stage)
        @masses ||= {}
        @masses[stage.name] ||= Solid::MassProperties.new(
          grid,
          density_sums,
          stage,
          outside: stage.hollow? ? @masses[:outside] : nil
        )
      end

      # Burst of a stage with those mass properties.
      def burst(stage, mass)
        sound = Turn::Section.new(@grid, stage, @sound, @section_parts ||= {}.compare_by_identity)
        cracked = (stage.hollow? ? @hollow_paths : @paths).transform_values { |weak| sound.with(weak) }
        Turn::Burst.new(@grid, Turn::HalfBodyForces.new(@grid, pulled(mass)), { sound: sound, **cracked }, @strengths)
      end

      # g mm that some part of a stage may be out of balance by.
      def most_imbalance_g_mm(mass) = mass.most_imbalance_g_mm(pulled(mass))

      # Forgets what stages are cut from, once all are: by far the most of the memory.
      def let_go
        @density_sums = @lightening = @pulled = nil
        @sound = @paths = @hollow_paths = @section_parts = nil
        @wood_strength = @own_strength = @stages = @masses = nil
      end

      # [[defect, DefectShare], ...] against the finished form.
      def shares
        @shares ||= Solid::DefectShares.of(blank)
      end

      # Defects of which something is left at a stage. Rounding is taken to remove none of them.
      def left_at(stage_name)
        return blank.defects if %i[blank rounded].include?(stage_name) || blank.form.nil?

        gone = stage_name == :hollowed || !blank.form.hollow? ? :removed? : :removed_outside?
        (@left ||= {})[gone] ||= shares.reject { |_, share| share.public_send(gone) }.map(&:first)
      end

      # Cracks that run into each other, and the pieces they free between them; that is only looked for where any meet.
      def meetings = @meetings ||= Model::DefectIntersections.new(blank).all
      def freed =
        @freed ||=
          meetings.any? ? Solid::FreedPieces.new(blank.shape, Model::DefectIntersections.open_seams(blank)).all : []

      # List of CracksAtStage::Run: everything that is parted at a stage, with the speed it runs on at.
      def crack_runs(stage, burst)
        @parted ||= Turn::CrackPlaces.of(blank, grid)
        @toughness ||= Turn::CrackToughness.new(blank)
        Turn::CracksAtStage.new(@parted, blank, stage, @toughness, openings: stage.hollow? ? openings : nil).runs(burst)
      end

      # What opens the wall of the finished piece; nil where it has none.
      def openings = @openings ||= blank.form&.hollow? ? Turn::WallOpenings.new(blank, shares) : nil

      # Shares of strength of the wood at places (arrays), cracks apart. Resin there has a toughness of its own, no
      # lower than the wood's.
      def local_strength(clock_deg, radius_mm, z_mm)
        rods = (grid.columns_at(clock_deg) * grid.axial) + grid.layers_at(z_mm)
        cells = grid.cells_at(radius_mm)
        found = @wood_strength.at(rods, cells)
        @own_strength ? Numo::DFloat.maximum(found, Numo::DFloat.cast(@own_strength.at(rods, cells).gt(0))) : found
      end

      # WeakestWall::Place of the form, nil where nothing is hollowed.
      def weakest_wall = openings && (@weakest_wall ||= Turn::WeakestWall.new(blank, shares, openings).place)

      # Shares of strength in a layer, columns x cells, resin counted as whole; nil where it is all sound.
      def strength_in_layer(layer)
        found = @wood_strength.layer(layer) or return
        own = @own_strength&.layer(layer)
        own ? Numo::DFloat.maximum(found, Numo::DFloat.cast(own.gt(0))) : found
      end

      # Walls::Least of the form, or nil where nothing is hollow.
      def least_wall = blank.form&.hollow? ? Model::WallThickness.least(blank.form, blank.shape) : nil

      # Lowest local share of strength that a defect leaves in the finished piece; 1 where none does.
      def weakest_left
        left_at(:hollowed).reject(&:path?).map(&:strength_factor).select(&:positive?).push(1.0).min
      end

      private

      # Moments of the pull of a stage.
      def pulled(mass) =
        (@pulled ||= {}.compare_by_identity)[mass] ||= @lightening ? mass.pulling(@lightening) : mass.moments

      def prepare_sections(painter)
        @wood_strength, @own_strength = painter.strength, painter.own_strength
        @sound = Turn::Section.prepare(@wood_strength, @own_strength)
        @paths = @hollow_paths = {}
        @paths = @hollow_paths = weakened(painter) if blank.defects.any?(&:path?)
        pockets = openings ? openings.each.select(&:bodies).map(&:as_crack) : []
        @hollow_paths = weakened(painter, pockets) if pockets.any?
      end

      # Sections weakened by paths, and by more of them.
      def weakened(painter, more = [])
        painter
          .cracked(more)
          .transform_values { |plain, fields| Turn::WeakRods.new(@grid, [plain, Turn::Section.prepare(*fields)]) }
      end
    end
  end
end
