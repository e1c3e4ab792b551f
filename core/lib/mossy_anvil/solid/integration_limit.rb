# frozen_string_literal: true

module MossyAnvil
  module Solid
    # A radius in every rod of a grid.
    class IntegrationLimit
      # The cells that the radii of some rods fall in, and what of each lies beyond.
      Place =
        Struct.new(:cells, :edges, :radii) do
          # (R^n - r^n) / n, R the outer edge of the cell.
          def beyond(rise)
            (@beyond ||= {})[rise] ||= (IntegrationLimit.power(edges, rise) - IntegrationLimit.power(radii, rise)) /
              rise
          end
        end

      attr_reader :radii_mm

      # radii_mm: columns x layers.
      def initialize(grid, radii_mm)
        @grid = grid
        @radii_mm = radii_mm
        @raised = {}
        @places = {}.compare_by_identity
      end

      # radii^n
      def raised(exponent) = @raised[exponent] ||= IntegrationLimit.power(@radii_mm, exponent)

      def at_rods(rods) = @places[rods] ||= place_at(rods)

      # By multiplication, which is many times quicker than the general power.
      def self.power(base, exponent)
        case exponent
        when 1
          base
        when 2
          base * base
        when 3
          base * base * base
        else
          (base * base).then { |square| square * square }
        end
      end

      private

      def place_at(rods)
        radii = @radii_mm[rods].dup
        cell = Numo::Int32.cast(radii / @grid.radial_step_mm).clip(0, @grid.radial - 1)
        Place.new(cell + (Numo::Int32.new(rods.size).seq * @grid.radial), @grid.outer_edges_mm[cell].dup, radii)
      end
    end
  end
end
