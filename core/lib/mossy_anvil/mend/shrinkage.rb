# frozen_string_literal: true

module MossyAnvil
  module Mend
    # How sizes follow moisture: nothing above fibre saturation, then in a straight line down to oven-dry.
    # Source: Wood Handbook; total shrinkages of each wood in the table of woods.
    module Shrinkage
      module_function

      # mm that a size at `from_pct` comes to at `to_pct`, for a total shrinkage (%) from green to oven-dry.
      # Swells where to_pct is the higher.
      def size_mm(size_mm, total_pct, to_pct, from_pct: Moisture::FIBRE_SATURATION_PCT)
        size_mm * left(total_pct, to_pct) / left(total_pct, from_pct)
      end

      # Share of the green size that is left at a moisture.
      def left(total_pct, moisture_pct)
        dryness = (Moisture::FIBRE_SATURATION_PCT - moisture_pct) / Moisture::FIBRE_SATURATION_PCT
        1 - (total_pct / 100.0 * dryness.clamp(0, 1))
      end
    end
  end
end
