# frozen_string_literal: true

module MossyAnvil
  module Finish
    # What a family of finish takes on a part, and when it may go on. Source: rows of core/data/finishes.yaml.
    module Coats
      OPENNESS = %w[dense medium open spongy].freeze

      module_function

      def table = Table["finishes"]
      def row(family, at: "") = Table.row("finishes", family, at: at)

      # How open dry wood is: a place in OPENNESS.
      def openness(dry_kg_m3, spongy: false)
        return 3 if spongy

        limits = table["openness"]
        return 0 if dry_kg_m3 > limits["dense_over"]

        dry_kg_m3 < limits["open_under"] ? 2 : 1
      end

      # ml a first coat soaks in: area x depth x (1 - dry density / 1500).
      def soak_ml(family, area_cm2, dry_kg_m3, spongy: false)
        depth_mm = row(family)["into"][openness(dry_kg_m3, spongy: spongy)]
        area_cm2 * depth_mm / 10 * [1 - (dry_kg_m3.to_f / table["openness"]["solid_kg_m3"]), 0].max
      end

      # ml of each coat, first coat first: each next soaks half as much; a film lies on top of that. dry_kg_m3: nil of
      # stuff that takes nothing in. coats: how many, those of the family unsaid; one that is left bare has none.
      def ml(family, area_cm2, dry_kg_m3, spongy: false, coats: nil)
        first = dry_kg_m3 ? soak_ml(family, area_cm2, dry_kg_m3, spongy: spongy) : 0.0
        film = row(family)["film"] ? area_cm2 * table["film_mm"] / 10 : 0.0
        usual = row(family)["coats"]
        Array.new(usual.zero? ? 0 : coats || usual) { |number| (first * (table["next_coat_share"]**number)) + film }
      end

      # Hours of a row at a shop's temperature: twice as long for each ten degrees less, and longer still where it is
      # slow in the cold.
      def hours(row, kind, temperature_c)
        air = table["air"]
        cold = row["slow_cold"] && temperature_c < air["cold_under_c"] ? air["cold_times"] : 1
        row["#{kind}_h"] * cold * (2**((20 - temperature_c) / air["doubles_per_c"].to_f))
      end

      # "yes", "wait" (once what lies under has cured) or "no", and why, for one family over another.
      def over(under, upper)
        pair = table["pairs"].find { |one| one["under"] == under && one["over"] == upper }
        return pair.values_at("verdict", "why") if pair
        return %w[yes fine] if under == "bare" || upper == "bare" || row(upper)["over"].include?(under)

        ["no", %w[wax non_drying_oil].include?(under) ? "bonds_nothing" : "not_over"]
      end

      # um of CA film left after levelling and the papers to polish it by, each taking a third of the grain before it.
      def ca_left_um(coats)
        film = table["ca_film"]
        sizes = Table["grits"]["median_um"]
        lost = film["papers"][0...-1].sum { |grit| sizes[grit] / PaperSearch::MARK_SHARE }
        (coats * film["coat_um"]) - film["level_um"] - lost
      end

      # Coats of CA that leave enough after that.
      def ca_coats = (1..60).find { |coats| ca_left_um(coats) >= table["ca_film"]["least_um"] }

      # m/s of a wheel (mm) at a speed.
      def wheel_m_s(wheel_mm, rpm) = Math::PI * wheel_mm / 1000.0 * rpm / 60
    end
  end
end
