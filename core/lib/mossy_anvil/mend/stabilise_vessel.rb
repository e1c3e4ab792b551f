# frozen_string_literal: true

module MossyAnvil
  module Mend
    # A piece in the vacuum vessel: whether and how it goes in, the resin that covers it, what keeps it under, what the
    # gauge should read.
    class StabiliseVessel
      # mm that the vessel is wider than what goes in.
      ROOM_MM = 5.0

      # amounts: StabiliseAmounts; the rest as it takes them.
      def initialize(amounts, data, scene, put)
        @amounts, @data, @scene, @put = amounts, data, scene, put
      end

      def given? = !given.nil?
      def fits = given && (standing ? standing.first : "no")

      # Upright, else lying; [which way, mm it stands high in the resin], nil where it does not go in.
      def standing
        return unless given

        upright, lying = across_mm + ROOM_MM, Math.hypot(length_mm, across_mm) + ROOM_MM
        deep = given[:depth_mm] - table["over_blank_mm"]
        return "upright", length_mm if upright <= given[:diameter_mm] && length_mm <= deep

        ["lying", across_mm] if lying <= given[:diameter_mm] && across_mm <= deep
      end

      def resin_ml
        return unless standing

        @resin_ml ||=
          @put.call(
            "resin_ml",
            soaking.vessel_ml(given[:diameter_mm], standing.last) + (@amounts.expected_g / @amounts.resin_g_ml),
            "ml",
            "vessel_to_over_the_blank",
            source: "geometry",
            certainty: :derived,
            inputs: {
              "vessel_across" => [given[:diameter_mm], "mm"],
              "stands" => [standing.last, "mm"],
              "over_it" => [table["over_blank_mm"], "mm"],
              "drawn_in" => [@amounts.expected_g, "g"]
            }
          )
      end

      def lift_n
        @lift_n ||=
          @put.call(
            "lift_n",
            soaking.lift_n,
            "N",
            "resin_pushed_aside_less_the_dry",
            source: "archimedes",
            certainty: :derived,
            inputs: {
              "volume" => [@amounts.volume_mm3, "mm3"],
              "resin" => [@amounts.resin_g_ml, "g/ml"]
            }
          )
      end

      # g on top of it, of what does not itself float.
      def ballast_g = lift_n / Mechanics::GRAVITY_M_S2 * 1000
      def air_hpa = @data[:air_hpa] || Stabilising.air_hpa(@data[:altitude_m] || 0)

      def gauge_hpa
        @gauge_hpa ||=
          @put.call(
            "gauge_hpa",
            Stabilising.gauge_hpa(air_hpa),
            "hPa",
            "air_pressure_times_the_share",
            source: Table["hardeners"]["source"],
            inputs: {
              "air" => [air_hpa, "hPa"],
              "share" => [table["pump_share"] * 100, "%"]
            }
          )
      end

      private

      def given = @data[:vessel]
      def table = Table["hardeners"]["stabilise"]
      def soaking = @amounts.soaking
      def length_mm = @scene.blank.shape.length_mm
      def across_mm = 2 * @scene.blank.shape.max_radius_mm
    end
  end
end
