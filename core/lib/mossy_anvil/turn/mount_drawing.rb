# frozen_string_literal: true

module MossyAnvil
  module Turn
    # A mount as it is drawn to scale in the section: rings about the axis, by core/data/mounts.yaml.
    module MountDrawing
      module_function

      # List of { part: "steel", "block", "screw" or "wood", z_mm: [from, to], r_mm: [inner, outer] }; none of a mount
      # whose size is not known. seat: MountSite.
      def parts(key, size_mm, seat)
        drawn = MountHold.row(key)["drawn"]
        return [] if size_mm.nil? && drawn.any? { |part| part["r"].any? { |share, _| share.positive? } }

        drawn.map { |part| placed(part, size_mm.to_f / 2, seat) }
      end

      def placed(part, half_mm, seat)
        z_mm = part["z"].map { |mm| seat.z_mm + (seat.inward * mm) }.sort
        r_mm = part["r"].map { |share, more| [(share * half_mm) + more, 0].max }
        { part: part["part"], z_mm: z_mm, r_mm: r_mm }
      end
    end
  end
end
