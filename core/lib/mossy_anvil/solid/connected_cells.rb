# frozen_string_literal: true

module MossyAnvil
  module Solid
    # Cells of wood that hang together, with walls between some of them. The first axis runs round the clock.
    class ConnectedCells
      # Walls on the low side of each cell, 1 or 0: towards the column, layer or ring before it.
      Walls = Struct.new(:column, :layer, :ring)

      # wood: bits, columns x layers x rings.
      def initialize(wood, walls)
        @wood = wood
        @walls = walls
        @shape = wood.shape
        @angular = @shape.first
      end

      # Bits of all cells that hang together with one (by its flat index).
      def with(cell)
        reached = Numo::Bit.zeros(*@shape)
        reached[cell] = 1
        reached &= @wood
        loop do
          before = reached.count_true
          segments.each { |line| reached = spread(reached, *line) }
          return reached if reached.count_true == before
        end
      end

      private

      # Numbers of the unbroken stretches along each axis: [number of each cell, axis].
      def segments
        @segments ||=
          [@walls.column, @walls.layer, @walls.ring].each_with_index.map do |walls, axis|
            # Round the clock a stretch may run over 12 o'clock: the turn is laid out twice.
            broken, own =
              axis.zero? ? [double(walls), double(Numo::Int32.cast(@wood))] : [walls, Numo::Int32.cast(@wood)]
            [number(broken, own, axis), axis]
          end
      end

      def double(array)
        Numo::Int32
          .zeros(@angular * 2, *@shape.drop(1))
          .tap { |twice| [0...@angular, @angular...(@angular * 2)].each { |turn| twice[turn, true, true] = array } }
      end

      def number(walls, own, axis)
        edge = Numo::Int32.zeros(*own.shape) + 1
        rest, before = [1..-1, 0..-2].map { |part| Array.new(3) { |other| other == axis ? part : true } }
        edge[*rest] = Numo::Int32.cast(walls[*rest].gt(0) | own[*rest].ne(own[*before]))
        lined_up(edge, axis).cumsum - 1
      end

      # Flat, with the axis running fastest, so that one running count numbers every stretch of every line.
      def lined_up(array, axis)
        order = [0, 1, 2] - [axis] + [axis]
        array.transpose(*order).dup.flatten
      end

      def spread(reached, numbers, axis)
        lined = lined_up(axis.zero? ? double(Numo::Int32.cast(reached)) : Numo::Int32.cast(reached), axis)
        held = numbers.bincount(lined, minlength: numbers[-1] + 1)
        whole = back(held[numbers].gt(0), axis)
        (axis.zero? ? whole[0...@angular, true, true] | whole[@angular..-1, true, true] : whole) & @wood
      end

      def back(flat, axis)
        long = axis.zero? ? [@angular * 2, *@shape.drop(1)] : @shape
        order = [0, 1, 2] - [axis] + [axis]
        flat.reshape(*order.map { |place| long[place] }).transpose(*Array.new(3) { |place| order.index(place) }).dup
      end
    end
  end
end
