# frozen_string_literal: true

module MossyAnvil
  module Mend
    # How long a piece is pumped, soaks, bakes and cools, min unless said.
    class StabiliseTimes
      # h to cool.
      COOL_H = 4.0

      # As StabiliseAmounts takes them.
      def initialize(data, scene, put)
        @data, @scene, @put = data, scene, put
      end

      def oven_c = @data[:oven_c] || table["oven_c"]
      def pump_min = @scene.records.rate("bubbling_min", table["pump_h"] * 60.0).value
      def soak_min = pump_min * table["soak_over_pump"]
      def hold_min = (@data[:hold_min] || table["hold_min"]).to_f
      def oven_min = heat_min + hold_min
      def cool_min = COOL_H * 60

      # Vacuum, soak, drain, heat through and hold; and the night to cool.
      def all_h = (pump_min + soak_min + table["drain_min"] + oven_min) / 60.0 + COOL_H

      def heat_min
        @heat_min ||=
          @put.call(
            "heat_min",
            HeatThrough.minutes(across_mm: across_mm, length_mm: length_mm),
            "min",
            "until_the_core_is_within",
            source: "textbook_heat_conduction",
            certainty: :derived,
            inputs: {
              "across" => [across_mm, "mm"],
              "long" => [length_mm, "mm"]
            }
          )
      end

      private

      def table = Table["hardeners"]["stabilise"]
      def length_mm = @scene.blank.shape.length_mm
      def across_mm = 2 * @scene.blank.shape.max_radius_mm
    end
  end
end
