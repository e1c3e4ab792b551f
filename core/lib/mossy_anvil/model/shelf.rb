# frozen_string_literal: true

module MossyAnvil
  module Model
    # Is there enough of a product, and how many packs to order where there is not.
    class Shelf
      # left_g on the shelf; reserved_g held by other work; pack_g of one pack; asked_g wanted now.
      def initialize(left_g:, reserved_g:, pack_g:, asked_g:)
        @left_g = left_g
        @reserved_g = reserved_g
        @pack_g = pack_g
        @asked_g = asked_g
      end

      def free_g = [@left_g - @reserved_g, 0].max
      def missing_g = [@asked_g - free_g, 0].max
      def enough? = missing_g.zero?
      def packs = missing_g.fdiv(@pack_g).ceil
    end
  end
end
