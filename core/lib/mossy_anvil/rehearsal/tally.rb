# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # What a plan as it was played comes to: minutes of work, days and money, with what its events add.
    class Tally
      MINUTES_AN_HOUR = 60.0

      # draws: Draws of the truth, nil where nothing is left to chance: then each step takes what the plan says. rate:
      # money an hour.
      def initialize(plan, draws, rate:)
        @plan = plan
        @draws = draws
        @rate = rate
      end

      # events: list of Hazards::Event.
      def hands_min(events)
        slow = @draws ? @draws.triangular("hands", *Table["odds"]["hands_shares"]) : 1.0
        (@plan.steps.sum(&:hands_min) * slow) + more(events, "adds_min")
      end

      # nil where a wait never ends in this air.
      def days(events)
        waits = @plan.steps.map { |step| wait_days(step) }
        return unless waits.all?

        waits.sum + more(events, "adds_days") + Tally.days_of(hands_min(events))
      end

      def cost(events)
        @plan.steps.sum(&:cost) + more(events, "adds_cost") + (hands_min(events) / MINUTES_AN_HOUR * @rate)
      end

      # Days of the wait of a step, 0 where there is none.
      def wait_days(step)
        return 0.0 unless step.wait

        earliest, likely, latest = step.wait.to_h.values_at(:earliest, :likely, :latest)
        return likely unless likely && @draws

        @draws.triangular("wait #{step.id}", earliest || likely, likely, latest || likely)
      end

      # Days that so many minutes of work fill.
      def self.days_of(minutes) = minutes / MINUTES_AN_HOUR / Table["route"]["hours_a_day"]

      private

      def more(events, name) = events.sum { |event| event.row[name].to_f }
    end
  end
end
