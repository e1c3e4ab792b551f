# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Resin drawn in under vacuum, then cured in the oven.
    class StabiliseStep < MendStep
      def name = defects.empty? ? words("stabilise.name") : words("stabilise.name_of", ids: ids)
      def gate_pct = amounts.row["dry_to_pct"]
      def hands_min = amounts.row["hands_min"]
      def oven_c = times.oven_c
      def softens_c = amounts.row["softens_c"]
      def seals? = true
      def tools = lists("tools", "vacuum_vessel", "scale", "resin_oven", "foil")

      def cautions = lists("cautions", "vacuum", "resin_oven")

      def usual_h = times.all_h
      def materials = [amounts.taken]

      def detail =
        { **detail_of_amounts, **detail_of_vessel, **detail_of_times, ways: HardeningWays.new(scene, defects).to_a }

      def says
        [
          say(
            :plain,
            "stabilise.says.takes_up",
            figure: "expected_g",
            g: [amounts.expected_g, "g"],
            most: [amounts.most_g, "g"],
            share: [amounts.expected_share * 100, "%"]
          ),
          vessel_says,
          say(
            :plain,
            "stabilise.says.gauge",
            figure: "gauge_hpa",
            reading: [vessel.gauge_hpa, "hPa"],
            air: [vessel.air_hpa, "hPa"]
          ),
          say(
            :plain,
            "stabilise.says.oven",
            figure: "heat_min",
            oven: [oven_c, "C"],
            heat: [times.heat_min, "min"],
            hold: [times.hold_min, "min"]
          )
        ]
      end

      def lines
        [
          line(:weigh, "stabilise.line.weigh_dry", target: [amounts.dry_g, "g", nil], measures: :dry_g),
          *soaking_lines,
          *curing_lines
        ]
      end

      def soaking_lines
        [
          line(:do, "stabilise.line.submerge", ballast: [[vessel.ballast_g, 0].max, "g"], over: [over_mm, "mm"]),
          line(
            :wait,
            "stabilise.line.pump",
            minutes: [times.pump_min / 2, times.pump_min],
            cure: false,
            watch: :bubbles,
            reading: [vessel.gauge_hpa, "hPa"]
          ),
          line(:measure, "stabilise.line.bubbled", measures: :bubbling_min),
          line(:wait, "stabilise.line.soak", minutes: [times.soak_min, times.soak_min], cure: false),
          line(:do, "stabilise.line.drain")
        ]
      end

      def curing_lines
        [
          weigh_wet("stabilise.line.weigh_wet"),
          line(
            :wait,
            "stabilise.line.bake",
            minutes: [times.oven_min, times.oven_min * 1.3],
            cure: false,
            oven: [oven_c, "C"],
            unlocks: "cured"
          ),
          line(:wait, "stabilise.line.cool", minutes: [times.cool_min, times.cool_min], cure: false, unlocks: "turn"),
          line(:weigh, "stabilise.line.weigh_cured", measures: :cured_g)
        ]
      end

      # Wet weight over dry says how much of the room is full: short of what was expected, it goes back in.
      def verdict(measures)
        dry, wet = measures["dry_g"], measures["wet_g"] || measures["cured_g"]
        return super unless dry && wet
        check_weights(dry, wet)

        share, found = amounts.soaking.verdict(dry, wet, amounts.expected_share)
        told = {
          up: [(wet / dry * 100) - 100, "%"],
          share: [share * 100, "%"],
          asked: [amounts.expected_share * 100, "%"]
        }
        bubbled = measures["bubbling_min"]
        records = record("uptake_share", share) + (bubbled ? record("bubbling_min", bubbled) : [])
        return { says: [say(:go, "stabilise.says.full", **told)], records: records, lines: [] } if found == :fine

        { says: [say(:stop, "stabilise.says.not_full", **told)], records: records, lines: again }
      end

      def check_weights(dry, wet)
        return if wet >= dry

        allowed = Fault.t("more_than_it_weighed_dry_g", dry: dry.round(1))
        raise InvalidInput.at("/value", Fault.t("is_g", wet: wet.round(1)), allowed)
      end

      def after
        scene
          .dried(gate_pct.to_f)
          .soaked(amounts.resin_kg_m3(amounts.expected_g))
          .mended(defects.to_h { |defect| [defect.id, soaked(defect, amounts.expected_share)] })
      end

      # The wood as it comes out of the oven, string-keyed as in a blank file: what it weighs cured over what it weighed
      # dry is resin.
      def material_after(measured)
        dry, cured = measured["dry_g"], measured["cured_g"] || measured["wet_g"]
        made =
          scene.blank.material.at(
            moisture_pct: gate_pct.to_f,
            resin_kg_m3: amounts.resin_kg_m3(dry && cured ? [cured - dry, 0].max : amounts.expected_g)
          )
        {
          "density_kg_m3" => made.density_kg_m3,
          "moisture_pct" => made.moisture_pct,
          "resin_kg_m3" => made.resin_kg_m3
        }
      end

      # By its own weights where there are two, else as expected.
      def mended(measured)
        dry, wet = measured["dry_g"], measured["wet_g"] || measured["cured_g"]
        share = dry && wet ? amounts.soaking.share_of(wet - dry).clamp(0, 1) : amounts.expected_share
        defects.map { |defect| soaked(defect, share) }
      end

      private

      def put_here = method(:put)
      def amounts = @amounts ||= StabiliseAmounts.new(data, scene, put_here)
      def vessel = @vessel ||= StabiliseVessel.new(amounts, data, scene, put_here)
      def times = @times ||= StabiliseTimes.new(data, scene, put_here)
      def over_mm = Table["hardeners"]["stabilise"]["over_blank_mm"]

      def detail_of_amounts
        {
          volume_ml: amounts.volume_mm3 / 1000,
          dry_g: amounts.dry_g,
          room_share: amounts.soaking.room_share,
          most_g: amounts.most_g,
          expected_g: amounts.expected_range_g,
          expected_share: amounts.expected_share,
          records: scene.records.count("uptake_share")
        }
      end

      def detail_of_vessel =
        %i[resin_ml lift_n ballast_g fits air_hpa gauge_hpa].to_h { |name| [name, vessel.public_send(name)] }

      def detail_of_times =
        %i[pump_min soak_min heat_min hold_min oven_c].to_h { |name| [name, times.public_send(name)] }

      def vessel_says
        return say(:care, "stabilise.says.no_vessel") unless vessel.given?
        return say(:stop, "stabilise.says.does_not_fit", over: [over_mm, "mm"]) unless vessel.standing

        say(:go, "stabilise.says.fits_#{vessel.fits}", figure: "resin_ml", resin: [vessel.resin_ml, "ml"])
      end

      def weigh_wet(key)
        line(
          :weigh,
          key,
          target: [amounts.dry_g + amounts.expected_g, "g", nil],
          measures: :wet_g,
          draws: {
            key: amounts.row["key"],
            part: nil
          }
        )
      end

      # Once more, where too little went in.
      def again
        [
          line(:wait, "stabilise.line.pump_again", minutes: [times.pump_min / 2, times.pump_min], cure: false),
          line(:wait, "stabilise.line.soak_again", minutes: [times.soak_min, times.soak_min], cure: false),
          weigh_wet("stabilise.line.weigh_wet_again")
        ]
      end

      def soaked(defect, share) =
        %w[soft_zone galleries].include?(defect.type) ? defect.with(detail: { soaked_share: share }) : defect
    end
  end
end
