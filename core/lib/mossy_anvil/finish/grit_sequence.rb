# frozen_string_literal: true

module MossyAnvil
  module Finish
    # Which papers to go through. Sizes: FEPA P grades, median grain.
    module GritSequence
      MARK_SHARE = 3.0

      module_function

      # Grits from the first that reaches a third of the deepest mark (mm) to the last, in steps of no more than
      # the stock's size ratio. material_kind: "wood", "hybrid", "resin" or "non_wood".
      # Raises ReckoningError for a last grit not in the table.
      def from_mark(deepest_mark_mm, last_grit:, material_kind: "wood")
        sizes = Table["grits"]["median_um"]
        raise ReckoningError, "no grit P#{last_grit}" unless sizes.key?(last_grit)

        ratio = Table["grits"]["step_ratio"].fetch(material_kind)
        found = [[first_grit(deepest_mark_mm), last_grit].min]
        found << next_grit(found.last, ratio, last_grit) while found.last < last_grit
        found
      end

      # The finest grit whose median is still at least a third of the mark; the coarsest where none is.
      def first_grit(deepest_mark_mm)
        least_um = deepest_mark_mm * 1000 / MARK_SHARE
        coarse_enough = Table["grits"]["median_um"].select { |_, median_um| median_um >= least_um }
        coarse_enough.keys.max || Table["grits"]["median_um"].keys.min
      end

      # The finest grit within the step ratio, never past the last and always a step on.
      def next_grit(grit, ratio, last_grit)
        sizes = Table["grits"]["median_um"]
        finer = sizes.keys.select { |other| other > grit && other <= last_grit }
        finer.select { |other| sizes[grit] / sizes[other].to_f <= ratio + 1e-9 }.max || finer.min
      end

      # rpm at which a diameter (mm) reaches a surface speed (m/s).
      def rpm(surface_m_s, diameter_mm)
        RimSpeed.rpm(surface_m_s, diameter_mm)
      end
    end
  end
end
