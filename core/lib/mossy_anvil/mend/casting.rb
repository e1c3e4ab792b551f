# frozen_string_literal: true

module MossyAnvil
  module Mend
    # One pour into a mould round what lies in it: how much, how it is mixed, and what it lifts.
    # Sources: geometry, Archimedes; the allowance for loss is a rule of thumb, replaced by a shop's own.
    class Casting
      LOSS_SHARE = 0.08
      CUP_G = 15.0

      attr_reader :resin, :mould_mm3, :wood_mm3, :loss_share, :cup_g

      # Volumes in mm3: the mould inside, less plugs, and the wood in it. loss_share and cup_g: what is left in cups and
      # on sticks.
      def initialize(resin:, mould_mm3:, wood_mm3:, loss_share: LOSS_SHARE, cup_g: CUP_G)
        @resin = resin
        @mould_mm3 = mould_mm3
        @wood_mm3 = wood_mm3
        @loss_share = loss_share
        @cup_g = cup_g
      end

      # mm3 of resin in the mould; under 0 the wood does not fit.
      def net_mm3 = mould_mm3 - wood_mm3

      # g to mix, loss and cup included.
      def mix_g = (net_mm3 / 1000 * resin.density_g_ml * (1 + @loss_share)) + @cup_g

      # N that the resin lifts a piece of that volume and density with; negative where it sinks.
      def self.lift_n(volume_mm3, piece_kg_m3, resin_g_ml)
        ((resin_g_ml * 1000) - piece_kg_m3) * volume_mm3 * 1e-9 * Mechanics::GRAVITY_M_S2
      end
    end
  end
end
