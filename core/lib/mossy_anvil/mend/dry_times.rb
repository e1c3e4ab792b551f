# frozen_string_literal: true

module MossyAnvil
  module Mend
    # How long wood takes to dry to a moisture in a place, and what the others would take.
    class DryTimes
      WEIGH_EVERY_DAYS = 7

      # place: row of the drying_places; scene: as a step finds it; put: the step's own, which notes a figure.
      def initialize(place, to_pct, scene, put)
        @place = place
        @to_pct = to_pct
        @scene = scene
        @put = put
      end

      # What the air of the place brings it to, %.
      def emc
        air = air_of(@place)
        @emc ||=
          @put.call(
            "emc_pct",
            air.emc_pct,
            "%",
            "moisture_that_wood_comes_to_in",
            source: "hailwood_and_horrobin_wood_handbook",
            certainty: :derived,
            inputs: {
              "temperature" => [air.temperature_c, "C"],
              "humidity" => [air.humidity * 100, "%"]
            }
          )
      end

      # Days until it is there: the fewest, the most, and what is likely; nil where that air never gets it there.
      def early_days = found[1]
      def late_days = found[2]

      def days
        return @days if defined?(@days)

        @days =
          @put.call(
            "days",
            found[0],
            "days",
            found[0] ? "drying_curve_from_now_to_there" : "that_air_is_too_damp",
            source: Table["drying_places"]["source"],
            inputs: {
              "now" => [@scene.moisture_pct, "%"],
              "to" => [@to_pct, "%"],
              "emc" => [emc, "%"],
              "pace" => [@place["pace"], ""]
            }
          )
      end

      def weigh_days = [days / 2, WEIGH_EVERY_DAYS].min.ceil.clamp(1, WEIGH_EVERY_DAYS)

      # What the other places would take.
      def places
        Table
          .rows("drying_places")
          .map { |row| { key: row["key"], emc_pct: air_of(row).emc_pct, days: forecast(row)[0] } }
      end

      private

      def air_of(row) = DryingAir.of(row, @scene.climate)

      # [likely, early, late] days in a place.
      def forecast(row)
        return 0.0, 0.0, 0.0 unless @scene.water

        @scene.water.forecast(
          @to_pct,
          from_pct: @scene.moisture_pct,
          air: air_of(row),
          wander: row["wander"],
          pace: row["pace"]
        )
      end

      def found = @found ||= forecast(@place)
    end
  end
end
