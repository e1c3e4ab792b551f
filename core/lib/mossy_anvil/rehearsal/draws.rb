# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # Chance from a seed. Each thing drawn has a name and a source of its own, so that a change of one leaves all others
    # as they were, and what is asked first makes no difference.
    class Draws
      WORD = (1 << 64) - 1
      MOST = 200

      # seed: Integer; index: of the truth.
      def initialize(seed, index)
        @ground = mixed(((seed << 32) + index) & WORD)
      end

      # 0 up to 1, the same for the same name. Source: name by Fowler, Noll and Vo, mixed as in SplitMix64 (Steele, Lea
      # and Flood).
      def share(name)
        word = name.each_byte.inject(0xcbf29ce484222325) { |sum, byte| ((sum ^ byte) * 0x100000001b3) & WORD }
        (mixed(word ^ @ground) >> 11) / 9_007_199_254_740_992.0
      end

      # Triangular between least and most, most often likely; in order with share(name).
      def triangular(name, least, likely, most)
        return likely if most <= least

        share, turn = share(name), (likely - least) / (most - least).to_f
        if share < turn
          least + Math.sqrt(share * (most - least) * (likely - least))
        else
          most - Math.sqrt((1 - share) * (most - least) * (most - likely))
        end
      end

      # Median times e to the spread times a normal number.
      def lognormal(name, median, spread) = median * Math.exp(spread * normal(name))

      # Box and Muller's, of two shares.
      def normal(name)
        Math.sqrt(-2 * Math.log(1 - share("#{name} far"))) * Math.cos(2 * Math::PI * share("#{name} turn"))
      end

      # How many of what happens so often on average: the more the larger the mean.
      def poisson(name, mean)
        left = share(name)
        count, chance = 0, Math.exp(-mean)
        while left >= chance && count < MOST
          left -= chance
          count += 1
          chance *= mean / count
        end
        count
      end

      private

      def mixed(word)
        word = (word + 0x9e3779b97f4a7c15) & WORD
        word = ((word ^ (word >> 30)) * 0xbf58476d1ce4e5b9) & WORD
        word = ((word ^ (word >> 27)) * 0x94d049bb133111eb) & WORD
        word ^ (word >> 31)
      end
    end
  end
end
