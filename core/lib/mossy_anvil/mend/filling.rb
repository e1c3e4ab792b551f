# frozen_string_literal: true

module MossyAnvil
  module Mend
    # What to fill an opening with. How much, DefectShare says.
    module Filling
      # A crack as narrow as this takes only what wicks in, however deep it is.
      DEEP_FROM_MM = 0.8

      module_function

      # The filler for a mouth of that width (mm) that is filled by hand: a row of the fillers table.
      def filler_for(mouth_mm)
        by_hand = Table.rows("fillers").reject { |row| row["by_vacuum"] }
        by_hand.find { |row| mouth_mm >= row["mouth_from_mm"] && mouth_mm < row["mouth_to_mm"] } || by_hand.last
      end

      # The filler for an opening: many small holes are drawn full under vacuum, for nobody fills them one by one; a
      # deep crack takes what runs in to its end, where the wood is dry enough for that. moisture_pct: of the wood, nil
      # where it holds no water.
      def filler_of(defect, moisture_pct: nil)
        return Table.row("fillers", "thin_resin") if defect.many_holes?

        by_mouth = filler_for(defect.mouth_mm)
        resin = Table.row("fillers", "resin")
        deep = defect.path? && defect.depth_mm > by_mouth["reach_mm"] && defect.mouth_mm >= DEEP_FROM_MM
        deep && (moisture_pct || 0) <= resin["dry_to_pct"] ? resin : by_mouth
      end
    end
  end
end
