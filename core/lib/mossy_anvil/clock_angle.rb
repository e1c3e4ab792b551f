# frozen_string_literal: true

module MossyAnvil
  # Clock angles: degrees clockwise from 12 o'clock, seen from the tail end.
  # x points to 3 o'clock, y to 12.
  module ClockAngle
    RADIANS = Math::PI / 180

    module_function

    # Angle folded into 0...360.
    def fold(clock_deg)
      clock_deg.to_f % 360.0
    end

    # The same for an array of angles; the array's own % keeps the sign of what it divides.
    def fold_all(clock_deg) = clock_deg - ((clock_deg / 360.0).floor * 360.0)

    # Signed turns -180...180 for an array of differences.
    def short_turns(degrees) = fold_all(degrees + 180.0) - 180.0

    # Signed turn from one angle to another, -180...180.
    def turn(from_deg, to_deg)
      ((to_deg - from_deg + 180.0) % 360.0) - 180.0
    end

    # Middle of several angles, the short way round; that of the first where they cancel out.
    def mean(degrees)
      x, y = degrees.map { |angle| point(angle, 1.0) }.transpose.map(&:sum)
      Math.hypot(x, y) < 1e-9 ? fold(degrees.first) : of_point(x, y)
    end

    # To the nearest half hour, in words: "half past 4", "12 o'clock".
    def words(clock_deg)
      halves = (fold(clock_deg) / 15).round % 24
      hour = halves < 2 ? 12 : halves / 2
      halves.odd? ? "half past #{hour}" : "#{hour} o'clock"
    end

    # [x, y] in mm of a point at that angle and radius.
    def point(clock_deg, radius_mm)
      angle = clock_deg * RADIANS
      [radius_mm * Math.sin(angle), radius_mm * Math.cos(angle)]
    end

    # The same for arrays of them.
    def points(clock_deg, radius_mm)
      angle = clock_deg * RADIANS
      [radius_mm * Numo::DFloat::Math.sin(angle), radius_mm * Numo::DFloat::Math.cos(angle)]
    end

    # Clock angle in degrees (0...360) of a point; 0 at the axis itself.
    def of_point(x_mm, y_mm)
      fold(Math.atan2(x_mm, y_mm) / RADIANS)
    end
  end
end
