# frozen_string_literal: true

module MossyAnvil
  module Mend
    # How fast a section may dry before its skin checks. A skin that is drier than the mean would shrink, and what is
    # wetter below holds it: it takes a strain of STRAIN_PCT. Only water under fibre saturation counts.
    #
    #   drier = STRAIN_PCT / S_t * 30             points the skin may be under the mean
    #   rate  = 12 D drier / L^2                  points a day, as fast as it may go
    #
    # S_t: shrinkage along the rings from green to oven-dry, %; D: diffusion, m2/s; L: thickness, m.
    # Source: strength across the fibres over stiffness, doubled for creep (rule of thumb); a slab that dries steadily
    # from both sides is r L^2 / (12 D) wetter in the mean than at its skin.
    class SafeDrying
      STRAIN_PCT = 1.6
      SECONDS_A_DAY = Drying::SECONDS_A_DAY

      # tangential_pct: S_t; tau_days: of that thickness (mm), from the rule of thumb or from own weights.
      def initialize(tangential_pct:, tau_days:, thickness_mm:)
        @tangential_pct = tangential_pct
        @tau_days = tau_days
        @thickness_mm = thickness_mm
        freeze
      end

      # Points the skin may be drier than the mean.
      def drier_points = STRAIN_PCT / @tangential_pct * Moisture::FIBRE_SATURATION_PCT

      # Points a day. With tau = L^2 / (pi^2 D) the thickness falls out: 12 D / L^2 = 12 / (pi^2 tau).
      def points_a_day = 12 / (Math::PI**2 * @tau_days) * drier_points

      # Least days from one moisture to another, %; water over fibre saturation strains nothing.
      def days(from_pct, to_pct) = [[from_pct, Moisture::FIBRE_SATURATION_PCT].min - to_pct, 0].max / points_a_day
    end
  end
end
