# frozen_string_literal: true

module MossyAnvil
  module Turn
    # What a bit asks of belt and hand. Source: torque of a twist drill from the force on its chip; a row of
    # core/data/tools.yaml.
    module Drilling
      module_function

      # N m: k d2 f / 8, k in proportion to density.
      def torque_nm(diameter_mm, density_kg_m3, end_grain: false)
        row = Table["tools"]["drilling"]
        k = row["n_mm2"] * density_kg_m3 / row["at_kg_m3"] * (end_grain ? row["end_grain"] : 1.0)
        k * (diameter_mm**2) * row["feed_mm"] / 8 * Cutting::NM_PER_N_MM
      end

      # mm of depth after which the bit comes out to be cleared.
      def clear_every_mm(moisture_pct)
        wet = moisture_pct.to_f >= Table["tools"]["force"]["wet_from_pct"]
        Table["tools"]["drilling"][wet ? "clear_every_wet_mm" : "clear_every_mm"]
      end
    end
  end
end
