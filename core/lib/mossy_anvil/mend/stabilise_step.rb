# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Resin drawn in under vacuum, then cured in the oven.
    class StabiliseStep < MendStep
      # mm that the vessel is wider than what goes in; h to cool.
      ROOM_MM, COOL_H = 5.0, 4.0

      def name = defects.empty? ? words("stabilise.name") : words("stabilise.name_of", ids: ids)
      def gate_pct = row["dry_to_pct"]
      def hands_min = row["hands_min"]
      def oven_c = data[:oven_c] || table["oven_c"]
      def softens_c = row["softens_c"]
      def seals? = true
      def tools = lists("tools", "vacuum_vessel", "scale", "resin_oven", "foil")

      def cautions = lists("cautions", "vacuum", "resin_oven")

      # Vacuum, soak, drain, heat through and hold; and the night to cool.
      def usual_h = (pump_min + soak_min + table["drain_min"] + oven_min) / 60.0 + COOL_H

      def materials
        [
          Taken.new(
            key: row["key"],
            name: sheet[:name] ? Message.named(sheet[:name]) : Table.word("hardeners", row["key"]),
            amount: expected_g,
            unit: "g",
            cost: expected_g * (sheet[:price_per_g] || row["price_per_g"])
          )
        ]
      end

      def detail
        {
          volume_ml: volume_mm3 / 1000,
          dry_g: dry_g,
          room_share: soaking.room_share,
          most_g: most_g,
          expected_g: expected_range_g,
          expected_share: expected_share,
          records: scene.records.count("uptake_share"),
          resin_ml: resin_ml,
          lift_n: lift_n,
          ballast_g: ballast_g,
          fits: fits,
          air_hpa: air_hpa,
          gauge_hpa: gauge_hpa,
          pump_min: pump_min,
          soak_min: soak_min,
          heat_min: heat_min,
          hold_min: hold_min,
          oven_c: oven_c,
          ways: HardeningWays.new(scene, defects).to_a
        }
      end

      def says
        [
          say(
            :plain,
            "stabilise.says.takes_up",
            figure: "expected_g",
            g: [expected_g, "g"],
            most: [most_g, "g"],
            share: [expected_share * 100, "%"]
          ),
          vessel,
          say(:plain, "stabilise.says.gauge", figure: "gauge_hpa", reading: [gauge_hpa, "hPa"], air: [air_hpa, "hPa"]),
          say(
            :plain,
            "stabilise.says.oven",
            figure: "heat_min",
            oven: [oven_c, "C"],
            heat: [heat_min, "min"],
            hold: [hold_min, "min"]
          )
        ]
      end

      def lines
        [
          line(:weigh, "stabilise.line.weigh_dry", target: [dry_g, "g", nil], measures: :dry_g),
          *soaking_lines,
          *curing_lines
        ]
      end

      def soaking_lines
        [
          line(
            :do,
            "stabilise.line.submerge",
            ballast: [[ballast_g, 0].max, "g"],
            over: [table["over_blank_mm"], "mm"]
          ),
          line(
            :wait,
            "stabilise.line.pump",
            minutes: [pump_min / 2, pump_min],
            cure: false,
            watch: :bubbles,
            reading: [gauge_hpa, "hPa"]
          ),
          line(:measure, "stabilise.line.bubbled", measures: :bubbling_min),
          line(:wait, "stabilise.line.soak", minutes: [soak_min, soak_min], cure: false),
          line(:do, "stabilise.line.drain")
        ]
      end

      def curing_lines
        [
          line(
            :weigh,
            "stabilise.line.weigh_wet",
            target: [dry_g + expected_g, "g", nil],
            measures: :wet_g,
            draws: {
              key: row["key"],
              part: nil
            }
          ),
          line(
            :wait,
            "stabilise.line.bake",
            minutes: [oven_min, oven_min * 1.3],
            cure: false,
            oven: [oven_c, "C"],
            unlocks: "cured"
          ),
          line(:wait, "stabilise.line.cool", minutes: [COOL_H * 60, COOL_H * 60], cure: false, unlocks: "turn"),
          line(:weigh, "stabilise.line.weigh_cured", measures: :cured_g)
        ]
      end

      # Wet weight over dry says how much of the room is full: short of what was expected, it goes back in.
      def verdict(measures)
        dry, wet = measures["dry_g"], measures["wet_g"] || measures["cured_g"]
        return super unless dry && wet
        check_weights(dry, wet)

        share, found = soaking.verdict(dry, wet, expected_share)
        amounts = { up: [(wet / dry * 100) - 100, "%"], share: [share * 100, "%"], asked: [expected_share * 100, "%"] }
        bubbled = measures["bubbling_min"]
        records = record("uptake_share", share) + (bubbled ? record("bubbling_min", bubbled) : [])
        return { says: [say(:go, "stabilise.says.full", **amounts)], records: records, lines: [] } if found == :fine

        { says: [say(:stop, "stabilise.says.not_full", **amounts)], records: records, lines: again }
      end

      def check_weights(dry, wet)
        return if wet >= dry

        allowed = Fault.t("more_than_it_weighed_dry_g", dry: dry.round(1))
        raise InvalidInput.at("/value", Fault.t("is_g", wet: wet.round(1)), allowed)
      end

      def after
        scene
          .dried(gate_pct.to_f)
          .soaked(resin_kg_m3(expected_g))
          .mended(defects.to_h { |defect| [defect.id, soaked(defect, expected_share)] })
      end

      # The wood as it comes out of the oven, string-keyed as in a blank file: what it weighs cured over what it weighed
      # dry is resin.
      def material_after(measured)
        dry, cured = measured["dry_g"], measured["cured_g"] || measured["wet_g"]
        made =
          scene.blank.material.at(
            moisture_pct: gate_pct.to_f,
            resin_kg_m3: resin_kg_m3(dry && cured ? [cured - dry, 0].max : expected_g)
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
        share = dry && wet ? soaking.share_of(wet - dry).clamp(0, 1) : expected_share
        defects.map { |defect| soaked(defect, share) }
      end

      # g that a whole one of it is expected to take, and the share of the room that is, by one's own records where
      # there are any.
      def expected_g
        @expected_g ||=
          put(
            "expected_g",
            most_g * expected_share,
            "g",
            "most_it_can_take_times",
            source: scene.records.source("uptake_share", Table["hardeners"]["source"]),
            inputs: {
              "most" => [most_g, "g"],
              "share" => [expected_share * 100, "%"]
            }
          )
      end

      def expected_share = scene.records.rate("uptake_share", row["uptake"].sum / 2).value

      private

      def resin_kg_m3(grams) = grams / volume_mm3 * 1e6

      # Once more, where too little went in.
      def again
        [
          line(:wait, "stabilise.line.pump_again", minutes: [pump_min / 2, pump_min], cure: false),
          line(:wait, "stabilise.line.soak_again", minutes: [soak_min, soak_min], cure: false),
          line(
            :weigh,
            "stabilise.line.weigh_wet_again",
            target: [dry_g + expected_g, "g", nil],
            measures: :wet_g,
            draws: {
              key: row["key"],
              part: nil
            }
          )
        ]
      end

      def table = Table["hardeners"]["stabilise"]
      def row = Table.row("hardeners", "stabilising")
      def sheet = data[:sheet] || {}
      def volume_mm3 = scene.assessed[:stages].values.first[:volume_mm3]
      def resin_g_ml = sheet[:density_g_ml]&.first || row["density_g_ml"]
      def soaking =
        @soaking ||=
          Stabilising.new(
            volume_mm3: volume_mm3,
            dry_density_kg_m3: scene.blank.material.dry_density_kg_m3,
            resin_g_ml: resin_g_ml
          )
      def soaked(defect, share) =
        %w[soft_zone galleries].include?(defect.type) ? defect.with(detail: { soaked_share: share }) : defect
      def expected_range_g = row["uptake"].map { |share| most_g * share }
      def length_mm = scene.blank.shape.length_mm
      def across_mm = 2 * scene.blank.shape.max_radius_mm

      def dry_g
        @dry_g ||=
          put(
            "dry_g",
            soaking.dry_g,
            "g",
            "volume_times_dry_density",
            source: "geometry_your_density",
            certainty: :derived,
            inputs: {
              "volume" => [volume_mm3, "mm3"],
              "dry_density" => [scene.blank.material.dry_density_kg_m3, "kg/m3"]
            }
          )
      end

      def most_g
        @most_g ||=
          put(
            "most_g",
            soaking.most_g,
            "g",
            "room_between_the_cell_walls",
            source: "cell_wall_1_5_g",
            certainty: :derived,
            inputs: {
              "room" => [soaking.room_share * 100, "%"],
              "volume" => [volume_mm3, "mm3"],
              "resin" => [resin_g_ml, "g/ml"]
            }
          )
      end

      # Upright, else lying; [which way, mm it stands high in the resin], nil where it does not go in.
      def standing
        vessel = data[:vessel] or return
        upright, lying = across_mm + ROOM_MM, Math.hypot(length_mm, across_mm) + ROOM_MM
        deep = vessel[:depth_mm] - table["over_blank_mm"]
        return "upright", length_mm if upright <= vessel[:diameter_mm] && length_mm <= deep

        ["lying", across_mm] if lying <= vessel[:diameter_mm] && across_mm <= deep
      end

      def fits = data[:vessel] && (standing ? standing.first : "no")

      def resin_ml
        return unless standing

        @resin_ml ||=
          put(
            "resin_ml",
            soaking.vessel_ml(data[:vessel][:diameter_mm], standing.last) + (expected_g / resin_g_ml),
            "ml",
            "vessel_to_over_the_blank",
            source: "geometry",
            certainty: :derived,
            inputs: {
              "vessel_across" => [data[:vessel][:diameter_mm], "mm"],
              "stands" => [standing.last, "mm"],
              "over_it" => [table["over_blank_mm"], "mm"],
              "drawn_in" => [expected_g, "g"]
            }
          )
      end

      def vessel
        return say(:care, "stabilise.says.no_vessel") unless data[:vessel]
        return say(:stop, "stabilise.says.does_not_fit", over: [table["over_blank_mm"], "mm"]) unless standing

        say(:go, "stabilise.says.fits_#{standing.first}", figure: "resin_ml", resin: [resin_ml, "ml"])
      end

      def lift_n
        @lift_n ||=
          put(
            "lift_n",
            soaking.lift_n,
            "N",
            "resin_pushed_aside_less_the_dry",
            source: "archimedes",
            certainty: :derived,
            inputs: {
              "volume" => [volume_mm3, "mm3"],
              "resin" => [resin_g_ml, "g/ml"]
            }
          )
      end

      # g on top of it, of what does not itself float.
      def ballast_g = lift_n / Mechanics::GRAVITY_M_S2 * 1000
      def air_hpa = data[:air_hpa] || Stabilising.air_hpa(data[:altitude_m] || 0)

      def gauge_hpa
        @gauge_hpa ||=
          put(
            "gauge_hpa",
            Stabilising.gauge_hpa(air_hpa),
            "hPa",
            "air_pressure_times_the_share",
            source: Table["hardeners"]["source"],
            inputs: {
              "air" => [air_hpa, "hPa"],
              "share" => [table["pump_share"] * 100, "%"]
            }
          )
      end

      def pump_min = scene.records.rate("bubbling_min", table["pump_h"] * 60.0).value
      def soak_min = pump_min * table["soak_over_pump"]
      def hold_min = (data[:hold_min] || table["hold_min"]).to_f
      def oven_min = heat_min + hold_min

      def heat_min
        @heat_min ||=
          put(
            "heat_min",
            HeatThrough.minutes(across_mm: across_mm, length_mm: length_mm),
            "min",
            "until_the_core_is_within",
            source: "textbook_heat_conduction",
            certainty: :derived,
            inputs: {
              "across" => [across_mm, "mm"],
              "long" => [length_mm, "mm"]
            }
          )
      end
    end
  end
end
