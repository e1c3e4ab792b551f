# frozen_string_literal: true

module MossyAnvil
  module Report
    # Which one more test would change the answer most: each defect is taken once as well and once as badly as it may
    # be, everything else as surveyed, and those between which the last stage's speed moves most come first. What the
    # turner is sure of moves least.
    class NextTests
      # How far a depth may be off, either way, by how it was found; a share of it. A range given by the turner counts
      # instead.
      DOUBT = { "feeler" => 0.1, "seen" => 0.25, "guessed" => 0.5, nil => 0.35 }.freeze
      SIZE_DOUBT = 0.3
      BOND_DOUBT = 0.25
      GRADES = %w[firm soft spongy].freeze
      # So many defects are gone into; the largest first, since a small one moves little.
      MOST_LOOKED_AT = 8
      LEAST_SHARE = 0.01

      def initialize(blank, climate: ShopClimate.new)
        @blank = blank
        @climate = climate
      end

      # Plain data, the most telling first: which defect, which test and how it is done, where, and the last stage's
      # limit at its best and worst.
      # What would change nothing is left out.
      def to_a
        [
          *candidates.filter_map { |defect| judged(defect) },
          *@blank.suspects.map { |hollow| suspected(hollow) }
        ].select { |found| found[:best_rpm] - found[:worst_rpm] > LEAST_SHARE * found[:best_rpm] }
          .sort_by { |found| [-(found[:best_rpm] - found[:worst_rpm]), found[:id]] }
      end

      private

      def candidates =
        @blank
          .defects
          .select { |defect| test_for(defect) && !(defect.path? && defect.mended?) }
          .max_by(MOST_LOOKED_AT) { |defect| extent(defect) }
      def test_for(defect) = Table.rows("tests").find { |row| row["of"].include?(defect.type) }
      def extent(defect) =
        defect.path? ? defect.run_mm(@blank.shape) * defect.depth_mm : defect.size_mm.max(2).inject(:*)

      def judged(defect)
        better, worse = either_way(defect)
        return unless better

        limits = [better, worse].map { |other| limit_with(defect, other) }
        test = test_for(defect)
        { id: defect.id, test: test["key"], **place(defect), best_rpm: limits.max, worst_rpm: limits.min }
      end

      # A dull knock: either nothing is there, or the hollow that it may hide.
      def suspected(hollow)
        limits = [@blank.defects, @blank.defects + [hollow]].map { |defects| limit_of(defects) }
        test = test_for(hollow)
        { id: hollow.id, test: test["key"], **place(hollow), best_rpm: limits.max, worst_rpm: limits.min }
      end

      # [as well, as badly] as it may be; nil where there is nothing to doubt.
      def either_way(defect)
        return depths(defect).map { |depth_mm| defect.at_depth(depth_mm) } if defect.path?

        case defect.type
        when "soft_zone"
          grades(defect).map { |grade| defect.with(detail: { grade: grade }) }
        when "loose_piece"
          [BOND_DOUBT, -BOND_DOUBT].map do |by|
            defect.with(detail: { bonded_share: (defect.detail[:bonded_share] + by).clamp(0.0, 1.0) })
          end
        when "hard_inclusion"
          nil
        else
          [1 - SIZE_DOUBT, 1 + SIZE_DOUBT].map { |by| defect.with(size_mm: defect.size_mm.map { |size| size * by }) }
        end
      end

      def depths(path)
        return path.depth_range_mm if path.depth_range_mm

        doubt = DOUBT.fetch(path.found_by)
        [path.depth_mm * (1 - doubt), path.depth_mm * (1 + doubt)]
      end

      def grades(zone)
        at = GRADES.index(zone.detail[:grade])
        [GRADES[[at - 1, 0].max], GRADES[[at + 1, GRADES.size - 1].min]]
      end

      # Limit of the last stage with another in the defect's place.
      def limit_with(defect, other) = limit_of(@blank.defects.map { |own| own.equal?(defect) ? other : own })

      def limit_of(defects)
        changed = @blank.with_defects(defects)
        solid = SolidAnalysis.new(changed, @climate, :default)
        StageReport.new(Solid::Stage.names_for(changed).last, solid, Workings.new).limit_rpm
      end

      def place(defect)
        return { clock_deg: defect.clock_deg, z_mm: defect.z_mm } unless defect.path?

        samples = defect.samples(@blank.shape)
        middle = samples.size / 2
        { clock_deg: samples.clock_deg[middle], z_mm: samples.z_mm[middle] }
      end
    end
  end
end
