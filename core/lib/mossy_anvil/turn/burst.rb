# frozen_string_literal: true

module MossyAnvil
  module Turn
    # Splitting along a plane through the axis: eccentric tension on the strength-weighted section.
    #
    # Symbols: N pull (N), A = integral of s over the section, (u, z) place in the plane, (uc, zc) its weighted centre,
    # I second moments about it. Use of strength = N (1/A + p (u - uc) + q (z - zc)), p and q from the eccentricity of N
    # by the 2 x 2 inverse. It bursts where the largest use over the live section reaches 1.
    # Source: textbook bending with axial load; strengths as in Material.
    #
    # Three sections are looked at: as surveyed, with every open crack torn right through, and without cracks.
    # A last strip beside a crack may tear before the piece parts, so the larger of the first two counts,
    # and never more than the third: a deeper crack cannot make the answer better.
    class Burst
      # Moments with an odd power of u change their sign on the far side of the axis.
      HANDS =
        Numo::DFloat
          .cast(SectionPart::MOMENTS.map { |name| %i[u uz].include?(name) ? -1 : 1 })
          .reshape(SectionPart::MOMENTS.size, 1)
          .freeze

      BOTH_HALVES = Numo::DFloat[1, -1].reshape(2, 1, 1).freeze

      Plane = Struct.new(:clock_deg, :burst_rpm, :mean_stress_pa_per_w2, keyword_init: true)

      # sections: { sound: } and, where something is cracked, { own:, through: } of Section.
      # strengths_mpa: the wood's strength square to each plane (per grid angle).
      def initialize(grid, pulls, sections, strengths_mpa)
        @grid = grid
        @half = grid.angular / 2
        @pulls = pulls
        @strengths = strengths_mpa[0...@half].dup
        @ways = sections.values_at(:sound, :own, :through).compact
        @uses = governing(uses)
        @plain = mean_stresses(sections[:sound])
        freeze
      end

      # The plane that gives way first.
      def weakest
        plane(@uses.max_index)
      end

      # The plane through a clock angle (and the angle opposite).
      def at(clock_deg)
        plane(@grid.column_at(clock_deg) % @half)
      end

      # Mean stress of the planes at an array of columns of the grid, Pa per (rad/s)2 as MPa; of its shape.
      def mean_stresses_at(columns) = @plain[columns % @half] * 1e-6

      private

      def plane(index)
        use = @uses[index]
        rpm =
          if use.zero?
            nil
          elsif use >= 1e12
            0.0
          else
            Mechanics::RPM / Math.sqrt(use)
          end
        Plane.new(clock_deg: index * @grid.angular_step_deg, burst_rpm: rpm, mean_stress_pa_per_w2: @plain[index])
      end

      # Pa per (rad/s)2: pull over plain area of the plane.
      def mean_stresses(section)
        area = section.area_mm2[0...@half] + section.area_mm2[@half..]
        larger_pull / Numo::DFloat.maximum(area, 1e-9) * 1e6
      end

      def larger_pull
        Numo::DFloat.maximum(@pulls.pull_kg_m[0...@half], @pulls.pull_kg_m[@half..])
      end

      # Of the three ways to look at each plane (rows: sound, own, through); only the first where nothing is cracked.
      def governing(ways)
        sound, own, through = Array.new(@ways.size) { |row| ways[row, true] }
        own ? Numo::DFloat.maximum(Numo::DFloat.minimum(own, through), sound) : sound.dup
      end

      # Largest use of strength at w = 1 rad/s: ways x planes. All ways and both halves are worked out together,
      # as arrays of halves x ways x planes; the half on the far side sees u the other way round.
      def uses
        moments = plane_moments
        pull, pull_u, pull_z = [@pulls.pull_kg_m, @pulls.u_mm, @pulls.z_mm].map { |values| values.reshape(2, 1, @half) }
        use(moments, pull, pull_u * BOTH_HALVES, pull_z).max(axis: 0)
      end

      # Both sides of the axis together, u positive on the side of the plane's own angle: one array of ways x planes for
      # each of MOMENTS.
      def plane_moments
        here, opposite = 0...@half, @half...@grid.angular
        both = ->(moments) { moments[true, here] + (moments[true, opposite] * HANDS) }
        each_way =
          @ways.map do |section|
            (both[section.wood] * @strengths).then { |wood| section.own ? wood + both[section.own] : wood }
          end
        stacked(each_way, &:itself).then do |all|
          Array.new(SectionPart::MOMENTS.size) { |row| all[true, row, true].dup }
        end
      end

      # One array over all ways of what the block takes from each.
      def stacked(each_way)
        first = yield(each_way.first)
        Numo::DFloat
          .zeros(each_way.size, *first.shape)
          .tap do |whole|
            each_way.each_with_index do |way, index|
              whole[index, *([true] * first.ndim)] = index.zero? ? first : yield(way)
            end
          end
      end

      def use((first_a, first_u, uu, first_z, zz, uz), pull, pull_u, pull_z)
        area = Numo::DFloat.maximum(first_a, 1e-12)
        uc, zc = first_u / area, first_z / area
        about_centre = uu - (first_u * uc), zz - (first_z * zc), uz - (first_u * zc)
        p, q = slopes(about_centre, pull_u - uc, pull_z - zc)
        found = ((area**-1) + worst_point(p, q) - (p * uc) - (q * zc)) * pull
        (unless_nothing(found, first_a) * pull.gt(0)).clip(0, 1e12)
      end

      # Nothing holds where there is no section, whatever the sums say.
      def unless_nothing(found, area)
        nothing = Numo::DFloat.cast(area.le(1e-9))
        (found * ((nothing * -1) + 1)) + (nothing * 1e12)
      end

      # How the stress rises along u and z, given the second moments about the centre and how far off it the pull acts.
      def slopes((iuu, izz, iuz), eu, ez)
        determinant = Numo::DFloat.maximum((iuu * izz) - (iuz * iuz), 1e-12)
        [((izz * eu) - (iuz * ez)) / determinant, ((iuu * ez) - (iuz * eu)) / determinant]
      end

      # Largest p u + q z over the live wood of each plane. In every layer that is the farthest of it to the side p
      # points to: halves x ways x planes.
      def worst_point(p, q)
        # Where nothing is live, so much counts against it even where p is nothing.
        across = InPlace.multiply(farthest_to(p), (p.abs + 1e-20).reshape(p.size, 1))
        q = q.reshape(p.size, 1)
        along = InPlace.add(q * @grid.heights_mm, q.abs * (@grid.axial_step_mm / 2))
        InPlace.add(along, across).max(axis: 1).reshape(*p.shape)
      end

      # mm to the farthest live wood of each plane to the side p points to: planes of both halves and all ways x layers.
      def farthest_to(p)
        columns = Numo::Int32.new(1, 1, @half).seq + (Numo::Int32.cast(p.lt(0)) * @half)
        rows = columns + (Numo::Int32.new(1, @ways.size, 1).seq * @grid.angular)
        stacked(@ways, &:farthest_mm).reshape!(@grid.angular * @ways.size, @grid.axial)[rows.flatten, true].dup
      end
    end
  end
end
