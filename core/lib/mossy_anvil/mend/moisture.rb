# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Water in wood, % of dry mass.
    module Moisture
      FIBRE_SATURATION_PCT = 30.0

      module_function

      # Moisture that wood comes to in air of that temperature (degrees C) and relative humidity (0 to 1).
      # Source: Hailwood and Horrobin, as in the Wood Handbook, eq. 4-5. Symbols as there: W, K, K1, K2, h.
      def emc_pct(temperature_c, humidity)
        w, k, k1, k2 = hailwood_horrobin(temperature_c.to_f)
        kh = k * humidity.to_f
        dissolved = ((k1 * kh) + (2 * k1 * k2 * (kh**2))) / (1 + (k1 * kh) + (k1 * k2 * (kh**2)))
        1800 / w * ((kh / (1 - kh)) + dissolved)
      end

      # The coefficients W, K, K1 and K2 at t degrees C.
      def hailwood_horrobin(t)
        w = 349 + (1.29 * t) + (0.0135 * t**2)
        k = 0.805 + (0.000736 * t) - (0.00000273 * t**2)
        k1 = 6.27 - (0.00938 * t) - (0.000303 * t**2)
        k2 = 1.91 + (0.0407 * t) - (0.000293 * t**2)
        [w, k, k1, k2]
      end

      # g with all water gone.
      def oven_dry_mass_g(mass_g, moisture_pct)
        mass_g / (1 + (moisture_pct / 100.0))
      end

      # g at a moisture, from the oven-dry mass.
      def mass_at_g(oven_dry_g, moisture_pct)
        oven_dry_g * (1 + (moisture_pct / 100.0))
      end
    end
  end
end
