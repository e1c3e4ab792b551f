# frozen_string_literal: true

module MossyAnvil
  module Report
    # What one form, laid one way, comes to, in the few numbers that forms are compared by, and as a small drawing.
    class FormOutcome
      # blank: as surveyed, with the form and its centres.
      def initialize(blank, climate: ShopClimate.new, fineness: :default)
        @blank = blank
        @climate = climate
        @fineness = fineness
      end

      def report = @report ||= Assessment.new(@blank, climate: @climate, fineness: @fineness).to_h

      # Plain data. fill_ml: to mend, all of it; mend_hours: of work in hand by the ways advised; wasted_value: nil
      # where the blank has no price.
      def to_h
        last = report[:stages].values.last
        {
          kind: @blank.form.kind,
          **measured,
          **mending,
          **last.slice(:mass_g, :limit_rpm, :governed_by, :unsafe, :imbalance_g_mm),
          verdict: report[:verdict],
          gone: ids { |defect| defect[:removed_share] > 0.999 },
          shown: ids { |defect| defect[:shows].any? },
          section_svg: Formats::SectionMap.new(@blank, bare: true).svg
        }
      end

      private

      def last = report[:stages].values.last

      def measured
        made, form = report[:form], @blank.form
        {
          diameter_mm: 2 * form.outside.largest_mm,
          height_mm: form.length_mm,
          **made.slice(:yield_share, :wasted_value, :resin_share, :least_wall_mm, :floor_mm, :breaks_through),
          tenon_wood_mm: made[:tenon_wood][:length_mm],
          tenon_diameter_mm: made[:tenon_wood][:diameter_mm]
        }
      end

      def mending =
        {
          fill_ml: defects.sum { |defect| to_fill_mm3(defect) } / 1000,
          mend_hours: mend_min / 60.0,
          mend_cost: advised.sum { |way| way[:cost] }
        }

      def defects = report[:defects]
      # All of an opening of which any stays.
      def to_fill_mm3(defect) = defect[:fill_volume_mm3].positive? ? defect[:open_volume_mm3] : 0.0
      def ids(&) = defects.select(&).map { |defect| defect[:id] }
      def advised = defects.filter_map { |defect| defect[:ways].find { |way| way[:advised] } }
      def mend_min = advised.sum { |way| way[:hands_min] }
    end
  end
end
