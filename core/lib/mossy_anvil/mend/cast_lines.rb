# frozen_string_literal: true

module MossyAnvil
  module Mend
    # What to do for a casting, line by line, from the mould to the saw.
    class CastLines
      # pour: Pour; plan: PourPlan; detail: CastDetail as plain data.
      def initialize(pour, plan, detail)
        @pour, @plan, @detail = pour, plan, detail
      end

      def to_a
        [*before, *@detail[:layers].each_with_index.flat_map { |layer, index| layer(layer, index) }, *ending]
      end

      # For a pour that fell short: batch: Batches of one go of what is missing, of so many; hours since the last pour.
      def rescue_lines(batch, goes, hours)
        from, till = @detail[:layers].last.values_at(:next_from_h, :next_until_h)
        wait = [from - hours, 0].max
        [
          (line(:wait, "cast.line.not_yet", minutes: [wait * 60, wait * 60], unlocks: "pour_rest") if wait.positive?),
          (line(:do, "cast.line.too_late") if hours > till),
          *(1..goes).flat_map do |go|
            one_go(batch, goes == 1 ? part("rest") : part("rest_layer", layer: [go, ""], layers: [goes, ""]), from)
          end
        ].compact
      end

      private

      def one_go(batch, name, from_h)
        [
          *weighing(batch.count, batch.targets_g, batch.within_g, name),
          line(:timer, "cast.line.pour_rest", minutes: [batch.working_min, batch.working_min], working: true),
          line(
            :wait,
            "cast.line.gel_rest",
            what: name,
            minutes: [@plan.gelled_after_last_s / 60, from_h * 60],
            unlocks: "demould_from_here"
          )
        ]
      end

      def ending = CastEnding.new(@detail, cured_h: @plan.cured_h).to_a

      def line(...) = CardLine.of(...).to_h
      # A message that names a part of the pour.
      def part(key, **amounts) = Message.of("steps.cast.part.#{key}", **amounts)

      def cut_list(mould) =
        mould[:cut_list].map do |one|
          Message.of("steps.cast.sheet_piece.#{one[:piece]}", count: Message.count(one[:count]))
        end

      def before
        mould = @detail[:mould]
        [
          (line(:do, "cast.line.saw_sheet", pieces: [cut_list(mould), "messages"]) if mould[:cut_list].any?),
          (lining if @pour.given[:lined]),
          line(:do, "cast.line.leak_test"),
          line(:do, "cast.line.seal"),
          *pigments,
          (@detail[:lift_n].positive? ? line(:do, "cast.line.hold_down", weight: [@detail[:hold_down_g], "g"]) : nil)
        ].compact
      end

      def lining
        film = [@pour.film_g, "g"]
        line(:do, "cast.line.line", film: film, target: [*film, nil], draws: { key: "film", part: nil })
      end

      # Weighed out beforehand: each colour's share of every layer is stirred in with its cup.
      def pigments
        @detail[:colours]
          .select { |colour| colour[:pigment_g].positive? }
          .map do |colour|
            line(
              :weigh,
              "cast.line.pigment",
              colour: Message.text(colour[:name]),
              pigment: Table.term("pigments", colour[:with]),
              mix: [colour[:g], "g"],
              target: [colour[:pigment_g], "g", nil],
              draws: {
                key: colour[:with],
                part: nil
              }
            )
          end
      end

      def layer(layer, index)
        name =
          (
            if @detail[:layers].one?
              part("pour")
            else
              part("layer", layer: [index + 1, ""], layers: [@detail[:layers].size, ""])
            end
          )
        [
          *weighing(layer[:cups], layer.values_at(:part_a_g, :part_b_g), layer[:within_g], name),
          line(
            :timer,
            "cast.line.pour",
            what: name,
            minutes: [layer[:working_min], layer[:working_min]],
            working: true
          ),
          *air(index),
          *next_layer(layer, index)
        ]
      end

      # A part that its sheet gives by volume is told so too: a scale is surer than a marked cup.
      def portion(what, name, grams, within, volume_ml)
        line(
          :weigh,
          "cast.line.#{name}#{"_by_marks" if @detail[:by_volume]}",
          what: what,
          volume: @detail[:by_volume] ? [volume_ml, "ml"] : nil,
          target: [grams, "g", within],
          draws: {
            key: @pour.resin.key,
            part: name
          }
        )
      end

      def weighing(cups, (part_a, part_b), within, name)
        volumes = @pour.resin.volumes_ml(part_a, part_b)
        (1..cups).flat_map do |cup|
          what = cups == 1 ? name : part("cup", what: name, cup: [cup, ""], cups: [cups, ""])
          [
            portion(what, "resin", part_a, within[0], volumes[0]),
            portion(what, "hardener", part_b, within[1], volumes[1])
          ]
        end
      end

      def air(index)
        return [] unless index.zero?

        case @pour.given[:air]
        when "pressure"
          [line(:do, "cast.line.pot", bar: [@pour.given.dig(:pot, :bar) || 0, "bar"])]
        when "vacuum"
          [line(:do, "cast.line.degas")]
        else
          [line(:do, "cast.line.warm_air")]
        end
      end

      def next_layer(layer, index)
        return [] if index == @detail[:layers].size - 1

        [
          line(
            :wait,
            "cast.line.next_layer",
            minutes: [layer[:gel_h] * 60, layer[:next_from_h] * 60],
            until: [layer[:next_until_h], "h"],
            unlocks: "next_layer"
          )
        ]
      end
    end
  end
end
