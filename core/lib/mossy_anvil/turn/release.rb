# frozen_string_literal: true

module MossyAnvil
  module Turn
    # The neck a piece hangs on before it comes off.
    module Release
      module_function

      # Share of a neck about the axis that no crack, gap or soft place takes: along the diameter that has least.
      # narrowest_mm: a hair crack counts as wide.
      RADIUS_MM, DIAMETERS, PLACES = 8.0, 24, 32
      LEAST_SHARE = 0.1

      # blank: on its centres; z_mm: where the neck is.
      def sound_share(blank, z_mm)
        probe = Solid::PointProbe.new(blank, narrowest_mm: 1.0)
        least = (0...DIAMETERS).map { |index| sound_along(probe, index * 180.0 / DIAMETERS, z_mm) }.min
        [least, LEAST_SHARE].max
      end

      def sound_along(probe, clock_deg, z_mm)
        radius = Numo::DFloat.linspace(0.1, RADIUS_MM, PLACES)
        halves =
          [clock_deg, clock_deg + 180].map do |clock|
            probe.owners(radius.new_fill(clock), radius, radius.new_fill(z_mm)).ge(0).count
          end
        1 - (halves.sum / (2.0 * PLACES))
      end

      # mm under which a neck across the fibres is sawn by hand: M = (m g + U w2) a, d = (32 M / (pi s / 6))^(1/3).
      # mass_g, imbalance_g_mm: of what hangs on it; arm_mm: from the neck to its centre of mass; strength_mpa: across
      # the fibres there; sound_share: of the neck that no crack takes.
      def neck_mm(mass_g, imbalance_g_mm, arm_mm, rpm, strength_mpa, sound_share: 1.0)
        spin = rpm / Mechanics::RPM
        moment = ((mass_g * 1e-3 * Mechanics::GRAVITY_M_S2) + (imbalance_g_mm * 1e-6 * (spin**2))) * arm_mm
        allowed = strength_mpa * sound_share / Table["tools"]["release"]["reserve"]
        Math.cbrt(32 * moment / (Math::PI * allowed))
      end
    end
  end
end
