# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # How a way of the work comes out on many truths: the chance of a sound piece and of an injury, when it is finished
    # and what it costs, what takes most, and the one act that betters it most for its time.
    class Odds
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
      def told(outcomes, &) = so_far(outcomes).merge(best_improvement: improvement(Outcomes.new(outcomes), &))

      # The same before all are played, with no act tried yet.
      def so_far(outcomes) =
        { seed: @seed, not_yet: plan.not_yet, **Outcomes.new(outcomes).to_h, best_improvement: nil }

      # Everything that is in the piece in the truth of that index, list of defects.
      def true_defects(index) = truth(index).of(@blank).defects

      def plan = @plan ||= plan_of(@blank, @choices)

      private

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

      def improvement(outcomes, &) =
        Improvement.new(@blank, plan, sound: outcomes.sound, worst: outcomes.worst_cause, **playing).best(&)

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
