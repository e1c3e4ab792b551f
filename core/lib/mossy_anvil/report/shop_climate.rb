# frozen_string_literal: true

module MossyAnvil
  module Report
    # The air the wood dries in and how cautious the shop is. Defaults are a heated room.
    class ShopClimate
      RANGES = { temperature_c: -20.0..60.0, humidity: 0.02..0.98, burst_reserve: 6.0..50.0 }.freeze

      attr_reader :temperature_c, :humidity, :burst_reserve

      # humidity: 0 to 1. burst_reserve: on load, never under 6. Raises InvalidInput with pointers under `at`.
      def initialize(
        temperature_c: 20.0,
        humidity: 0.55,
        burst_reserve: Table["strength"]["burst_reserve"]["default"],
        at: "/shop"
      )
        given = { temperature_c: temperature_c, humidity: humidity, burst_reserve: burst_reserve }
        faults = given.filter_map { |key, value| fault(at, key, value) }
        raise InvalidInput, faults if faults.any?

        @temperature_c, @humidity, @burst_reserve = given.values.map(&:to_f)
        freeze
      end

      def emc_pct = Mend::Moisture.emc_pct(temperature_c, humidity)

      private

      def fault(at, key, value)
        range = RANGES.fetch(key)
        return if value.is_a?(Numeric) && range.cover?(value)

        Fault.new(
          path: "#{at}/#{key}",
          problem: Fault.t("is", given: Fault.shown(value)),
          allowed: Fault.t("from_to", min: range.min, max: range.max)
        )
      end
    end
  end
end
