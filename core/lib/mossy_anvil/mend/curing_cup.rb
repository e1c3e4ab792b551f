# frozen_string_literal: true

module MossyAnvil
  module Mend
    # A cup of mix left standing: one temperature throughout, heat leaving by its whole skin. It sets the scale of a
    # resin's cure and warns of the large cup.
    # Cups of other sizes have the same shape as the 100 g one.
    class CuringCup
      MOST_S = 60 * 86_400.0
      # Share cured, and K, that one step goes at most.
      STEP_CURED = 0.004
      STEP_K = 0.5
      LONGEST_STEP_S = 600.0

      # kinetics: CureKinetics. mass_g; start_c and air_c in degrees C.
      def initialize(kinetics, mass_g: 100.0, start_c: 25.0, air_c: 25.0)
        @kinetics = kinetics
        @start_c = start_c.to_f
        @air_c = air_c.to_f
        volume_mm3 = mass_g / kinetics.density_kg_m3 * 1e6
        @loss_per_s =
          self.class.skin_h /
            (kinetics.density_kg_m3 * kinetics.heat_capacity * self.class.volume_over_skin_m(volume_mm3))
      end

      def self.skin_h = CureKinetics.table["cup"]["h_w_m2_k"]

      # m: volume over the skin that heat leaves by; a cup as wide for its depth as the 100 g one.
      def self.volume_over_skin_m(volume_mm3)
        cup = CureKinetics.table["cup"]
        shape = cup["diameter_mm"] / Math.cbrt(cup["volume_mm3"])
        across = shape * Math.cbrt(volume_mm3)
        deep = volume_mm3 / (Math::PI / 4 * (across**2))
        volume_mm3 / ((Math::PI / 2 * (across**2)) + (Math::PI * across * deep)) / 1000.0
      end

      # s until it can no longer be worked; Infinity where that takes more than two months.
      def workable_s
        before, after = run(CureKinetics::WORKABLE).last(2)
        return Float::INFINITY if after[0].infinite?

        before[0] + ((after[0] - before[0]) * (CureKinetics::WORKABLE - before[2]) / (after[2] - before[2]))
      end

      # Hottest it gets, C, and when, s.
      def peak_c = hottest[1]
      def peak_at_s = hottest[0]

      # [[s, C], ...] until cured through.
      def curve = @curve ||= run(CureKinetics::CURED).map { |time, celsius, _| [time, celsius] }

      private

      def hottest = curve.max_by(&:last)

      # [s, C, share cured] step by step until so much is cured; midpoint rule.
      def run(until_cured)
        points = [[0.0, @start_c, 0.0]]
        until points.last[2] >= until_cured
          return points << [Float::INFINITY, @air_c, points.last[2]] if points.last[0] > MOST_S

          points << after(*points.last)
        end
        points
      end

      def after(time, celsius, cured)
        speed = @kinetics.rate(cured, celsius)
        step = [STEP_CURED / speed, STEP_K / [warming(speed, celsius).abs, 1e-12].max, LONGEST_STEP_S].min
        half_cured, half_celsius = cured + (speed * step / 2), celsius + (warming(speed, celsius) * step / 2)
        half_speed = @kinetics.rate(half_cured, half_celsius)
        [time + step, celsius + (warming(half_speed, half_celsius) * step), cured + (half_speed * step)]
      end

      # K a second.
      def warming(cure_speed, celsius) = (@kinetics.adiabatic_rise_k * cure_speed) - (@loss_per_s * (celsius - @air_c))
    end
  end
end
