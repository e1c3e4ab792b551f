# frozen_string_literal: true

module MossyAnvil
  module Route
    # One way of the whole work, with what it comes to.
    class Alternative
      MINUTES_AN_HOUR = 60.0

      attr_reader :key, :choices, :steps

      # key: the answer it is known by. choices: { question => answer }. steps: list of Step.
      def initialize(key, choices, steps)
        @key = key
        @choices = choices
        @steps = steps
        freeze
      end

      # What is done in which order: two ways with the same course are one.
      def course = steps.map { |step| [step.id, step.of, step.after.form, step.hands_min] }
      # What is still to do, and what that takes.
      def ahead = steps.reject { |step| step.done || step.left_out }
      def hands_h = ahead.sum(&:hands_min) / MINUTES_AN_HOUR
      def cost = ahead.sum(&:cost)
      def conflicts = ahead.sum(&:conflicts)

      # Does it go through all of those steps?
      def through?(ids) = (ids - steps.map(&:id)).empty?

      # Days from now until it is done by one who works at nothing else: Wait, with nil where it never gets there.
      def finish = starts.last

      # Days from now at which each step begins, and the last one ends: list of Wait, one more than there are steps.
      def starts
        steps.each_with_object([Wait.new(earliest: 0.0, likely: 0.0, latest: 0.0)]) do |step, list|
          list << after(list.last, step)
        end
      end

      private

      def after(start, step)
        return start if step.done || step.left_out

        hands = step.hands_min / MINUTES_AN_HOUR / Table["route"]["hours_a_day"]
        Wait.new(
          **%i[earliest likely latest].to_h do |key|
            waited = step.wait ? step.wait[key] : 0.0
            [key, start[key] && waited && (start[key] + hands + waited)]
          end
        )
      end
    end
  end
end
