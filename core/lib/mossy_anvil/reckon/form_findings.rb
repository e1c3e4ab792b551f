# frozen_string_literal: true

module MossyAnvil
  # What the form comes to: walls, floor, what goes through, what the rim takes.
  class FormFindings
    include Saying

    # List of findings.
    def to_a
      made = @report[:form]
      return [say(:plain, "No form drawn yet: the numbers are of the blank as it stands.")] unless made

      [wall_finding(made), floor_finding(made), through_finding(made), cuts_finding].compact
    end

    private

    def wall_finding(made)
      return say(:plain, "Solid: nothing is hollowed.") unless made[:least_wall_mm]

      say(made[:least_wall_mm] < 3 ? :care : :plain, "Thinnest wood {wall}, {z} from the head and {r} from the axis.", figure: "/form/least_wall_mm",
        wall: [made[:least_wall_mm], "mm"], z: [made[:least_wall_at][:z_mm], "mm"], r: [made[:least_wall_at][:r_mm], "mm"])
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
      say(cuts.size < 2 ? :care : :plain, "At the end the rim takes {force} from the side: #{taken}.", figure: "/stages/hollowed/allowed_side_force_n",
        force: [force, "N"])
    end
  end
end
