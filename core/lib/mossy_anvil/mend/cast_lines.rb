# frozen_string_literal: true

module MossyAnvil
  # What to do for a casting, line by line, from the mould to the saw.
  class CastLines
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
       line(:do, "Leak test with water, dry it, release on every face, set it level."),
       line(:do, "Seal the wood with a thin coat, or it gasses into the resin."),
       (@detail[:lift_n].positive? ? line(:do, "Glue or weigh down what lies in it: {weight} at least.", weight: [@detail[:hold_down_g], "g"]) : nil)].compact
    end

    def layer(layer, index)
      name = @detail[:layers].one? ? "the pour" : "layer #{index + 1} of #{@detail[:layers].size}"
      [*weighing(layer[:cups], layer.values_at(:part_a_g, :part_b_g), layer[:within_g], name),
       line(:timer, "Mixed, scraped, poured: #{name}.", minutes: [layer[:working_min], layer[:working_min]], working: true),
       *air(index), *next_layer(layer, index)]
    end

    def weighing(cups, (part_a, part_b), within, name)
      (1..cups).flat_map do |cup|
        tail = cups == 1 ? name : "#{name}, cup #{cup} of #{cups}"
        [line(:weigh, "Resin for #{tail}.", target: [part_a, "g", within[0]], draws: { key: @step.resin.key, part: "resin" }),
         line(:weigh, "Hardener for #{tail}.", target: [part_b, "g", within[1]], draws: { key: @step.resin.key, part: "hardener" })]
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
       line(:wait, "Leave it in the mould.", minutes: [demould, demould * CastStep::LATE], unlocks: "demoulding"),
       line(:do, "Out of the mould; a corner knocked off tells whether it is hard through."),
       *(@detail[:pieces] ? [line(:do, "Saw it into {n} of {each}.", n: [@detail[:pieces][:count], ""], each: [@detail[:pieces][:each_mm], "mm"])] : []),
       line(:wait, "Cured through.", minutes: [(@step.cure_h * 60) - demould, (@step.cure_h * 60) - demould], unlocks: "finish, food, heat").merge(optional: true)]
    end
  end
end
