# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Something brushed on or wicked into what is soft: hardener, thin CA, sealer.
    class SoakStep < MendStep
      # Share of the room that what is wicked in fills, as far as it goes.
      FILLED = [0.4, 0.8].freeze

      def name =
        words(
          defects.empty? ? "soak.name" : "soak.name_of",
          with: product("hardeners", row),
          ids: defects.any? ? ids : nil
        )
      def gate_pct = row["dry_to_pct"]
      def hands_min = row["hands_min"]
      def usual_h = (row["wait_h"] * ready_factor)
      def softens_c = row["softens_c"]
      def seals? = row["key"] != "hardener"
      def blocks_glue? = row["blocks_glue"] || false
      def tools = lists("tools", "brush", "wipes")

      def cautions = lists("cautions", row["solvent"] ? "solvent" : "ca")

      def materials =
        [
          Taken.new(
            key: row["key"],
            name: product("hardeners", row),
            amount: way[:g],
            unit: "g",
            cost: way[:g] * row["price_per_g"]
          )
        ]
      def detail = { with: row["key"], g: way[:g], deep_mm: row["deep_mm"], ways: ways }

      def says
        [
          say(
            :plain,
            "soak.says.amount",
            g: [way[:g], "g"],
            deep: [row["deep_mm"], "mm"],
            least: [row["strength"].first * 100, "%"],
            most: [row["strength"].last * 100, "%"]
          )
        ]
      end

      def lines
        [
          line(:do, "soak.line.brush", g: [way[:g], "g"]),
          line(
            :measure,
            "soak.line.measure",
            target: [way[:g], "g", nil],
            measures: :used_g,
            draws: {
              key: row["key"],
              part: nil
            }
          ),
          line(
            :wait,
            row["solvent"] ? "soak.line.until_no_smell" : "soak.line.set",
            minutes: [usual_h * 45, usual_h * 60],
            unlocks: "turn"
          )
        ]
      end

      # Only what fills enough of a zone counts for its strength; a skin of it does not, and is kept for what it is.
      def after
        scene.mended(
          defects
            .select { |defect| %w[soft_zone galleries].include?(defect.type) }
            .to_h do |defect|
              [defect.id, defect.with(detail: { soaked_share: [share_of(defect), defect.soaked_share].max })]
            end
        )
      end

      private

      # Of its room: as full as such a thing fills wood, as deep as it goes in from both sides.
      def share_of(defect) = (row["uptake"] || FILLED).sum / 2 * [2.0 * row["deep_mm"] / defect.size_mm.min, 1].min

      def row = @row ||= own(Table.row("hardeners", data[:with] || "thin_ca", at: "#{at}/with"))
      def ways = @ways ||= HardeningWays.new(scene, defects).to_a
      def way = ways.find { |one| one[:key] == row["key"] }
    end
  end
end
