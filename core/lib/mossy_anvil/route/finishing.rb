# frozen_string_literal: true

module MossyAnvil
  module Route
    # Looking over, sanding, coats, and what closes it.
    class Finishing
      CM2_PER_DM2 = 100.0

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
          name: name,
          of: @of,
          base_min: hands_min,
          wait: wait,
          needs: Needs.new(moisture_at_most_pct: gate_pct, tools: []),
          stage: sanded? ? @piece.stage.to_s : nil,
          limit_rpm: sanded? ? finish.sanding_rpm : nil,
          materials: materials,
          says: wet,
          after: @piece
        )
      end

      private

      def name
        return Message.of("route.left_bare") if (sanded? && papers.empty?) || (coats? && coated.empty?)

        Message.of("route.kinds.#{@kind}", **about)
      end

      # On the lathe; nil speed where it is stopped for it.
      def sanded? = @kind == "sand"
      def coats? = %w[coat buff].include?(@kind)
      def finish = @finish ||= @facts.finish.call(@piece)
      def parts = finish.in_order
      def papers = parts.flat_map(&:papers)
      # Parts that get the same are done together: lists of parts, those left bare in none.
      def coated = parts.reject { |part| part.coats.empty? || part.family == "bare" }.group_by(&:family).values

      def about
        return { from: Message.text("P#{papers.min}"), to: Message.text("P#{papers.max}") } if sanded?

        return { ids: Message.ids(@of) } if @of.any?

        coats? ? { count: Message.count(coated.map { |group| group.first.coats.size }.max) } : {}
      end

      def hands_min
        return @row["base_min"] + sanding_min if sanded?
        return @row["base_min"] unless coats?

        coated.sum do |group|
          group.first.coats.size * (@row["base_min"] + (@row["min_per_dm2"] * group.sum(&:area_cm2) / CM2_PER_DM2))
        end
      end

      # In the middle of what the parts take, and each paper put on and its marks looked for once for those alike.
      def sanding_min
        changes = parts.uniq { |part| [part.kind, part.papers, part.how] }.sum { |part| part.papers.size }
        parts.sum { |part| part.minutes.sum / 2 } + (@row["min_per_grit"] * changes)
      end

      # One family after the other: until the next coat may go on, and after the last until it may be handled.
      def wait = coats? ? Wait.of_hours(coated.sum { |group| hours(group.first.coats) }) : nil
      def hours(coats) = coats[0...-1].sum { |coat| coat[:recoat_h] } + coats.last[:touch_h]

      # As dry as the room makes it and a little over, and as the driest of what goes on wood wants it.
      def gate_pct
        return unless @kind == "coat" && @facts.wooden?

        wants =
          coated
            .flatten
            .select { |part| part.kind == "wood" }
            .map { |part| Finish::Coats.row(part.family)["wants_pct"] }
        [@facts.emc_pct + Table["route"]["finish_over_emc_pct"], *wants].min
      end

      def materials
        return [] unless coats?

        coated.filter_map do |group|
          taken(group.first.product, group.sum { |part| part.coats.sum { |coat| coat[:ml] } })
        end
      end

      # What is rubbed off again leaves nothing to measure.
      def taken(product, millilitres)
        return unless millilitres.positive?

        Mend::MendStep::Taken.new(
          key: product.family,
          name: Message.term("tables.finishes.#{product.family}.name"),
          amount: product.grams(millilitres),
          unit: "g",
          cost: product.price(millilitres)
        )
      end

      def wet
        now = @piece.moisture_pct
        return [] unless gate_pct && now && now > gate_pct + 0.05

        [Advice.say(:stop, "finish_on_wet", now: [now, "%"], gate: [gate_pct, "%"])]
      end
    end
  end
end
