# frozen_string_literal: true

module MossyAnvil
  module Model
    # The measures of a form: those that are given, and for the rest what suits the blank.
    class FormMeasures
      LEAST_MM = 0.1
      # What must be smaller than what.
      SMALLER = [
        %w[foot_mm diameter_mm],
        %w[mouth_mm diameter_mm],
        %w[neck_mm diameter_mm],
        %w[stem_mm foot_mm],
        %w[stem_mm diameter_mm],
        %w[floor_mm height_mm]
      ].freeze

      # row: of the table of forms. given: { key => number }. shape: of the blank. at: where faults are said to be.
      # Raises InvalidInput where a measure is none of that form's, out of its bounds, or in contradiction to another.
      def initialize(row, given, shape, at)
        @row = row
        @given = given.transform_keys(&:to_s)
        @shape = shape
        @at = at
        check_given
        check_sense
      end

      # Plain data, in the table's order.
      def to_a = keys.map { |key| { key: key, value: value(key), given: @given.key?(key) } }
      def keys = @row["measures"].map { |measure| measure["key"] }
      # Has it a wall?
      def hollow? = keys.include?("wall_mm")

      def value(key)
        return @given[key].to_f if @given.key?(key)

        measure = @row["measures"].find { |candidate| candidate["key"] == key }
        return measure["value"].to_f if measure.key?("value")

        (room(measure["of"]) * measure["share"]).clamp(measure["least"] || 0, measure["most"] || Float::INFINITY).round(
          1
        )
      end

      def half(key) = value(key) / 2
      def height = value(height_key)

      private

      def height_key = @row["key"] == "sphere" ? "diameter_mm" : "height_mm"

      def room(of)
        case of
        when "across"
          2 * @shape.min_radius_mm
        when "widest"
          2 * @shape.max_radius_mm
        when "length"
          @shape.length_mm
        else
          [2 * @shape.min_radius_mm, @shape.length_mm].min
        end
      end

      def check_given
        known = @row["measures"].to_h { |measure| [measure["key"], measure] }
        faults =
          @given.filter_map do |key, number|
            at = "#{@at}/measures/#{key}"
            unless known.key?(key)
              next(
                Fault.new(
                  path: at,
                  problem: Fault.t("is_no_measure_of_a", kind: @row["key"].tr("_", " ")),
                  allowed: known.keys.join(", ")
                )
              )
            end

            low, high = span(known[key])
            unless fits?(number, low, high)
              Fault.new(
                path: at,
                problem: Fault.t("is", given: Fault.shown(number)),
                allowed: Fault.t("a_number_from_to", low: low, high: high)
              )
            end
          end
        raise InvalidInput, faults if faults.any?
      end

      # A measure with a value of its own has its bounds; a length is more than nothing.
      def span(measure) = measure.key?("value") ? measure.values_at("least", "most") : [LEAST_MM, 5000]
      def fits?(number, low, high) = number.is_a?(Numeric) && number.finite? && number.between?(low, high)

      def check_sense
        SMALLER.each { |small, large| check_smaller(small, large) }
        length_mm = @shape.length_mm
        if height > length_mm + 1e-9
          refuse_measure(height_key, height, Fault.t("at_most_mm_the_length_of_the", length_mm: length_mm.round(1)))
        end
        check_egg if @row["key"] == "egg"
      end

      def check_smaller(small, large)
        return unless ([small, large] - keys).empty? && value(small) > value(large)

        allowed = Fault.t("no_more_than_its_mm", what: large.delete_suffix("_mm"), large: value(large).round(1))
        refuse_measure(small, value(small), allowed)
      end

      def check_egg
        high, wide = value("height_mm"), value("diameter_mm")
        return if high >= wide

        refuse_measure("height_mm", high, Fault.t("at_least_its_diameter_mm", diameter_mm: wide.round(1)))
      end

      def refuse_measure(key, mm, allowed) =
        raise InvalidInput.at("#{@at}/measures/#{key}", Fault.t("is", given: mm.round(1)), allowed)
    end
  end
end
