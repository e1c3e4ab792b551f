# frozen_string_literal: true

module MossyAnvil
  module Mend
    # From pins at several depths to the moisture at the skin, in the heart, and on the average: a parabola through the
    # thickness, dry side out.
    # Source: regular stage of drying of a slab from both sides; with M(x) = skin + (heart - skin) x and x = 1 - (1 -
    # depth / half thickness)^2, least squares over the readings; the average of a parabola lies two thirds of the way
    # from skin to heart.
    class MoistureProfile
      WET_HEART_PCT = 4.0
      LEAST_SPREAD = 0.1

      attr_reader :skin_pct, :heart_pct

      # readings: [[depth_mm, moisture_pct], ...]. nil where they lie at about one depth.
      def self.of(readings, half_mm)
        points = readings.map { |depth_mm, pct| [1 - ((1 - [depth_mm / half_mm, 1.0].min)**2), pct.to_f] }
        spread = points.map(&:first).minmax
        spread[0] && spread[1] - spread[0] >= LEAST_SPREAD ? new(points) : nil
      end

      # points: [[x, moisture_pct], ...] at two x or more.
      def initialize(points)
        mean_x, mean_pct = [0, 1].map { |axis| points.sum { |point| point[axis] } / points.size }
        slope = points.sum { |x, pct| (x - mean_x) * (pct - mean_pct) } / points.sum { |x, _| (x - mean_x)**2 }
        @skin_pct = [mean_pct - (slope * mean_x), 0.0].max
        @heart_pct = [mean_pct + (slope * (1 - mean_x)), 0.0].max
        freeze
      end

      def mean_pct = skin_pct + ((heart_pct - skin_pct) * 2 / 3)
      def wet_heart? = heart_pct - skin_pct >= WET_HEART_PCT
    end
  end
end
