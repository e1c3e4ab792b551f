# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # Marks for a blank that was practised on: the survey, the verdict and the way, each against the truth and the best
    # way that is known on it.
    class Marking
      VERDICTS = %w[turn care leave].freeze
      # What a way comes to on the truth. events: list of Hazards::Event.
      Played =
        Struct.new(:way, :choices, :events, :hands_h, :mends) do
          def sound? = events.none?(&:lost?) && !injures?
          def injures? = events.any? { |event| event.energy_j >= Table["odds"]["injury"]["at_face_j"] }
        end

      # surveyed: Blank as the learner left it; truth: Blank with all that is in it; verdict: of VERDICTS. about:
      # climate:, now:, records:, tools:, sheets: as RouteReport takes them.
      def initialize(surveyed, truth, verdict, **about)
        @surveyed = surveyed
        @truth = truth
        @verdict = verdict
        @climate = about.fetch(:climate) { Report::ShopClimate.new }
        @about = { **about, climate: @climate }
        @row = Table["practice"]
      end

      # Plain data: { score:, marks: { survey:, verdict:, way: }, survey: as Reveal tells it, right: verdict that was
      # right, yours:, best: { way:, sound:, hands_h:, events:, odds: a Chance of the survey, and of the truth } or nil,
      # truth: defects }. The block is told how many of its parts are done, of how many.
      def to_h(&step)
        @step = step
        marks = { survey: reveal[:score] * @row["marks"]["survey"] / 100, verdict: verdict_marks, way: way_marks }
        {
          score: marks.values.sum,
          marks: marks,
          survey: reveal,
          right: right,
          yours: own && told(own, @surveyed),
          best: best && told(best, best == own ? @surveyed : known_with(form)),
          truth: @truth.defects.map(&:to_document)
        }
      end

      # The verdict that was right: leave where no known way comes out sound, care where the best one mends first.
      def right
        return "leave" unless best&.sound?

        best.mends ? "care" : "turn"
      end

      private

      def reveal = @reveal ||= Reveal.new(@surveyed, @truth).to_h

      def verdict_marks
        most = @row["marks"]["verdict"]
        return most if @verdict == right

        [@verdict, right].include?("leave") ? 0 : most / 2.0
      end

      # Who rightly leaves it has taken the best way there is.
      def way_marks
        most = @row["marks"]["way"]
        return @verdict == "leave" ? most : 0 if right == "leave"
        return 0 if @verdict == "leave" || own.nil? || !own.sound?

        spare = most - @row["way_sound"]
        @row["way_sound"] + (spare * [best.hands_h / [own.hands_h, 0.01].max, 1.0].min)
      end

      def own = defined?(@own) ? @own : @own = @surveyed.form && played(@surveyed, @surveyed.route_choices)

      # Of every way there is for the learner's form, or for a usual one, surveyed as it truly is.
      def best
        return @best if defined?(@best)

        known = known_with(form)
        ways = Report::RouteReport.new(known, **@about).alternatives
        @parts = ways.size + 2
        ways = ways.map { |way| played(known, way.choices).tap { done } }
        @best = [*ways, own].compact.min_by { |one| [one.sound? ? 0 : 1, one.hands_h] }
      end

      def known_with(form) = @truth.with_form(form)

      def form = @surveyed.form || (@usual ||= usual_form)
      def done = @step&.call(@done = (@done || 0) + 1, @parts)

      def usual_form
        made = Model::FormMaker.new(@truth.on_centres, @row["form"]).to_h[:form]
        Model::Form.new(**JSON.parse(JSON.generate(made), symbolize_names: true))
      end

      def played(blank, choices)
        route = Report::RouteReport.new(blank, ways: :taken, chosen: choices, **@about)
        plan = Plan.new(route, Report::CutReport.new(blank, route: route, **@about))
        truth = RevealedTruth.new(blank, @truth)
        meets = Meets.new(plan, truth, climate: @climate, fineness: :default, wall_n: {})
        Played.new(
          plan.alternative.key,
          choices,
          Play.new(meets.to_a).events,
          plan.alternative.hands_h,
          plan.steps.any? { |step| step.stretch == "mend" }
        )
      end

      def told(played, blank)
        events = played.events.map { |one| { key: one.key, step: one.step, then: one.outcome, energy_j: one.energy_j } }
        odds = Odds.new(blank, truths: @row["truths"], choices: played.choices, **@about)
        sound = odds.so_far(odds.outcomes)[:sound].tap { done }
        { way: played.way, sound: played.sound?, hands_h: played.hands_h, events: events, odds: sound }
      end
    end
  end
end
