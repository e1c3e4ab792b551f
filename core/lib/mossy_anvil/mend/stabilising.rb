# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Resin drawn into wood: how much it can take, how much to have ready, what holds it down, what the gauge should
    # read and what the weights say.
    class Stabilising
      CELL_WALL_KG_M3 = 1500.0

      # volume_mm3 and dry_density_kg_m3 of the wood; resin_g_ml.
      def initialize(volume_mm3:, dry_density_kg_m3:, resin_g_ml:)
        @volume_mm3 = volume_mm3
        @dry_density = dry_density_kg_m3
        @resin_g_ml = resin_g_ml
      end

      # g with all water gone.
      def dry_g = @volume_mm3 * @dry_density * 1e-6

      # Share of the wood that is no cell wall: cell wall is 1.5 g/cm3.
      def room_share = [1 - (@dry_density / CELL_WALL_KG_M3), 0].max

      # g of resin if all that room were full.
      def most_g = @volume_mm3 / 1000 * room_share * @resin_g_ml

      # Share of that room that so many g of resin fill.
      def share_of(uptake_g) = most_g.zero? ? 0.0 : uptake_g / most_g

      # ml that a round vessel takes up to so far over the blank, less the blank: before any is drawn in.
      def vessel_ml(diameter_mm, standing_mm)
        ((Math::PI / 4 * (diameter_mm**2) * (standing_mm + row["over_blank_mm"])) - @volume_mm3) / 1000
      end

      # N that lift the dry wood in the resin, under 0 where it sinks.
      def lift_n = Casting.lift_n(@volume_mm3, @dry_density, @resin_g_ml)

      # hPa of the air at a height over the sea (m), on a middling day. Source: standard atmosphere.
      def self.air_hpa(altitude_m) = Table["casting"]["air_hpa"] * ((1 - (2.25577e-5 * altitude_m))**5.25588)

      # hPa that a gauge under the air's pressure should come to.
      def self.gauge_hpa(air_hpa) = air_hpa * Table["hardeners"]["stabilise"]["pump_share"]

      # What the weights say: [share of the room filled, :short or :fine]. expected: the share looked for.
      def verdict(dry_g, wet_g, expected)
        share = share_of(wet_g - dry_g)
        [share, share < expected * row["short_of_expected"] ? :short : :fine]
      end

      private

      def row = Table["hardeners"]["stabilise"]
    end
  end
end
