# frozen_string_literal: true

module MossyAnvil
  module Mend
    # How a mass of mix is split into cups: none over the product's limit, none larger than can be mixed and poured well
    # within its working time.
    # Source: usual practice, rows of the casting table.
    class Batches
      TRIES = 40

      attr_reader :count, :cup_g

      # resin: Resin. mass_g to mix; start_c of the mix, air_c of the shop. Raises nothing: cups get small where the
      # resin is quick.
      def initialize(resin, mass_g, kinetics:, start_c: 25.0, air_c: 20.0)
        @resin = resin
        @mass_g = mass_g.to_f
        @kinetics = kinetics
        @start_c = start_c
        @air_c = air_c
        @count = (@mass_g / most_g - 1e-9).ceil.clamp(1, 10_000)
        @cup_g = @mass_g / @count
      end

      # Largest cup, g.
      def most_g = @most_g ||= [@resin.row["cup_limit_g"].to_f, within_time_g].min

      # Minutes that a cup of that size can be worked, here.
      def working_min(grams = cup_g) =
        CuringCup.new(@kinetics, mass_g: grams, start_c: @start_c, air_c: @air_c).workable_s / 60

      # Minutes that mixing and pouring a cup of that size take.
      def handling_min(grams = cup_g) =
        row["mix"].then { |mix| mix["min"] + (grams / mix["mix_g_per_min"]) + (grams / mix["pour_g_per_min"]) }

      # C a cup comes to, left standing.
      def standing = CuringCup.new(@kinetics, mass_g: cup_g, start_c: @start_c, air_c: @air_c)

      # [g of resin, g of hardener] a cup, to the gram or, under 20 g, to the tenth; they add up to the cup as it is
      # shown.
      def targets_g
        digits = cup_g < 20 ? 1 : 0
        part_b = @resin.split_g(cup_g)[1].round(digits)
        [(cup_g.round(digits) - part_b).round(digits), part_b]
      end

      # [g of resin, g of hardener] by which a cup may be out.
      def within_g = targets_g.map { |grams| grams * row["mix"]["hardener_within"] }

      # Share by which the ratio is off for one g of hardener too much.
      def per_gram = 1.0 / targets_g[1]

      # Even the smallest cup cannot be mixed and poured in time.
      def too_quick? = handling_min > row["mix"]["of_working_time"] * working_min + 1e-9

      private

      def row = Table["casting"]

      def within_time_g
        low, high = 1.0, @resin.row["cup_limit_g"].to_f
        fits = ->(grams) { handling_min(grams) <= row["mix"]["of_working_time"] * working_min(grams) }
        return high if fits.call(high)

        TRIES.times { ((low + high) / 2).then { |middle| fits.call(middle) ? low = middle : high = middle } }
        low
      end
    end
  end
end
