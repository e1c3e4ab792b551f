# frozen_string_literal: true

module MossyAnvil
  module Report
    # What there is to say of a plan of mending as a whole.
    class WholePlanAdvice
      # Less than this share slower is none.
      SLOWER = 0.99
      # A latest end no more than this share later is none.
      LATER = 1.05

      # data: its steps as in a blank file. told: the same as a MendReport tells them. effects: on the lathe, before the
      # first and after each. defects: as assessed.
      def initialize(data, told, effects, defects)
        @data, @told, @effects, @defects = data, told, effects, defects
      end

      # Defects that ask for mending and are in no step.
      def left_out
        planned = @data.flat_map { |step| step[:of] || [] }
        return [] if @data.any? { |step| %w[stabilise cast].include?(step[:do]) && (step[:of] || []).empty? }

        @defects
          .select { |defect| Mend::MendProposal.way(defect) && !planned.include?(defect[:id]) }
          .map { |defect| defect[:id] }
      end

      # List of advice.
      def to_a
        return [say(:go, "nothing")] if @told.empty? && left_out.empty? && tested.empty?

        [
          whole,
          faster,
          (say(:care, "left_out", ids: Message.ids(left_out)) if left_out.any?),
          (say(:care, "tested", ids: Message.ids(tested)) if tested.any?)
        ].compact
      end

      private

      # Ids of what tests alone show and would have to be mended.
      def tested =
        @defects
          .select { |defect| defect[:by_test] && Mend::MendProposal.way(defect.merge(by_test: false)) }
          .map { |defect| defect[:id] }

      def whole
        return if @told.empty?

        stuck = @told.sum { |step| step[:conflicts] }
        return say(:stop, "conflicts", count: Message.count(stuck)) if stuck.positive?
        return say(:stop, "never_ends") if @told.last[:ready_at_h].nil?

        ready_in(*@told.last.values_at(:ready_at_h, :ready_late_at_h), @told.sum { |step| step[:hands_min] })
      end

      # late: hours, or nil where damper air never gets it there.
      def ready_in(ready, late, hands)
        about = { ready: [ready, "h"], hands: [hands, "min"] }
        return say(:plain, "ready_at_best", **about) if late.nil?

        late > ready * LATER ? say(:plain, "ready_between", **about, late: [late, "h"]) : say(:plain, "ready", **about)
      end

      # What the whole of it does to the speed.
      def faster
        return if @told.empty?

        from, to = @effects.first[:first], @effects.last[:first]
        return unless to[:limit_rpm] > from[:limit_rpm] / SLOWER
        return say(:go, "faster_than_none", to: [to[:limit_rpm], "rpm"]) if from[:limit_rpm].zero?

        say(:go, "faster", to: [to[:limit_rpm], "rpm"], from: [from[:limit_rpm], "rpm"])
      end

      def say(tone, key, **amounts) = { tone: tone.to_s, figure: nil, **Message.of("plan.#{key}", **amounts) }
    end
  end
end
