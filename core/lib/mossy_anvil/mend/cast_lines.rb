# frozen_string_literal: true

module MossyAnvil
  module Mend
    # What to do for a casting, line by line, from the mould to the saw.
    class CastLines
      # How much longer than likely a wait in the mould may be.
      LATE = 1.3

      # step: CastStep; detail: its own.
      def initialize(step, detail)
        @step = step
        @detail = detail
      end

      def to_a
        [*before, *@detail[:layers].each_with_index.flat_map { |layer, index| layer(layer, index) }, *afterwards]
      end

      # For a pour that fell short: batch: Batches of one go of what is missing, of so many; hours since the last pour.
      def rescue_lines(batch, goes, hours)
        from, till = @detail[:layers].last.values_at(:next_from_h, :next_until_h)
        wait = [from - hours, 0].max
        [(line(:wait, "Not yet: the last layer must have gelled and cooled.", minutes: [wait * 60, wait * 60], unlocks: "the rest may be poured") if wait.positive?),
         (line(:do, "Too late to bond by itself: #{Table['casting']['key']}.") if hours > till),
         *(1..goes).flat_map { |go| one_go(batch, goes == 1 ? "the rest" : "the rest, layer #{go} of #{goes}", from) }].compact
      end

      private

      def one_go(batch, name, from_h)
        [*weighing(batch.count, batch.targets_g, batch.within_g, name),
         line(:timer, "Mixed and poured.", minutes: [batch.working_min, batch.working_min], working: true),
         line(:wait, "Until it has gelled and cooled: #{name}.", minutes: [@step.plan.gelled_after_last_s / 60, from_h * 60],
           unlocks: "what follows; demoulding is counted from here")]
      end

      def line(...) = @step.lines_for_card(...)

      def before
        mould = @detail[:mould]
        [(mould[:cut_list].any? ? line(:do, "Saw the sheet: #{mould[:cut_list].map { |one| "#{one[:count]} #{one[:piece]}" }.join(', ')}; screw and seal it.") : nil),
         (lining if @step.data[:lined]),
         line(:do, "Leak test with water, dry it, release on every face, set it level."),
         line(:do, "Seal the wood with a thin coat, or it gasses into the resin."),
         *pigments,
         (@detail[:lift_n].positive? ? line(:do, "Glue or weigh down what lies in it: {weight} at least.", weight: [@detail[:hold_down_g], "g"]) : nil)].compact
      end

      def lining
        film = [@step.film_g, "g"]
        line(:do, "Line it with film, {film}, taped at the rim.", film: film, target: [*film, nil], draws: { key: "film", part: nil })
      end

      # Weighed out beforehand: each colour's share of every layer is stirred in with its cup.
      def pigments
        @detail[:colours].select { |colour| colour[:pigment_g].positive? }.map do |colour|
          line(:weigh, "#{colour[:name].sub(/\A./, &:upcase)}: #{@step.pigment(colour[:with])['name']} for {mix} of the mix.", mix: [colour[:g], "g"],
            target: [colour[:pigment_g], "g", nil], draws: { key: colour[:with], part: nil })
        end
      end

      def layer(layer, index)
        name = @detail[:layers].one? ? "the pour" : "layer #{index + 1} of #{@detail[:layers].size}"
        [*weighing(layer[:cups], layer.values_at(:part_a_g, :part_b_g), layer[:within_g], name),
         line(:timer, "Mixed, scraped, poured: #{name}.", minutes: [layer[:working_min], layer[:working_min]], working: true),
         *air(index), *next_layer(layer, index)]
      end

      # A part that its sheet gives by volume is told so too: a scale is surer than a marked cup.
      def part(tail, name, grams, within, volume_ml)
        text = "#{name.capitalize} for #{tail}"
        text, values = @detail[:by_volume] ? ["#{text}; by the cup's marks {volume}.", { volume: [volume_ml, "ml"] }] : ["#{text}.", {}]
        line(:weigh, text, target: [grams, "g", within], draws: { key: @step.resin.key, part: name }, **values)
      end

      def weighing(cups, (part_a, part_b), within, name)
        volumes = @step.resin.volumes_ml(part_a, part_b)
        (1..cups).flat_map do |cup|
          tail = cups == 1 ? name : "#{name}, cup #{cup} of #{cups}"
          [part(tail, "resin", part_a, within[0], volumes[0]), part(tail, "hardener", part_b, within[1], volumes[1])]
        end
      end

      def air(index)
        return [] unless index.zero?

        case @step.data[:air]
        when "pressure" then [line(:do, "Into the pot, {bar} over the air, until it has gelled.", bar: [@step.data.dig(:pot, :bar) || 0, "bar"])]
        when "vacuum" then [line(:do, "The mixed cup under vacuum until it has risen and fallen, before pouring: a cup four times as tall.")]
        else [line(:do, "Bubbles off the skin with warm air, briefly, not a flame on one spot.")]
        end
      end

      def next_layer(layer, index)
        return [] if index == @detail[:layers].size - 1

        [line(:wait, "Until it has gelled and is back at the shop's temperature; pour the next before {until}.", minutes: [layer[:gel_h] * 60, layer[:next_from_h] * 60],
          until: [layer[:next_until_h], "h"], unlocks: "the next layer")]
      end

      def afterwards
        demould = @detail[:demould_h] * 60
        [line(:measure, "How much was mixed, in all?", measures: :used_g),
         line(:measure, "After how many minutes had it gelled?", measures: :gel_min),
         line(:wait, "Leave it in the mould.", minutes: [demould, demould * LATE], unlocks: "demoulding"),
         line(:do, "Out of the mould; a corner knocked off tells whether it is hard through."), *oven,
         *(@detail[:pieces] ? [line(:do, "Saw it into {n} of {each}.", n: [@detail[:pieces][:count], ""], each: [@detail[:pieces][:each_mm], "mm"])] : []),
         *(@detail[:oven] ? [] : [line(:wait, "Cured through.", minutes: [(@step.cure_h * 60) - demould] * 2, unlocks: "finish, food, heat").merge(optional: true)])]
      end

      def oven
        given = @detail[:oven] or return []
        warm, down = (given[:ramp_h] + given[:heat_h]) * 60, given[:heat_h] * 60
        [line(:wait, "Flat into a cold oven, up to {oven} by no more than {pace} an hour.", minutes: [warm, warm * 1.2], cure: false, oven: [given[:oven_c], "C"],
          pace: [Table["casting"]["post_cure"]["ramp_k_h"], "K"], unlocks: "the hold"),
         line(:wait, "Held at {oven}.", minutes: [given[:hold_h] * 60] * 2, cure: false, oven: [given[:oven_c], "C"], unlocks: "letting it cool"),
         line(:wait, "Down in the shut oven.", minutes: [down, down * 1.3], cure: false, unlocks: "finish, food, heat")]
      end
    end
  end
end
