# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Openings filled: with what, how much, in how many layers, how it lies meanwhile, what keeps it in. All of an
    # opening is filled, not only what the form keeps of it: until it is turned away, the rest is as open as the whole.
    class FillStep < MendStep
      # Over what the openings take: a share, and what stays in the cup, ml; CA needs none.
      OVER_SHARE, CUP_ML = 0.15, 1.0
      # With less than this share of it in, it is not filled.
      FILLED_SHARE = 0.85
      # Less than this share of it staying in the piece, it is worth saying so.
      WASTE_SHARE = 0.5

      def name = words("fill.name", ids: ids)
      def gate_pct = row["dry_to_pct"]
      def hands_min = 10 + (fills.size * 5) + (ml * 2)
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
      def usual_h = (((([positions.size, 1].max - 1) * hold_min) + ((layers - 1) * hold_min) + ready_min) / 60.0)

      def materials =
        [
          Taken.new(
            key: row["key"],
            name: product("fillers", row),
            amount: grams,
            unit: "g",
            cost: mix_ml * row["price_per_ml"]
          )
        ]

      def detail
        {
          with: row["key"],
          ml: ml,
          g: grams,
          layers: layers,
          hold_min: hold_min,
          fills: fills,
          positions: positions.map(&:to_h),
          dams: dams
        }
      end

      def says = [amount, wasted, *misfits, *bonds_nothing, *wide, opened_later].compact

      # With too little in, everything is as open as before.
      def mended(measured) = filled_by?(measured["used_g"]) ? super : defects

      def verdict(measures)
        used = measures["used_g"]
        return super if filled_by?(used)

        { says: [say(:care, "fill.says.short", used: [used, "g"], needed: [needed_g, "g"])], records: [], lines: [] }
      end

      def lines
        [
          *dams.map { |id| line(:do, "fill.line.dam", id: Message.text(id)) },
          *positions.flat_map { |position| at_position(position) },
          line(
            :measure,
            "fill.line.measure",
            target: [grams, "g", nil],
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

      def after =
        scene.mended(defects.select { |defect| ml_of(defect).positive? }.to_h { |defect| [defect.id, filled(defect)] })

      private

      # What is missing at the mouth, over all of them.
      def rescue_lines(key, amount, _hours)
        return [] unless %w[short leaks].include?(key) && amount

        more = fills.sum { |fill| fill[:ml] * [amount / [fill[:deep_mm], 0.1].max, 1].min }
        [
          line(:do, "fill.line.top_up", ml: [more, "ml"]),
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

      def fills
        @fills ||=
          defects.map do |defect|
            deep = depth_mm(defect)
            {
              id: defect.id,
              ml: ml_of(defect),
              mouth_mm: defect.mouth_mm,
              deep_mm: deep,
              layers: (deep / layer_mm(defect.mouth_mm, deep)).ceil.clamp(1, 40)
            }
          end
      end

      # All of the opening, where any of it stays in the piece.
      def ml_of(defect)
        found = scene.report_of(defect.id)
        found && found[:fill_volume_mm3].positive? ? found[:open_volume_mm3] / 1000 : 0.0
      end

      def kept_ml = defects.sum { |defect| scene.report_of(defect.id)&.fetch(:fill_volume_mm3) || 0.0 } / 1000
      def needed_g = ml * row["density_g_ml"]
      def filled_by?(used_g) = used_g.nil? || used_g >= FILLED_SHARE * needed_g

      # How thick at once: CA as its row says. What heats as it cures is cooled by the lips of a narrow opening; where
      # that is not enough, its own layer depth against wood, to the peak that is fine.
      def layer_mm(mouth_mm, deep_mm)
        return row["layer_mm"] unless row["class"] == "epoxy"

        heat = { top_h: wood_h, bottom_h: wood_h, start_c: scene.shop_c, air_c: scene.shop_c }
        narrow =
          Exotherm.new(kinetics, depth_mm: mouth_mm.clamp(0.5, 100), **heat).peak_c <=
            CureKinetics.table["peaks_c"]["fine"]
        return row["layer_mm"] if narrow

        [
          LayerPlan.new(
            kinetics,
            deep_mm.clamp(1, 200),
            **heat,
            top_h: CureKinetics.table["loss_w_m2_k"]["top"]
          ).deepest_mm,
          row["layer_mm"]
        ].min
      end

      def kinetics
        @kinetics ||=
          CureCalibration.kinetics(
            working_min: row["working_min"],
            density_g_ml: row["density_g_ml"],
            peak_c: row["peak_c"],
            at: "#{at}/sheet"
          )
      end

      def wood_h = CureKinetics.table["loss_w_m2_k"]["wood"]
      def depth_mm(defect) = defect.path? ? defect.depth_mm : defect.size_mm.min
      def layers = fills.select { |fill| fill[:ml].positive? }.map { |fill| fill[:layers] }.max || 1
      def ml = fills.sum { |fill| fill[:ml] }
      def mix_ml = ml.zero? ? 0.0 : (ml * (1 + OVER_SHARE)) + cup_ml
      def cup_ml = row["class"] == "ca" ? 0.0 : CUP_ML
      def hold_min = row["set_min"] * ready_factor
      def ready_min = row["ready_min"] * ready_factor

      # Of those of which anything is left to fill.
      def positions
        @positions ||=
          FillPositions.new(
            defects.select { |defect| fills.find { |fill| fill[:id] == defect.id }[:ml].positive? },
            scene.blank.shape
          ).all
      end

      def grams
        @grams ||=
          put(
            "g",
            mix_ml * row["density_g_ml"],
            "g",
            "all_of_what_is_open",
            source: Table["fillers"]["source"],
            inputs: {
              "to_fill" => [ml, "ml"],
              "more" => [OVER_SHARE * 100, "%"],
              "in_the_cup" => [cup_ml, "ml"],
              "density" => [row["density_g_ml"], "g/ml"]
            }
          )
      end

      # Those that go right through now.
      def dams = defects.select { |defect| defect.path? && defect.through? }.map(&:id)

      # Those that the hollow will open from within.
      def opened_later
        list = defects.map(&:id).select { |id| scene.report_of(id)&.fetch(:breaks_through) }
        return if list.empty?

        say(:care, "fill.says.opened_later", ids: Message.ids(list))
      end

      def amount
        return say(:go, "fill.says.nothing", ids: ids) if ml.zero?

        say(
          :plain,
          "fill.says.amount",
          figure: "g",
          ml: [ml, "ml"],
          filler: product("fillers", row),
          layers: Message.count(layers),
          g: [grams, "g"]
        )
      end

      # Most of it is turned away again.
      def wasted
        return if ml.zero? || kept_ml >= WASTE_SHARE * ml

        say(
          :plain,
          "fill.says.wasted",
          kept: [kept_ml, "ml"],
          limit: [scene.assessed[:stages].except(:hollowed).values.map { |stage| stage[:limit_rpm] }.min, "rpm"]
        )
      end

      def misfits
        defects
          .reject { |defect| fits?(defect) }
          .map do |defect|
            say(
              :care,
              "fill.says.misfit",
              id: Message.text(defect.id),
              mouth: [defect.mouth_mm, "mm"],
              usual: Table.term("fillers", usual(defect)["key"])
            )
          end
      end

      def usual(defect) = Filling.filler_of(defect, moisture_pct: scene.wooden? ? scene.moisture_pct : nil)

      def fits?(defect)
        return row["by_vacuum"] || row["key"] == "thin_ca" if defect.many_holes?

        usual(defect)["key"] == row["key"] ||
          defect.mouth_mm.between?(row["mouth_from_mm"] * 0.8, row["mouth_to_mm"] * 1.2)
      end

      # Filled is not glued: what bridges no such mouth, or does not reach so deep, leaves it open as far as the speed
      # goes.
      def bonds_nothing
        defects
          .select { |defect| defect.path? && defect.crack? }
          .filter_map do |defect|
            bond = Model::Bond.mpa(row["key"], mouth_mm: defect.width_mm, depth_mm: defect.depth_mm)
            if bond.zero?
              next(
                say(
                  :stop,
                  "fill.says.bonds_nothing",
                  filler: product("fillers", row),
                  id: Message.text(defect.id),
                  mouth: [defect.width_mm, "mm"]
                )
              )
            end

            reached = Model::Bond.reached(row, defect.depth_mm)
            if reached < 1
              say(
                :care,
                "fill.says.reaches",
                id: Message.text(defect.id),
                reach: [row["reach_mm"], "mm"],
                deep: [defect.depth_mm, "mm"]
              )
            end
          end
      end

      def wide
        positions.select(&:wide).map { |position| say(:care, "fill.says.wide", ids: Message.ids(position.ids)) }
      end

      def at_position(position)
        share = fills.select { |fill| position.ids.include?(fill[:id]) }
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
