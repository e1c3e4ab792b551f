# frozen_string_literal: true

module MossyAnvil
  module Route
    # A wait for the wood to dry, by the section the piece has when it is put away.
    class Drying
      # data: { to_pct:, in: key of a drying place; none: it goes through the regimes }.
      def initialize(data, piece, facts)
        @to_pct = data.fetch(:to_pct)
        @place = data[:in]
        @piece = piece
        @facts = facts
      end

      def step(id)
        Step.new(
          id: id,
          kind: "dry",
          stretch: "mend",
          name: name,
          base_min: Table.row("route", "dry")["base_min"].to_f * [regimes.size, 1].max,
          wait: wait,
          needs: Needs.new(tools: tools),
          cautions: [Message.of(oven? ? "cautions.drying_oven" : "cautions.drying")],
          says: [never, openings, section].compact,
          regimes: regimes,
          safe_points_a_day: safe&.points_a_day,
          weigh_days: weigh_days,
          after: after
        )
      end

      # List of Mend::DryingRegimes::Stretch.
      def regimes
        @regimes ||=
          if @place
            [going.stretch(@place, @piece.moisture_pct, @to_pct)]
          else
            going.stretches(@piece.moisture_pct, @to_pct)
          end
      end

      # Days from its beginning on which it is weighed, the last at its likely end; none where it never gets there.
      def weigh_days
        whole = wait&.likely or return []
        times = (whole / Table["route"]["weigh_every_days"]).ceil.clamp(1, Table["route"]["weigh_most"])
        (1..times).map { |number| whole * number / times }
      end

      # SafeDrying of its section; nil for stock that does not shrink.
      def safe
        stock = @piece.context.blank.material.shrinking_stock or return

        Mend::SafeDrying.new(
          tangential_pct: stock.tangential_pct,
          tau_days: @facts.water.tau_of(@piece.thickness_mm),
          thickness_mm: @piece.thickness_mm
        )
      end

      private

      def oven? = @place == "oven"
      def name = Message.of(oven? ? "route.dry_oven" : "route.kinds.dry", to: [@to_pct, "%"])
      def tools = %w[scale end_sealer].map { |key| Message.of("tools.#{key}") }

      def air(key) = Mend::DryingAir.of(key, @piece.context.climate)
      def going
        places = Table.rows("drying_places")
        airs = places.to_h { |row| [row["key"], [air(row["key"]).emc_pct, row["pace"]]] }
        Mend::DryingRegimes.new(safe: safe, airs: airs) { |to, from, place| forecast(to, from, place) }
      end

      def forecast(to_pct, from_pct, place)
        row = Table.row("drying_places", place)
        @facts.water.forecast(
          to_pct,
          from_pct: from_pct,
          air: air(place),
          wander: row["wander"],
          pace: row["pace"],
          thickness_mm: @piece.thickness_mm
        )
      end

      def wait
        return if regimes.empty?

        sums = regimes.map(&:days).transpose.map { |days| days.include?(nil) ? nil : days.sum }
        Wait.new(earliest: sums[0], likely: sums[1], latest: sums[2])
      end

      def after
        dry = @piece.context.dried(@to_pct)
        @piece.with(context: dry)
      end

      def never
        return unless regimes.any? { |one| one.days[1].nil? }

        Advice.say(:stop, "never_dries", to: [@to_pct, "%"], emc: [@facts.emc_pct, "%"])
      end

      # How far what is open may open on the way.
      def openings
        worst = openings_mm.max_by(&:last) or return
        return if worst[1] < 0.5

        Advice.say(:care, "opens", id: Message.text(worst[0]), mm: [worst[1], "mm"])
      end

      def openings_mm
        Mend::CrackOpening.new(
          @piece.context.blank,
          from_pct: @piece.moisture_pct,
          to_pct: @to_pct,
          across_mm: @piece.stage == :blank ? nil : 2 * @piece.form.outside.largest_mm
        ).openings
      end

      def section
        return unless regimes.any? && safe

        Advice.say(
          :plain,
          "dries_by",
          thick: [@piece.thickness_mm, "mm"],
          rate: [safe.points_a_day * 7, "%"],
          drier: [safe.drier_points, "%"]
        )
      end
    end
  end
end
