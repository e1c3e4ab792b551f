# frozen_string_literal: true

module MossyAnvil
  module Mend
    # One filler for several openings: by the one with the widest mouth; where the piece is held or bears load there,
    # one that bonds.
    class FillerChoice
      # defects; reports: what was calculated of them, plain data with id, where, breaks_through and filler.
      def initialize(defects, reports)
        @defects = defects
        @reports = reports.select { |report| defects.any? { |defect| defect.id == report[:id] } }
      end

      # A row of the fillers table.
      def row
        widest = @defects.max_by(&:mouth_mm) or return Table.rows("fillers").first
        reported = @reports.find { |report| report[:id] == widest.id }&.dig(:filler, :key)
        found = reported ? Table.row("fillers", reported) : Filling.filler_of(widest)
        if found["key"] == "resin" && widest.mouth_mm >= found["mouth_from_mm"] && bears?
          Table.row("fillers", "epoxy")
        else
          found
        end
      end

      # Does the piece hang on any of them: under the tenon, or right through the wall?
      def bears? = @reports.any? { |report| report[:breaks_through] || report[:where].include?("tenon") }
    end
  end
end
