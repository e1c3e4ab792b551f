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
    Plane = Struct.new(:clock_deg, :burst_rpm, :mean_stress_pa_per_w2, keyword_init: true)

    # sections: { own:, through:, sound: } of Section. strengths_mpa: the wood's strength square to each plane (per grid angle).
    def initialize(grid, pulls, sections, strengths_mpa)
      @grid = grid
      @half = grid.angular / 2
      @pulls = pulls
      @strengths = strengths_mpa[0...@half]
      found = {}.compare_by_identity
      own, through, sound = sections.values_at(:own, :through, :sound).map { |section| found[section] ||= uses(section) }
      torn = Numo::DFloat.minimum(own, through)
      @uses = Numo::DFloat.maximum(torn, sound)
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

    # Largest use of strength at w = 1 rad/s for each plane, over both halves.
    def uses(section)
      moments = plane_moments(section)
      # The half on the far side sees u the other way round.
      [[0...@half, 1], [@half.., -1]].map do |range, hand|
        use(section, moments, @pulls.pull_kg_m[range], @pulls.u_mm[range] * hand, @pulls.z_mm[range])
      end.inject { |one, other| Numo::DFloat.maximum(one, other) }
    end

    # Both sides of the axis together, u positive on the side of the plane's own angle.
    def plane_moments(section)
      Section::MOMENTS.to_h do |name|
        wood, own = [section.wood[name], section.own[name]].map do |column|
          hand = %i[u uz].include?(name) ? -1 : 1
          column[0...@half] + (column[@half..] * hand)
        end
        [name, (wood * @strengths) + own]
      end
    end

    def use(section, m, pull, pull_u, pull_z)
      area = Numo::DFloat.maximum(m[:a], 1e-12)
      uc, zc = m[:u] / area, m[:z] / area
      iuu, izz, iuz = m[:uu] - (area * uc**2), m[:zz] - (area * zc**2), m[:uz] - (area * uc * zc)
      determinant = Numo::DFloat.maximum((iuu * izz) - (iuz**2), 1e-12)
      eu, ez = pull_u - uc, pull_z - zc
      p = ((izz * eu) - (iuz * ez)) / determinant
      q = ((iuu * ez) - (iuz * eu)) / determinant
      worst = worst_point(section, p, q)
      found = ((area**-1) + worst - (p * uc) - (q * zc)) * pull
      found[m[:a].le(1e-9)] = 1e12
      found[pull.le(0)] = 0
      found.clip(0, 1e12)
    end

    # Largest p u + q z over the live wood of each plane.
    def worst_point(section, p, q)
      p, q = p.reshape(@half, 1), q.reshape(@half, 1)
      along = (q * @grid.heights_mm.reshape(1, @grid.axial)) + (q.abs * (@grid.axial_step_mm / 2))
      sides = [[0...@half, 1], [@half.., -1]].flat_map do |range, hand|
        dead = (section.live[range, true] * -1 + 1) * 1e30
        [section.far_mm, section.near_mm].map { |radii| (radii[range, true] * p * hand) + along - dead }
      end
      sides.inject { |one, other| Numo::DFloat.maximum(one, other) }.max(axis: 1)
    end
  end
end
