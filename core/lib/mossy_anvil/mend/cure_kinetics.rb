# frozen_string_literal: true

module MossyAnvil
  module Mend
    # How fast a resin cures and how much heat that gives: dα/dt = A e^(-E/R (1/T - 1/298.15)) (0.05 + α)(1 - α)^1.5.
    # A comes from the working time on its sheet, the heat from the peak that a cup of it reaches where the sheet gives
    # one.
    class CureKinetics
      GAS_J_MOL_K = 8.314
      REFERENCE_K = 298.15
      ZERO_C_K = 273.15
      # Share cured at which the mix can no longer be worked, at which it has gelled, and at which it counts as cured
      # through.
      WORKABLE = 0.2
      GELLED = 0.6
      CURED = 0.9
      SEED = 0.05
      ORDER = 1.5

      attr_reader :rate_per_s, :heat_j_kg, :density_kg_m3

      def self.table = Table["exotherm"]

      def initialize(rate_per_s:, heat_j_kg:, density_kg_m3:)
        @rate_per_s = rate_per_s
        @heat_j_kg = heat_j_kg
        @density_kg_m3 = density_kg_m3
        @activation_k = CureKinetics.table["activation_kj_mol"] * 1000 / GAS_J_MOL_K
        freeze
      end

      # K that the mix warms by if no heat leaves it.
      def adiabatic_rise_k = heat_j_kg / heat_capacity
      def heat_capacity = CureKinetics.table["heat_capacity_j_g_k"] * 1000.0
      def conductivity = CureKinetics.table["conductivity_w_m_k"]

      # Share cured a second, at a share cured and a temperature (C): numbers or arrays.
      def rate(cured, celsius)
        left = 1.0 - cured
        left = left.is_a?(Numeric) ? [left, 0.0].max : left.clip(0.0, 1.0)
        speed_at(celsius) * (cured + SEED) * (left**ORDER)
      end

      # A e^(-E/R (1/T - 1/298.15)), 1/s, of a number or an array of C.
      def speed_at(celsius)
        exponent = (-@activation_k / (celsius + ZERO_C_K)) + (@activation_k / REFERENCE_K)
        rate_per_s * (exponent.is_a?(Numeric) ? Math.exp(exponent) : Numo::NMath.exp(exponent))
      end
    end
  end
end
