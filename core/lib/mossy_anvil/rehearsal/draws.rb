# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # Chance from a seed. Each thing drawn has a name and a source of its own, so that a change of one leaves all others
    # as they were, and what is asked first makes no difference.
    class Draws
      # seed: Integer; index: of the truth.
      def initialize(seed, index)
        @ground = (seed << 32) | index
      end

      # 0 up to 1, the same for the same name.
      def share(name) = Random.new((@ground << (8 * name.bytesize)) | name.unpack1("H*").to_i(16)).rand

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

      MOST = 200
    end
  end
end
