# frozen_string_literal: true

module MossyAnvil
  module Mend
    # A two-part resin: how its parts go together by the scale, and what the mix weighs.
    # Source: the parts' own densities, as on a data sheet.
    class Resin
      PARTS = %w[mass volume].freeze

      attr_reader :key, :row

      # By its own sheet, else by the table: a message.
      attr_reader :name

      # The row of the resins table of that key, with the product's own data sheet (string-keyed) over it; raises
      # InvalidInput naming those there are.
      def self.of(key, sheet: {}, at: "/resin") = new(Table.row("resins", key, at: at).merge(sheet))

      # row: "key", "name", "mix_by" (mass or volume), "parts" [A, B], "density_g_ml" [A, B], "working_min" ...
      def initialize(row)
        @row = row
        @key = row["key"]
        @name = row["name"] ? Message.named(row["name"]) : Table.word("resins", row["key"])
        freeze
      end

      # Part B for every 100 of part A, by mass.
      def hardener_per_hundred
        a, b = row["parts"]
        return 100.0 * b / a if row["mix_by"] == "mass"

        density_a, density_b = row["density_g_ml"]
        100.0 * (b * density_b) / (a * density_a)
      end

      # g/ml of the mix, volumes taken as adding up.
      def density_g_ml
        density_a, density_b = row["density_g_ml"]
        mass_b = hardener_per_hundred
        (100 + mass_b) / ((100 / density_a) + (mass_b / density_b))
      end

      # How it cures, by its working time and, where the sheet gives one, its peak. Raises InvalidInput under `at` for a
      # peak nothing explains.
      def kinetics(at: "")
        CureCalibration.kinetics(
          working_min: row["working_min"],
          density_g_ml: density_g_ml,
          peak_c: row["peak_c"],
          heat_j_g: row["heat_j_g"],
          at: at
        )
      end

      # [ml of A, ml of B] of so many grams of each.
      def volumes_ml(*grams) = grams.zip(row["density_g_ml"]).map { |part, density| part / density }

      # Are its parts given by volume?
      def by_volume? = row["mix_by"] == "volume"

      # [g of A, g of B] for a mass to mix.
      def split_g(mass_g)
        part_a = mass_g * 100 / (100 + hardener_per_hundred)
        [part_a, mass_g - part_a]
      end
    end
  end
end
