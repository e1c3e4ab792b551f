# frozen_string_literal: true

module MossyAnvil
  # What to fill an opening with. How much, DefectShare says.
  module Filling
    module_function

    # The filler for a mouth of that width (mm): a row of the fillers table.
    def filler_for(mouth_mm)
      Table["fillers"]["rows"].find { |row| mouth_mm >= row["mouth_from_mm"] && mouth_mm < row["mouth_to_mm"] } ||
        Table["fillers"]["rows"].last
    end
  end
end
