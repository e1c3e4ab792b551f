# frozen_string_literal: true

module MossyAnvil
  module Solid
    # Integrals of a Field from the axis outwards, in powers of r. In the rods where the field is its plain ground they
    # are a formula, elsewhere a look-up in sums run up along r.
    class RunningIntegrals
      # Powers of r that the moments of a section need.
      POWERS = (0..2)

      attr_reader :rods

      # powers: the n of the integrals of field * r^n dr that are wanted, one after another.
      def initialize(field, powers)
        @ground = field.ground
        @rods = field.rods
        @axial = field.grid.axial
        @rises = (powers.first + 1)..(powers.last + 1)
        return if field.plain?

        @cells = field.cells
        @sums = cumulated(field)
      end

      # Integrals of field * r^n dr from 0 to the radii of a Cut: for each power an array of columns x layers.
      def up_to(cut)
        whole = @rises.map { |rise| cut.raised(rise) * (@ground / rise) }
        whole.zip(held(cut)) { |power, part| power[@rods] = part } if @cells
        whole
      end

      # The same for the field's own rods alone: for each power one value a rod.
      def held(cut)
        place = cut.at_rods(@rods)
        value = @cells[place.cells].dup
        @rises.zip(@sums).map { |rise, sums| sums[place.cells] - (value * place.beyond(rise)) }
      end

      # Column and layer of each of the field's own rods.
      def columns_and_layers = @columns_and_layers ||= [@rods / @axial, @rods % @axial]

      private

      # For each rise rods x cells: from the axis to each cell's outer edge. One long array is weighed anew for the next
      # rise.
      def cumulated(field)
        grid, weighed, before = field.grid, field.cells.dup, 1
        @rises.map do |rise|
          weights = ((grid.outer_edges_mm**rise) - (grid.inner_edges_mm**rise)) / rise
          InPlace.multiply(weighed, (weights / before).reshape(1, grid.radial))
          before = weights
          weighed.cumsum(axis: 1)
        end
      end
    end
  end
end
