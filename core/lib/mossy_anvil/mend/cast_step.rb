# frozen_string_literal: true

module MossyAnvil
  module Mend
    # A pour into a mould: how much, in what layers and cups, how hot it gets, what it lifts, when it comes out.
    class CastStep < MendStep
      # What is poured, and how.
      def pour = @pour ||= Pour.new(data, scene, at: at)
      def plan = @plan ||= PourPlan.new(pour)

      def name = words(defects.empty? ? "cast.name" : "cast.name_of", resin: resin.name, ids: defects.any? ? ids : nil)
      def gate_pct = resin.row["dry_to_pct"].to_f
      def hands_min = 60 + (plan.layers.size * 15) + (plan.cups * 5)
      def working_min = plan.batches.first.working_min
      def usual_h = plan.ready_h
      def ready_late_h = own_wait_h || (usual_h * CastEnding::LATE)
      def cure_h = plan.cured_h
      def oven_c = data.dig(:post_cure, :oven_c)
      def softens_c = resin.row["soft_from_c"]
      def seals? = true
      def tools =
        lists(
          "tools",
          "gram_scale",
          "cups",
          "level",
          "release",
          ("pressure_pot" if data[:air] == "pressure"),
          ("vacuum_vessel" if data[:air] == "vacuum")
        )

      def cautions
        [
          Message.of("cautions.cast", cup: [resin.row["cup_limit_g"], "g"]),
          *lists(
            "cautions",
            ("pressure" if data[:air] == "pressure"),
            ("post_cure" if data[:post_cure]),
            ("vapour" if %w[polyester polyurethane].include?(resin.row["class"])),
            "sheet"
          )
        ]
      end

      def materials = [*parts_taken, *pigments_taken, *film_taken]

      def parts_taken
        plan
          .parts_g
          .zip(%w[resin hardener])
          .map do |grams, part|
            Taken.new(
              key: resin.key,
              name: resin.name,
              amount: grams,
              unit: "g",
              cost: grams * resin.row["price_per_g"],
              part: part
            )
          end
      end

      # One for each pigment, whatever colours it goes into.
      def pigments_taken
        detail[:colours]
          .select { |colour| colour[:pigment_g].positive? }
          .group_by { |colour| colour[:with] }
          .map do |key, group|
            row = pour.pigment(key)
            grams = group.sum { |colour| colour[:pigment_g] }
            Taken.new(
              key: key,
              name: Table.word("pigments", key),
              amount: grams,
              unit: "g",
              cost: grams * row["price_per_g"]
            )
          end
      end

      def film_taken
        return [] unless data[:lined]

        film = pour.film
        name = Table.word("supplies", film["key"])
        cost = pour.film_g * film["price_per_g"]
        [Taken.new(key: film["key"], name: name, amount: pour.film_g, unit: "g", cost: cost)]
      end

      def detail = @detail ||= CastDetail.new(pour, plan, method(:put)).to_h

      def says = CastAdvice.new(pour, plan, detail).to_a

      def lines = CastLines.new(pour, plan, detail).to_a

      # What is cast fills the openings named; a casting round the whole is another blank, to be surveyed as it comes
      # out of the mould.
      def after =
        scene.mended(
          defects
            .select { |defect| defect.type == "void" || defect.crack? }
            .to_h { |defect| [defect.id, filled(defect)] }
        )

      # used_g over what the mould took is this shop's loss; gel_min over the time worked out its pace.
      def verdict(measures)
        used, gelled = measures.values_at("used_g", "gel_min")
        loss = used && ((used / (pour.net_mm3 / 1000 * resin.density_g_ml)) - 1)
        pace = gelled && (gelled * 60 / plan.unpaced_gel_s)
        {
          says: [
            loss && say(:plain, "cast.says.loss", g: [used, "g"], loss: [loss * 100, "%"]),
            pace && say(:plain, "cast.says.pace", share: [pace * 100, "%"])
          ].compact,
          records: [
            *(loss ? record("loss_share", loss) : []),
            *(pace ? record("cure_factor", pace, of: resin.key) : [])
          ],
          lines: []
        }
      end

      # Lines that bring up a pour that fell short by so many mm: what to mix, and by when. hours since the last pour.
      def rescue_short(short_mm, hours)
        refuse_deep(short_mm)
        grams = rescue_g(short_mm)
        # What is missing may itself be too deep for one pour.
        goes = (short_mm / plan.limit_mm - 1e-9).ceil
        CastLines.new(pour, plan, detail).rescue_lines(plan.more(grams / goes), goes, hours)
      end

      private

      def resin = pour.resin

      def refuse_deep(short_mm)
        deep = pour.mould.depth_mm
        return if short_mm <= deep

        allowed = Fault.t("no_more_than_the_pour_is_deep", deep: deep)
        raise InvalidInput.at("/amount", Fault.t("is", given: short_mm), allowed)
      end

      def rescue_g(short_mm)
        surface = pour.mould.surface_mm2
        put(
          "rescue/g",
          (surface * short_mm * pour.net_share / 1000 * resin.density_g_ml * (1 + pour.loss_share)) + pour.cup_g,
          "g",
          "surface_times_what_is_missing",
          source: Table["casting"]["source"],
          certainty: :derived,
          inputs: {
            "short_by" => [short_mm, "mm"],
            "surface" => [surface, "mm2"]
          }
        )
      end

      def rescue_lines(key, amount, hours) = %w[short leaks].include?(key) && amount ? rescue_short(amount, hours) : []

      def after_trouble(key, amount)
        return [] unless key == "floated"

        given = detail[:insert] or return [say(:care, "cast.says.measure_first")]
        off, most = [amount, "mm"], [given[:most_offset_mm], "mm"]
        return [say(:go, "cast.says.within", off: off, most: most)] if amount <= given[:most_offset_mm]

        [say(:stop, "cast.says.off_the_middle", off: off, most: most, start: [given[:start_rpm], "rpm"])]
      end

      def filled(defect)
        return Model::PathDefect.new(**defect.to_document, mend: "resin") if defect.crack?

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
            density_kg_m3: resin.density_g_ml * 1000
          }
        )
      end
    end
  end
end
