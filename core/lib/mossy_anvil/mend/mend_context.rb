# frozen_string_literal: true

module MossyAnvil
  module Mend
    # How the blank stands before a step of its mending, and what is known round it. Each step gives back the scene
    # after it.
    class MendContext
      attr_reader :blank, :moisture_pct, :assessed, :water, :climate, :records

      # blank: as mended so far. assessed: the assessment before any mending, plain data; water: DryingReport or nil.
      # moisture_pct: inside, now. records: ShopRecords.
      def initialize(blank:, assessed:, water:, climate:, records:, moisture_pct:)
        @blank = blank
        @assessed = assessed
        @water = water
        @climate = climate
        @records = records
        @moisture_pct = moisture_pct
        freeze
      end

      def wooden? = blank.material.wooden?
      def shop_c = climate.temperature_c

      # What was calculated of the defect of that id before any mending.
      def report_of(id) = assessed[:defects].find { |defect| defect[:id] == id }

      # The same with some defects replaced: { id => another, or nil where nothing is left of it }.
      def mended(changes)
        others = blank.defects.filter_map { |defect| changes.key?(defect.id) ? changes[defect.id] : defect }
        with(blank: blank.with_defects(others))
      end

      # The same at another moisture: the wood with it.
      def dried(to_pct)
        return self unless wooden? && to_pct < moisture_pct

        with(moisture_pct: to_pct, blank: blank.with_material(blank.material.at(moisture_pct: to_pct)))
      end

      # The same as wet as it was found to be, whatever was expected.
      def found_at(pct) =
        wooden? ? with(moisture_pct: pct, blank: blank.with_material(blank.material.at(moisture_pct: pct))) : self

      # The same with so much resin drawn into all of it.
      def soaked(resin_kg_m3) =
        with(
          blank:
            blank.with_material(blank.material.at(moisture_pct: blank.material.moisture_pct, resin_kg_m3: resin_kg_m3))
        )

      private

      def with(**changes)
        MendContext.new(
          blank: blank,
          assessed: assessed,
          water: water,
          climate: climate,
          records: records,
          moisture_pct: moisture_pct,
          **changes
        )
      end
    end
  end
end
