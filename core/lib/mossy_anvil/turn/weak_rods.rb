# frozen_string_literal: true

module MossyAnvil
  module Turn
    # Rods in which a section is weakened: a list of SteppedStrength and Section::Cells, no rod in two of them. What
    # follows from where they lie is the same at every stage.
    class WeakRods
      # Columns that any of them lies in, and for each of the list its rods' places among those columns alone.
      attr_reader :list, :columns, :places

      def initialize(grid, list)
        @list = list.reject { |one| one.rods.empty? }
        column_of = @list.map { |one| one.rods / grid.axial }
        held = Numo::Bit.zeros(grid.angular)
        column_of.each { |columns| held[columns] = 1 }
        @columns = held.where
        turn = Numo::Int32.cast(held).cumsum - 1
        @places = @list.zip(column_of).map { |one, own| ((turn[own] - own) * grid.axial) + one.rods }
      end

      # Yields each with its places.
      def each(&) = @list.zip(@places).each(&)
    end
  end
end
