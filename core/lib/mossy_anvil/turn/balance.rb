# frozen_string_literal: true

module MossyAnvil
  module Turn
    # What an imbalance does to a lathe. Textbook mechanics: F = U w2, with U = sum of mass times radius.
    module Balance
      module_function

      # g to hang opposite the heavy side at that radius (mm).
      def counterweight_g(imbalance_g_mm, radius_mm)
        imbalance_g_mm / radius_mm.to_f
      end

      # N of shaking at a speed.
      def force_n(imbalance_g_mm, rpm)
        imbalance_g_mm * 1e-6 * ((rpm / Mechanics::RPM)**2)
      end

      # rpm at which shaking reaches the share of weight the stand takes; nil where nothing shakes.
      def limit_rpm(imbalance_g_mm, lathe)
        return if imbalance_g_mm.zero?

        allowed_n = Table["speed"]["shaking_share"].fetch(lathe.stand) * lathe.total_kg * Mechanics::GRAVITY_M_S2
        Math.sqrt(allowed_n / (imbalance_g_mm * 1e-6)) * Mechanics::RPM
      end
    end
  end
end
