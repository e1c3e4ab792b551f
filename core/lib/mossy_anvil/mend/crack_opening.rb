# frozen_string_literal: true

module MossyAnvil
  module Mend
    # How far open cracks may open at their mouths while wood dries, at most.
    #
    # With the pith in the piece, all that the rings shrink more than the rays, shared among them:
    #   pi d (S_t - S_r) dM / 30 / cracks
    # Where the pith is not in it and a crack does not reach where it was, the strain over the crack's own depth alone:
    #   depth S_t dM / 30
    # Where nobody knows, a crack that goes most of the way to the axis is taken to reach the pith, a shallower one not.
    #
    # Source: Wood Handbook, shrinkage in a straight line from fibre saturation.
    class CrackOpening
      ROUND_FORMULA, OWN_FORMULA = "round_the_rim_what_the_rings", "what_it_shrinks_over_its_depth"
      # A crack that goes so far to the axis.
      TO_PITH_SHARE = 0.8
      SOURCE = "wood_handbook_shrinkage_in_a_straight"

      # across_mm: diameter at the mouths; the blank's own without one. cracks: those that count; all open ones without.
      def initialize(blank, from_pct:, to_pct:, across_mm: nil, cracks: nil)
        @stock = blank.material.shrinking_stock
        @pith = blank.material.pith
        @across_mm = across_mm || blank.shape.across_mm
        @cracks = cracks || blank.defects.select { |defect| defect.path? && defect.open? }
        @from_pct = from_pct
        @to_pct = to_pct
      end

      # [[id, mm], ...]; empty for stock that does not shrink.
      def openings
        return [] unless @stock

        round = Math::PI * @across_mm * pull / @cracks.size
        @cracks.map { |crack| [crack.id, reaches_pith?(crack) ? round : [own_mm(crack), round].min] }
      end

      # Key of the formula an opening comes from, by the crack's id.
      def formula(id) = reaches_pith?(@cracks.find { |crack| crack.id == id }) ? ROUND_FORMULA : OWN_FORMULA

      # Is it taken to reach the pith?
      def reaches_pith?(crack) = @pith ? @pith == "in" : crack.depth_mm >= TO_PITH_SHARE * @across_mm / 2

      # Share of its round that the rings pull in more than the rays, over the way still to go.
      def pull = [rings_over_rays_pct, 0].max / 100 * dried_share
      def rings_over_rays_pct = @stock.tangential_pct - @stock.radial_pct

      private

      # What the wood shrinks over its own depth.
      def own_mm(crack) = crack.depth_mm * @stock.tangential_pct / 100 * dried_share

      # Of the whole way from fibre saturation to oven-dry, the share between the two moistures.
      def dried_share
        saturation = Moisture::FIBRE_SATURATION_PCT
        [[@from_pct, saturation].min - @to_pct, 0].max / saturation
      end
    end
  end
end
