# frozen_string_literal: true

module MossyAnvil
  module Turn
    # Stock that softens or scorches: the surface speed above which an edge heats it faster than the chip carries away.
    # v = per_degree * (temperature it softens from - that of a warm shop), never under a least. Rule of thumb; the
    # maker's sheet comes first.
    module Heat
      module_function

      # m/s for a material, or nil for one that does not soften: wood, and what the tables do not know.
      def surface_m_s(material)
        soft_from_c = material.soft_from_c or return
        row = Table["speed"]["heat"]
        [row["per_degree_m_s"] * (soft_from_c - row["shop_c"]), row["least_m_s"]].max
      end
    end
  end
end
