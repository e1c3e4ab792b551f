# frozen_string_literal: true

module MossyAnvil
  module Turn
    # The pull of each half of the piece on the plane through the axis that parts it from the other.
    # A half is named by the angle its plane starts at and lies clockwise from it.
    # For half k, at w = 1 rad/s: pull = integral of density * d dV, d = distance from the plane;
    # it acts at u (along the plane, + towards angle k) and z. Found from per-angle moments by circular convolution,
    # with the sine integrated exactly over each cell's arc.
    class HalfBodyForces
      # pull: kg m (times w2 gives N). u_mm, z_mm: where it acts. One entry for every grid angle.
      attr_reader :pull_kg_m, :u_mm, :z_mm

      # moments: as MassProperties#moments, density in kg/m3 and lengths in mm.
      def initialize(grid, moments)
        sine, sine_cosine = HalfBodyForces.weights(grid.angular)
        pull = sine.dot(moments[:r2])
        safe = Numo::DFloat.maximum(pull, 1e-30)
        @u_mm = sine_cosine.dot(moments[:r3]) / safe
        @z_mm = sine.dot(moments[:r2_z]) / safe
        @pull_kg_m = pull * 1e-12
        freeze
      end

      # For every half (row) the integrals of sin and of sin cos over the part of each cell (column) that lies in it.
      def self.weights(angular)
        (@weights ||= {})[angular] ||= ahead(angular)
          .map do |row|
            # The weight of a cell depends only on how far ahead of the half's start it lies.
            places = (Numo::Int32.new(1, angular).seq - Numo::Int32.new(angular, 1).seq + angular) % angular
            Numo::DFloat.cast(row)[places].freeze
          end
          .freeze
      end

      # The same for the half that starts at 0, by cells ahead of its start.
      def self.ahead(angular)
        step = 2 * Math::PI / angular
        bounds = Array.new(angular) { |ahead| [-0.5, 0.5].map { |edge| ((ahead + edge) * step).clamp(0, Math::PI) } }
        [
          bounds.map { |low, high| Math.cos(low) - Math.cos(high) },
          bounds.map { |low, high| ((Math.sin(high)**2) - (Math.sin(low)**2)) / 2 }
        ]
      end
      private_class_method :ahead
    end
  end
end
