# frozen_string_literal: true

module MossyAnvil
  module Placing
    # What a turner wants of a placement, as one number to compare placements by: the higher the better.
    class PlacementGoals
      # What is taken for character and not for trouble.
      CHARACTER = %w[resin_body].freeze
      EQUALS_SHARE = 0.02

      # wished: { key => weight } or, for keep_in_view, [{ key:, of:, weight: }] ...; a list of { key:, weight:, of: }
      # with of only for keep_in_view.
      # Raises InvalidInput under `at`.
      def initialize(wished, blank, at: "")
        @wished = wished
        @blank = blank
        @rows = Table.rows("wishes").to_h { |row| [row["key"], row] }
        check(at)
        winged = blank.form.kind == "winged" || wished.any? { |wish| wish[:key] == "keep_bark_rim" }
        @air_allowed = Table["wishes"]["air_allowed"][winged ? "winged" : "plain"]
        @volumes =
          blank.defects.to_h do |defect|
            [defect.id, defect.path? ? defect.run_mm(blank.shape) * defect.depth_mm : defect.volume_mm3]
          end
      end

      # Worth of measures (PlacementField::Measures), the penalties taken off.
      def worth(measures)
        weight = @wished.sum { |wish| wish[:weight] }
        (@wished.sum { |wish| wish[:weight] * value(wish, measures) } / weight) - penalty(measures) +
          between_equals(measures)
      end

      # May it be turned like that at all?
      def fits?(measures) = measures.air <= @air_allowed + 1e-9

      # 0 to 1.
      def value(wish, measures)
        case wish[:key]
        when "lose_cracks", "lose_trouble"
          1 - kept_share(measures) { |defect| unwanted?(defect, wish[:key]) }
        when "keep_bark_rim"
          measures.bark_rim
        when "keep_in_view"
          [measures.in_view.fetch(wish[:of]) * 3, 1.0].min
        when "most_wood"
          measures.yield
        when "largest"
          large(measures)
        else
          1 / (1 + measures.off_axis_mm)
        end
      end

      private

      def unwanted?(defect, key) =
        key == "lose_cracks" ? defect.path? && defect.crack? : !CHARACTER.include?(defect.type)

      def large(measures)
        low, high = Table["wishes"]["sizes"]
        ((measures.scale - low) / (high - low)).clamp(0.0, 1.0)
      end

      def check(at)
        raise InvalidInput.at(at, Fault.t("are_none"), @rows.keys.join(", ")) if @wished.empty?

        ids = @blank.defects.map(&:id)
        faults = @wished.each_with_index.filter_map { |wish, index| fault(wish, "#{at}/#{index}", ids) }
        raise InvalidInput, faults if faults.any?
      end

      # Of one wish, nil where it is none. ids: of the defects there are.
      def fault(wish, at, ids)
        key, of = wish.values_at(:key, :of)
        if !@rows.key?(key)
          Fault.new(path: "#{at}/key", problem: told(key), allowed: @rows.keys.join(", "))
        elsif @rows[key]["of"] && !ids.include?(of)
          Fault.new(path: "#{at}/of", problem: told(of), allowed: Fault.t("a_defect", ids: ids.join(", ")))
        end
      end

      def told(given) = given ? Fault.t("is", given: Fault.shown(given)) : Fault.t("is_missing")

      # Of all defects of a kind, by size, the share that stays.
      def kept_share(measures, &)
        some = @blank.defects.select(&)
        whole = some.sum { |defect| @volumes[defect.id] }
        whole.zero? ? 0.0 : some.sum { |defect| @volumes[defect.id] * measures.kept.fetch(defect.id) } / whole
      end

      # Of two that are wished for alike, the larger and better balanced.
      def between_equals(measures) =
        EQUALS_SHARE * (value({ key: "largest" }, measures) + value({ key: "best_balanced" }, measures)) / 2

      def penalty(measures)
        row = Table["wishes"]
        over = [measures.air - @air_allowed, 0].max
        wanted = @wished.filter_map { |wish| wish[:of] }
        (row["penalties"]["air"] * over) + (row["penalties"]["through"] * (measures.through - wanted).size) +
          (measures.tenon_mm < row["least_tenon_mm"] ? row["penalties"]["no_tenon"] : 0)
      end
    end
  end
end
