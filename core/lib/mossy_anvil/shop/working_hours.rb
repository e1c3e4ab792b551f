# frozen_string_literal: true

module MossyAnvil
  module Shop
    # When somebody works, the same every week. Times are whole minutes from a Monday's midnight, however many weeks on.
    class WorkingHours
      DAY_MIN = 1440
      WEEK_MIN = 7 * DAY_MIN

      # spans: [[weekday 1 to 7, from, to], ...], minutes of that day. Spans that meet are one.
      def initialize(spans)
        @spans =
          spans
            .map { |weekday, from, to| [from, to].map { |minute| ((weekday - 1) * DAY_MIN) + minute } }
            .sort
            .each_with_object([]) { |span, merged| meet(merged, span) }
        @left, @until = minute_by_minute
        freeze
      end

      # Of [{ weekday:, from_min:, to_min: }, ...]; faults of those are named by .faults.
      def self.of(list) = new(list.map { |span| span.values_at(:weekday, :from_min, :to_min) })

      # Faults under `at`: a span that ends before it begins.
      def self.faults(list, at:)
        list.each_with_index.filter_map do |span, index|
          next if span[:from_min] < span[:to_min]

          Fault.new(
            path: "#{at}/#{index}/to_min",
            problem: Fault.t("is_not_after_its_beginning"),
            allowed: Fault.t("a_later_time")
          )
        end
      end

      # Of nobody in particular: so many hours from nine o'clock, every day.
      def self.usual(hours) = new((1..7).map { |weekday| [weekday, 540, 540 + (hours * 60).round] })

      def none? = @spans.empty?
      def longest_min = @spans.map { |from, to| to - from }.max || 0

      # Minutes left at a time until the end of that span; 0 where nobody works then.
      def left_min(time) = @left[time % WEEK_MIN]

      # The first minute from a time on at which work is done. Nothing where there never is any.
      def next_start(time) = none? ? nil : time + @until[time % WEEK_MIN]

      # [[from, to], ...] of so many minutes of work, begun at a time within them.
      def parts(time, minutes)
        parts = []
        while minutes.positive?
          time = next_start(time)
          done = [left_min(time), minutes].min
          parts << [time, time + done]
          time += done
          minutes -= done
        end
        parts
      end

      private

      # For every minute of the week: minutes left of work, and minutes until there is some.
      def minute_by_minute
        left, till = Array.new(WEEK_MIN, 0), Array.new(WEEK_MIN, 0)
        @spans.each { |from, to| (from...to).each { |minute| left[minute] = to - minute } }
        ahead = @spans.any? ? @spans.first.first : 0
        (WEEK_MIN - 1).downto(0) { |minute| till[minute] = ahead = left[minute].positive? ? 0 : ahead + 1 }
        [left, till]
      end

      def meet(merged, span)
        return merged << span unless merged.any? && merged.last.last >= span.first

        merged.last[1] = [merged.last.last, span.last].max
      end
    end
  end
end
