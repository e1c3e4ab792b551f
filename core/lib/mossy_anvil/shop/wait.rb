# frozen_string_literal: true

module MossyAnvil
  module Shop
    # A wait that is under way: its times, and what becomes of them when the shop gets colder or warmer.
    # Times are anything that can be taken from each other in seconds and have seconds added.
    class Wait
      # started_at, earliest_at, likely_at; cure: does it follow the shop's temperature?
      def initialize(started_at:, earliest_at:, likely_at:, cure:)
        @started_at = started_at
        @earliest_at = earliest_at
        @likely_at = likely_at
        @cure = cure
      end

      # { earliest_at:, likely_at: } once the shop goes from one temperature to another (C): what is still to go takes
      # as much longer as cure gets slower.
      def in_air(now, from_c, to_c)
        pace = @cure ? Mend::CureTime.factor(to_c) / Mend::CureTime.factor(from_c) : 1.0
        { earliest_at: moved(@earliest_at, now, pace), likely_at: moved(@likely_at, now, pace) }
      end

      # Share of the way to the likely end, 0 to 1.
      def share_done(now)
        whole = @likely_at - @started_at
        whole.zero? ? 1.0 : ((now - @started_at) / whole).clamp(0.0, 1.0)
      end

      private

      def moved(time, now, pace) = time <= now ? time : now + ((time - now) * pace)
    end
  end
end
