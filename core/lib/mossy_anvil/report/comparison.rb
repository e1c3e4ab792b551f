# frozen_string_literal: true

module MossyAnvil
  module Report
    # Several forms on one blank side by side: the numbers of each, and what it trades against the blank's own form.
    class Comparison
      MOST = 4
      # Key (what its best and worst are called stands under `trade`), is more better, unit; in the order they are
      # thought of.
      RANKED = [
        [:limit_rpm, true, "rpm"],
        [:fill_ml, false, "ml"],
        [:yield_share, true, "share"],
        [:mend_hours, false, "h"],
        [:mass_g, false, "g"]
      ].freeze

      # blank: as surveyed; sketches: as in a blank file, string-keyed and checked. Its own form comes first, where it
      # has one.
      def initialize(blank, sketches, climate: ShopClimate.new)
        @blank = blank
        @climate = climate
        @laid =
          (blank.form ? [[nil, blank]] : []) +
            sketches.first(MOST - (blank.form ? 1 : 0)).map { |sketch| [sketch["name"], laid_out(sketch)] }
      end

      # { forms: [{ name:, outcome:, trade: }] }
      def to_h
        outcomes = @laid.map { |name, laid| [name, FormOutcome.new(laid, climate: @climate).to_h] }
        {
          forms:
            outcomes.map do |name, outcome|
              { name: name, outcome: outcome, trade: trade(outcome, outcomes.map(&:last)) }
            end
        }
      end

      private

      def laid_out(sketch)
        known = JSON.parse(JSON.generate(sketch), symbolize_names: true)
        @blank.with_form(Model::Form.new(**known[:form])).with_centres(Model::Centres.new(**(known[:centres] || {})))
      end

      # What it is best at among them all, and what it is worst at.
      def trade(outcome, all)
        return Message.of("trade.only") if all.size < 2

        best = RANKED.find { |key, more, _| foremost?(outcome, all, key, more) }
        worst = RANKED.find { |key, more, _| foremost?(outcome, all, key, !more) }
        key = ["trade", outcome[:unsafe] ? "unsafe" : "safe"].join(".")
        return Message.of("#{key}.middle") unless best || worst

        extremes = { best: best, worst: worst }.compact
        Message.of(
          "#{key}.#{extremes.keys.join("_and_")}",
          **extremes.to_h { |name, row| [name, extreme(outcome, row, name)] }
        )
      end

      def extreme(outcome, row, end_of_rank) =
        Message.of("trade.#{end_of_rank}.#{row[0]}", amount: [outcome[row[0]], row[2]])

      # Has it the most, or the least, of something in which they differ?
      def foremost?(outcome, all, key, most)
        least_of_all, most_of_all = all.map { |other| other[key] }.minmax
        most_of_all - least_of_all > 1e-9 + (most_of_all.abs * 0.02) &&
          outcome[key] == (most ? most_of_all : least_of_all)
      end
    end
  end
end
