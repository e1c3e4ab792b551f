# frozen_string_literal: true

module MossyAnvil
  module Finish
    # A family of finish as the shop has it: what its tin says lies over the class's numbers, and the shop's own records
    # weigh in on what it takes and how long.
    class Product
      # Numbers a tin may say otherwise, hours at 20 degrees C.
      TIMES = %w[touch_h recoat_h cure_h].freeze

      attr_reader :family, :row

      # family: key of the table; sheet: { "recoat_h" => hours, ... } of the tin; records: Model::ShopRecords.
      def initialize(family, sheet: {}, records: Model::ShopRecords.new)
        @family = family
        @row = Coats.row(family).merge(sheet.slice(*TIMES))
        @records = records
      end

      # ml of each coat, first coat first, as Coats.ml; usual: by the table alone.
      def usual_ml(area_cm2, dry_kg_m3, **about) = Coats.ml(family, area_cm2, dry_kg_m3, **about)

      def ml(area_cm2, dry_kg_m3, **about)
        factor = @records.factor("soak_factor", family)
        usual_ml(area_cm2, dry_kg_m3, **about).map { |millilitres| millilitres * factor }
      end

      # Hours at a shop's temperature: kind is touch, recoat or cure; usual: without the shop's own records.
      def usual_hours(kind, temperature_c) = Coats.hours(row, kind, temperature_c)
      def hours(kind, temperature_c) = usual_hours(kind, temperature_c) * @records.factor("coat_time_factor", family)

      def grams(millilitres) = millilitres * row["density_g_ml"]
      def price(millilitres) = millilitres * row["price_ml"]
    end
  end
end
