# frozen_string_literal: true

module MossyAnvil
  module Report
    # The lines of a card for sanding and finishing, part by part of the skin in the order that lets none spoil another.
    class FinishLines
      # plan: PieceFinish; limit_rpm: of the step, or nil.
      def initialize(plan, limit_rpm: nil)
        @parts = plan.in_order
        @limit_rpm = limit_rpm
        @names = PartNames.new(@parts)
      end

      # Of each group of parts that are sanded alike its papers, with a look after each.
      def sanding
        papers = alike { |part| [part.kind, part.papers, part.how] }.flat_map { |parts| papers(parts) }
        took =
          line(
            "took",
            kind: :measure,
            measures: :took_min,
            target: [minutes, "min", nil],
            usual: usual_min,
            optional: true
          )
        [line("extractor"), *papers.flat_map { |paper| [paper, line("lamp")] }, *(papers.any? ? [took] : [])]
      end

      # Of each finish its coats with their waits, and at the end how long it is not to be used.
      def coating
        finished = @parts.reject { |part| part.family == "bare" }
        return [line("left_bare")] if finished.empty?

        groups = alike(finished, &:family)
        [
          *groups.each_with_index.flat_map { |parts, at| CoatLines.new(parts, names: @names, signed: at.zero?).to_a },
          line("cures", days: [cure_days(finished), "days"])
        ]
      end

      private

      def line(key, kind: :do, optional: false, **about) =
        Mend::CardLine.of(kind, "work.line.#{key}", **about).to_h.merge(optional: optional)

      # Groups, in the order of the first of each.
      def alike(parts = @parts, &) = parts.group_by(&).values

      def papers(parts)
        first = parts.first
        first.papers.map do |grit|
          line(
            "paper_on",
            paper: Message.text("P#{grit}"),
            parts: @names.of(parts),
            how: Message.of("finish_plan.how.#{first.how}"),
            **(first.rpm ? { target: [[first.rpm, @limit_rpm].compact.min, "rpm", nil] } : {})
          )
        end
      end

      def minutes = @parts.sum { |part| part.minutes.sum / 2 }
      def usual_min = @parts.sum(&:usual_min)
      def cure_days(parts) = parts.flat_map(&:coats).map { |coat| coat[:cure_h] }.max / 24.0
    end
  end
end
