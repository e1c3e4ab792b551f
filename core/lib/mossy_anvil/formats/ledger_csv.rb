# frozen_string_literal: true

require "csv"

module MossyAnvil
  module Formats
    # The ledger as a table for a spreadsheet: a piece a row, days as 2030-05-01, numbers with a point.
    module LedgerCsv
      COLUMNS = %i[
        number
        name
        outcome
        started_on
        ended_on
        days
        stuff
        form_kind
        origin
        trouble
        hands_h
        blank_cost
        materials_cost
        cost
        price
        margin
        failed_at
        why
        lessons
      ].freeze
      # A spreadsheet would take a text that begins so for a formula.
      FORMULA = /\A[=+\-@\t\r]/

      module_function

      # pieces: as LedgerReport has them.
      def write(pieces)
        CSV.generate do |csv|
          csv << COLUMNS
          pieces.each { |piece| csv << COLUMNS.map { |column| cell(piece[column]) } }
        end
      end

      def cell(value)
        return value.round(2) if value.is_a?(Float)

        value.is_a?(String) && value.match?(FORMULA) ? "'#{value}" : value
      end
    end
  end
end
