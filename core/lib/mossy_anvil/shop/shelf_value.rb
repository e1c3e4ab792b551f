# frozen_string_literal: true

module MossyAnvil
  module Shop
    # What stands on the shelf is worth, at what a pack of it cost.
    module ShelfValue
      # left_g: of a product, 0 where the book is below it. pack_g, pack_price: of one pack, in the shop's money.
      def self.of(left_g, pack_g:, pack_price:) = [left_g, 0].max * pack_price / pack_g.to_f
    end
  end
end
