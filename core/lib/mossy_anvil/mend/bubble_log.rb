# frozen_string_literal: true

module MossyAnvil
  module Mend
    # What was seen of the bubbles while a piece lies under vacuum: when they have stopped, and after how long.
    # Source: usual practice, a rule of thumb; a bubble or two may still come from a leak at the lid.
    class BubbleLog
      LEVELS = %w[none few many foams].freeze
      # So long without one, and it has stopped.
      QUIET_MIN = 10

      # began: Time the vacuum was drawn; seen: [[Time, index of LEVELS], ...] in order.
      def initialize(began, seen)
        @began = began
        @seen = seen
      end

      # When the last of them was gone, nil while any comes.
      def quiet_since
        after = @seen.reverse.take_while { |_, level| level.zero? }
        after.last&.first
      end

      # Minutes that it bubbled, nil until it has stopped. now: Time.
      def bubbled_min(now) = stopped?(now) ? (quiet_since - @began) / 60.0 : nil

      # Advice, nil where nothing was seen yet.
      def says(now)
        return if @seen.empty?
        return told("care", "still", seen: Message.term("bubbles.levels.#{LEVELS[@seen.last[1]]}")) unless quiet_since

        quiet = [(now - quiet_since) / 60.0, "min"]
        return told("plain", "quiet", quiet: quiet, least: [QUIET_MIN.to_f, "min"]) unless stopped?(now)

        told("go", "stopped", quiet: quiet, bubbled: [bubbled_min(now), "min"])
      end

      private

      def stopped?(now) = !quiet_since.nil? && now - quiet_since >= QUIET_MIN * 60
      def told(tone, key, **amounts) = { tone: tone, figure: nil, **Message.of("bubbles.#{key}", **amounts) }
    end
  end
end
