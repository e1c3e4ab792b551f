# frozen_string_literal: true

module MossyAnvil
  module Route
    # The order of a route by its choices: what is dried, mended, turned and finished when.
    class Layout
      # Up to the hollow, and from there on, by what kind of piece it becomes.
      OUTSIDE = %w[mount true_up outside seat turn_round].freeze
      # Steps that hold the piece together on its way, whatever comes first.
      HOLDS = %w[glue].freeze

      def initialize(facts, choices, questions)
        @facts = facts
        @choices = choices
        mends = Mends.new(facts, choices, questions)
        @mends = mends.steps
        @removed = mends.removed
      end

      # List of Draft, with what the turner changed of it.
      def drafts
        laid = Draft.list([*survey, *body, *finish(["sand", @facts.wooden? ? "coat" : "buff", "done"])])
        route = @facts.blank.route || {}
        going_on = StillOpen.new(route.fetch(:done, []), @facts.blank.defects).apply(laid)
        Edits.new(route, @facts.done).apply(going_on)
      end

      private

      def hollow? = @facts.form.hollow?

      # Marked as difficult and not looked at: that comes first. What comes out or off does so before anything else.
      def survey
        unseen = @facts.blank.coverage.needed?
        [*(finish(%w[look_over]) if unseen), *([[:finish, { kind: "dig_out", of: @removed }]] if @removed.any?)]
      end

      def body
        case @choices["wet"]
        when "rough_out"
          rough_out
        when "turn_wet"
          [*mended(held), *turned, *dry, *mended(later)]
        else
          [*(dry if @choices["wet"]), *(@choices["cracks"] == "turn_first" ? turned_first : [*mended(@mends), *turned])]
        end
      end

      # Thick first, dried by its wall, mended dry, and then turned true and to its wall.
      def rough_out
        thick = { form: @facts.rough[:form] }
        [
          *mended(held),
          *turns(OUTSIDE),
          [:turn, { kind: "rough_out", **thick }],
          *dry,
          *mended(later),
          [:turn, { kind: "retrue", **thick }],
          [:turn, { kind: "hollow", form: @facts.form }],
          *turns(%w[foot])
        ]
      end

      # What holds it together comes before the lathe all the same; the rest once the hollow shows what is left.
      def turned_first
        [
          *mended(held),
          *turns(OUTSIDE),
          *turns(hollow? ? %w[hollow] : []),
          *mended(later),
          *turns(hollow? ? %w[foot] : %w[ends])
        ]
      end

      def turned = turns([*OUTSIDE, *(hollow? ? %w[hollow foot] : %w[ends])])
      def turns(kinds, **about) = kinds.map { |kind| [:turn, { kind: kind, **about }] }
      def finish(kinds) = kinds.map { |kind| [:finish, { kind: kind }] }

      # To what this room takes it to; a step of mending that wants it drier says so itself.
      def dry = [[:dry, { to_pct: @facts.dry_pct }]]

      # Only what takes wood as wet as it is now can hold it on the way.
      def held =
        @held ||= @mends.select { |step| HOLDS.include?(step[:do]) && gate_of(step) >= (@facts.moisture_pct || 0) }
      def later = @mends - held

      # Before the driest of them it is dried so far: on the shelf, or in the oven where the shelf never gets it there.
      def mended(steps)
        return [] if steps.empty?

        gate = steps.map { |step| gate_of(step) }.min
        drying = gate > @facts.emc_pct + 0.5 ? { to_pct: gate } : { to_pct: gate, in: "oven" }
        [*([[:dry, drying]] if @facts.wooden? && gate < 100), *steps.map { |step| [:mend, step] }]
      end

      def gate_of(step) = Mend::MendProposal.gate_pct(step) || 100
    end
  end
end
