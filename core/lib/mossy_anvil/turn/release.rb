# frozen_string_literal: true

module MossyAnvil
  module Turn
    # The neck a piece hangs on before it comes off.
    module Release
      module_function

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
