# frozen_string_literal: true

module MossyAnvil
  module Turn
    # What is done about a heavy side: the centres moved, or a weight hung opposite. Source: textbook mechanics; limits
    # as in the speed table.
    class Balancing
      # mass: MassProperties; swing_mm: of the piece as it turns.
      def initialize(mass, swing_mm)
        @mass = mass
        @swing_mm = swing_mm
      end

      # Clock angle of the heavy side; nil where it balances.
      def heavy_clock_deg = @mass.heavy_clock_deg(@swing_mm)

      # mm that the centre of mass lies off the axis.
      def offset_mm = @mass.mass_g.zero? ? 0.0 : @mass.imbalance_g_mm / @mass.mass_g

      # Does it lie so far off that the centres are to be moved, by that much towards the heavy side?
      def recentre? = offset_mm > Table["speed"]["recentre_over_mm"]

      # mm from the axis at which a weight is hung.
      def radius_mm = Table["speed"]["counterweight_at_share_of_radius"] * @swing_mm / 2
      def weight_g = Balance.counterweight_g(@mass.imbalance_g_mm, radius_mm)
      def weight_clock_deg = ClockAngle.fold(heavy_clock_deg + 180)

      # Is there one to hang? More than a share of the piece is no longer a weight one hangs on.
      def weight? = !heavy_clock_deg.nil? && weight_g <= Table["speed"]["counterweight_most_share"] * @mass.mass_g
    end
  end
end
