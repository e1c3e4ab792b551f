# frozen_string_literal: true

module MossyAnvil
  module Report
    # The lines of a card for sanding and finishing, part by part of the skin in the order that lets none spoil another.
    class FinishLines
      # A shorter wait is over before it is written down.
      LEAST_WAIT_H = 0.15

      # plan: PieceFinish; limit_rpm: of the step, or nil.
      def initialize(plan, limit_rpm: nil)
        @parts = plan.in_order
        @limit_rpm = limit_rpm
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

        [
          *alike(finished, &:family).flat_map { |parts| coats(parts) },
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
            parts: names(parts),
            how: Message.of("finish_plan.how.#{first.how}"),
            **(first.rpm ? { target: [[first.rpm, @limit_rpm].compact.min, "rpm", nil] } : {})
          )
        end
      end

      # "all over"; "wood and filler"; with its sides where a stuff is not dealt with alike on all of them.
      def names(parts)
        return Message.of("finish_plan.all_over") if parts.size == @parts.size

        [parts.group_by { |part| stuff(part) }.flat_map { |stuff, own| named(stuff, own) }, "messages"]
      end

      def named(stuff, parts)
        term = Message.term("finish_plan.stuff.#{stuff}")
        whole = @parts.count { |part| stuff(part) == stuff } == parts.size
        return [Message.of("finish_plan.on", stuff: term)] if whole

        parts.map { |part| Message.of("finish_plan.side.#{part.side}", stuff: term) }
      end

      # Sound stock by what it is.
      def stuff(part) = part.stuff == "sound" ? part.kind : part.stuff

      def coats(parts)
        first = parts.first
        layers = parts.map(&:coats).transpose
        layers.each_with_index.flat_map do |layer, index|
          last = index == layers.size - 1
          [coat(parts, layer, index, layers.size), hardening(layer.first, last)].compact
        end + asked(first, parts) + (first.family == "ca_film" ? levelling(layers.size) : [])
      end

      # What went in, drawn from the shelf; and when it could be coated again, for the next piece.
      def asked(first, parts)
        product = first.product
        grams = product.grams(parts.sum { |part| part.coats.sum { |coat| coat[:ml] } })
        return [] unless grams.positive?

        usual = product.grams(parts.sum(&:usual_ml))

        draws = { key: product.family, part: nil }
        name = Message.term("tables.finishes.#{product.family}.name")
        [
          line(
            "used",
            kind: :measure,
            finish: name,
            measures: "#{product.family}_g",
            target: [grams, "g", nil],
            usual: usual,
            draws: draws
          ),
          line(
            "dried",
            kind: :measure,
            finish: name,
            measures: "#{product.family}_h",
            target: [first.coats.first[:recoat_h], "h", nil],
            usual: first.usual_recoat_h,
            optional: true
          )
        ]
      end

      def minutes = @parts.sum { |part| part.minutes.sum / 2 }
      def usual_min = @parts.sum(&:usual_min)

      # A paste that is rubbed off leaves nothing to measure.
      def coat(parts, layer, index, of)
        ml = layer.sum { |one| one[:ml] }
        line(
          coat_key(parts.first.family, ml),
          number: [index + 1, ""],
          of: [of, ""],
          finish: Message.term("tables.finishes.#{parts.first.family}.name"),
          parts: names(parts),
          **(ml.positive? ? { ml: [ml, "ml"] } : {})
        )
      end

      # A film is left to flow out, what soaks in is wiped off, a paste is rubbed away.
      def coat_key(family, ml)
        return "coat_rubbed" unless ml.positive?

        Finish::Coats.row(family)["film"] ? "coat_film" : "coat_of"
      end

      def hardening(layer, last)
        hours = layer[last ? :touch_h : :recoat_h]
        return if hours < LEAST_WAIT_H

        line("coat_wait", kind: :wait, minutes: [hours * 60.0] * 2, unlocks: last ? "handled" : "next_coat")
      end

      def levelling(coats)
        left_mm = Finish::Coats.ca_left_um(coats) / 1000.0
        papers = Table["finishes"]["ca_film"]["papers"]
        [line("level", papers: [papers, "grits"], left: [left_mm, "mm"])]
      end

      def cure_days(parts) = parts.flat_map(&:coats).map { |coat| coat[:cure_h] }.max / 24.0
    end
  end
end
