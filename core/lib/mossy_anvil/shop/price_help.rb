# frozen_string_literal: true

module MossyAnvil
  module Shop
    # What a piece might be asked for: what it cost, and what similar ones of one's own fetched. A help, not a price.
    class PriceHelp
      # So many similar ones say something.
      ENOUGH = 3

      # cost: of the piece; fetched: prices of similar ones; sound: chance that it comes out so, nil where nobody knows.
      def initialize(cost, fetched, sound: nil)
        @cost = cost
        @sound = sound
        @fetched = fetched.sort
      end

      # { cost:, similar: how many, least:, middle:, most: nil of too few, ask: at least what it cost; below: do similar
      # ones fetch less than this one cost? sound:; expected: what that price brings on average over what it cost, where
      # a lost piece brings nothing; nil where nobody knows its chance }
      def to_h
        middle = known? ? quantile(0.5) : nil
        ask = [@cost, middle].compact.max
        {
          cost: @cost,
          similar: @fetched.size,
          least: known? ? quantile(0.25) : nil,
          middle: middle,
          most: known? ? quantile(0.75) : nil,
          ask: ask,
          below: known? && middle < @cost,
          sound: @sound,
          expected: @sound && ((@sound * ask) - @cost)
        }
      end

      private

      def known? = @fetched.size >= ENOUGH

      # Between the two that lie next to it.
      def quantile(share)
        place = share * (@fetched.size - 1)
        low = place.floor
        @fetched[low] + ((place - low) * (@fetched[[low + 1, @fetched.size - 1].min] - @fetched[low]))
      end
    end
  end
end
