# frozen_string_literal: true

module MossyAnvil
  module Mend
    # How wood comes down to the moisture of its air: M(t) = EMC + (M0 - EMC) e^(-t / tau), tau = L2 / (pi2 D).
    # D is a fitted rule of thumb; a piece's own weights replace tau.
    class Drying
      SECONDS_A_DAY = 86_400.0
      ALONG_GRAIN = 10.0

      attr_reader :emc_pct, :tau_days

      # tau_days from .tau_days or from own weights; emc_pct from Moisture.emc_pct.
      def initialize(emc_pct:, tau_days:)
        @emc_pct = emc_pct
        @tau_days = tau_days
        freeze
      end

      # Diffusion coefficient across the grain, m2/s, at a specific gravity (dry density over water's).
      def self.diffusion_m2_s(specific_gravity)
        1.2e-10 * Math.exp(-3 * (specific_gravity - 0.35))
      end

      # Days; thickness (mm) dries from both sides.
      def self.tau_days(thickness_mm, specific_gravity, along_grain: false)
        diffusion = diffusion_m2_s(specific_gravity) * (along_grain ? ALONG_GRAIN : 1)
        ((thickness_mm / 1000.0)**2) / (Math::PI**2 * diffusion) / SECONDS_A_DAY
      end

      # Least squares of ln(M - EMC) against time. points: [[days, moisture_pct], ...].
      # Returns [tau_days, standard error of tau in days or nil]; nil where the points do not fall towards the EMC.
      def self.refit(points, emc_pct)
        usable =
          points
            .select { |_, moisture| moisture > emc_pct + 0.1 }
            .map { |days, moisture| [days.to_f, Math.log(moisture - emc_pct)] }
        return if usable.size < 2

        slope, error = slope_with_error(usable)
        return unless slope.negative?

        [-1 / slope, error && (error / (slope**2))]
      end

      # Days from one moisture to another; nil where the air will never bring it there.
      # Above fibre saturation the free water leaves first, at the pace the wood has at saturation.
      def days(from_pct, to_pct)
        return 0.0 if from_pct <= to_pct
        return if to_pct <= emc_pct

        bound_from = [from_pct, Moisture::FIBRE_SATURATION_PCT].min
        free = from_pct > to_pct ? free_water_days(from_pct, to_pct) : 0.0
        free + (bound_from > to_pct ? tau_days * Math.log((bound_from - emc_pct) / (to_pct - emc_pct)) : 0.0)
      end

      # Days for the water above fibre saturation, 0 below it.
      def free_water_days(from_pct, to_pct = 0.0)
        floor = [Moisture::FIBRE_SATURATION_PCT, to_pct].max
        return 0.0 if from_pct <= floor

        (from_pct - floor) * tau_days / (Moisture::FIBRE_SATURATION_PCT - emc_pct)
      end

      def self.slope_with_error(points)
        about = about_mean(points)
        spread = about.sum { |x, _| x**2 }
        return 0.0, nil if spread.zero?

        slope = about.sum { |x, y| x * y } / spread
        return slope, nil if points.size < 3

        residue = about.sum { |x, y| (y - (slope * x))**2 }
        [slope, Math.sqrt(residue / (points.size - 2) / spread)]
      end

      def self.about_mean(points)
        mean_x, mean_y = points.transpose.map { |values| values.sum / points.size }
        points.map { |x, y| [x - mean_x, y - mean_y] }
      end
      private_class_method :slope_with_error
    end
  end
end
