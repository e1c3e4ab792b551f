# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Let it dry to a moisture, in a place.
    class DryStep < MendStep
      # Wetter than this it cracks in the oven where it is thick, %.
      OVEN_FROM_PCT = 12
      HOURS = 24.0

      def name = words("dry.name", place: place_term)
      def to_pct = data[:to_pct] || fault("to_pct", Fault.t("is_missing"), Fault.t("the_moisture_to_dry_to"))
      def hands_min = 10
      def oven_c = place["key"] == "oven" ? place["temperature_c"] : nil

      # Hours: earliest and likely; where this air never gets it there, none.
      def usual_h = days && days * HOURS
      def ready_late_h = own_wait_h || (times.late_days && times.late_days * HOURS)
      def early_h = times.early_days && times.early_days * HOURS

      def says
        found =
          if days.nil?
            say(:stop, "dry.says.never", figure: "emc_pct", to: [to_pct, "%"], emc: [times.emc, "%"])
          elsif days.zero?
            say(:go, "dry.says.dry_enough", now: [scene.moisture_pct, "%"])
          else
            say(
              :care,
              "dry.says.takes",
              figure: "days",
              now: [scene.moisture_pct, "%"],
              to: [to_pct, "%"],
              early: [times.early_days, "days"],
              late: [times.late_days || days, "days"],
              again: [times.weigh_days, "days"]
            )
          end
        [found, weight, opening, *too_thick].compact
      end

      def cautions = lists("cautions", oven_c ? "drying_oven" : "drying")
      def tools = lists("tools", "scale", "end_sealer", ("oven" if oven_c))

      def detail
        {
          place: place["key"],
          emc_pct: times.emc,
          from_pct: scene.moisture_pct,
          to_pct: to_pct.to_f,
          days: days,
          days_early: times.early_days,
          days_late: times.late_days,
          weigh_days: days.to_f.zero? ? nil : times.weigh_days,
          target_g: target_g,
          opens: opens,
          places: times.places
        }
      end

      def lines
        return [] if days.to_f.zero?

        [
          line(:do, "dry.line.put", place: place_term),
          line(:weigh, "dry.line.weigh", measures: :mass_g),
          line(
            :wait,
            target_g ? "dry.line.until_weight" : "dry.line.until_meter",
            minutes: [early_h * 60, usual_h * 60],
            to: [to_pct, "%"],
            unlocks: "dry_enough",
            cure: false,
            weight: target_g && [target_g, "g"]
          ),
          line(:weigh, "dry.line.weigh_again", measures: :mass_g)
        ]
      end

      def after = scene.dried(to_pct.to_f)

      private

      def place = @place ||= Table.row("drying_places", data[:in] || "room", at: "#{at}/in")

      def times = @times ||= DryTimes.new(place, to_pct, scene, method(:put))
      def days = times.days

      def place_term = Table.term("drying_places", place["key"])

      def target_g
        dry = scene.assessed.dig(:drying, :oven_dry_mass_g) or return
        @target_g ||=
          put(
            "target_g",
            Moisture.mass_at_g(dry, to_pct),
            "g",
            "oven_dry_weight_times_one",
            source: "your_readings",
            certainty: :derived,
            inputs: {
              "oven_dry" => [dry, "g"],
              "to" => [to_pct, "%"]
            }
          )
      end

      def weight =
        target_g && days&.positive? ? say(:plain, "dry.says.weight", figure: "target_g", g: [target_g, "g"]) : nil

      # How far the survey's open cracks may open on the way.
      def opens
        return [] unless days&.positive?

        opening = CrackOpening.new(scene.blank, from_pct: scene.moisture_pct, to_pct: to_pct)
        @opens ||=
          opening.openings.each_with_index.map do |(id, mm), index|
            {
              id: id,
              mm:
                put(
                  "opens/#{index}/mm",
                  mm * place["open"],
                  "mm",
                  opening.formula(id),
                  source: CrackOpening::SOURCE,
                  inputs: {
                    "across" => [scene.blank.shape.across_mm, "mm"],
                    "place" => [place["open"], ""]
                  }
                )
            }
          end
      end

      def opening
        worst = opens.max_by { |one| one[:mm] } or return
        say(
          :care,
          "dry.says.opens",
          id: Message.text(worst[:id]),
          figure: "opens/#{opens.index(worst)}/mm",
          mm: [worst[:mm], "mm"]
        )
      end

      def too_thick
        most = place["most_mm"] or return []
        thick = scene.blank.shape.least_extent_mm
        return [] unless thick > most && scene.moisture_pct > OVEN_FROM_PCT

        [
          say(
            :stop,
            "dry.says.too_thick",
            thick: [thick, "mm"],
            most: [most, "mm"],
            now: [scene.moisture_pct, "%"],
            from: [OVEN_FROM_PCT, "%"]
          )
        ]
      end
    end
  end
end
