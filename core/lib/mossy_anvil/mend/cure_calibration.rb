# frozen_string_literal: true

module MossyAnvil
  module Mend
    # The cure of a resin from what its sheet says of a 100 g cup: its rate constant from the working time, its heat
    # from the peak.
    module CureCalibration
      # Halvings of the interval that a rate constant is looked for in.
      TRIES = 60

      # The CureKinetics of a resin. working_min: time in hand of a 100 g cup at 25 C. peak_c: what such a cup comes to,
      # or nil. heat_j_g: of its class, or nil. density_g_ml: of the mix.
      # Raises InvalidInput under `at` for a peak that no heat of cure explains.
      def self.kinetics(working_min:, density_g_ml:, peak_c: nil, heat_j_g: nil, at: "")
        heat =
          (
            if peak_c
              heat_for(working_min, density_g_ml, peak_c, at)
            else
              (heat_j_g || CureKinetics.table["heat_j_g"]) * 1000.0
            end
          )
        CureKinetics.new(
          rate_per_s: rate_for(working_min, density_g_ml, heat),
          heat_j_kg: heat,
          density_kg_m3: density_g_ml * 1000.0
        )
      end

      # The speed at which a 100 g cup is workable so long: found between two bounds on a log scale.
      def self.rate_for(working_min, density_g_ml, heat_j_kg)
        low, high = -16.0, 4.0
        TRIES.times do
          middle = (low + high) / 2
          trial =
            CureKinetics.new(rate_per_s: Math.exp(middle), heat_j_kg: heat_j_kg, density_kg_m3: density_g_ml * 1000.0)
          CuringCup.new(trial).workable_s > working_min * 60.0 ? low = middle : high = middle
          break if high - low < 1e-5
        end
        Math.exp((low + high) / 2)
      end

      # The heat, J/kg, that brings the 100 g cup to that peak.
      def self.heat_for(working_min, density_g_ml, peak_c, at)
        low, high = CureKinetics.table["heat_range_j_g"].map { |heat| heat * 1000.0 }
        peak =
          lambda do |heat|
            CuringCup.new(
              CureKinetics.new(
                rate_per_s: rate_for(working_min, density_g_ml, heat),
                heat_j_kg: heat,
                density_kg_m3: density_g_ml * 1000.0
              )
            ).peak_c
          end
        refuse_peak(peak_c, [peak.call(low), peak.call(high)], at)
        14.times { ((low + high) / 2).then { |middle| peak.call(middle) < peak_c ? low = middle : high = middle } }
        (low + high) / 2
      end

      def self.refuse_peak(peak_c, (least, most), at)
        return if peak_c.between?(least, most)

        raise InvalidInput.at(
                "#{at}/peak_c",
                Fault.t("is", given: peak_c),
                Fault.t("a_cup_peaks_between", least: least.round, most: most.round)
              )
      end
      private_class_method :heat_for, :refuse_peak
    end
  end
end
