# frozen_string_literal: true

module MossyAnvil
  # Several forms on one blank side by side: what each comes to, and in a sentence what it trades against the blank's own form.
  class Comparison
    MOST = 4

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
      @blank.with_form(Form.new(**known[:form])).with_centres(Centres.new(**(known[:centres] || {})))
    end

    # What it is best at among them all, and what it is worst at.
    def trade(outcome, all)
      return say("The only one so far.") if all.size < 2

      best, worst = RANKED.partition { |key, name, more, _| name && outcome[key] == all.map { |other| other[key] }.then { |values| more ? values.max : values.min } && differ?(all, key) }.then do |first, rest|
        [first.first, rest.find { |key, _, more, _| differ?(all, key) && outcome[key] == all.map { |other| other[key] }.then { |values| more ? values.min : values.max } }]
      end
      blocked = outcome[:not_like_this] ? "Not like this on this lathe: " : ""
      text, values = [best && "#{best[1]} of them all ({best})", worst && "#{worst[3]} ({worst})"].compact, {}
      values[:best] = [outcome[best[0]], best[4]] if best
      values[:worst] = [outcome[worst[0]], worst[4]] if worst
      return say("#{blocked}in the middle of them in everything.".sub(/\A./, &:upcase)) if text.empty?

      say("#{blocked}#{text.join(', but ')}.".sub(/\A./, &:upcase), **values)
    end

    # Key, what the best is called, is more better, what the worst is called, unit; in the order they are thought of.
    RANKED = [
      [:limit_rpm, "the steadiest at speed", true, "the slowest to turn", "rpm"],
      [:fill_ml, "the least to mend", false, "the most to mend", "ml"],
      [:yield_share, "the most wood kept", true, "the most wood turned away", "share"],
      [:mend_hours, "the fewest hours of mending", false, "the most hours of mending", "h"],
      [:mass_g, "the lightest", false, "the heaviest", "g"]
    ].freeze

    def differ?(all, key) = all.map { |other| other[key] }.minmax.then { |least, most| most - least > 1e-9 + (most.abs * 0.02) }
    def say(text, **values) = { text: text, values: values.map { |name, (value, unit)| { name: name.to_s, value: value, unit: unit } } }
  end
end
