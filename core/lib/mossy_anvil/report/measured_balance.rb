# frozen_string_literal: true

module MossyAnvil
  module Report
    # Balance as four runs measured it, what puts it right, and what it tells beside what was expected.
    class MeasuredBalance
      # amplitudes, trial_g_mm: as FourRuns takes them. expected: { heavy_clock_deg:, imbalance_g_mm: } of the survey,
      # or nil. radius_mm: where a weight would hang, or nil. Raises InvalidInput.
      def initialize(amplitudes:, trial_g_mm:, expected: nil, radius_mm: nil)
        @runs = Turn::FourRuns.new(amplitudes, trial_g_mm)
        @expected = expected
        @radius_mm = radius_mm
      end

      def to_h
        {
          **@runs.to_h,
          weight_g: @radius_mm && (@runs.imbalance_g_mm / @radius_mm),
          weight_clock_deg: ClockAngle.fold(@runs.heavy_clock_deg + 180),
          unexpected: unexpected
        }
      end

      private

      # What it has beside what was expected: a hidden void lies opposite, something heavy lies there. nil where that is
      # little.
      def unexpected
        return unless @expected

        found = point(@runs.heavy_clock_deg, @runs.imbalance_g_mm)
        more =
          found.zip(point(*@expected.values_at(:heavy_clock_deg, :imbalance_g_mm))).map { |one, other| one - other }
        size = Math.hypot(*more)
        usual = [@runs.imbalance_g_mm, @expected[:imbalance_g_mm]].max
        return if size <= usual * Table["tools"]["four_runs"]["off_share"]

        { heavy_clock_deg: ClockAngle.of_point(*more), imbalance_g_mm: size }
      end

      def point(clock_deg, size) = ClockAngle.point(clock_deg, size)
    end
  end
end
