# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Openings filled: with what, how much, in how many layers, how it lies meanwhile, what keeps it in. All of an opening is filled, not only what the form keeps
    # of it: until it is turned away, the rest is as open as the whole.
    class FillStep < MendStep
      # Over what the openings take: a share, and what stays in the cup, ml; CA needs none.
      OVER_SHARE, CUP_ML = 0.15, 1.0
      # With less than this share of it in, it is not filled.
      FILLED_SHARE = 0.85
      # Less than this share of it staying in the piece, it is worth saying so.
      WASTE_SHARE = 0.5

      def name = "Fill #{ids}"
      def gate_pct = row["dry_to_pct"]
      def hands_min = 10 + (fills.size * 5) + (ml * 2)
      def working_min = row["working_min"] * CureTime.factor(scene.shop_c, CureTime::WORKING_C)
      def cure_h = row["cure_h"] * ready_factor
      def softens_c = row["soft_from_c"]
      def seals? = true
      def tools = [("tape and dams" if dams.any?), row["class"] == "ca" ? "nozzle, dust of its own wood" : "cups, sticks, scale", "scraper"].compact

      def cautions
        [row["class"] == "ca" ? "CA: eyes, fumes, open air; a soaked cotton cloth gets hot." : "Resin: gloves, moving air, no skin in it.",
         *("For food or water: only once it is cured through, and where its sheet says so." if %w[food wet].include?(scene.blank.form&.use))]
      end

      # Every position must set before it is turned; the last must be hard.
      def usual_h = (((([positions.size, 1].max - 1) * hold_min) + ((layers - 1) * hold_min) + ready_min) / 60.0)

      def materials = [Taken.new(key: row["key"], name: row["name"], amount: grams, unit: "g", cost: mix_ml * row["price_per_ml"])]

      def detail
        { with: row["key"], ml: ml, g: grams, layers: layers, hold_min: hold_min, fills: fills, positions: positions.map(&:to_h), dams: dams }
      end

      def says = [amount, wasted, *misfits, *bonds_nothing, *wide, opened_later].compact

      # With too little in, everything is as open as before.
      def mended(measured) = filled_by?(measured["used_g"]) ? super : defects

      def verdict(measures)
        used = measures["used_g"]
        return super if filled_by?(used)

        { says: [say(:care, "Only {used} went in, and the openings take {needed}: they still count as open. Top them up and measure again.", used: [used, "g"],
          needed: [needed_g, "g"])], records: [], lines: [] }
      end

      def lines
        [*dams.map { |id| line(:do, "Tape or dam the far side of #{id}; press it on all round.") },
         *positions.flat_map { |position| at_position(position) },
         line(:measure, "How much went in, in all?", target: [grams, "g", nil], measures: :used_g, draws: { key: row["key"], part: nil }),
         line(:wait, "Not on the lathe yet.", minutes: [ready_min, ready_min], unlocks: "ready to turn"),
         line(:wait, "Cured through.", minutes: [cure_h * 60, cure_h * 60], unlocks: "food, water, finish").merge(optional: true)]
      end

      def after = scene.mended(defects.select { |defect| ml_of(defect).positive? }.to_h { |defect| [defect.id, filled(defect)] })

      private

      # What is missing at the mouth, over all of them.
      def rescue_lines(key, amount, _hours)
        return [] unless %w[short leaks].include?(key) && amount

        more = fills.sum { |fill| fill[:ml] * [amount / [fill[:deep_mm], 0.1].max, 1].min }
        [line(:do, "Once it has set, top up: about {ml} more.", ml: [more, "ml"]), line(:wait, "Not on the lathe yet.", minutes: [ready_min, ready_min],
          unlocks: "ready to turn")]
      end

      # The row asked for, or what the widest of the mouths takes; where it bears load, what bonds rather than what only fills.
      def row = @row ||= own(data[:with] ? Table.row("fillers", data[:with], at: "#{at}/with") : FillerChoice.new(defects, scene.assessed[:defects]).row)

      def fills
        @fills ||= defects.map do |defect|
          deep = depth_mm(defect)
          { id: defect.id, ml: ml_of(defect), mouth_mm: defect.mouth_mm, deep_mm: deep, layers: (deep / layer_mm(defect.mouth_mm, deep)).ceil.clamp(1, 40) }
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

      # How thick at once: CA as its row says. What heats as it cures is cooled by the lips of a narrow opening; where that is not enough, its own layer depth
      # against wood, to the peak that is fine.
      def layer_mm(mouth_mm, deep_mm)
        return row["layer_mm"] unless row["class"] == "epoxy"

        heat = { top_h: wood_h, bottom_h: wood_h, start_c: scene.shop_c, air_c: scene.shop_c }
        narrow = Exotherm.new(kinetics, depth_mm: mouth_mm.clamp(0.5, 100), **heat).peak_c <= CureKinetics.table["peaks_c"]["fine"]
        return row["layer_mm"] if narrow

        [LayerPlan.new(kinetics, deep_mm.clamp(1, 200), **heat, top_h: CureKinetics.table["loss_w_m2_k"]["top"]).deepest_mm, row["layer_mm"]].min
      end

      def kinetics
        @kinetics ||= CureCalibration.kinetics(working_min: row["working_min"], density_g_ml: row["density_g_ml"], peak_c: row["peak_c"], at: "#{at}/sheet")
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
        @positions ||= FillPositions.new(defects.select { |defect| fills.find { |fill| fill[:id] == defect.id }[:ml].positive? }, scene.blank.shape).all
      end

      def grams
        @grams ||= put("g", mix_ml * row["density_g_ml"], "g", "all of what is open, a share more for the cup",
          source: Table["fillers"]["source"],
          inputs: { "to fill" => [ml, "ml"], "more" => [OVER_SHARE * 100, "%"], "in the cup" => [cup_ml, "ml"], "density" => [row["density_g_ml"], "g/ml"] })
      end

      # Those that go right through now.
      def dams = defects.select { |defect| defect.path? && defect.through? }.map(&:id)

      # Those that the hollow will open from within.
      def opened_later
        list = defects.map(&:id).select { |id| scene.report_of(id)&.fetch(:breaks_through) }
        return if list.empty?

        say(:care, "Through the finished wall: #{list.join(', ')}. Look from inside once it is hollow, and fill again.")
      end

      def amount
        return say(:go, "Nothing of #{ids} is left to fill in this form.") if ml.zero?

        say(:plain, "{ml} of #{row['name']} in {layers}: mix {g}.", figure: "g", ml: [ml, "ml"], layers: [layers, layers == 1 ? "layer" : "layers"], g: [grams, "g"])
      end

      # Most of it is turned away again.
      def wasted
        return if ml.zero? || kept_ml >= WASTE_SHARE * ml

        say(:plain, "{kept} of that stays in the piece. Or turn the outside first with it open, below {limit}, and fill then what is left.", kept: [kept_ml, "ml"],
          limit: [scene.assessed[:stages].except(:hollowed).values.map { |stage| stage[:limit_rpm] }.min, "rpm"])
      end

      def misfits
        defects.reject { |defect| fits?(defect) }.map do |defect|
          say(:care, "#{defect.id} is {mouth} at its mouth: usually #{usual(defect)['name']}.", mouth: [defect.mouth_mm, "mm"])
        end
      end

      def usual(defect) = Filling.filler_of(defect, moisture_pct: scene.wooden? ? scene.moisture_pct : nil)

      def fits?(defect)
        return row["by_vacuum"] || row["key"] == "thin_ca" if defect.many_holes?

        usual(defect)["key"] == row["key"] || defect.mouth_mm.between?(row["mouth_from_mm"] * 0.8, row["mouth_to_mm"] * 1.2)
      end

      # Filled is not glued: what bridges no such mouth, or does not reach so deep, leaves it open as far as the speed goes.
      def bonds_nothing
        defects.select { |defect| defect.path? && defect.crack? }.filter_map do |defect|
          bond = Model::Bond.mpa(row["key"], mouth_mm: defect.width_mm, depth_mm: defect.depth_mm)
          next say(:stop, "#{row['name'].sub(/\A./, &:upcase)} bonds nothing across {mouth}: #{defect.id} counts as open.", mouth: [defect.width_mm, "mm"]) if bond.zero?

          reached = Model::Bond.reached(row, defect.depth_mm)
          if reached < 1
            say(:care, "It reaches {reach} of the {deep} of #{defect.id}: the bond counts in proportion.", reach: [row["reach_mm"], "mm"],
              deep: [defect.depth_mm, "mm"])
          end
        end
      end

      def wide
        positions.select(&:wide).map { |position| say(:care, "#{position.ids.join(', ')} runs too far round to lie level: dam its ends, or fill it in two goes.") }
      end

      def at_position(position)
        share = fills.select { |fill| position.ids.include?(fill[:id]) }
        rounds = share.map { |fill| fill[:layers] }.max
        where, hour = position.up == "clock" ? ["with {hour} up", { hour: [position.clock_deg, "clock"] }] : ["#{position.up} end up", {}]
        (1..rounds).map do |round|
          line(:wait, "#{where.sub(/\A./, &:upcase)}: #{position.ids.join(', ')}, {ml}#{", layer #{round} of #{rounds}" if rounds > 1}. Leave it so.",
            minutes: [hold_min, hold_min], ml: [share.sum { |fill| fill[:ml] } / rounds, "ml"], unlocks: "it may be turned over", **hour)
        end
      end

      def filled(defect)
        return Model::PathDefect.new(**defect.to_document, mend: row["key"]) if defect.path?
        if defect.many_holes?
          return (if row["by_vacuum"] || row["key"] == "thin_ca"
                    defect.with(detail: { soaked_share: row["by_vacuum"] ? 1.0 : SoakStep::FILLED.first })
                  else
                    defect
                  end)
        end
        return defect unless defect.type == "void"

        Model::BodyDefect.new(id: defect.id, type: "resin_body", centre: { clock_deg: defect.clock_deg, r_mm: defect.radius_mm, z_mm: defect.z_mm }, size_mm: defect.size_mm,
          detail: { density_kg_m3: row["density_g_ml"] * 1000 })
      end
    end
  end
end
