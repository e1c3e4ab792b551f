# frozen_string_literal: true

module MossyAnvil
  module Model
    # A square or rectangular blank, its sides along 12, 3, 6 and 9 o'clock.
    class Block
      attr_reader :length_mm, :width_mm, :height_mm

      # All in mm; width runs 9 to 3 o'clock, height 6 to 12.
      def initialize(width_mm:, height_mm:, length_mm:, centre_offset_mm: [0, 0])
        @width_mm = width_mm.to_f
        @height_mm = height_mm.to_f
        @length_mm = length_mm.to_f
        @centre_offset_mm = centre_offset_mm.map(&:to_f).freeze
        x_mm, y_mm = centre_offset_mm
        @right, @left = (@width_mm / 2) + x_mm, (@width_mm / 2) - x_mm
        @top, @bottom = (@height_mm / 2) + y_mm, (@height_mm / 2) - y_mm
        freeze
      end

      # The same wood with its centre so far, [x, y], from where it was.
      def moved(by_mm)
        Block.new(
          width_mm: width_mm,
          height_mm: height_mm,
          length_mm: length_mm,
          centre_offset_mm: @centre_offset_mm.zip(by_mm).map(&:sum)
        )
      end

      # Never the same radius everywhere.
      def centred? = false

      def axis_inside?
        sides.all?(&:positive?)
      end

      # Distance from the axis to the surface, mm: the nearer of the two sides the ray meets.
      def radius_mm(clock_deg, _z_mm)
        angle = Numo::DFloat.cast(clock_deg) * ClockAngle::RADIANS
        across = to_side(Numo::DFloat::Math.sin(angle), @right, @left)
        upright = to_side(Numo::DFloat::Math.cos(angle), @top, @bottom)
        Numo::DFloat.minimum(across, upright)
      end

      def max_radius_mm
        [@right, @left].product([@top, @bottom]).map { |x_mm, y_mm| Math.hypot(x_mm, y_mm) }.max
      end

      def min_radius_mm = sides.min
      def stations_mm = [0.0, length_mm]
      def least_extent_mm = [width_mm, height_mm, length_mm].min
      def across_mm = [width_mm, height_mm].min

      private

      def sides = [@right, @left, @top, @bottom]

      # Along a ray whose share in this direction is `share`, how far to the side on the + or - hand.
      def to_side(share, plus_mm, minus_mm)
        ahead = share.ge(0)
        reach = (Numo::DFloat.cast(ahead) * (plus_mm - minus_mm)) + minus_mm
        reach / Numo::DFloat.maximum(share.abs, 1e-12)
      end
    end
  end
end
