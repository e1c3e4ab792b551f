# frozen_string_literal: true

module MossyAnvil
  module Route
    # Looking over, sanding, coats, and what closes it.
    class Finishing
      def initialize(data, piece, facts)
        @kind = data.fetch(:kind)
        @of = data.fetch(:of, [])
        @row = Table.row("route", @kind)
        @piece = piece
        @facts = facts
      end

      def step(id)
        Step.new(
          id: id,
          kind: @kind,
          stretch: @row["stretch"],
          name: Message.of("route.kinds.#{@kind}", **about),
          of: @of,
          hands_min: hands_min,
          wait: wait,
          needs: Needs.new(moisture_at_most_pct: gate_pct, tools: []),
          stage: sanded? ? @piece.stage.to_s : nil,
          limit_rpm: sanded? ? @facts.sanding_rpm : nil,
          materials: materials,
          says: wet,
          after: @piece
        )
      end

      private

      # On the lathe; nil speed where it is stopped for it.
      def sanded? = @kind == "sand"
      def coats = @row.fetch("coats", 0)

      def about
        return { from: Message.text("P#{@facts.grits.first}"), to: Message.text("P#{@facts.grits.last}") } if sanded?

        return { ids: Message.ids(@of) } if @of.any?

        coats > 0 ? { count: Message.count(coats) } : {}
      end

      def hands_min
        once = @row["base_min"] + (@row.fetch("min_per_dm2", 0) * @facts.skin_dm2)
        papers = @row.fetch("min_per_grit", 0) * @facts.grits.size
        papers += @row["min_per_dm2"] * @facts.skin_dm2 * (@facts.grits.size - 1) if sanded?
        (coats > 0 ? once * coats : once) + papers
      end

      def wait = coats > 0 ? Wait.of_hours(coats * @row["between_h"]) : nil

      # Oil and what is sold as it take the wood as it stands in the room; a film does not.
      def gate_pct
        @facts.emc_pct + Table["route"]["finish_over_emc_pct"] if coats > 0 && @facts.wooden?
      end

      def materials
        return [] unless coats > 0

        [
          Mend::MendStep::Taken.new(
            key: "finish",
            name: Message.of("route.finish"),
            amount: @facts.skin_dm2 * coats,
            unit: "g",
            cost: Table["route"]["finish_price_per_dm2"] * @facts.skin_dm2 * coats
          )
        ]
      end

      def wet
        now = @piece.moisture_pct
        return [] unless gate_pct && now && now > gate_pct + 0.05

        [Advice.say(:stop, "finish_on_wet", now: [now, "%"], gate: [gate_pct, "%"])]
      end
    end
  end
end
