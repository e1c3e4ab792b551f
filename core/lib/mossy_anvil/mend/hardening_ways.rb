# frozen_string_literal: true

module MossyAnvil
  module Mend
    # The ways to harden what is soft, on one footing: what goes in, what it costs, how long it takes, what strength it
    # gives, what it looks like, what it is fit for.
    class HardeningWays
      # defects: those to harden; without any, the whole blank.
      def initialize(scene, defects)
        @scene = scene
        @defects = defects
      end

      # Plain data, a row of the hardeners table each.
      def to_a
        Table
          .rows("hardeners")
          .map do |row|
            grams = g(row)
            {
              key: row["key"],
              g: grams,
              cost: grams * row["price_per_g"],
              hands_min: row["hands_min"],
              wait_h: row["wait_h"] * CureTime.factor(@scene.shop_c),
              strength: row["strength"],
              deep_mm: [row["deep_mm"], thickness_mm / 2].min,
              through: row["deep_mm"] * 2 >= thickness_mm,
              dry_to_pct: row["dry_to_pct"]
            }
          end
      end

      private

      def g(row)
        return skin_cm2 * row["ml_per_cm2"] * row["density_g_ml"] if row["ml_per_cm2"]

        whole = row["key"] == "stabilising"
        volume = whole ? blank_mm3 : soft_mm3 * [2 * row["deep_mm"] / thickness_mm, 1].min
        Stabilising.new(
          volume_mm3: volume,
          dry_density_kg_m3: whole ? dry_density : soft_density,
          resin_g_ml: row["density_g_ml"]
        ).most_g * (row["uptake"].sum / 2)
      end

      def dry_density = @scene.blank.material.dry_density_kg_m3
      def blank_mm3 = @scene.assessed[:stages].values.first[:volume_mm3]
      def bodies = @defects.reject(&:path?)

      # What stays of them in the finished piece.
      def soft_mm3 = bodies.empty? ? blank_mm3 : @defects.sum { |defect| kept_mm3(defect) }

      def kept_mm3(defect)
        @scene
          .report_of(defect.id)
          .then { |report| report ? report[:occupied_mm3] * (1 - report[:removed_share]) : 0.0 }
      end

      def soft_density =
        bodies.empty? ? dry_density : bodies.sum { |defect| defect.density_kg_m3(dry_density) } / bodies.size
      def thickness_mm = bodies.map { |defect| defect.size_mm.min }.max || @scene.blank.shape.least_extent_mm

      # cm2 of skin they show: their section along the surface, or the whole round of the blank.
      def skin_cm2
        return bodies.sum { |defect| Math::PI / 4 * defect.size_mm[1] * defect.size_mm[2] } / 100 if bodies.any?

        shape = @scene.blank.shape
        Math::PI * shape.across_mm * (shape.length_mm + (shape.across_mm / 2)) / 100
      end
    end
  end
end
