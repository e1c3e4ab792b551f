# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Openings filled: with what, how much, in how many layers, how it lies meanwhile, what keeps it in. All of an
    # opening is filled, not only what the form keeps of it: until it is turned away, the rest is as open as the whole.
    class FillStep < MendStep
      def name = words("fill.name", ids: ids)
      def gate_pct = row["dry_to_pct"]
      def hands_min = 10 + (defects.size * 5) + (fills.ml * 2)
      def working_min = row["working_min"] * CureTime.factor(scene.shop_c, CureTime::WORKING_C)
      def cure_h = row["cure_h"] * ready_factor
      def softens_c = row["soft_from_c"]
      def seals? = true
      def tools =
        lists("tools", ("dams" if dams.any?), *(row["class"] == "ca" ? %w[nozzle dust] : %w[cups scale]), "scraper")
      def cautions =
        lists(
          "cautions",
          row["class"] == "ca" ? "ca" : "resin",
          ("food" if %w[food wet].include?(scene.blank.form&.use))
        )

      # Every position must set before it is turned; the last must be hard.
      def usual_h = (((([positions.size, 1].max - 1) * hold_min) + ((fills.layers - 1) * hold_min) + ready_min) / 60.0)

      def materials =
        [
          Taken.new(
            key: row["key"],
            name: product("fillers", row),
            amount: fills.grams,
            unit: "g",
            cost: fills.mix_ml * row["price_per_ml"]
          )
        ]

      def detail
        {
          with: row["key"],
          ml: fills.ml,
          g: fills.grams,
          layers: fills.layers,
          hold_min: hold_min,
          fills: fills.to_a,
          positions: positions.map(&:to_h),
          dams: dams
        }
      end

      def says = FillAdvice.new(fills, positions, defects, row, scene, at: at).to_a

      # With too little in, everything is as open as before.
      def mended(measured) = fills.filled_by?(measured["used_g"]) ? super : defects

      def verdict(measures)
        used = measures["used_g"]
        return super if fills.filled_by?(used)

        {
          says: [say(:care, "fill.says.short", used: [used, "g"], needed: [fills.needed_g, "g"])],
          records: [],
          lines: []
        }
      end

      def lines
        [
          *dams.map { |id| line(:do, "fill.line.dam", id: Message.text(id)) },
          *positions.flat_map { |position| at_position(position) },
          line(
            :measure,
            "fill.line.measure",
            target: [fills.grams, "g", nil],
            measures: :used_g,
            draws: {
              key: row["key"],
              part: nil
            }
          ),
          line(:wait, "line.not_yet", minutes: [ready_min, ready_min], unlocks: "turn"),
          line(:wait, "line.cured", minutes: [cure_h * 60, cure_h * 60], unlocks: "food_and_finish").merge(
            optional: true
          )
        ]
      end

      def after = scene.mended(fills.open.to_h { |defect| [defect.id, filled(defect)] })

      private

      # What is missing at the mouth, over all of them.
      def rescue_lines(key, amount, _hours)
        return [] unless %w[short leaks].include?(key) && amount

        [
          line(:do, "fill.line.top_up", ml: [fills.missing_ml(amount), "ml"]),
          line(:wait, "line.not_yet", minutes: [ready_min, ready_min], unlocks: "turn")
        ]
      end

      # The row asked for, or what the widest of the mouths takes; where it bears load, what bonds rather than what only
      # fills.
      def row =
        @row ||=
          own(
            (
              if data[:with]
                Table.row("fillers", data[:with], at: "#{at}/with")
              else
                FillerChoice.new(defects, scene.assessed[:defects]).row
              end
            )
          )

      def fills = @fills ||= Fills.new(defects, row, scene, at: at, put: method(:put))
      def hold_min = row["set_min"] * ready_factor
      def ready_min = row["ready_min"] * ready_factor

      # Of those of which anything is left to fill.
      def positions = @positions ||= FillPositions.new(fills.open, scene.blank.shape).all

      # Those that go right through now.
      def dams = defects.select { |defect| defect.path? && defect.through? }.map(&:id)

      def at_position(position)
        share = fills.of(position.ids)
        rounds = share.map { |fill| fill[:layers] }.max
        (1..rounds).map do |round|
          line(
            :wait,
            "fill.line.lay_#{position.up}#{"_layer" if rounds > 1}",
            minutes: [hold_min, hold_min],
            unlocks: "turn_over",
            ids: Message.ids(position.ids),
            ml: [share.sum { |fill| fill[:ml] } / rounds, "ml"],
            hour: position.clock_deg && [position.clock_deg, "clock"],
            **(rounds > 1 ? { layer: [round, ""], layers: [rounds, ""] } : {})
          )
        end
      end

      def filled(defect)
        return Model::PathDefect.new(**defect.to_document, mend: row["key"]) if defect.path?
        if defect.many_holes?
          return(
            if row["by_vacuum"] || row["key"] == "thin_ca"
              defect.with(detail: { soaked_share: row["by_vacuum"] ? 1.0 : SoakStep::FILLED.first })
            else
              defect
            end
          )
        end
        return defect unless defect.type == "void"

        Model::BodyDefect.new(
          id: defect.id,
          type: "resin_body",
          centre: {
            clock_deg: defect.clock_deg,
            r_mm: defect.radius_mm,
            z_mm: defect.z_mm
          },
          size_mm: defect.size_mm,
          detail: {
            density_kg_m3: row["density_g_ml"] * 1000
          }
        )
      end
    end
  end
end
