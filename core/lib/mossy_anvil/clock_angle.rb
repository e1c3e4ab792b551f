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
    def fold_all(clock_deg) = clock_deg - whole_turns(clock_deg)

    # Signed turns -180...180 for an array of differences.
    def short_turns(degrees)
      found = degrees + 180.0
      InPlace.subtract(InPlace.subtract(found, whole_turns(found)), 180.0)
    end

    # The whole turns that an array of angles is past, in degrees.
    def whole_turns(clock_deg) = InPlace.multiply((clock_deg / 360.0).floor, 360.0)
    private_class_method :whole_turns

    # Signed turn from one angle to another, -180...180.
    def turn(from_deg, to_deg)
      ((to_deg - from_deg + 180.0) % 360.0) - 180.0
    end

    # Middle of several angles (a list or an array), the short way round; that of the first where they cancel out.
    def mean(degrees)
      x, y = points(Numo::DFloat.cast(degrees), 1.0).map(&:sum)
      Math.hypot(x, y) < 1e-9 ? fold(degrees[0]) : of_point(x, y)
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
      [Numo::DFloat::Math.sin(angle) * radius_mm, Numo::DFloat::Math.cos(angle) * radius_mm]
    end

    # Clock angle in degrees (0...360) of a point; 0 at the axis itself.
    def of_point(x_mm, y_mm)
      fold(Math.atan2(x_mm, y_mm) / RADIANS)
    end
  end
end
