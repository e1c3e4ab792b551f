# frozen_string_literal: true

module MossyAnvil
  module Report
    # What the form comes to: walls, floor, what goes through, what the rim takes.
    class FormAdvice
      include AdviceBuilder

      LEAST_UNCOUNTED_MM3 = 500
      LEAST_TENON_MM = 4
      LEAST_OPENING_MM = 0.2

      # List of findings.
      def to_a
        made = @report[:form]
        return [say(:plain, "No form drawn yet: the numbers are of the blank as it stands.")] unless made

        [leaned(made), wall_finding(made), feather(made), floor_finding(made), holding(made), through_finding(made), cuts_finding, left(made), *rough(made[:rough])].compact
      end

      private

      def leaned(made)
        return if made[:uncounted_mm3] < LEAST_UNCOUNTED_MM3

        say(:care, "The axis leans, and {wedges} of wood beyond the square of its centres is not in these numbers: " \
                   "face both ends square to it, slowly, before you trust the speeds.",
          wedges: [made[:uncounted_mm3] / 1000, "ml"])
      end

      # Wet wood moves after it is turned.
      def rough(found)
        found ? [moves(found), *checks_first(found), *opens(found)] : []
      end

      def moves(found)
        side = found[:narrow_clock_deg]
        say(:care, "Still wet: dried in this air it goes oval by about {oval},#{' narrowest at {side},' if side} {narrow} one way and {wide} the other. " \
                   "Turned rough, leave {wall} of wall all over; {left} of that is then left to turn true.",
          figure: "/form/rough/wall_mm",
          **in_mm(oval: found[:oval_mm], narrow: found[:narrowest_mm], wide: found[:widest_mm], wall: found[:wall_mm], left: found[:allowance_mm]),
          **(side ? { side: [side, "clock"] } : {}))
      end

      def in_mm(**lengths) = lengths.transform_values { |mm| [mm, "mm"] }

      def checks_first(found)
        one, other = found[:checks_clock_deg]
        return [] unless one

        [say(:plain, "It checks first where the fibres end at the rim, at {one} and {other}: seal those, dry it slowly.", one: [one, "clock"], other: [other, "clock"])]
      end

      def opens(found)
        found[:opens].each_with_index.select { |crack, _| crack[:mm] >= LEAST_OPENING_MM }.map do |crack, index|
          say(:care, "#{crack[:id]} may open by {mm} more as it dries: fill it after, not before.", figure: "/form/rough/opens/#{index}/mm", **in_mm(mm: crack[:mm]))
        end
      end

      # What there is to hold it by at the closed end.
      def holding(made)
        return unless made[:floor_mm]

        wood = made[:tenon_wood]
        if wood[:length_mm] < LEAST_TENON_MM
          return say(:care, "No wood left for a tenon at the foot: {length}. Glue a block on, turn a recess, or slide the form.", figure: "/form/tenon_wood/length_mm",
            length: [wood[:length_mm], "mm"])
        end

        say(:plain, "{length} of wood beyond the foot, round to {across}: for a tenon.", figure: "/form/tenon_wood/length_mm", length: [wood[:length_mm], "mm"],
          across: [wood[:diameter_mm], "mm"])
      end

      # What came for nothing has no price to lose.
      def left(made)
        return say(:plain, "{yield} of the blank is left.", figure: "/form/yield_share", yield: [made[:yield_share] * 100, "%"]) unless made[:wasted_value]&.positive?

        say(:plain, "{yield} of the blank is left; {value} of its price is turned away.", figure: "/form/yield_share", yield: [made[:yield_share] * 100, "%"],
          value: [made[:wasted_value], "money"])
      end

      def wall_finding(made)
        return say(:plain, "Solid: nothing is hollowed.") unless made[:least_wall_mm]

        say(made[:least_wall_mm] < 3 ? :care : :plain, "Thinnest wood {wall}, {z} from the head and {r} from the axis.", figure: "/form/least_wall_mm",
          wall: [made[:least_wall_mm], "mm"], z: [made[:least_wall_at][:z_mm], "mm"], r: [made[:least_wall_at][:r_mm], "mm"])
      end

      def feather(made)
        return unless made[:feather_clock_deg]

        say(:care, "Feather edge round {side}: the wood ends over the hollow there, sharp and weak. Round it off by hand, and keep fingers and paper away while it turns.",
          side: [made[:feather_clock_deg], "clock"])
      end

      def floor_finding(made)
        return unless made[:floor_mm]

        say(made[:floor_mm] < 6 ? :care : :plain, "Floor {floor} on the axis.", figure: "/form/floor_mm", floor: [made[:floor_mm], "mm"])
      end

      def through_finding(made)
        return if made[:breaks_through].empty?

        say(:care, "#{made[:breaks_through].join(', ')} #{made[:breaks_through].one? ? 'goes' : 'go'} through the finished wall.")
      end

      def cuts_finding
        force = @report.dig(:stages, :hollowed, :allowed_side_force_n)
        return unless force

        cuts = @report.dig(:stages, :hollowed, :cuts_taken)
        taken = cuts.empty? ? "not even a light scrape: leave it thicker" : "#{cuts.last} at most"
        at = @report.dig(:stages, :hollowed, :side_force_at)
        why = [("opened" if at[:opened]), ("soft or glued" if at[:share] < 1)].compact.map { |word| ", #{word}" }.join
        say(cuts.size < 2 ? :care : :plain, "At its weakest, {z} from the head ({wall} thick#{why}), the finished wall takes {force} from the side: #{taken}.",
          figure: "/stages/hollowed/allowed_side_force_n", force: [force, "N"], z: [at[:z_mm], "mm"], wall: [at[:wall_mm], "mm"])
      end
    end
  end
end
