# frozen_string_literal: true

module MossyAnvil
  module Report
    # Is it worth it: what the finished piece is thought to come to, against the blank, the materials and the hours.
    # Sums of money are in the shop's currency.
    class ValueReport
      ABOUT = { certainty: :rule_of_thumb, source: "your_own_figures_materials_and_mending" }.freeze

      # defects: the reports of all of them, as plain data.
      def initialize(blank, defects, workings)
        @blank = blank
        @worth = blank.worth
        @taken =
          defects.filter_map do |defect|
            defect[:ways].find { |way| way[:chosen] } || defect[:ways].find { |way| way[:advised] }
          end
        @workings = workings
      end

      # nil where nobody has said what it would fetch; pays: nothing is lost on it.
      def to_h
        return unless @worth

        {
          outcome: @worth[:outcome].to_f,
          cost: cost,
          margin: margin,
          pays: margin >= 0,
          mend_hours: mend_hours,
          materials: materials
        }
      end

      private

      def materials = @taken.sum { |way| way[:cost] }
      def mend_hours = @taken.sum { |way| way[:hands_min] } / 60.0
      def blank_cost = (@blank.intake[:cost] || 0).to_f
      def work = (@worth[:hours] + mend_hours) * @worth[:rate]

      def cost
        @cost ||=
          @workings.put(
            "/worth/cost",
            value: blank_cost + materials + work,
            unit: "money",
            **ABOUT,
            formula: "blank_materials_for_mending_and",
            inputs: {
              "blank" => [blank_cost, "money"],
              "materials" => [materials, "money"],
              "hours_of_work" => [@worth[:hours], "h"],
              "hours_of_mending" => [mend_hours, "h"],
              "an_hour" => [@worth[:rate], "money"]
            }
          )
      end

      def margin
        @margin ||=
          @workings.put(
            "/worth/margin",
            value: @worth[:outcome] - cost,
            unit: "money",
            **ABOUT,
            formula: "what_it_would_fetch_less",
            inputs: {
              "would_fetch" => [@worth[:outcome], "money"],
              "costs" => [cost, "money"]
            }
          )
      end
    end
  end
end
