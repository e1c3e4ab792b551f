# frozen_string_literal: true

module MossyAnvil
  module Solid
    # What the form does to one defect: how much of it is turned away, how much is left to fill,
    # whether it shows, whether it goes through the wall.
    class DefectShare
      FILL_PROUD_MM = 2.0
      GONE_SHARE = 0.001

      # shares: DefectShares that this defect has the entry `row` of.
      def initialize(defect, shares, row)
        @defect = defect
        @shares = shares
        @row = row
        @open_share = defect.open_share
      end

      # mm3 open before anything is turned: what is in the wood, not what lies outside it.
      def open_mm3 = occupied_mm3 * @open_share

      # mm3 it takes up in the wood, open or not.
      def occupied_mm3 = @shares.occupied_mm3[@row]

      # Share of it that the form turns away, 0 to 1; 0 without a form.
      def removed_share = @shares.removed_share[@row]

      # mm3 to fill, 0 where no opening reaches a finished surface: what the form leaves, and FILL_PROUD_MM beyond each
      # finished surface to be turned back.
      def fill_mm3
        @defect.open? && reaches_surface? ? @shares.kept_proud_mm3[@row] * @open_share : 0.0
      end

      # mm3 to fill before the lathe turns, 0 where none of it stays: all of the opening, for what is open is open as
      # long as any of it is, whatever the form keeps.
      def to_fill_mm3 = fill_mm3.positive? ? open_mm3 : 0.0

      def removed? = removed_share > 1 - GONE_SHARE

      # Is it gone already when the outside is turned and nothing is hollowed?
      def removed_outside?
        @shares.hollow? ? @shares.kept_outside_mm3[@row] <= GONE_SHARE * occupied_mm3 : removed?
      end

      # Does it open on a finished surface (on the blank as it stands, without a form)?
      def reaches_surface? = !removed? && @shares.opens[@row]

      # Finished skins that it lies on: of :outside, :inside, :rim and :foot; on a solid piece both ends are its :rim.
      def shows = @shares.form.nil? || removed? ? [] : @shares.shows[@row]

      # Does one opening (bark counts: it falls out) reach both the hollow and the outside?
      def breaks_through?
        opening = @defect.open? || @defect.type == "bark_inclusion"
        @shares.hollow? && opening && !removed? && @shares.beyond_outside[@row] && @shares.inside_hollow[@row]
      end

      # Does any of it lie in the wood within so much of the axis, between two z?
      def in_cylinder?(radius_mm, from_mm, to_mm) = @shares.in_cylinder(radius_mm, from_mm, to_mm)[@row]

      # [radius, z] of its middle, mm.
      def middle_mm = @shares.middles_mm[@row]

      # mm of depth in the finished wood: from a face how much of the way in lies there, else how far under the outside
      # it goes.
      def remaining_depth_mm = removed? ? 0.0 : @shares.remaining_depth_mm[@row]
    end
  end
end
