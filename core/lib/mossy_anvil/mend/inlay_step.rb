# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Grooves cut into the outside and filled: what they take, and the islands between them that may break out.
    class InlayStep < MendStep
      def name = words("inlay.name")
      def gate_pct = row["dry_to_pct"]
      def hands_min = 60 + (grooves.size * 10)
      def working_min = row["working_min"] * CureTime.factor(scene.shop_c, CureTime::WORKING_C)
      def usual_h = (ready_min / 60.0)
      def cure_h = row["cure_h"] * ready_factor
      def softens_c = row["soft_from_c"]
      def seals? = true
      def tools = lists("tools", "cutter", "cups", "scale")
      def cautions = lists("cautions", "inlay")
      def materials =
        [
          Taken.new(
            key: row["key"],
            name: product("fillers", row),
            amount: grams,
            unit: "g",
            cost: grams / row["density_g_ml"] * row["price_per_ml"]
          )
        ]

      def detail
        {
          with: row["key"],
          area_mm2: map.area_mm2,
          ml: ml,
          g: grams,
          islands: map.islands.first(50).map { |island| { **island.to_h, at_risk: island.at_risk? } },
          islands_at_risk: at_risk
        }
      end

      def says
        return [say(:care, "inlay.says.no_grooves")] if grooves.empty?

        [
          say(
            :plain,
            "inlay.says.amount",
            figure: "g",
            area: [map.area_mm2 / 100, "cm2"],
            ml: [ml, "ml"],
            g: [grams, "g"]
          ),
          *breaking_out
        ]
      end

      def lines
        [
          line(:do, "inlay.line.cut"),
          line(:do, "inlay.line.fill", g: [grams, "g"]),
          line(:wait, "line.not_yet", minutes: [ready_min, ready_min], unlocks: "turn")
        ]
      end

      private

      def breaking_out
        return [] if at_risk.zero?

        [
          say(
            :stop,
            "inlay.says.breaks_out",
            n: [at_risk, ""],
            all: [map.islands.size, ""],
            bears: [map.islands.first.bears_n, "N"]
          )
        ]
      end

      def row = @row ||= own(Table.row("fillers", data[:with] || "epoxy", at: "#{at}/with"))
      def grooves = data[:grooves] || []
      def ready_min = row["ready_min"] * ready_factor
      def ml = @ml ||= grooves.empty? ? 0.0 : map.volume_mm3 / 1000
      def at_risk = map.islands.count(&:at_risk?)

      def map
        @map ||=
          GrooveMap.new(grooves, method(:radius_mm), span, strength_mpa: scene.blank.material.strength_across_mpa)
      end

      def radius_mm(z_mm) =
        scene.blank.form ? scene.blank.form.outside.radius_mm(z_mm) : scene.blank.shape.max_radius_mm
      def span = scene.blank.form ? scene.blank.form.z_span_mm : [0.0, scene.blank.shape.length_mm]

      def grams
        @grams ||=
          put(
            "g",
            ml * (1 + Fills::OVER_SHARE) * row["density_g_ml"],
            "g",
            "area_of_the_grooves_times",
            source: "geometry_on_the_skin_unrolled",
            certainty: :derived,
            inputs: {
              "grooves" => [ml, "ml"],
              "density" => [row["density_g_ml"], "g/ml"]
            }
          )
      end
    end
  end
end
