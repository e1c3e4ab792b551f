# frozen_string_literal: true

module MossyAnvil
  module Report
    # What a stage weighs and how it runs: mass, balance, swing, and what would balance it; each number with
    # its working.
    class StageBody
      # blank: as surveyed. stage: Solid::Stage. mass: Solid::MassProperties. put: keeps a number's working and gives it
      # back, as StageReport's own.
      def initialize(blank, stage, mass, put)
        @blank, @stage, @mass, @put = blank, stage, mass, put
      end

      # Plain data.
      def to_h
        {
          volume_mm3: @put.call("volume_mm3", @mass.volume_mm3, "mm3", "wood_within_the_stage_summed"),
          mass_g:
            @put.call(
              "mass_g",
              @mass.mass_g,
              "g",
              "density_times_volume_defects_at",
              inputs: {
                "density_as_it_stands" => [@blank.material.density_kg_m3, "kg/m3"],
                "volume" => [@mass.volume_mm3, "mm3"]
              }
            ),
          centre_of_mass_mm: @mass.centre_of_mass_mm,
          imbalance_g_mm:
            @put.call(
              "imbalance_g_mm",
              @mass.imbalance_g_mm,
              "g mm",
              "sum_of_mass_times_radius",
              source: "textbook_mechanics_on_the_cylindrical",
              inputs: {
                "mass" => [@mass.mass_g, "g"]
              }
            ),
          heavy_clock_deg: heavy_side,
          swing_mm: @put.call("swing_mm", @stage.swing_mm, "mm", "twice_the_farthest_wood_from"),
          runs_true: @stage.true_running?,
          counterweight: counterweight,
          recentre: recentre
        }
      end

      private

      def heavy_side
        @put.call(
          "heavy_clock_deg",
          @mass.heavy_clock_deg(@stage.swing_mm),
          "clock",
          "the_hour_the_imbalance_vector",
          source: "textbook_mechanics_on_the_cylindrical",
          inputs: {
            "imbalance" => [@mass.imbalance_g_mm, "g mm"]
          }
        )
      end

      def balancing = @balancing ||= Turn::Balancing.new(@mass, @stage.swing_mm)

      # Where the centres would go so that it balances; nil where it lies near enough already.
      def recentre
        return unless balancing.recentre?

        {
          clock_deg: balancing.heavy_clock_deg,
          mm:
            @put.call(
              "recentre/mm",
              balancing.offset_mm,
              "mm",
              "imbalance_over_mass_how_far",
              source: "textbook_mechanics",
              inputs: {
                "imbalance" => [@mass.imbalance_g_mm, "g mm"],
                "mass" => [@mass.mass_g, "g"]
              }
            )
        }
      end

      def counterweight
        return unless balancing.weight?

        {
          radius_mm: balancing.radius_mm,
          clock_deg: balancing.weight_clock_deg,
          mass_g:
            @put.call(
              "counterweight/mass_g",
              balancing.weight_g,
              "g",
              "imbalance_over_the_radius_it",
              source: "textbook_mechanics",
              inputs: {
                "imbalance" => [@mass.imbalance_g_mm, "g mm"],
                "radius" => [balancing.radius_mm, "mm"]
              }
            )
        }
      end
    end
  end
end
