# frozen_string_literal: true

module MossyAnvil
  module Shop
    # Did nine of ten hold of what was said to have a chance of nine in ten? Chances that were told before, against what
    # became of the pieces.
    class OddsCalibration
      # Bounds of the groups that are counted together.
      BOUNDS = [0.0, 0.5, 0.8, 0.95, 1.0].freeze

      # pairs: [[share that was said to come out sound, did it?], ...]
      def initialize(pairs)
        @pairs = pairs
      end

      # { count:, said: how many were to hold, held: how many did; groups: [{ from:, to:, count:, said:, held: }, ...],
      # those with none left out }
      def to_h
        groups = BOUNDS.each_cons(2).map { |from, to| { from: from, to: to, **sums(within(from, to)) } }
        { **sums(@pairs), groups: groups.reject { |group| group[:count].zero? } }
      end

      private

      def within(from, to) = @pairs.select { |share, _| share >= from && (share < to || to >= 1.0) }
      def sums(pairs) =
        { count: pairs.size, said: pairs.sum { |share, _| share }, held: pairs.count { |_, held| held } }
    end
  end
end
