# frozen_string_literal: true

module MossyAnvil
  module Model
    # What the blank is made of, and how strong sound stock of it is.
    class Material
      # pith: "in" or "out" of the piece, nil where nobody knows. resin_kg_m3: of density_kg_m3, what is resin drawn
      # into it: weight, no strength of the wood's own.
      extend Record
      fields :kind,
             :species,
             :density_kg_m3,
             :moisture_pct,
             :grain,
             resin_kg_m3: 0.0,
             grain_clock_deg: nil,
             pith: nil,
             character: []

      def initialize(**given)
        given = Material.complete(given)
        @kind, @species, @grain, @pith = given.values_at(:kind, :species, :grain, :pith)
        @density_kg_m3, @moisture_pct, @resin_kg_m3 =
          given.values_at(:density_kg_m3, :moisture_pct, :resin_kg_m3).map(&:to_f)
        @grain_clock_deg = given[:grain_clock_deg]&.to_f
        @character = given[:character].dup.freeze
        freeze
      end

      def wooden? = %w[wood hybrid].include?(kind)

      # What the tables know of it; nil for a name of one's own.
      def stock = Stock.of(species)

      # Wood whose shrinkage counts: that of the tables or, under a name they do not know, a usual one. nil of other
      # stock.
      def shrinking_stock
        return stock if stock&.wood?

        wooden? && stock.nil? ? Stock.usual_wood : nil
      end

      # Degrees C from which it softens or scorches under an edge; nil for wood. What the tables do not know is taken
      # for the usual resin or plastic.
      def soft_from_c
        return stock.row["soft_from_c"] if stock && !stock.wood?

        wooden? ? nil : Table["speed"]["heat"]["unknown_c"].fetch(kind)
      end

      # kg/m3 of the wood and its water alone.
      def wood_kg_m3 = density_kg_m3 - resin_kg_m3

      # kg/m3 with all water gone; the wood as it stands over (1 + moisture). Volume is taken as unchanged.
      def dry_density_kg_m3 = wood_kg_m3 / (1 + (moisture_pct / 100))

      # The same wood so dry, with so much resin in it.
      def at(moisture_pct:, resin_kg_m3: self.resin_kg_m3)
        Material.new(
          kind: kind,
          species: species,
          grain: grain,
          grain_clock_deg: grain_clock_deg,
          pith: pith,
          character: character,
          moisture_pct: moisture_pct,
          resin_kg_m3: resin_kg_m3,
          density_kg_m3: (dry_density_kg_m3 * (1 + (moisture_pct / 100.0))) + resin_kg_m3
        )
      end

      # MPa across the fibres (the weak way).
      def strength_across_mpa
        return Table["strength"]["resin"]["tension_mpa"] if kind == "resin"

        Table["strength"]["wood"]["across_mpa"] * against_standard
      end

      # MPa along the fibres.
      def strength_along_mpa
        return strength_across_mpa unless wooden?

        Table["strength"]["wood"]["along_mpa"] * against_standard
      end

      # MPa root m, for a crack that follows the fibres.
      def toughness_mpa_sqrt_m
        return Table["strength"]["resin"]["toughness_mpa_sqrt_m"] if kind == "resin"

        Table["strength"]["wood"]["toughness_mpa_sqrt_m"] * against_standard
      end

      # MPa against a pull at that clock angle, square to the axis.
      # Face grain by Hankinson; end grain, burl and stock without fibres: across, all round.
      def strength_mpa(pull_clock_deg)
        return strength_across_mpa unless grain == "face"

        Material.hankinson(strength_along_mpa, strength_across_mpa, pull_clock_deg - grain_clock_deg)
      end

      # The same at each of an array of clock angles.
      def strengths_mpa(pull_clock_deg)
        return (pull_clock_deg * 0) + strength_across_mpa unless grain == "face"

        Material.hankinson(
          strength_along_mpa,
          strength_across_mpa,
          pull_clock_deg - grain_clock_deg,
          math: Numo::DFloat::Math
        )
      end

      # Hankinson: strength at an angle (degrees) between pull and fibres. Source: Wood Handbook.
      # angle_deg: a number or, with numo's own math, an array.
      def self.hankinson(along, across, angle_deg, math: Math)
        sine = math.sin(angle_deg * ClockAngle::RADIANS)**2
        ((sine * (along - across)) + across)**-1 * (along * across)
      end

      private

      # Dry density against the standard, less what water takes away.
      def against_standard
        share = dry_density_kg_m3 / Table["strength"]["wood"]["at_dry_density_kg_m3"]
        wooden? ? share * wetness_factor : share
      end

      def wetness_factor
        row = Table["strength"]["moisture"]
        1 - (row["loss"] * ((moisture_pct - row["from_pct"]) / row["over_pct"]).clamp(0, 1))
      end
    end
  end
end
