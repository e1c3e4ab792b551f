# frozen_string_literal: true

module MossyAnvil
  module Mend
    # How far open cracks may open at their mouths while wood dries: at most all that the rings shrink more than the
    # rays, shared among them.
    # Source: Wood Handbook, shrinkage in a straight line from fibre saturation.
    class CrackOpening
      FORMULA = "round_the_rim_what_the_rings"
      SOURCE = "wood_handbook_shrinkage_in_a_straight"

      # across_mm: diameter at the mouths; the blank's own without one. cracks: those that count; all open ones without.
      def initialize(blank, from_pct:, to_pct:, across_mm: nil, cracks: nil)
        @stock = blank.material.stock
        @across_mm = across_mm || blank.shape.across_mm
        @cracks = cracks || blank.defects.select { |defect| defect.path? && defect.open? }
        @from_pct = from_pct
        @to_pct = to_pct
      end

      # [[id, mm], ...]; empty for stock that does not shrink.
      def openings
        return [] unless @stock&.wood?

        @cracks.map { |crack| [crack.id, Math::PI * @across_mm * pull / @cracks.size] }
      end

      # Share of its round that the rings pull in more than the rays, over the way still to go.
      def pull = [rings_over_rays_pct, 0].max / 100 * dried_share
      def rings_over_rays_pct = @stock.tangential_pct - @stock.radial_pct

      private

      # Of the whole way from fibre saturation to oven-dry, the share between the two moistures.
      def dried_share
        saturation = Moisture::FIBRE_SATURATION_PCT
        [[@from_pct, saturation].min - @to_pct, 0].max / saturation
      end
    end
  end
end
