# frozen_string_literal: true

module MossyAnvil
  module Model
    # An estimate that own records weigh in on: default times e^(n m / (n + 4)), with m the mean of the logarithms of
    # record over default. A few records move it a little, many almost all the way. Source: shrinkage to a prior that
    # counts as four records.
    class Rate
      # A record of nothing, or of a slip of the pen, counts as ten times less or more.
      MOST = 10.0

      attr_reader :default

      # default: more than 0; values: of the records, oldest first, of the same unit.
      def initialize(default, values)
        @default = default.to_f
        @logs = values.map { |value| Math.log((value / @default).clamp(1 / MOST, MOST)) }
      end

      def value = default * times
      # The value over the default.
      def times = Math.exp(counted.sum / (counted.size + table["weight"]))
      # How many records count.
      def count = counted.size

      # Places of records that lie too far from the others to count.
      def held_back
        @held_back ||=
          begin
            far = table["far_spreads"] * spread
            @logs.each_index.select { |place| (@logs[place] - middle).abs > far }
          end
      end

      # How far records usually lie from the middle one, as a factor of 1 or more.
      def spread_times = Math.exp(spread)

      private

      def table = Table["rates"]
      def counted = @counted ||= @logs.reject.with_index { |_, place| held_back.include?(place) }
      def middle = @middle ||= median(@logs)
      def median(list) = list.empty? ? 0.0 : list.sort.then { |all| (all[(all.size - 1) / 2] + all[all.size / 2]) / 2 }

      # Of the logarithms; 1.4826 makes the median of distances that of a normal spread.
      def spread
        @spread ||= [1.4826 * median(@logs.map { |log| (log - middle).abs }), Math.log(table["least_spread"])].max
      end
    end
  end
end
