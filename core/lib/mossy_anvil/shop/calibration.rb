# frozen_string_literal: true

module MossyAnvil
  module Shop
    # How good forecasts were: what was forecast against what happened, as many times the one is of the other.
    class Calibration
      # Forecasts of hours say "about": within these times of it they were right.
      BAND = [0.7, 1.5].freeze

      # pairs: [[forecast, what happened], ...], both more than 0 in one unit.
      def initialize(pairs)
        @times = pairs.select { |pair| pair.all?(&:positive?) }.map { |forecast, happened| happened / forecast.to_f }
      end

      # { count:, right: how many within the band, middle: what happened over the forecast, in the middle; times: of
      # each }; middle nil without any.
      def to_h
        sorted = @times.sort
        {
          count: sorted.size,
          right: sorted.count { |times| times.between?(*BAND) },
          middle: sorted.empty? ? nil : (sorted[(sorted.size - 1) / 2] + sorted[sorted.size / 2]) / 2,
          times: @times
        }
      end
    end
  end
end
