# frozen_string_literal: true

module MossyAnvil
  module Report
    # What a finisher with the parts before them would say before beginning: cut again or sand, how soft and hard part
    # ways under a pad, what drinks, and whether the air is too damp.
    class FinishNotes
      # parts: list of FinishPart. dry_kg_m3: of the wood, nil of other stock. climate: ShopClimate. form: of the piece.
      def initialize(parts, dry_kg_m3:, climate:, form:)
        @form = form
        @parts = parts
        @dry_kg_m3 = dry_kg_m3
        @climate = climate
      end

      # List of messages.
      def to_a = [*recut, *steps, *drinks, *dew, *inside].uniq

      # Degrees C at which a surface gets wet in this air. Source: Magnus formula, WMO coefficients for water.
      def self.dew_point_c(temperature_c, humidity)
        gamma = Math.log(humidity) + (17.62 * temperature_c / (243.12 + temperature_c))
        243.12 * gamma / (17.62 - gamma)
      end

      private

      def table = Table["finishes"]
      def say(key, **amounts) = Message.of("finish_plan.#{key}", **amounts)
      def wooden = @parts.select { |part| part.kind == "wood" }

      # A deep mark is cut out quicker, and with less of the wall, than it is sanded out.
      def recut
        scrape = Table["tools"]["tear_out"].find { |row| row["key"] == "shear_scrape" }
        wooden
          .select { |part| part.mark_mm > table["sanding"]["recut_over_mm"] }
          .filter_map do |part|
            minutes, wall_mm = scrape["min_per_dm2"] * part.area_cm2 / 100, scrape["wall_mm"]
            say_recut(part, part.sanded_from(Table["grits"]["default_mark_mm"]["sound"]), minutes, wall_mm)
          end
      end

      # again: how it is sanded after the cut, which takes so many minutes and mm itself. nil where it is neither
      # quicker nor takes less.
      def say_recut(part, again, minutes, wall_mm)
        minutes, wall_mm = again.total_min + minutes, again.wall_lost_mm + wall_mm
        now = part.sanded_from(part.mark_mm)
        return if minutes >= now.total_min && wall_mm >= now.wall_lost_mm

        say(
          "recut",
          mark: [part.mark_mm, "mm"],
          minutes: [minutes, "min"],
          wall: [wall_mm, "mm"],
          sanding: [now.total_min, "min"],
          sanding_wall: [now.wall_lost_mm, "mm"]
        )
      end

      # Under a soft pad the softer stuff goes down faster: removal × (1 − slower / faster).
      def steps
        slower = table["sanding"]["slower"].select { |stuff, _| @parts.any? { |part| part.stuff == stuff } }.values.min
        return [] if slower.nil? || wooden.empty?

        step_mm = wooden.map(&:wall_lost_mm).max * (1 - slower)
        return [] if step_mm <= table["sanding"]["step_mm"]

        [say("step", step: [step_mm, "mm"], until: Message.text("P#{table["sanding"]["hard_until"]}"))]
      end

      # Soft wood drinks so many times as much, and dries darker.
      def drinks
        soft, sound = wooden.partition { |part| part.stuff == "soft" }
        families = soft.map(&:family) & sound.map(&:family)
        families.filter_map do |family|
          into = Finish::Coats.row(family)["into"]
          sound_mm = into[Finish::Coats.openness(@dry_kg_m3)]
          next unless sound_mm.positive?

          say(
            "drinks",
            finish: Message.term("tables.finishes.#{family}.name"),
            times: [(into.last / sound_mm).round(1), ""],
            sealer: [sealer_ml(soft), "ml"]
          )
        end
      end

      # Two thin coats of sealer on the soft parts.
      def sealer_ml(soft) =
        soft.sum { |part| Finish::Coats.ml("shellac_sealer", part.area_cm2, @dry_kg_m3, spongy: true).sum }

      # A wheel goes in where it is smaller than the opening, and its arm as long as the hollow is deep.
      def inside
        return [] if @parts.none? { |part| part.side == "inside" && part.family == "buffed" }

        mouth_mm = 2 * (@form.opens == "tail" ? @form.inside.points.last : @form.inside.points.first)[1]
        wheel = [mouth_mm - table["buffing"]["clear_mm"], 0].max
        [say("buff_inside", wheel: [wheel, "mm"], deep: [@form.wall_depth_mm, "mm"])]
      end

      def dew
        films = @parts.map(&:family).uniq.select { |family| Finish::Coats.row(family)["film"] }
        dew_c = self.class.dew_point_c(@climate.temperature_c, @climate.humidity)
        return [] if films.empty? || @climate.temperature_c - dew_c >= table["air"]["over_dew_c"]

        [say("dew", dew: [dew_c, "C"], over: [table["air"]["over_dew_c"], "K"])]
      end
    end
  end
end
