# frozen_string_literal: true

module MossyAnvil
  module Report
    # What the form makes of the blank: walls, floor, what goes through, what the rim takes.
    class FormAdvice
      include AdviceBuilder

      LEAST_UNCOUNTED_MM3 = 500
      LEAST_TENON_MM = 4
      LEAST_OPENING_MM = 0.2
      # Thinner walls and floors ask for care, mm.
      THIN_WALL_MM, THIN_FLOOR_MM = 3, 6

      # List of advice.
      def to_a
        made = @report[:form]
        return [say(:plain, "form.none")] unless made

        [
          leaned(made),
          wall(made),
          feather(made),
          floor(made),
          holding(made),
          through(made),
          cuts,
          left(made),
          *rough(made[:rough])
        ].compact
      end

      private

      def leaned(made)
        return unless made[:uncounted_mm3] >= LEAST_UNCOUNTED_MM3
        say(:care, "form.leans", wedges: [made[:uncounted_mm3] / 1000, "ml"])
      end

      # Wet wood moves after it is turned.
      def rough(found) = found ? [moves(found), *checks_first(found), *opens(found)] : []

      def moves(found)
        side = found[:narrow_clock_deg]
        say(
          :care,
          side ? "form.goes_oval_at" : "form.goes_oval",
          figure: "/form/rough/wall_mm",
          side: side && [side, "clock"],
          **in_mm(
            oval: found[:oval_mm],
            narrow: found[:narrowest_mm],
            wide: found[:widest_mm],
            wall: found[:wall_mm],
            left: found[:allowance_mm]
          )
        )
      end

      def in_mm(**lengths) = lengths.transform_values { |mm| [mm, "mm"] }

      def checks_first(found)
        one, other = found[:checks_clock_deg]
        one ? [say(:plain, "form.checks_first", one: [one, "clock"], other: [other, "clock"])] : []
      end

      def opens(found)
        found[:opens]
          .each_with_index
          .select { |crack, _| crack[:mm] >= LEAST_OPENING_MM }
          .map do |crack, index|
            say(
              :care,
              "form.opens",
              figure: "/form/rough/opens/#{index}/mm",
              id: Message.text(crack[:id]),
              **in_mm(mm: crack[:mm])
            )
          end
      end

      # What there is to hold it by at the closed end.
      def holding(made)
        return unless made[:floor_mm]

        wood, figure = made[:tenon_wood], "/form/tenon_wood/length_mm"
        if wood[:length_mm] < LEAST_TENON_MM
          return say(:care, "form.no_tenon", figure: figure, length: [wood[:length_mm], "mm"])
        end

        say(:plain, "form.tenon", figure: figure, length: [wood[:length_mm], "mm"], across: [wood[:diameter_mm], "mm"])
      end

      # What came for nothing has no price to lose.
      def left(made)
        share, figure = [made[:yield_share] * 100, "%"], "/form/yield_share"
        return say(:plain, "form.yield", figure: figure, yield: share) unless made[:wasted_value]&.positive?

        say(:plain, "form.yield_and_price", figure: figure, yield: share, value: [made[:wasted_value], "money"])
      end

      def wall(made)
        return say(:plain, "form.solid") unless made[:least_wall_mm]

        say(
          made[:least_wall_mm] < THIN_WALL_MM ? :care : :plain,
          "form.wall",
          figure: "/form/least_wall_mm",
          wall: [made[:least_wall_mm], "mm"],
          z: [made[:least_wall_at][:z_mm], "mm"],
          r: [made[:least_wall_at][:r_mm], "mm"]
        )
      end

      def feather(made)
        say(:care, "form.feather", side: [made[:feather_clock_deg], "clock"]) if made[:feather_clock_deg]
      end

      def floor(made)
        return unless made[:floor_mm]
        say(
          made[:floor_mm] < THIN_FLOOR_MM ? :care : :plain,
          "form.floor",
          figure: "/form/floor_mm",
          floor: [made[:floor_mm], "mm"]
        )
      end

      def through(made)
        say(:care, "form.through", ids: Message.ids(made[:breaks_through])) if made[:breaks_through].any?
      end

      def cuts
        force = @report.dig(:stages, :hollowed, :allowed_side_force_n) or return
        taken, at = @report[:stages][:hollowed].values_at(:cuts_taken, :side_force_at)
        say(
          taken.size < 2 ? :care : :plain,
          taken.empty? ? "form.no_cut" : "form.cut",
          figure: "/stages/hollowed/allowed_side_force_n",
          state: weakened_by(at),
          force: [force, "N"],
          z: [at[:z_mm], "mm"],
          wall: [at[:wall_mm], "mm"],
          cut: taken.any? ? Table.term("side_forces", taken.last) : nil
        )
      end

      def weakened_by(at)
        return Message.term("wall_states.soft_or_glued") if at[:share] < 1 && !at[:opened]

        Message.term(at[:opened] ? "wall_states.opened" : "wall_states.whole")
      end
    end
  end
end
