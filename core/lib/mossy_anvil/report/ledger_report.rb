# frozen_string_literal: true

module MossyAnvil
  module Report
    # The closed pieces of a shop, each with what it came to, and what they say together.
    class LedgerReport
      # rows: of the ledger, plain data as Ending takes it and beside that id:, number:, name:, ended_on:, started_on:
      # (Date or nil), planned_h:, why:, failed_at:, lessons:, stuff:, form_kind:, origin:, trouble:.
      # records: [{ kind:, value: }, ...] of the shop's rates; factors among them say what a thing took over what was
      # worked out. chances: [[share said to come out sound, did it?], ...] of pieces whose odds were played.
      def initialize(rows, records: [], chances: [])
        @chances = chances
        @factors = records.select { |record| record[:kind].end_with?("_factor") }.group_by { |record| record[:kind] }
        @pieces = rows.map { |row| [row, ending(row)] }
      end

      # Plain data. sums over all; hours by kind of work; failed: how many by the step they were given up at; trouble:
      # of what was sold, what an hour brought, in the middle, by what became of the trouble; forecasts: see
      # Calibration.
      def to_h
        {
          pieces: @pieces.map { |row, ending| piece(row, ending) },
          sums: sums,
          hours: Shop::Ending::WORK.to_h { |kind| [kind, @pieces.sum { |row, _| row[:hours].fetch(kind) }] },
          failed: failed,
          trouble: trouble,
          forecasts: {
            **Shop::Calibration.new(forecasts).to_h,
            kinds: kinds,
            chances: Shop::OddsCalibration.new(@chances).to_h
          }
        }
      end

      private

      def ending(row) = Shop::Ending.new(**row.slice(:outcome, :price, :hours, :rate, :blank_cost, :materials_cost))

      def piece(row, ending)
        {
          **row.slice(
            :id,
            :number,
            :name,
            :outcome,
            :why,
            :failed_at,
            :lessons,
            :stuff,
            :form_kind,
            :origin,
            :trouble,
            :price
          ),
          ended_on: row[:ended_on].iso8601,
          started_on: row[:started_on]&.iso8601,
          days: row[:started_on] && (row[:ended_on] - row[:started_on]).to_i,
          hands_h: ending.hands_h,
          cost: ending.cost,
          margin: ending.margin,
          **row.slice(:blank_cost, :materials_cost)
        }
      end

      def sums
        sold = @pieces.select { |_, ending| ending.margin }
        {
          count: @pieces.size,
          hands_h: total(:hands_h),
          cost: total(:cost),
          sold: sold.size,
          price: sold.sum { |row, _| row[:price] },
          margin: sold.sum { |_, ending| ending.margin },
          outcomes: Shop::Ending::OUTCOMES.to_h { |one| [one, @pieces.count { |row, _| row[:outcome] == one }] }
        }
      end

      def total(name) = @pieces.sum { |_, ending| ending.public_send(name) }

      def failed =
        @pieces
          .filter_map { |row, _| row[:outcome] == "given_up" ? row[:failed_at] || "unsaid" : nil }
          .tally
          .sort_by { |at, count| [-count, at] }
          .map { |at, count| { at: at, count: count } }

      def trouble
        %w[none kept mended].map do |key|
          earned = @pieces.filter_map { |row, ending| row[:trouble] == key ? ending.earned_an_hour : nil }.sort
          { trouble: key, count: earned.size, earned_an_hour: earned.empty? ? nil : middle(earned) }
        end
      end

      def middle(sorted) = (sorted[(sorted.size - 1) / 2] + sorted[sorted.size / 2]) / 2

      def kinds =
        @factors.map do |kind, records|
          {
            kind: kind,
            **Shop::Calibration.new(records.map { |one| [1, one[:value]] }).to_h.slice(:count, :right, :middle)
          }
        end

      # Of what was finished: what was given up took less than it was planned to.
      def forecasts =
        @pieces.filter_map do |row, ending|
          row[:planned_h] && row[:outcome] != "given_up" ? [row[:planned_h], ending.hands_h] : nil
        end
    end
  end
end
