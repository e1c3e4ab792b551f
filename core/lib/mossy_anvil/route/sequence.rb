# frozen_string_literal: true

module MossyAnvil
  module Route
    # What has to come before a step by the table, and comes after it or not at all.
    class Sequence
      # step: one of steps, the whole route.
      def initialize(step, steps)
        @step = step
        steps = steps.reject(&:left_out)
        place = steps.index(step)
        @before = steps.first(place).map(&:kind)
        @later = steps.drop(place + 1)
      end

      # Advice: to stop at what comes too early.
      def says
        late = @later.select { |step| follows.include?(step.kind) && !@before.include?(step.kind) }
        late.map { |step| Advice.say(:stop, "too_early", step: step.name) }
      end

      private

      def follows = Table.rows("route").find { |row| row["key"] == @step.kind }&.fetch("follows", []) || []
    end
  end
end
