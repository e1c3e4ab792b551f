# frozen_string_literal: true

module MossyAnvil
  module Model
    # Which open cracks and bark seams run into each other in the wood, and where.
    class DefectIntersections
      TOUCH_MM = 0.5
      # By pair of paths and shape, [] or [Meeting].
      FOUND = Cache.new(3000)
      Meeting = Struct.new(:ids, :clock_deg, :radius_mm, :z_mm, keyword_init: true)

      # Cracks that are glued do not count, nor bark that is packed and stays where it is.
      def self.open_seams(blank)
        blank
          .defects
          .select { |defect| defect.path? && (defect.crack? ? defect.parts? : !defect.mended?) }
          .map { |path| CrackSheet.of(path, blank.shape) }
      end

      def initialize(blank)
        @shape = blank.shape
        @seams = DefectIntersections.open_seams(blank)
      end

      # List of Meeting, in the order of the survey.
      def all =
        @all ||=
          near.flat_map { |one, other| FOUND.of([one.path, other.path, @shape]) { [meeting(one, other)].compact } }

      private

      # The pairs whose boxes come close enough to look closer.
      def near
        return [] if @seams.size < 2

        pairs = close.where.to_a.map { |at| at.divmod(@seams.size) }
        pairs.select { |one, other| one < other }.map { |pair| @seams.values_at(*pair) }
      end

      # Bits, seams x seams: do their boxes come that close?
      def close
        low, high =
          [0, 1].map { |bound| Numo::DFloat.cast(@seams.map { |seam| seam.bounds_mm.map { |span| span[bound] } }) }
        spacing = Numo::DFloat.cast(@seams.map(&:spacing_mm))
        reach = Numo::DFloat.maximum(spacing.reshape(@seams.size, 1), spacing) + TOUCH_MM
        (0..2)
          .map do |axis|
            reaches = (low[true, axis].reshape(@seams.size, 1) - reach).le(high[true, axis])
            reaches & reaches.transpose
          end
          .inject(:&)
      end

      # A sheet passes through another where one of its places lies within half its own spacing of it.
      # Only what is in the wood counts: beyond the axis of a deep crack there is none of it.
      def meeting(one, other)
        [[one, other], [other, one]].filter_map do |seam, sheet|
            distances = sheet.distances_mm(*seam.places)
            nearest = distances.min_index
            [distances[nearest], seam, nearest] if distances[nearest] <= TOUCH_MM + (seam.spacing_mm / 2)
          end
          .min_by(&:first)
          &.then { |_, seam, place| at(seam, place, [one, other]) }
      end

      def at(seam, place, pair)
        clock, radius, z = seam.places
        Meeting.new(
          ids: pair.map { |own| own.path.id },
          clock_deg: clock[place],
          radius_mm: radius[place],
          z_mm: z[place]
        )
      end
    end
  end
end
