# frozen_string_literal: true

module MossyAnvil
  module Turn
    # What mounts bear, and what the cut and the piece itself load them with. Moments in N m, forces in N, lengths in
    # mm, strengths in MPa.
    module MountHold
      GRAVITY = 9.81
      NM = 1e-3

      module_function

      # Section modulus of a round, or of a ring round a hole, mm3.
      def modulus_mm3(outer_mm, inner_mm = 0) = Math::PI / 32 * ((outer_mm**4) - (inner_mm**4)) / outer_mm

      # A tenon in bending; strength: of the wood across, local share in it. Source: textbook bending; reserve as in the
      # table.
      def tenon_nm(diameter_mm, strength_mpa) = modulus_mm3(diameter_mm) * strength_mpa / row("tenon")["reserve"] * NM

      # The ring of wood that jaws open against.
      def recess_nm(diameter_mm, wall_mm, strength_mpa) =
        modulus_mm3(diameter_mm + (2 * wall_mm), diameter_mm) * strength_mpa / row("recess")["reserve"] * NM

      # A glue line as large as the block or, of hot melt, a bead round its edge; the weaker of glue and wood.
      def glued_nm(key, diameter_mm, strength_mpa)
        own = row(key)
        inner = own["bead_mm"] ? [diameter_mm - (2 * own["bead_mm"]), 0].max : 0
        modulus_mm3(diameter_mm, inner) * [own["bond_mpa"], strength_mpa].min / own["reserve"] * NM
      end

      # Withdrawal of one screw, N: p = 108.25 G2 D L in side grain. gravity: dry density over that of water. Source:
      # Wood Handbook.
      def withdrawal_n(gravity, diameter_mm, length_mm, end_grain: false)
        table = Table["mounts"]["screws"]
        table["withdrawal"] * (gravity**2) * diameter_mm * length_mm * (end_grain ? table["end_grain"] : 1)
      end

      # A screw in the middle, tipped over the rim of its seat.
      def screw_nm(withdrawal_n, seat_mm) = withdrawal_n / Table["mounts"]["screws"]["reserve"] * seat_mm / 2 * NM

      # Screws on a circle about the middle of it: those farthest out bear most. each_n: withdrawal of each, evenly
      # round from 12 o'clock; the worst way to tip.
      def plate_nm(each_n, circle_mm)
        turns = each_n.each_index.map { |index| 2 * Math::PI * index / each_n.size }
        bears =
          Array.new(36) do |step|
            tip = Math::PI * step / 36
            each_n.zip(turns).sum { |force, turn| force * (Math.cos(turn - tip)**2) }
          end
        bears.min / Table["mounts"]["screws"]["reserve"] * circle_mm / 2 * NM
      end

      # Held on by the air: tipped over the rim of its seal.
      def vacuum_nm(seal_mm)
        table = Table["mounts"]["vacuum"]
        Math::PI / 4 * (seal_mm**2) * table["pressure_mpa"] * table["sealed"] / table["reserve"] * seal_mm / 2 * NM
      end

      def row(key) = Table.rows("mounts").find { |row| row["key"] == key }
    end
  end
end
