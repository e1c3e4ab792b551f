# frozen_string_literal: true

module MossyAnvil
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
    HANDS = Numo::DFloat.cast(Section::MOMENTS.map { |name| %i[u uz].include?(name) ? -1 : 1 }).reshape(Section::MOMENTS.size, 1).freeze

    Plane = Struct.new(:clock_deg, :burst_rpm, :mean_stress_pa_per_w2, keyword_init: true)

    # sections: { sound: } and, where something is cracked, { own:, through: } of Section.
    # strengths_mpa: the wood's strength square to each plane (per grid angle).
    def initialize(grid, pulls, sections, strengths_mpa)
      @grid = grid
      @half = grid.angular / 2
      @sides = [0...@half, @half...grid.angular]
      @pulls = pulls
      @strengths = strengths_mpa[0...@half].dup
      @uses = governing(sections.transform_values { |section| uses(section) })
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

    private

    def plane(index)
      use = @uses[index]
      rpm = if use.zero? then nil
            elsif use >= 1e12 then 0.0
            else Balance::RPM / Math.sqrt(use)
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

    # Of the three ways to look at each plane; only sound where nothing is cracked.
    def governing(ways)
      return ways[:sound] unless ways[:own]

      Numo::DFloat.maximum(Numo::DFloat.minimum(ways[:own], ways[:through]), ways[:sound])
    end

    # Largest use of strength at w = 1 rad/s for each plane, over both halves.
    def uses(section)
      moments = plane_moments(section)
      edges = @sides.map { |columns| [section.far_mm, section.near_mm, section.dead].map { |radii| radii[columns, true] } }
      # The half on the far side sees u the other way round.
      @sides.zip([1, -1]).map do |half, hand|
        use(moments, edges, @pulls.pull_kg_m[half], @pulls.u_mm[half] * hand, @pulls.z_mm[half])
      end.inject { |one, other| Numo::DFloat.maximum(one, other) }
    end

    # Both sides of the axis together, u positive on the side of the plane's own angle; as MOMENTS x planes.
    def plane_moments(section)
      here, opposite = @sides
      both = ->(moments) { moments[true, here] + (moments[true, opposite] * HANDS) }
      wood = both[section.wood] * @strengths
      section.own ? wood + both[section.own] : wood
    end

    def use(moments, edges, pull, pull_u, pull_z)
      first_a, first_u, uu, first_z, zz, uz = Array.new(Section::MOMENTS.size) { |row| moments[row, true] }
      area = Numo::DFloat.maximum(first_a, 1e-12)
      uc, zc = first_u / area, first_z / area
      iuu, izz, iuz = uu - (first_u * uc), zz - (first_z * zc), uz - (first_u * zc)
      determinant = Numo::DFloat.maximum((iuu * izz) - (iuz * iuz), 1e-12)
      eu, ez = pull_u - uc, pull_z - zc
      p = ((izz * eu) - (iuz * ez)) / determinant
      q = ((iuu * ez) - (iuz * eu)) / determinant
      found = ((area**-1) + worst_point(edges, p, q) - (p * uc) - (q * zc)) * pull
      found[first_a.le(1e-9)] = 1e12
      found[pull.le(0)] = 0
      found.clip(0, 1e12)
    end

    # Largest p u + q z over the live wood of each plane: at the outermost or the innermost of every layer, on either side of the axis.
    def worst_point(edges, p, q)
      p, q = p.reshape(p.size, 1), q.reshape(q.size, 1)
      along = (q * @grid.heights_mm.reshape(1, @grid.axial)) + (q.abs * (@grid.axial_step_mm / 2))
      edges.zip([p, p * -1]).map do |(far, near, dead), slope|
        Numo::DFloat.maximum(far * slope, near * slope) - dead
      end.inject { |one, other| Numo::DFloat.maximum(one, other) }.then { |across| (across + along).max(axis: 1) }
    end
  end
end
