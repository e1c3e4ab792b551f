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
    # touched: the columns that cracks touch; only their planes differ. strengths_mpa: the wood's strength square to each plane (per grid angle).
    def initialize(grid, pulls, sections, strengths_mpa, touched: [])
      @grid = grid
      @half = grid.angular / 2
      @pulls = pulls
      @strengths = strengths_mpa
      @uses = uses(sections[:sound], 0...@half, @half...grid.angular)
      weigh_cracks(sections, touched.map { |column| column % @half }.uniq.sort) if touched.any?
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

    def weigh_cracks(sections, touched)
      planes = Numo::Int32.cast(touched)
      own, through = sections.values_at(:own, :through).map { |section| uses(section, planes, planes + @half) }
      @uses[planes] = Numo::DFloat.maximum(Numo::DFloat.minimum(own, through), @uses[planes])
    end

    # Largest use of strength at w = 1 rad/s for each of some planes, over both halves. opposite: the columns on the far side of each plane.
    def uses(section, planes, opposite)
      moments = plane_moments(section, planes, opposite)
      sides = [planes, opposite].map { |columns| [section.far_mm, section.near_mm, section.dead].map { |edges| edges[columns, true].dup } }
      # The half on the far side sees u the other way round.
      [[planes, 1], [opposite, -1]].map do |half, hand|
        use(moments, sides, @pulls.pull_kg_m[half].dup, @pulls.u_mm[half] * hand, @pulls.z_mm[half].dup)
      end.inject { |one, other| Numo::DFloat.maximum(one, other) }
    end

    # Both sides of the axis together, u positive on the side of the plane's own angle; as MOMENTS x planes.
    def plane_moments(section, planes, opposite)
      both = ->(moments) { moments[true, planes] + (moments[true, opposite] * HANDS) }
      wood = both[section.wood] * @strengths[planes]
      section.own ? wood + both[section.own] : wood
    end

    def use(moments, sides, pull, pull_u, pull_z)
      first_a, first_u, uu, first_z, zz, uz = Array.new(Section::MOMENTS.size) { |row| moments[row, true] }
      area = Numo::DFloat.maximum(first_a, 1e-12)
      uc, zc = first_u / area, first_z / area
      iuu, izz, iuz = uu - (first_u * uc), zz - (first_z * zc), uz - (first_u * zc)
      determinant = Numo::DFloat.maximum((iuu * izz) - (iuz * iuz), 1e-12)
      eu, ez = pull_u - uc, pull_z - zc
      p = ((izz * eu) - (iuz * ez)) / determinant
      q = ((iuu * ez) - (iuz * eu)) / determinant
      found = ((area**-1) + worst_point(sides, p, q) - (p * uc) - (q * zc)) * pull
      found[first_a.le(1e-9)] = 1e12
      found[pull.le(0)] = 0
      found.clip(0, 1e12)
    end

    # Largest p u + q z over the live wood of each plane: at the outermost or the innermost of every layer, on either side of the axis.
    def worst_point(sides, p, q)
      p, q = p.reshape(p.size, 1), q.reshape(q.size, 1)
      along = (q * @grid.heights_mm.reshape(1, @grid.axial)) + (q.abs * (@grid.axial_step_mm / 2))
      sides.zip([p, p * -1]).map do |(far, near, dead), slope|
        Numo::DFloat.maximum(far * slope, near * slope) - dead
      end.inject { |one, other| Numo::DFloat.maximum(one, other) }.then { |across| (across + along).max(axis: 1) }
    end
  end
end
