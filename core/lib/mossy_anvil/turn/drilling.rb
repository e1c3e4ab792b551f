# frozen_string_literal: true

module MossyAnvil
  module Turn
    # What a bit asks of belt and hand. Source: torque of a twist drill from the force on its chip; a row of
    # core/data/tools.yaml.
    module Drilling
      module_function

      # N m: k (d2 - d0^2) f / 8, k in proportion to density; from_mm: d0, the hole that is there already.
      def torque_nm(diameter_mm, density_kg_m3, end_grain: false, from_mm: 0)
        row = Table["tools"]["drilling"]
        k = row["n_mm2"] * density_kg_m3 / row["at_kg_m3"] * (end_grain ? row["end_grain"] : 1.0)
        k * ((diameter_mm**2) - (from_mm**2)) * row["feed_mm"] / 8 * Cutting::NM_PER_N_MM
      end

      # Bits one after another up to a diameter, each as large as a belt can turn: [[mm, N m], ...]; nil where not even
      # the smallest next one can be turned. most_nm: what the belt has.
      def bits(diameter_mm, density_kg_m3, end_grain: false, most_nm: Float::INFINITY)
        sizes = [*Table["tools"]["drilling"]["bits_mm"].select { |size| size < diameter_mm }, diameter_mm]
        order = []
        until order.any? && order.last.first == diameter_mm
          from_mm = order.empty? ? 0 : order.last.first
          wider = sizes.select { |size| size > from_mm }
          torques = wider.map { |size| [size, torque_nm(size, density_kg_m3, end_grain: end_grain, from_mm: from_mm)] }
          order << (torques.reverse.find { |_, torque| torque <= most_nm } or return)
        end
        order
      end

      # mm of depth after which the bit comes out to be cleared: sooner where chips swell or melt.
      def clear_every_mm(moisture_pct, wooden: true)
        binds = !wooden || moisture_pct.to_f >= Table["tools"]["force"]["wet_from_pct"]
        Table["tools"]["drilling"][binds ? "clear_every_wet_mm" : "clear_every_mm"]
      end

      # rpm in the middle of what a bit that wide takes in such stuff.
      def usual_rpm(diameter_mm, wooden: true)
        row = Table["set_outs"]["drill"][wooden ? "wood" : "plastic"]
        SetOuts.drill_rpm((row["from_m_min"] + row["to_m_min"]) / 2.0, diameter_mm)
      end
    end
  end
end
