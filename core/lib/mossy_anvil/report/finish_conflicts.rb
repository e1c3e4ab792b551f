# frozen_string_literal: true

module MossyAnvil
  module Report
    # What does not go together in the finish of a piece: with the wood's moisture, the air, the wall, its use, and part
    # with part.
    class FinishConflicts
      # parts: FinishPart of each; reading: as PieceFinish has it; humidity: of the air, 0 to 1; use: what it is for.
      def initialize(parts, reading:, humidity:, use:)
        @parts = parts
        @reading = reading
        @humidity = humidity
        @use = use
      end

      # List of messages.
      def to_a = [*wet, *blush, *wall, *unfit, *thin_film, *large, *neighbours].uniq

      private

      def say(key, **amounts) = Message.of("finish_plan.#{key}", **amounts)
      def name(family) = Message.term("tables.finishes.#{family}.name")
      def families = @families ||= @parts.map(&:family).uniq

      # Wood that is wetter than a finish takes.
      def wet
        now = @reading[:moisture_pct] or return []
        @parts
          .select { |one| one.kind == "wood" }
          .map(&:family)
          .uniq
          .filter_map do |family|
            most = Finish::Coats.row(family)["wants_pct"]
            say("too_wet", finish: name(family), now: [now, "%"], most: [most, "%"]) if now > most
          end
      end

      def blush
        return [] if @humidity <= Table["finishes"]["air"]["blush_over_humidity"]

        families
          .select { |family| Finish::Coats.row(family)["blushes"] }
          .map { |family| say("blushes", finish: name(family)) }
      end

      # What sanding takes of the thinnest wall.
      def wall
        least = @reading[:least_wall_mm] or return []
        lost = @parts.map(&:wall_lost_mm).max || 0
        return [] if lost <= least * Table["finishes"]["sanding"]["most_of_wall"]

        [say("wall", lost: [lost, "mm"], wall: [least, "mm"])]
      end

      # What it is for, and what a family does not stand.
      def unfit
        asks = { "handled" => "wear", "food" => "food", "wet" => "wet" }[@use] or return []
        families
          .reject do |family|
            Finish::Coats.row(family)["stands"].include?(asks) || %w[bare abrasive_paste buffed].include?(family)
          end
          .map { |family| say("unfit.#{asks}", finish: name(family)) }
      end

      def thin_film
        coats = @parts.select { |part| part.family == "ca_film" }.map { |part| part.coats.size }.min or return []
        return [] if Finish::Coats.ca_left_um(coats) >= Table["finishes"]["ca_film"]["least_um"]

        [say("sanded_through", coats: [Finish::Coats.ca_coats, ""])]
      end

      # What sets before it is spread over so much.
      def large
        @parts.filter_map do |part|
          most = part.product.row["most_area_cm2"]
          say("large", finish: name(part.family), most: [most, "cm2"]) if most && part.area_cm2 > most
        end
      end

      # Parts that meet: a finish that runs onto its neighbour must hold there, or be kept off.
      def neighbours
        families
          .permutation(2)
          .filter_map do |under, upper|
            next if families.index(under) > families.index(upper)

            verdict, = Finish::Coats.over(under, upper)
            back, = Finish::Coats.over(upper, under)
            say("keep_off", one: name(under), other: name(upper)) if verdict == "no" && back == "no"
          end
      end
    end
  end
end
