# frozen_string_literal: true

module MossyAnvil
  module Shop
    # When one piece is done by the schedule, how late that is, and what decides it.
    class Forecast
      # What takes time: a step's id; what: :hands, :wait or :queue; held_up_by: as PlacedStep, of a queue alone.
      Share = Struct.new(:step, :what, :minutes, :held_up_by, keyword_init: true)

      # job: Job; placed: its list of PlacedStep.
      def initialize(job, placed)
        @job = job
        @placed = placed
      end

      # Nil where not all of it can be placed.
      def finish_min
        return unless @placed.size == @job.steps.size

        @placed.last&.until_min || @job.ready_min
      end

      # Minutes after it is due; nil where it is in time, or nobody waits for it.
      def late_min
        late = @job.due_min && finish_min && (finish_min - @job.due_min)
        late if late&.positive?
      end

      # List of Share, the largest first.
      def shares
        @placed
          .flat_map { |one| shares_of(one) }
          .select { |share| share.minutes.positive? }
          .sort_by { |one| -one.minutes }
      end

      private

      def shares_of(one)
        worked = one.parts.sum { |from, to| to - from }
        nights = (one.to_min - one.from_min) - worked
        [
          Share.new(step: one.step.id, what: :queue, minutes: one.queued_min + nights, held_up_by: one.held_up_by),
          Share.new(step: one.step.id, what: :hands, minutes: worked),
          Share.new(step: one.step.id, what: :wait, minutes: one.step.wait_min)
        ]
      end
    end
  end
end
