# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Grams of a piece that is stabilised: dry, with all the resin it has room for, with what it is expected to take.
    class StabiliseAmounts
      # data: of the step. scene: MendContext before it. put: writes a number with its working, as MendStep#put.
      def initialize(data, scene, put)
        @data, @scene, @put = data, scene, put
      end

      def row = Table.row("hardeners", "stabilising")
      # What the resin's own sheet says.
      def sheet = @data[:sheet] || {}
      def resin_g_ml = sheet[:density_g_ml]&.first || row["density_g_ml"]
      def volume_mm3 = @scene.assessed[:stages].values.first[:volume_mm3]

      # Stabilising of this piece.
      def soaking =
        @soaking ||= Stabilising.new(volume_mm3: volume_mm3, dry_density_kg_m3: dry_density, resin_g_ml: resin_g_ml)

      # MendStep::Taken, as materials of a step.
      def taken
        MendStep::Taken.new(
          key: row["key"],
          name: sheet[:name] ? Message.named(sheet[:name]) : Table.word("hardeners", row["key"]),
          amount: expected_g,
          unit: "g",
          cost: expected_g * (sheet[:price_per_g] || row["price_per_g"])
        )
      end

      def dry_g
        @dry_g ||=
          @put.call(
            "dry_g",
            soaking.dry_g,
            "g",
            "volume_times_dry_density",
            source: "geometry_your_density",
            certainty: :derived,
            inputs: {
              "volume" => [volume_mm3, "mm3"],
              "dry_density" => [dry_density, "kg/m3"]
            }
          )
      end

      def most_g
        @most_g ||=
          @put.call(
            "most_g",
            soaking.most_g,
            "g",
            "room_between_the_cell_walls",
            source: "cell_wall_1_5_g",
            certainty: :derived,
            inputs: {
              "room" => [soaking.room_share * 100, "%"],
              "volume" => [volume_mm3, "mm3"],
              "resin" => [resin_g_ml, "g/ml"]
            }
          )
      end

      # g that a whole one of it is expected to take, and the share of the room that is, by one's own records where
      # there are any.
      def expected_g
        @expected_g ||=
          @put.call(
            "expected_g",
            most_g * expected_share,
            "g",
            "most_it_can_take_times",
            source: @scene.records.source("uptake_share", Table["hardeners"]["source"]),
            inputs: {
              "most" => [most_g, "g"],
              "share" => [expected_share * 100, "%"]
            }
          )
      end

      def expected_share = @scene.records.rate("uptake_share", row["uptake"].sum / 2).value
      def expected_range_g = row["uptake"].map { |share| most_g * share }
      def resin_kg_m3(grams) = grams / volume_mm3 * 1e6

      private

      def dry_density = @scene.blank.material.dry_density_kg_m3
    end
  end
end
