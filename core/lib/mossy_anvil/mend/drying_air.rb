# frozen_string_literal: true

module MossyAnvil
  module Mend
    # The air of a drying place.
    DryingAir =
      Struct.new(:temperature_c, :humidity, keyword_init: true) do
        # place: key, or a row, of the table of drying places; climate: of the shop, degrees C and humidity 0 to 1.
        def self.of(place, climate)
          row = place.is_a?(Hash) ? place : Table.row("drying_places", place)
          new(
            temperature_c: row["temperature_c"] || (climate.temperature_c + row["temperature_over_c"]),
            humidity: row["humidity"] || (climate.humidity + row["humidity_over"]).clamp(0.01, 0.99)
          )
        end

        def emc_pct = Moisture.emc_pct(temperature_c, humidity)
      end
  end
end
