# frozen_string_literal: true

module MossyAnvil
  module Report
    # A stretch of the route as it is worked through by a card: from one step on, all that follow of the same stretch,
    # line by line.
    class CardReport
      # blank: as kept, with a form. from: id of the step it begins with, the first that is not done unsaid.
      # about: climate:, now:, fineness:, records: and tools: as CutReport takes them.
      # Raises InvalidInput at /from where there is no such step, it is done or left out, or nothing can be turned at it
      # as things stand.
      def initialize(blank, from: nil, now: nil, **about)
        @blank = blank
        @from = from
        @now = now
        @about = { now: now, **about }
      end

      # Plain data: steps with their lines, and the materials of them all.
      def to_h
        {
          steps: run.map { |step| plain(step) },
          materials: run.flat_map(&:materials).select { |one| one.unit == "g" && one.key != "finish" }.map(&:to_h)
        }
      end

      # The step of mending of that id, a MendStep. Raises InvalidInput where the route has none.
      def made(id)
        route.steps.find { |one| one.id == id }&.made or
          raise InvalidInput.at("/step", Fault.t("is", given: Fault.shown(id)), Fault.t("a_step_of_mending"))
      end

      # The blank document, string-keyed, once those steps of mending (ids) are done. measured: { step id =>
      # { name => value } }.
      def document_after(document, ids, measured:) =
        MendedDocument.of(document, ids.map { |id| made(id) }, measured: measured)

      # The steps it runs, list of Route::Step: none that nothing can be turned at as things stand, nor what only leads
      # up to one.
      def run
        @run ||=
          begin
            run = stretch.take_while { |step| !step.turns_not }
            run.pop while stop && run.size > 1 && run.last.kind == "turn_round"
            run
          end
      end

      private

      # What is ahead of the same stretch, from where it starts.
      def stretch
        @stretch ||=
          begin
            first = start
            route
              .steps
              .drop_while { |step| !step.equal?(first) }
              .take_while { |step| step.stretch == first.stretch }
              .select { |step| ahead?(step) }
          end
      end

      # The step it stops short of; nil where it goes to the end.
      def stop = stretch.find(&:turns_not)

      # Nothing is credited that is not done: what is mended or dried before it starts, and is not done, counts as left
      # out.
      def route
        @route ||=
          begin
            planned = route_of(@blank)
            skipped = skipped_in(planned)
            skipped.empty? ? planned : route_of(without(skipped.map(&:id)))
          end
      end

      def route_of(blank) = RouteReport.new(blank, ways: :taken, **@about)

      def skipped_in(planned)
        @skipped ||= @from ? planned.steps.take_while { |step| step.id != @from }.select { |step| credited?(step) } : []
      end

      def credited?(step) = ahead?(step) && (step.made || %w[dry dig_out].include?(step.kind))

      def without(ids)
        own = @blank.route || {}
        @blank.with_route({ **own, left_out: own.fetch(:left_out, []) | ids })
      end
      def cuts = @cuts ||= CutReport.new(@blank, route: route, **@about)

      def start
        step = @from ? route.steps.find { |one| one.id == @from } : route.steps.find { |one| ahead?(one) }
        return step if step && ahead?(step) && !step.turns_not

        refuse(step&.turns_not && ahead?(step) ? "a_step_#{step.turns_not}" : "a_step_of_the_route_that_is")
      end

      def refuse(allowed)
        problem = @from ? Fault.t("is", given: Fault.shown(@from)) : Fault.t("is_not_there")
        raise InvalidInput.at("/from", problem, Fault.t(allowed))
      end

      def plain(step)
        {
          id: step.id,
          do: step.kind,
          stretch: step.stretch,
          name: step.name,
          cautions: step.cautions,
          tools: step.needs.tools,
          limit_rpm: step.limit_rpm,
          mark: step.made ? nil : mark(step),
          lines:
            [*as_it_is(step), *lines(step), *stops_here(step)].each_with_index.map do |line, at|
              { key: "#{step.id}.#{at + 1}", optional: false, **line }
            end
        }
      end

      # Before all else: what it is worked without.
      def as_it_is(step)
        return [] unless run.first.equal?(step) && @skipped.any?

        [Mend::CardLine.of(:do, "work.line.as_it_is", what: [@skipped.map(&:name), "messages"]).to_h]
      end

      def lines(step)
        return step.made.lines if step.made

        StepLines.new(
          step,
          before: before(step),
          cuts: step.stretch == "turn" ? cuts.of_step(step.id) : [],
          **shown
        ).lines
      end

      # After the last step of a run that is stopped short.
      def stops_here(step)
        return [] unless stop && run.last.equal?(step)

        [Mend::CardLine.of(:do, "work.line.stops_#{stop.turns_not}", what: stop.name).to_h]
      end

      def ahead?(step) = !step.done && !step.left_out

      # The step before in this run; nil at its beginning.
      def before(step) = run.take_while { |one| !one.equal?(step) }.last

      def shown
        @shown ||= {
          blank: @blank.on_centres,
          finish: -> { route.finish },
          finished: route.finished_stage,
          foot_z_mm: @blank.form.opens == "tail" ? @blank.form.z_span_mm[0] : @blank.form.z_span_mm[1]
        }
      end

      # What the route notes of it once it is done, as in a blank file but for the day. Of a roughing out, how thick and
      # how wet it was.
      def mark(step)
        rough =
          step.kind == "rough_out" ? { "wall_mm" => step.after.thickness_mm, "moisture_pct" => moisture }.compact : {}
        { "step" => step.id, **(step.of.any? ? { "of" => step.of } : {}), **rough }
      end

      def moisture = route.moisture_pct
    end
  end
end
