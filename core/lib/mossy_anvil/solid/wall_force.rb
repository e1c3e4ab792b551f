# frozen_string_literal: true

module MossyAnvil
  module Solid
    # The side force at the rim that a wall takes before the tool breaks it.
    # The rim is a ring pushed by a side force F: moment M = c F R, stress = 6 M / (b t2). Textbook curved bar:
    # c = 1/pi = 0.318 for a whole ring, 1.0 where a crack goes through the wall.
    module WallForce
      WHOLE = 0.318
      CRACKED_THROUGH = 1.0
      RESERVE = 2.0

      module_function

      # MPa at the wall under a side force (N); lengths in mm.
      def stress_mpa(force_n, radius_mm:, wall_mm:, height_mm:, cracked_through: false)
        lever = cracked_through ? CRACKED_THROUGH : WHOLE
        6 * lever * force_n * radius_mm / (height_mm * (wall_mm**2))
      end

      # N allowed at half the local strength (MPa).
      def allowed_n(strength_mpa, radius_mm:, wall_mm:, height_mm:, cracked_through: false)
        one_newton =
          stress_mpa(
            1.0,
            radius_mm: radius_mm,
            wall_mm: wall_mm,
            height_mm: height_mm,
            cracked_through: cracked_through
          )
        strength_mpa / RESERVE / one_newton
      end

      # The same all along a whole wall, N: arrays of radii and walls (mm); a ring as high as the wall is deep, and no
      # more than half its radius.
      def allowed_along(strength_mpa, radii_mm:, walls_mm:, depth_mm:)
        heights = Numo::DFloat.minimum(radii_mm / 2, depth_mm)
        heights * (walls_mm**2) / radii_mm * (strength_mpa / RESERVE / (6 * WHOLE))
      end

      # Wall in mm that takes a side force (N) at half of so much strength (MPa).
      def wall_mm(force_n, strength_mpa, radius_mm:, height_mm:, cracked_through: false)
        Math.sqrt(
          stress_mpa(
            force_n,
            radius_mm: radius_mm,
            wall_mm: 1.0,
            height_mm: height_mm,
            cracked_through: cracked_through
          ) * RESERVE / strength_mpa
        )
      end

      # The cuts of the trade the wall still takes, lightest first.
      def cuts_taken(allowed_n)
        Table["side_forces"]["cuts"].select { |cut| cut["force_n"] <= allowed_n }
      end
    end
  end
end
