# frozen_string_literal: true

module MossyAnvil
  module Mend
    # The mould of a casting, the pot it stands in and the pieces it is sawn into.
    class CastMould
      # pour: Pour; put: as CastDetail takes it.
      def initialize(pour, put)
        @pour, @put = pour, put
      end

      def to_h = { mould: mould, bubble_mm: bubble_mm, pot: pot, pieces: sawn }

      # To line the whole inside up to the rim.
      def film_g
        @put.call(
          "film_g",
          @pour.film_g,
          "g",
          "floor_and_walls_to_the",
          source: Table["supplies"]["source"],
          inputs: {
            "inside" => [@pour.mould.inside_mm2 / 100, "cm2"],
            "film" => [@pour.film["g_per_cm2"], "g/cm2"]
          }
        )
      end

      private

      def given = @pour.given

      def mould
        {
          type: @pour.mould.type,
          ml: @pour.mould.volume_mm3 / 1000,
          depth_mm: @pour.mould.depth_mm,
          inside_mm: @pour.mould.inside_mm,
          outside_across_mm: @pour.mould.outside_across_mm,
          outside_depth_mm: @pour.mould.outside_depth_mm,
          in_it: given[:wood] ? nil : @pour.in_mould.to_h,
          cut_list:
            @pour.mould.cut_list.map do |piece, count, long, wide|
              { piece: piece, count: count, long_mm: long, wide_mm: wide }
            end
        }
      end

      # Diameter of a bubble as mixed, once it is under pressure: as the cube root of the pressure.
      def bubble_mm
        return unless given[:pot]

        @put.call(
          "bubble_mm",
          Table["casting"]["bubble_mm"] * ((1 + given[:pot][:bar])**(-1 / 3.0)),
          "mm",
          "its_diameter_as_mixed_over",
          source: "boyle",
          certainty: :derived,
          inputs: {
            "as_mixed" => [Table["casting"]["bubble_mm"], "mm"],
            "over_the_air" => [given[:pot][:bar], "bar"]
          }
        )
      end

      def pot
        pot = given[:pot] or return
        room = 2 * Table["casting"]["pot_room_mm"]
        fits =
          @pour.mould.outside_across_mm + room <= pot[:diameter_mm] && @pour.mould.outside_depth_mm <= pot[:depth_mm]
        {
          within_rating: pot[:bar] <= pot[:rated_bar],
          fits: fits,
          bar: pot[:bar].to_f,
          rated_bar: pot[:rated_bar].to_f
        }
      end

      def sawn
        count = given[:pieces] or return
        long = @pour.mould.round? ? @pour.mould.depth_mm : @pour.mould.inside_mm.max
        kerf = Table["casting"]["mould"]["kerf_mm"]
        {
          count: count,
          each_mm:
            @put.call(
              "pieces/each_mm",
              (long - ((count - 1) * kerf)) / count,
              "mm",
              "its_length_less_the_cuts",
              source: "geometry",
              certainty: :derived,
              inputs: {
                "long" => [long, "mm"],
                "each_cut" => [kerf, "mm"]
              }
            )
        }
      end
    end
  end
end
