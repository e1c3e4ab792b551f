# frozen_string_literal: true

module MossyAnvil
  module Model
    # A round blank whose own centre may lie off the lathe axis.
    class Disc
      attr_reader :length_mm, :diameter_mm

      # All in mm; the axis must pass through the disc.
      def initialize(diameter_mm:, length_mm:, centre_offset_mm: [0, 0])
        @diameter_mm = diameter_mm.to_f
        @length_mm = length_mm.to_f
        @centre_offset_mm = centre_offset_mm.map(&:to_f).freeze
        @offset_mm = Math.hypot(*centre_offset_mm)
        @offset_clock_deg = ClockAngle.of_point(*centre_offset_mm)
        @inner_mm2 = ((@diameter_mm / 2)**2) - (@offset_mm**2)
        freeze
      end

      # The same wood with its centre so far, [x, y], from where it was.
      def moved(by_mm) =
        Disc.new(
          diameter_mm: diameter_mm,
          length_mm: length_mm,
          centre_offset_mm: @centre_offset_mm.zip(by_mm).map(&:sum)
        )

      def axis_inside?
        @offset_mm < @diameter_mm / 2
      end

      # Distance from the axis to the surface, mm, at arrays (or numbers) of clock angle; the same all along z.
      # Solves |r u - c| = R for r, with c the centre and u the direction: r = u c + sqrt((u c)^2 + R^2 - c^2).
      def radius_mm(clock_deg, _z_mm)
        return (Numo::DFloat.cast(clock_deg) * 0) + (@diameter_mm / 2) if centred?

        turn = Numo::DFloat.cast((clock_deg - @offset_clock_deg) * ClockAngle::RADIANS)
        along = Numo::DFloat::Math.cos(turn) * @offset_mm
        Numo::DFloat::Math.sqrt((along * along) + @inner_mm2) + along
      end

      # Round about the lathe axis: the same radius everywhere.
      def centred? = @offset_mm.zero?

      def max_radius_mm = (@diameter_mm / 2) + @offset_mm
      def min_radius_mm = (@diameter_mm / 2) - @offset_mm
      def stations_mm = [0.0, length_mm]
      def least_extent_mm = [diameter_mm, length_mm].min
      def across_mm = diameter_mm
    end
  end
end
