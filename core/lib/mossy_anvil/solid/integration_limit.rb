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
            @powers ||= [{}, {}]
            (@beyond ||= {})[rise] ||= begin
              outer, inner = [edges, radii].zip(@powers).map { |base, known| IntegrationLimit.power(base, rise, known) }
              rise == 1 ? outer - inner : (outer - inner) / rise
            end
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
      def raised(exponent) = IntegrationLimit.power(@radii_mm, exponent, @raised)

      def at_rods(rods) = @places[rods] ||= place_at(rods)

      # base to the power of 1 to 4, by multiplication, which is many times quicker than the general power. known: its
      # powers that were worked out before, by exponent; a new one is added.
      def self.power(base, exponent, known = {})
        return base if exponent == 1

        known[exponent] ||= power(base, exponent / 2, known) * power(base, exponent - (exponent / 2), known)
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
