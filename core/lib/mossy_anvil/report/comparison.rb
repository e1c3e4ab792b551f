# frozen_string_literal: true

module MossyAnvil
  module Report
    # Several forms on one blank side by side: what each comes to, and in a sentence what it trades against the blank's own form.
    class Comparison
      MOST = 4
      # Key, what the best is called, is more better, what the worst is called, unit; in the order they are thought of.
      RANKED = [
        [:limit_rpm, "the steadiest at speed", true, "the slowest to turn", "rpm"],
        [:fill_ml, "the least to mend", false, "the most to mend", "ml"],
        [:yield_share, "the most wood kept", true, "the most wood turned away", "share"],
        [:mend_hours, "the fewest hours of mending", false, "the most hours of mending", "h"],
        [:mass_g, "the lightest", false, "the heaviest", "g"]
      ].freeze

      # blank: as surveyed; sketches: as in a blank file, string-keyed and checked. Its own form comes first, where it has one.
      def initialize(blank, sketches, climate: ShopClimate.new)
        @blank = blank
        @climate = climate
        @laid = (blank.form ? [[nil, blank]] : []) + sketches.first(MOST - (blank.form ? 1 : 0)).map { |sketch| [sketch["name"], laid_out(sketch)] }
      end

      # { forms: [{ name:, outcome:, trade: }] }
      def to_h
        outcomes = @laid.map { |name, laid| [name, FormOutcome.new(laid, climate: @climate).to_h] }
        { forms: outcomes.map { |name, outcome| { name: name, outcome: outcome, trade: trade(outcome, outcomes.map(&:last)) } } }
      end

      private

      def laid_out(sketch)
        known = JSON.parse(JSON.generate(sketch), symbolize_names: true)
        @blank.with_form(Model::Form.new(**known[:form])).with_centres(Model::Centres.new(**(known[:centres] || {})))
      end

      # What it is best at among them all, and what it is worst at.
      def trade(outcome, all)
        return say("The only one so far.") if all.size < 2

        best = RANKED.find { |key, _, more| foremost?(outcome, all, key, more) }
        worst = RANKED.find { |key, _, more| foremost?(outcome, all, key, !more) }
        parts = [best && "#{best[1]} of them all ({best})", worst && "#{worst[3]} ({worst})"].compact
        parts = ["in the middle of them in everything"] if parts.empty?
        values = { best: best, worst: worst }.compact.transform_values { |row| [outcome[row[0]], row[4]] }
        say("#{'Unsafe on this lathe: ' if outcome[:not_like_this]}#{parts.join(', but ')}.".sub(/\A./, &:upcase), **values)
      end

      # Has it the most, or the least, of something in which they differ?
      def foremost?(outcome, all, key, most)
        least_of_all, most_of_all = all.map { |other| other[key] }.minmax
        most_of_all - least_of_all > 1e-9 + (most_of_all.abs * 0.02) && outcome[key] == (most ? most_of_all : least_of_all)
      end

      def say(text, **values) = { text: text, values: values.map { |name, (value, unit)| { name: name.to_s, value: value, unit: unit } } }
    end
  end
end
