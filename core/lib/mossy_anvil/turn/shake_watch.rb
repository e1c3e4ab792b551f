# frozen_string_literal: true

module MossyAnvil
  module Turn
    # Does a piece shake more and more while its speed stands? Then something in it has moved or opened: the lathe goes
    # off. Told one pair of readings after another.
    class ShakeWatch
      Pair = Struct.new(:at_s, :rpm, :mm_s)
      private_constant :Pair

      def initialize
        @rule = Table["instruments"]["shake_grows"]
        @pairs = []
        @grown = false
      end

      # at_s: s of one clock, never less than before. Readings at a standstill begin anew. Is it growing?
      def grows?(at_s, rpm, mm_s)
        return stood_still unless rpm.positive?

        @pairs << Pair.new(at_s, rpm, mm_s)
        @pairs.shift while @pairs.first.at_s < at_s - span_s
        before, now = @pairs.partition { |pair| pair.at_s <= at_s - @rule["now_s"] }
        @grown ||= full?(at_s) && steady? && more?(before.map(&:mm_s), now.map(&:mm_s))
      end

      # Was it growing when it was last told? It counts until the lathe has stood still, whatever is told meanwhile.
      def grown? = @grown

      private

      def stood_still
        @pairs.clear
        @grown = false
      end

      def span_s = @rule["before_s"] + @rule["now_s"]
      # A gap of a second is no reason to wait ten more.
      def full?(at_s) = at_s - @pairs.first.at_s >= span_s - 1

      def steady?
        speeds = @pairs.map(&:rpm)
        mean = speeds.sum / speeds.size
        speeds.minmax.all? { |rpm| (rpm - mean).abs <= @rule["steady"] * mean }
      end

      def more?(before, now)
        usual, mean = median(before), now.sum / now.size
        mean > @rule["times"] * usual && mean > @rule["least_mm_s"]
      end

      def median(values) = values.sort[values.size / 2]
    end
  end
end
