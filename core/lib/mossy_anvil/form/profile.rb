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
      low, high = points[index], points[index + 1]
      leg((z_mm - low[0]) / (high[0] - low[0]), low, high, index)
    end

    # Radii in mm at an array of z (mm), of the same shape.
    def radii_mm(z_mm)
      points.each_cons(2).with_index.inject(Numo::DFloat.zeros(*z_mm.shape) + points.last[1]) do |found, ((low, high), index)|
        reached = index.zero? ? z_mm.lt(high[0]) : z_mm.ge(low[0]) & z_mm.lt(high[0])
        on_leg = Numo::DFloat.cast(reached)
        share = ((z_mm - low[0]) / (high[0] - low[0])).clip(0, 1)
        found + ((leg(share, low, high, index) - found) * on_leg)
      end
    end

    # [[z_mm, r_mm], ...], `steps` even pieces to each leg, ends included.
    def polyline(steps: 12)
      points.each_cons(2).flat_map do |(z0, _), (z1, _)|
        Array.new(steps) { |step| z0 + ((z1 - z0) * step / steps) }
      end.push(last_z_mm).map { |z_mm| [z_mm, radius_mm(z_mm)] }
    end

    private

    # Radius (or radii) at a share of the way along one leg.
    def leg(share, low, high, index)
      (z0, r0), (z1, r1) = low, high
      return (share * (r1 - r0)) + r0 unless @tangents

      hermite(share, z1 - z0, r0, r1, @tangents[index], @tangents[index + 1])
    end

    def hermite(share, width, r0, r1, t0, t1)
      squared = share * share
      cubed = squared * share
      (((cubed * 2) - (squared * 3) + 1) * r0) + ((cubed - (squared * 2) + share) * (t0 * width)) +
        (((squared * 3) - (cubed * 2)) * r1) + ((cubed - squared) * (t1 * width))
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
