# frozen_string_literal: true

module MossyAnvil
  module Solid
    # Cylindrical cells over a blank: angle x z x radius, in that order in every array.
    # A column is one angle, a layer one z, a rod one of both, from the axis outwards. Cells are exact in r by their
    # bounds; angle and z are taken at their middle, except that a column's surface is the root mean square over its own
    # arc, so that areas come out right.
    class Grid
      STEPS = { default: [48, 96, 64], fine: [96, 192, 128] }.freeze
      ARC_SAMPLES = 8
      LAID = Cache.new(8)

      # over: [shape, fineness], what all of it follows from; small enough to be part of the key of what is kept.
      attr_reader :over,
                  :radial,
                  :angular,
                  :axial,
                  :radial_step_mm,
                  :axial_step_mm,
                  :length_mm,
                  :angles_deg,
                  :sines,
                  :cosines,
                  :heights_mm,
                  :inner_edges_mm,
                  :outer_edges_mm,
                  :surface_mm,
                  :surface_at_planes_mm

      # The grid over a shape; the same one as long as it is that shape. fineness: :default or :fine.
      def self.over(shape, fineness: :default) = LAID.of([shape, fineness]) { new(shape, fineness: fineness) }

      def initialize(shape, fineness: :default)
        @over = [shape, fineness].freeze
        @radial, @angular, @axial = STEPS.fetch(fineness)
        @length_mm = shape.length_mm
        @radial_step_mm = shape.max_radius_mm / @radial
        @axial_step_mm = @length_mm / @axial
        lay_angles
        @heights_mm = (Numo::DFloat.new(@axial).seq + 0.5) * @axial_step_mm
        @inner_edges_mm = Numo::DFloat.new(@radial).seq * @radial_step_mm
        @outer_edges_mm = @inner_edges_mm + @radial_step_mm
        @surface_mm = mean_surface(shape)
        @surface_at_planes_mm = surface_at_planes(shape)
        freeze
      end

      def angular_step_deg = 360.0 / angular
      def angular_step_rad = angular_step_deg * ClockAngle::RADIANS
      def shape = [angular, axial, radial]

      # How many rods there are, and the numbers of those at some columns (list) and layers (range), column by column.
      def rods = angular * axial

      def rods_at(columns, layers)
        return Numo::Int32[] if columns.empty?

        (
          (Numo::Int32.cast(columns) * axial).reshape(columns.size, 1) +
            Numo::Int32.new(1, layers.size).seq(layers.first)
        ).flatten
      end

      # Nearest column to a clock angle.
      def column_at(clock_deg) = (ClockAngle.fold(clock_deg) / angular_step_deg).round % angular

      # Axial cell that holds z.
      def layer_at(z_mm) = (z_mm / axial_step_mm).floor.clamp(0, axial - 1)

      # The same for arrays, as whole numbers.
      def columns_at(clock_deg) = Numo::Int32.cast((clock_deg / angular_step_deg).round) % angular
      def layers_at(z_mm) = Numo::Int32.cast((z_mm / axial_step_mm).floor.clip(0, axial - 1))
      def cells_at(radius_mm) = Numo::Int32.cast((radius_mm / radial_step_mm).floor.clip(0, radial - 1))

      private

      def lay_angles
        @angles_deg = Numo::DFloat.new(@angular).seq * angular_step_deg
        turn = @angles_deg * ClockAngle::RADIANS
        @sines, @cosines = Numo::DFloat::Math.sin(turn), Numo::DFloat::Math.cos(turn)
      end

      # Root mean square of the surface over each column's arc, mm.
      def mean_surface(shape)
        offsets = ((Numo::DFloat.new(ARC_SAMPLES).seq + 0.5) / ARC_SAMPLES - 0.5) * angular_step_deg
        angles = @angles_deg.reshape(@angular, 1, 1) + offsets.reshape(1, ARC_SAMPLES, 1)
        squares = shape.radius_mm(angles, @heights_mm.reshape(1, 1, @axial))**2
        spread(Numo::DFloat::Math.sqrt(squares.mean(axis: 1)))
      end

      def surface_at_planes(shape) =
        spread(shape.radius_mm(@angles_deg.reshape(@angular, 1), @heights_mm.reshape(1, @axial)))

      # To angle x z, whether or not the shape varies along z.
      def spread(radii)
        radii.reshape(@angular, radii.size / @angular) + Numo::DFloat.zeros(@angular, @axial)
      end
    end
  end
end
