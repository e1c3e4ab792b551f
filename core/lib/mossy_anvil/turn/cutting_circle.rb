# frozen_string_literal: true

module MossyAnvil
  module Turn
    # What an edge meets in one turn at a radius and a height: wood, air, and every kind of trouble; how often it is
    # knocked, and how to cut it then. Air is where the wood does not reach out so far, and empty voids.
    class CuttingCircle
      ANGLES = 720
      LEAST_MM = 0.5
      # Share of air from which an interrupted cut asks for care.
      LIGHT_OVER = 0.15

      attr_reader :radius_mm, :z_mm

      def initialize(blank, radius_mm, z_mm)
        @blank = blank
        @radius_mm = radius_mm.to_f
        @z_mm = z_mm.to_f
        step_mm = 2 * Math::PI * @radius_mm / ANGLES
        @contents = Solid::PointProbe.new(blank, narrowest_mm: step_mm)
      end

      # Share of the turn by kind ("air", "sound", "crack" ...), adding up to 1. A crack takes its own width or, where
      # that is less, one step.
      def shares
        @shares ||= owners.group_by { |owner| @contents.kind(owner) }.transform_values { |met| met.size.to_f / ANGLES }
      end

      def air_share = shares.fetch("air", 0.0)

      # Stretches of air in one turn; each ends in a knock. None where it is all air: nothing is cut there.
      def gaps = runs.count { |from, _| from == "air" }.then { |count| air_share < 1 ? count : 0 }

      # Open cracks crossed in one turn; an edge can lift their lips.
      def cracks_met = runs.count { |from, _| from == "crack" }

      # Knocks a second at a speed: gaps times turns a second.
      def knocks_per_s(rpm) = gaps * rpm / 60.0

      # Stretches that are not sound, [[from_deg, to_deg, kind, defect index or nil], ...]; one over 12 o'clock ends
      # beyond 360.
      def stretches
        edges = (0...ANGLES).reject { |place| owners[place] == owners[place - 1] }
        return [stretch(0.5, ANGLES + 0.5, owners.first)].compact if edges.empty?

        edges.each_with_index.filter_map do |from, at|
          stretch(from, edges[at + 1] || (edges.first + ANGLES), owners[from])
        end
      end

      # The row of the table that fits this much air: how to cut it.
      def self.advice(air_share)
        Table["interrupted_cut"]["rows"].find { |row| air_share > row["over_air_share"] }
      end

      private

      # Between two edges, counted in steps; nil where it is sound.
      def stretch(from, to, owner)
        return if owner == Solid::PointProbe::SOUND

        step = 360.0 / ANGLES
        [(from - 0.5) * step, (to - 0.5) * step, @contents.kind(owner), index_of(owner)]
      end

      def index_of(owner) = owner.negative? ? nil : owner

      def owners
        @owners ||=
          begin
            angles = Numo::DFloat.new(ANGLES).seq * (360.0 / ANGLES)
            @contents.owners(angles, angles * 0 + @radius_mm, angles * 0 + @z_mm).to_a
          end
      end

      # [kind, kind after] at every change in one turn.
      def runs
        kinds = owners.map { |owner| @contents.kind(owner) }
        kinds.each_index.filter_map { |place| [kinds[place - 1], kinds[place]] unless kinds[place - 1] == kinds[place] }
      end
    end
  end
end
