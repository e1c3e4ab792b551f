# frozen_string_literal: true

module MossyAnvil
  module Model
    # What a filled crack bears across its filling: by the filler, by the mouth it can bridge and by how deep it
    # reaches.
    # Thin CA in a mouth of two millimetres fills it and bonds nothing; in a hairline deeper than it wicks, only the
    # part it reached holds.
    module Bond
      # A mouth this many times the widest that a filler bridges is past bonding; between the two the bond falls in a
      # straight line.
      PAST_BRIDGING = 1.5

      module_function

      # MPa across the filling; 0 where it bonds nothing. key: a row of the fillers table. Source: the table's own.
      def mpa(key, mouth_mm:, depth_mm:)
        row = Table.row("fillers", key)
        row["bond_mpa"] * bridged(row, mouth_mm) * reached(row, depth_mm)
      end

      # Share of the bond that is left at a mouth, 0 to 1.
      def bridged(row, mouth_mm)
        widest = row["bonds_to_mm"].to_f
        ((PAST_BRIDGING - (mouth_mm / widest)) / (PAST_BRIDGING - 1)).clamp(0.0, 1.0)
      end

      # Share of the depth that it reaches, 0 to 1.
      def reached(row, depth_mm) = [row["reach_mm"] / [depth_mm.to_f, 1e-6].max, 1.0].min
    end
  end
end
