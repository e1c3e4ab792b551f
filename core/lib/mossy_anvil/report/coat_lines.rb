# frozen_string_literal: true

module MossyAnvil
  module Report
    # The lines of a card for one family of finish on the parts that get it: what comes before it, its coats with their
    # waits, and what comes after.
    class CoatLines
      # A shorter wait is over before it is written down.
      LEAST_WAIT_H = 0.15
      # What smells of what harms, and what warms up in a heap of rags.
      FUMES, RAGS =
        %w[shellac_sealer cellulose_sealer varnish lacquer ca_film epoxy_film friction_polish],
        %w[drying_oil varnish]
      # The wheel a buffing speed is told for, mm.
      WHEEL_MM = 200

      # parts: list of FinishPart of one family; names: PartNames; signed: is the foot signed before its last coat?
      def initialize(parts, names:, signed: false)
        @parts = parts
        @names = names
        @signed = signed
        @product = parts.first.product
      end

      # List of plain lines, as CardLine has them.
      def to_a = [*before, *coats, *asked, *after]

      private

      def line(key, kind: :do, optional: false, **about) =
        Mend::CardLine.of(kind, "work.line.#{key}", **about).to_h.merge(optional: optional)

      def family = @product.family
      def name = Message.term("tables.finishes.#{family}.name")
      def layers = @layers ||= @parts.map(&:coats).transpose

      # Dye shows every fibre that water raises, and runs into whatever takes it.
      def before
        [
          (line("fumes", finish: name) if FUMES.include?(family)),
          *(family == "dye" ? [line("raise_grain"), line("mask_dye")] : []),
          *(family == "buffed" ? buffing : [])
        ].compact
      end

      def coats
        layers.each_with_index.flat_map do |layer, index|
          last = index == layers.size - 1
          [(line("sign_foot") if last && @signed), coat(layer, index), hardening(layer.first, last)].compact
        end
      end

      # A paste that is rubbed off leaves nothing to measure.
      def coat(layer, index)
        ml = layer.sum { |one| one[:ml] }
        line(
          coat_key(ml),
          number: [index + 1, ""],
          of: [layers.size, ""],
          finish: name,
          parts: @names.of(@parts),
          **(ml.positive? ? { ml: [ml, "ml"] } : {})
        )
      end

      # A film is left to flow out, what soaks in is wiped off, a paste is rubbed away.
      def coat_key(millilitres)
        return "coat_rubbed" unless millilitres.positive?

        @product.row["film"] ? "coat_film" : "coat_of"
      end

      def hardening(layer, last)
        hours = layer[last ? :touch_h : :recoat_h]
        return if hours < LEAST_WAIT_H

        line("coat_wait", kind: :wait, minutes: [hours * 60.0] * 2, unlocks: last ? "handled" : "next_coat")
      end

      # What went in, drawn from the shelf; and when it could be coated again, for the next piece.
      def asked
        grams, usual =
          [@parts.sum { |part| part.coats.sum { |coat| coat[:ml] } }, @parts.sum(&:usual_ml)].map do |ml|
            @product.grams(ml)
          end
        return [] unless grams.positive?

        [
          line(
            "used",
            kind: :measure,
            finish: name,
            measures: "#{family}_g",
            target: [grams, "g", nil],
            usual: usual,
            draws: {
              key: family,
              part: nil
            }
          ),
          line(
            "dried",
            kind: :measure,
            finish: name,
            measures: "#{family}_h",
            target: [layers.first.first[:recoat_h], "h", nil],
            usual: @parts.first.usual_recoat_h,
            optional: true
          )
        ]
      end

      def after
        [
          (line("rags") if RAGS.include?(family)),
          *(family == "ca_film" ? [line("towel"), levelling] : []),
          (line("seal_dye") if family == "dye")
        ].compact
      end

      def levelling
        left_mm = Finish::Coats.ca_left_um(layers.size) / 1000.0
        line("level", papers: [Table["finishes"]["ca_film"]["papers"], "grits"], left: [left_mm, "mm"])
      end

      # Softer stuff on a slower wheel.
      def buffing
        speeds = Table["finishes"]["buffing"]
        metres_s = @parts.all? { |part| part.kind == "wood" } ? speeds["hard"] : speeds["soft"]
        [line("buff_wheel", wheel: [WHEEL_MM, "mm"], target: [RimSpeed.rpm(metres_s, WHEEL_MM), "rpm", nil])]
      end
    end
  end
end
