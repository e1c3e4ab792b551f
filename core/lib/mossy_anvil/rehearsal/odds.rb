# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # How a way of the work comes out on many truths: the chance of a sound piece and of an injury, when it is finished
    # and what it costs, what takes most, and the one act that betters it most for its time.
    class Odds
      # Of a 95 % interval. Source: Wilson.
      Z95 = 1.96
      TRUTHS = 200

      # blank: as surveyed, with a form. truths: how many; seed: Integer. about: choices: of the way that is played,
      # those of the blank file unsaid; climate:, now:, records:, tools: as RouteReport takes them. Raises InvalidInput
      # under `at` where there is no form.
      def initialize(blank, truths: TRUTHS, seed: 1, at: "", **about)
        @blank = blank
        @choices = about.delete(:choices) || blank.route_choices
        @truths = truths
        @seed = seed
        @at = at
        @climate = about.fetch(:climate) { Report::ShopClimate.new }
        @about = { climate: @climate, **about.except(:climate) }
      end

      # Plain data.
      def to_h = told(outcomes)

      # Plain data of a share of the truths, one each: { index:, events: [{ key:, step:, then:, energy_j: }], days:,
      # cost: }, days nil where it never gets there; the block is given how many are played, and what came of them.
      # part, parts: every so many-th truth alone, for processes that share them.
      def outcomes(part: 0, parts: 1)
        (part...@truths)
          .step(parts)
          .each_with_object([]) do |index, list|
            played = play(plan, truth(index))
            list << { index: index, **outcome(plan, played.events, Draws.new(@seed, index)) }
            yield list.size, list if block_given?
          end
      end

      # Plain data of outcomes, from whatever processes they come; the block is told how many acts are tried, of how
      # many.
      def told(outcomes, &) = so_far(outcomes).merge(best_improvement: improvement(in_order(outcomes), &))

      # The same before all are played, with no act tried yet.
      def so_far(outcomes)
        list = in_order(outcomes)
        injured = list.count { |one| injures?(one) }
        {
          truths: list.size,
          seed: @seed,
          sound: chance(list.count { |one| sound?(one) }, list.size),
          mended: list.count { |one| sound?(one) && one[:events].any? } / list.size.to_f,
          injury: chance(injured, list.size),
          finish_days: band(list.map { |one| one[:days] }),
          cost: band(list.map { |one| one[:cost] }),
          causes: causes(list),
          not_yet: plan.not_yet,
          of_note: of_note(list),
          verdict: verdict(list, injured),
          advised_against: injured > list.size * Table["odds"]["injury"]["share_at_most"],
          best_improvement: nil
        }
      end

      # Everything that is in the piece in the truth of that index, list of defects.
      def true_defects(index) = truth(index).of(@blank).defects

      def plan = @plan ||= plan_of(@blank, @choices)

      private

      # { worst:, median: } indexes of truths: the lost ones are the worse, then what throws hardest, takes longest and
      # costs most.
      def of_note(list)
        sorted =
          list.sort_by do |one|
            lost = sound?(one) ? 0 : 1
            [lost, one[:events].map { |event| event[:energy_j] }.max || 0.0, one[:days] || 0.0, one[:cost], one[:index]]
          end
        { worst: sorted.last[:index], median: sorted[(sorted.size - 1) / 2][:index] }
      end

      # go, care or stop.
      def verdict(list, injured)
        row = Table["odds"]["verdict"]
        share = list.count { |one| sound?(one) } / list.size.to_f
        return "stop" if share < row["care_from"] || injured > list.size * Table["odds"]["injury"]["share_at_most"]

        share < row["go_from"] ? "care" : "go"
      end

      def in_order(outcomes) = outcomes.sort_by { |one| one[:index] }

      # The way taken, or the one of other answers.
      def plan_of(blank, choices = blank.route_choices)
        route = Report::RouteReport.new(blank, at: @at, ways: :taken, chosen: choices, **@about)
        Plan.new(route, Report::CutReport.new(blank, route: route, **@about))
      end

      def troubles = @troubles ||= HiddenTroubles.new(@blank)
      def truth(index) = (@drawn ||= {})[index] ||= Truth.new(@blank, Draws.new(@seed, index), troubles)

      def play(plan, truth)
        Play.new(Meets.new(plan, truth, climate: @climate, fineness: :default, wall_n: walls_of(plan)).to_a)
      end

      def walls_of(plan) = ((@walls ||= {}.compare_by_identity)[plan] ||= {})

      # A truth comes to each wait's own share of its band.
      def outcome(plan, events, draws)
        tally = Tally.new(plan, draws, rate: @blank.worth ? @blank.worth[:rate].to_f : 0.0)
        told =
          events.map { |event| { key: event.key, step: event.step, then: event.outcome, energy_j: event.energy_j } }
        { events: told, days: tally.days(events), cost: tally.cost(events) }
      end

      def sound?(outcome) = outcome[:events].none? { |event| event[:then] == "lost" }

      def injures?(outcome)
        row = Table["odds"]["injury"]
        # Who stands aside is out of the line of throw, and still a face may be at its height.
        outcome[:events].any? { |event| event[:energy_j] >= row["at_face_j"] }
      end

      # Share with its 95 % interval.
      def chance(count, of)
        share = count / of.to_f
        middle = (share + (Z95**2 / (2 * of))) / (1 + (Z95**2 / of))
        half = Z95 / (1 + (Z95**2 / of)) * Math.sqrt((share * (1 - share) / of) + (Z95**2 / (4.0 * of * of)))
        { share: share, low: [middle - half, 0.0].max, high: [middle + half, 1.0].min }
      end

      def band(values)
        return { p10: nil, p50: nil, p90: nil } if values.any?(&:nil?)

        sorted = values.sort
        { p10: 0.1, p50: 0.5, p90: 0.9 }.transform_values { |share| sorted[((sorted.size - 1) * share).round] }
      end

      # Most often first: of all truths, those in which it happens at that step.
      def causes(list)
        list
          .flat_map { |one| one[:events].map { |event| event.values_at(:key, :step, :then) }.uniq }
          .tally
          .sort_by { |(key, step, so), count| [so == "lost" ? 0 : 1, -count, key, step] }
          .map { |(key, step, so), count| { event: key, step: step, share: count / list.size.to_f, then: so } }
      end

      def improvement(list, &)
        sound = list.map { |one| sound?(one) }
        Improvement.new(@blank, plan, sound: sound, worst: causes(list).first, **playing).best(&)
      end

      # What an act is tried by.
      def playing
        {
          truth: method(:truth),
          lost: ->(plan, truth, **how) { play(plan, truth).events(**how).any?(&:lost?) },
          plan_of: method(:plan_of),
          ways: -> { Report::RouteReport.new(@blank, **@about).alternatives.drop(1) }
        }
      end
    end
  end
end
