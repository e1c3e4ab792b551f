# frozen_string_literal: true

module MossyAnvil
  module Turn
    # What cracks square to the axis (delaminations, ring checks, open glue lines), and pockets and soft places that
    # take up much of a section, leave of it, and the speed up to which that bears the tool.
    #
    # stress = M / W, W = I_min / r_max of what is left about its own centre, weighted by its strength;
    # M = cut at the end of its lever + weight and imbalance at the middle of it.
    # Allowed: the strength along the axis over the reserve on load. Source: textbook bending.
    class CrossSections
      # Places along a path that runs so: no column of the grid is stepped over.
      PLACES = 240
      # Cracks so near each other along the axis, as a share of the largest radius, break as one.
      TOGETHER_SHARE = 0.2
      # Less of the section's modulus gone than this is none.
      LOST_SHARE = 0.05
      # A section left with less than this modulus (mm3) holds nothing.
      NOTHING_MM3 = 1e-3

      # Places of a path where it runs square to the axis, by path and what the grid is over.
      SQUARE = Cache.new(1000)

      # Loads on the part beyond a section. force_n: of the cut; mass_g: of the whole stage, on the safe side;
      # imbalance_g_mm: the most that a part of it may have, since what lies the other side of the section balances
      # nothing there; reserve: on the load.
      Load = Struct.new(:force_n, :mass_g, :imbalance_g_mm, :reserve, keyword_init: true)

      # rpm to stay below, and the ids of the defects that take of the section.
      Limit = Struct.new(:rpm, :ids)
      # A section across the axis: its layer, how near its cracks come to the axis (one a column, mm), and the defects
      # that take of it.
      Cut = Struct.new(:layer, :tips_mm, :defects)
      private_constant :Cut

      # strength: callable that gives the shares of strength in a layer, columns x cells, or nil where it is all sound.
      def initialize(blank, stage, grid, strength)
        @blank = blank
        @stage = stage
        @grid = grid
        @strength = strength
      end

      # The section that bears least, as a Limit; nil where no crack lies square to the axis or speed adds nothing.
      def lowest(load) =
        sections
          .filter_map { |section| limit_at(section, load)&.then { |rpm| Limit.new(rpm, section.defects.map(&:id)) } }
          .min_by(&:rpm)

      private

      def sections = @sections ||= cracked + hollowed_out

      # Every section that a large enough pocket or soft place takes up.
      def hollowed_out
        @blank
          .defects
          .reject(&:path?)
          .select { |body| (body.open? || body.strength_factor <= WallLine::OPEN_SHARE) && body.own_strength_mpa.zero? }
          .filter_map do |body|
            layer = @grid.layer_at(body.z_mm)
            if @stage.outer_at_planes.thickness_mm[layer].positive? && large?(body, layer)
              Cut.new(layer, nowhere, [body])
            end
          end
      end

      # Could it take more than LOST_SHARE of the section's modulus, all of it at the farthest place? Against the least
      # that the section can have, a ring all round.
      def large?(body, layer)
        near, far = @stage.outer_at_planes.radii_mm[true, layer].minmax
        ring = Math::PI / 4 * [(near**4) - (inner_mm(layer).max**4), 0].max / far
        Math::PI / 4 * body.size_mm[0] * body.size_mm[1] * far >= LOST_SHARE * ring
      end

      def nowhere = Numo::DFloat.new(@grid.angular).fill(Solid::SteppedStrength::NOWHERE_MM)

      # Every section that cracks take something of.
      def cracked
        square_places
          .map { |_, layer, *| layer }
          .uniq
          .select { |layer| @stage.outer_at_planes.thickness_mm[layer].positive? }
          .map { |layer| cut_at(layer) }
      end

      def cut_at(layer)
        reach_mm = TOGETHER_SHARE * @stage.round_radius_mm
        near = square_places.select { |_, other, *| (other - layer).abs * @grid.axial_step_mm <= reach_mm }
        tips = nowhere
        near.each { |column, _, tip, _| tips[column] = [tips[column], tip].min }
        Cut.new(layer, tips, near.map(&:last).uniq)
      end

      # [column, layer, tip_mm, path] wherever a path runs more round the turn than along the axis.
      def square_places
        @square_places ||=
          @blank
            .defects
            .select { |defect| defect.path? && defect.side? && defect.parts? }
            .flat_map { |path| SQUARE.of([path, @grid.over]) { places_of(path) } }
      end

      def places_of(path)
        return [] if square_bits(path.samples(@blank.shape)).none?

        samples = path.samples(@blank.shape, count: PLACES)
        columns, layers = @grid.columns_at(samples.clock_deg).to_a, @grid.layers_at(samples.z_mm).to_a
        tips = path.through? ? [0.0] * samples.size : (samples.radius_mm - samples.depth_mm).clip(0, nil).to_a
        square_bits(samples).zip(columns, layers, tips).filter_map { |square, *place| [*place, path] if square }
      end

      # Of each sample, does the path run more round the turn than along the axis there?
      def square_bits(samples)
        return [] if samples.size < 2

        round =
          (
            ClockAngle.short_turns(samples.clock_deg[1..] - samples.clock_deg[0...-1]) * ClockAngle::RADIANS *
              samples.radius_mm[1..]
          ).abs
        bits = round.gt((samples.z_mm[1..] - samples.z_mm[0...-1]).abs).to_a.map { |bit| bit == 1 }
        [bits.first, *bits]
      end

      # rpm, 0 where what is left does not bear the cut and the weight alone; nil where it is whole enough or speed adds
      # nothing.
      def limit_at(section, load)
        layer = section.layer
        whole, left = whole_and_left_mm3(layer, section.tips_mm)
        return if left > whole * (1 - LOST_SHARE)

        spare_nmm = (left * strength_mpa(section.defects) / load.reserve) - static_nmm(layer, load)
        return 0.0 if left < NOTHING_MM3 || spare_nmm.negative?

        per_spin_n = load.imbalance_g_mm * 1e-6
        per_spin_n.zero? ? nil : Mechanics::RPM * Math.sqrt(spare_nmm / (per_spin_n * lever_mm(layer) / 2))
      end

      # As #modulus_mm3 has it.
      def whole_and_left_mm3(layer, tips)
        outer, inner = @stage.outer_at_planes.radii_mm[true, layer].dup, inner_mm(layer)
        open = Numo::DFloat.maximum(Numo::DFloat.minimum(outer, tips), inner)
        [modulus_mm3(outer, inner), modulus_mm3(open, inner, @strength.call(layer))]
      end

      def inner_mm(layer)
        none = Numo::DFloat.zeros(@grid.angular)
        @stage.hollow? && @stage.inner.thickness_mm[layer].positive? ? @stage.inner_at_planes_mm[true, layer].dup : none
      end

      # The tool's lever is to the farther end of the piece, since it may be held by either.
      def lever_mm(layer)
        held = @stage.outer_at_planes.thickness_mm.gt(0).where
        z_mm = @grid.heights_mm[layer]
        [z_mm - @grid.heights_mm[held[0]], @grid.heights_mm[held[-1]] - z_mm].max + (@grid.axial_step_mm / 2)
      end

      def static_nmm(layer, load) =
        lever_mm(layer) * (load.force_n + (load.mass_g * 1e-3 * Mechanics::GRAVITY_M_S2 / 2))

      # MPa along the axis; a glue line bears no more than glue.
      def strength_mpa(defects)
        material = @blank.material
        own = material.grain == "end" ? material.strength_along_mpa : material.strength_across_mpa
        if defects.any? { |defect| defect.type == "delamination" }
          [own, Table["strength"]["glue_line"]["tension_mpa"]].min
        else
          own
        end
      end

      # mm3 of a section between two radii (one a column): the least second moment about its centre, over its farthest
      # place. shares: of strength, columns x cells.
      def modulus_mm3(outer, inner, shares = nil)
        area, first, second = [2, 3, 4].map { |power| moments(outer, inner, shares, power) }
        return 0.0 if nothing?(area)

        across = ClockAngle.points(@grid.angles_deg, 1.0)
        centre = across.map { |share| (first * share).sum / area.sum }
        about_centre =
          [[0, 0], [1, 1], [0, 1]].map do |pair|
            (second * product(across, pair)).sum - (area.sum * product(centre, pair))
          end
        least_moment(about_centre) / farthest_mm(outer, inner, across, centre)
      end

      def product(values, pair) = values.values_at(*pair).inject(:*)

      def nothing?(area) = area.sum < NOTHING_MM3

      # The least of the second moments about any line through the centre.
      def least_moment((xx, yy, xy)) = [((xx + yy) / 2) - Math.hypot((xx - yy) / 2, xy), 0].max

      # Integrals of r^(power - 1) dr over each column's sector.
      def moments(outer, inner, shares, power) =
        (shares ? by_cell(outer, inner, shares, power) : ((outer**power) - (inner**power)) / power) *
          @grid.angular_step_rad

      # Integrals of share * r^(power - 1) dr between two radii, one a column.
      def by_cell(outer, inner, shares, power)
        from, to = [@grid.inner_edges_mm, @grid.outer_edges_mm].map { |edges| edges.reshape(1, @grid.radial) }
        low = Numo::DFloat.maximum(from, inner.reshape(@grid.angular, 1))
        high = Numo::DFloat.maximum(Numo::DFloat.minimum(to, outer.reshape(@grid.angular, 1)), low)
        (((high**power) - (low**power)) * shares).sum(axis: 1) / power
      end

      def farthest_mm(outer, inner, (sine, cosine), (x, y))
        Numo::DFloat::Math.hypot((outer * sine) - x, (outer * cosine) - y)[outer.gt(inner)].max
      end
    end
  end
end
