# frozen_string_literal: true

module MossyAnvil
  # A radius along the axis, r(z): straight joins, or a monotone cubic that never overshoots its points.
  # Source of the cubic: Fritsch and Carlson (1980), tangents limited to a circle of radius 3.
  class Profile
    attr_reader :points

    # points: [[z_mm, r_mm], ...] with z rising. curve: "smooth" or "straight".
    def initialize(points, curve:)
      @points = points.map { |z_mm, r_mm| [z_mm.to_f, r_mm.to_f].freeze }.freeze
      @curve = curve
      @tangents = curve == "smooth" ? monotone_tangents : nil
      freeze
    end

    def first_z_mm = points.first[0]
    def last_z_mm = points.last[0]
    def largest_mm = points.map(&:last).max

    # Radius in mm at z (mm); beyond the ends, the radius of the end.
    def radius_mm(z_mm)
      z_mm = z_mm.clamp(first_z_mm, last_z_mm)
      index = (points.bsearch_index { |(z, _)| z > z_mm } || (points.size - 1)) - 1
      (z0, r0), (z1, r1) = points[index], points[index + 1]
      share = (z_mm - z0) / (z1 - z0)
      return r0 + ((r1 - r0) * share) unless @tangents

      hermite(share, z1 - z0, r0, r1, @tangents[index], @tangents[index + 1])
    end

    # [[z_mm, r_mm], ...], `steps` even pieces to each leg, ends included.
    def polyline(steps: 12)
      points.each_cons(2).flat_map do |(z0, _), (z1, _)|
        Array.new(steps) { |step| z0 + ((z1 - z0) * step / steps) }
      end.push(last_z_mm).map { |z_mm| [z_mm, radius_mm(z_mm)] }
    end

    private

    def hermite(share, width, r0, r1, t0, t1)
      cubed, squared = share**3, share**2
      (r0 * ((2 * cubed) - (3 * squared) + 1)) + (t0 * width * (cubed - (2 * squared) + share)) +
        (r1 * ((3 * squared) - (2 * cubed))) + (t1 * width * (cubed - squared))
    end

    def monotone_tangents
      slopes = points.each_cons(2).map { |(z0, r0), (z1, r1)| (r1 - r0) / (z1 - z0) }
      tangents = [slopes.first, *slopes.each_cons(2).map { |a, b| (a * b).positive? ? (a + b) / 2 : 0.0 }, slopes.last]
      slopes.each_with_index { |slope, index| limit_tangents(tangents, index, slope) }
      tangents.freeze
    end

    def limit_tangents(tangents, index, slope)
      return tangents[index] = tangents[index + 1] = 0.0 if slope.zero?

      length = Math.hypot(tangents[index] / slope, tangents[index + 1] / slope)
      return if length <= 3

      tangents[index] *= 3 / length
      tangents[index + 1] *= 3 / length
    end
  end
end
