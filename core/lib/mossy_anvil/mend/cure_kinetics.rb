# frozen_string_literal: true

module MossyAnvil
  # How fast a resin cures and how much heat that gives: dα/dt = A e^(-E/R (1/T - 1/298.15)) (0.05 + α)(1 - α)^1.5.
  # A comes from the working time on its sheet, the heat from the peak that a cup of it reaches where the sheet gives one.
  class CureKinetics
    GAS_J_MOL_K = 8.314
    REFERENCE_K = 298.15
    ZERO_C_K = 273.15
    # Share cured at which the mix can no longer be worked, at which it has gelled, and at which it counts as cured through.
    WORKABLE = 0.2
    GELLED = 0.6
    CURED = 0.9
    SEED = 0.05
    ORDER = 1.5
    TRIES = 60

    attr_reader :rate_per_s, :heat_j_kg, :density_kg_m3

    # working_min: time in hand of a 100 g cup at 25 C. peak_c: what such a cup comes to, or nil. heat_j_g: of its class, or nil. density_g_ml: of the mix.
    # Raises InvalidInput under `at` for a peak that no heat of cure explains.
    def self.of(working_min:, density_g_ml:, peak_c: nil, heat_j_g: nil, at: "")
      heat = peak_c ? heat_for(working_min, density_g_ml, peak_c, at) : (heat_j_g || table["heat_j_g"]) * 1000.0
      new(rate_per_s: rate_for(working_min, density_g_ml, heat), heat_j_kg: heat, density_kg_m3: density_g_ml * 1000.0)
    end

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

    # The speed at which a 100 g cup is workable so long: found between two bounds on a log scale.
    def self.rate_for(working_min, density_g_ml, heat_j_kg)
      low, high = -16.0, 4.0
      TRIES.times do
        middle = (low + high) / 2
        trial = new(rate_per_s: Math.exp(middle), heat_j_kg: heat_j_kg, density_kg_m3: density_g_ml * 1000.0)
        CuringCup.new(trial).workable_s > working_min * 60.0 ? low = middle : high = middle
        break if high - low < 1e-5
      end
      Math.exp((low + high) / 2)
    end

    # The heat, J/kg, that brings the 100 g cup to that peak.
    def self.heat_for(working_min, density_g_ml, peak_c, at)
      low, high = table["heat_range_j_g"].map { |heat| heat * 1000.0 }
      peak = ->(heat) { CuringCup.new(new(rate_per_s: rate_for(working_min, density_g_ml, heat), heat_j_kg: heat, density_kg_m3: density_g_ml * 1000.0)).peak_c }
      refuse_peak(peak_c, [peak.call(low), peak.call(high)], at)
      14.times { ((low + high) / 2).then { |middle| peak.call(middle) < peak_c ? low = middle : high = middle } }
      (low + high) / 2
    end

    def self.refuse_peak(peak_c, (least, most), at)
      return if peak_c.between?(least, most)

      raise InvalidInput, [Fault.new(path: "#{at}/peak_c", problem: "is #{peak_c}",
        allowed: "a 100 g cup with that working time peaks between #{least.round} and #{most.round} C; look at the sheet again")]
    end
    private_class_method :heat_for, :refuse_peak
  end
end
