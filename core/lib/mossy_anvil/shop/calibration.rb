# frozen_string_literal: true

module MossyAnvil
  module Shop
    # How good forecasts were: what was forecast against what happened, as many times the one is of the other.
    class Calibration
      # Forecasts of hours say "about": within these times of it they were right.
      BAND = [0.7, 1.5].freeze
      # Drawn in so many bars on the logarithm, between a third of it and three times it.
      BARS, FURTHEST = 24, Math.log(3)

      # pairs: [[forecast, what happened], ...], both more than 0 in one unit.
      def initialize(pairs)
        @times = pairs.select { |pair| pair.all?(&:positive?) }.map { |forecast, happened| happened / forecast.to_f }
      end

      # { count:, right: how many within the band, middle: what happened over the forecast, in the middle, nil without
      # any; bars: [{ from:, to:, count: }, ...], what lies further off in the outermost }.
      def to_h
        sorted = @times.sort
        {
          count: sorted.size,
          right: sorted.count { |times| times.between?(*BAND) },
          middle: sorted.empty? ? nil : (sorted[(sorted.size - 1) / 2] + sorted[sorted.size / 2]) / 2,
          bars: bars
        }
      end

      private

      def bars
        counts = @times.map { |times| bar(times) }.tally
        Array.new(BARS) { |at| { from: edge(at), to: edge(at + 1), count: counts.fetch(at, 0) } }
      end

      def bar(times) = ((Math.log(times) + FURTHEST) / (2 * FURTHEST) * BARS).floor.clamp(0, BARS - 1)
      def edge(at) = Math.exp((2 * FURTHEST * at / BARS) - FURTHEST)
    end
  end
end
