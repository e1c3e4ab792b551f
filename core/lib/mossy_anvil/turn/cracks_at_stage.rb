# frozen_string_literal: true

module MossyAnvil
  module Turn
    # What is parted at one stage, cracks and bark seams and, once it is hollowed, whatever opens its wall: the speed at
    # which each runs on.
    #
    # A crack in solid wood goes by CrackRun at every place of it, and the place of the largest K counts. In the wall of
    # a hollow a place can be no worse than the crack torn right through wherever it is as deep as there, which goes by
    # WallCrack; where it does go through, WallCrack alone counts.
    class CracksAtStage
      TINY_MM = 0.1
      # ids: of the defects; runs_rpm: it runs at; limit_rpm: to stay below.
      Run = Struct.new(:ids, :runs_rpm, :limit_rpm)

      # places: list of CrackPlaces of what parts the wood. toughness: CrackToughness of the blank. openings:
      # WallOpenings of the stage, or nil where it has no wall.
      def initialize(places, blank, stage, toughness, openings: nil)
        @places = places
        @blank = blank
        @stage = stage
        @toughness = toughness
        @openings = openings
      end

      # List of Run, empty where nothing is left or nothing pulls on any. burst: Burst of the stage, for the planes'
      # stress.
      def runs(burst) = @places.flat_map { |places| runs_of(places, burst) } + through_wall

      private

      def density_kg_m3 = @blank.material.density_kg_m3
      def whole_toughness = @blank.material.toughness_mpa_sqrt_m

      def runs_of(places, burst)
        rows, left = places.rows, places.left_at(@stage, @openings ? @blank.form : nil)
        there = left.width_mm.gt(TINY_MM) & left.depth_mm.gt(TINY_MM)
        return [] if there.none?

        intensities = worst_intensities(rows, left, there, burst.mean_stresses_at(places.columns))
        rows.paths.each_with_index.filter_map do |path, row|
          run(path, whole_toughness * @toughness.share(path), intensities[row]) if intensities[row].positive?
        end
      end

      def run(path, tough, intensity)
        rpm = Mechanics::RPM * Math.sqrt(tough / intensity)
        Run.new([path.id], rpm, rpm * CrackRun::WORK_SHARE)
      end

      # MPa root m for 1 rad/s at the place of each path where it is largest.
      def worst_intensities(rows, left, there, stress)
        share = left.depth_mm / Numo::DFloat.maximum(left.width_mm, TINY_MM)
        working = CrackRun.working_over(left.depth_mm, runs_mm(rows, there))
        found = Numo::DFloat::Math.sqrt(working * (Math::PI / 1000)) * CrackRun.edge_factor(share) * stress * there
        bound_in_walls(rows, found, share, left.in_wall.gt(0) & there) if left.in_wall
        found.max(axis: 1).to_a
      end

      # In place.
      def bound_in_walls(rows, found, share, in_wall)
        rows.paths.each_with_index do |path, row|
          at = in_wall[row, true].where
          found[row, at] = bounded(
            path,
            found[row, at].dup,
            share[row, at].dup,
            rows.length_mm[row, at].dup
          ) unless at.empty?
        end
      end

      # Intensities at places in a wall, none more than that of the path torn through wherever it is as deep as there.
      def bounded(path, found, share, length_mm)
        whole = @openings.run_of(path) or return found
        order = (share * -1).sort_index
        torn = Numo::DFloat.zeros(order.size)
        torn[order] = length_mm[order].cumsum / [length_mm.sum, TINY_MM].max * whole.run_mm
        Numo::DFloat.minimum(found, WallCrack.intensities(density_kg_m3, torn, **whole.place.except(:run_mm)))
      end

      # Each by itself, and together with what it runs into: alone it may lie in weaker wood than the two have beside
      # them.
      def through_wall
        return [] unless @openings

        (@openings.each | @openings.all).map do |opening|
          rpm = WallCrack.runs_rpm(whole_toughness * weakest_at(opening), density_kg_m3, **opening.place)
          Run.new(opening.ids, rpm, rpm * opening.work_share)
        end
      end

      # Share of the toughness beside an opening or, were it a crack, in line with it.
      def weakest_at(opening) =
        [@toughness.share(opening.as_crack, but: opening.ids), @openings.weakest_share(opening)].min

      # mm of run that is left of each, cracks x 1; without end where it goes from end to end (which only a crack from
      # the side can).
      def runs_mm(rows, there)
        whole = @stage.outer_at_planes.thickness_mm.sum * CrackRun::WHOLE_RUN_SHARE
        left =
          (rows.length_mm * there).sum(axis: 1).to_a.map { |mm| rows.side? && mm >= whole ? CrackRun::ENDLESS_MM : mm }
        Numo::DFloat.cast(left).reshape(rows.size, 1)
      end
    end
  end
end
