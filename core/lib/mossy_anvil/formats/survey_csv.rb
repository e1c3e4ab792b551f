# frozen_string_literal: true

require "csv"

module MossyAnvil
  module Formats
    # The survey as a table for a spreadsheet: one defect a row, one point of a path a row of its own. Units are in the
    # headings.
    module SurveyCsv
      COLUMNS = %w[
        id
        type
        group
        found_on
        chosen
        point
        clock_deg
        r_mm
        z_mm
        radial_mm
        tangential_mm
        axial_mm
        enters
        depth_mm
        found_by
        depth_least_mm
        depth_most_mm
        width_mm
        through
        mend
        contents
        grade
        of
        hole_diameter_mm
        holes_per_cm2
        bubble_diameter_mm
        bubbles_per_cm3
        bonded_share
        density_kg_m3
      ].freeze
      # What a spreadsheet would take for a formula at the beginning of a text.
      FORMULA = /\A[=+\-@\t\r]/
      EXTENTS = %w[radial_mm tangential_mm axial_mm].freeze

      module_function

      # Text of a blank document's survey (string-keyed, as in the file).
      def text(document)
        CSV.generate do |csv|
          csv << COLUMNS
          document["defects"].each do |defect|
            rows(defect).each { |row| csv << COLUMNS.map { |column| cell(row[column]) } }
          end
        end
      end

      # A text that begins like a formula gets the mark before it that spreadsheets read as "text".
      def cell(value) = value.is_a?(String) && FORMULA.match?(value) ? "'#{value}" : value

      def rows(defect)
        places = defect["path"] || [defect["centre"]]
        least, most = defect["depth_range_mm"]
        extents = EXTENTS.zip(defect["size_mm"] || []).to_h
        places.each_with_index.map do |place, index|
          defect.merge(extents, place, "point" => index + 1, "depth_least_mm" => least, "depth_most_mm" => most)
        end
      end
    end
  end
end
