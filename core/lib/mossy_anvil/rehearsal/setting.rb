# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # What a rehearsal is played on: the plan of a piece, and the truth nobody knows. Worked out once; what an act asks
    # of it besides is kept.
    class Setting
      # A piece as it is then: ids mended on the way, and mm of wall left beside the plan's, nil for the plan's.
      Situation = Struct.new(:mended, :wall_mm)
      AS_PLANNED = Situation.new([].freeze, nil).freeze

      # What one holds, as the cache counts it: the plan with the piece as each of its steps leaves it.
      HELD_BYTES = 5_000_000

      attr_reader :blank, :plan, :truth, :tally

      # blank: as surveyed, with a form. seed, index: of the truth, seed nil where the truth is the survey. about:
      # climate:, now:, records:, tools:, sheets: as RouteReport takes them. Raises InvalidInput under `at` where there
      # is no form.
      def initialize(blank, seed:, index: 0, at: "", **about)
        @blank = blank
        @climate = about.fetch(:climate) { Report::ShopClimate.new }
        make_plan(at, { **about, climate: @climate })
        draws = seed && Draws.new(seed, index)
        @truth = Truth.new(blank, draws, draws && HiddenTroubles.new(blank))
        @tally = Tally.new(@plan, draws, rate: blank.worth ? blank.worth[:rate].to_f : 0.0)
        @wall_n = {}
        # At once, so that no act waits for it later.
        @plan.steps.each { |step| found(step, AS_PLANNED) }
      end

      # Route::Step that a step of the plan plays.
      def route_step(step) = @names.fetch(step.id)

      # Regions of its cuts, plain data as CutReport has them; those no tool is safe in are left out.
      def regions(step) = (@regions ||= {})[step.id] ||= @cuts.of_step(step.id).select { |region| region[:tool] }

      # Meets::Step of a step in a situation.
      def met(step, situation) = found(step, situation).fetch(:met)

      # { mass_g:, imbalance_g_mm:, air_share:, gaps: } of the truth's piece at a stage of a step.
      def body(step, stage, situation) = found(step, situation).fetch(:bodies)[stage]

      # mm of wall the plan leaves where it is least; nil where nothing is hollowed.
      def wall_mm
        return unless blank.form&.hollow?

        @wall_mm ||= Model::WallThickness.least(blank.form, blank.shape).thickness_mm
      end

      # The form with that wall in place of the plan's, nil where no hollow is left of it.
      def form_with(wall_mm) = blank.form.thicker(wall_mm - self.wall_mm)

      def held_bytes = HELD_BYTES

      # Everything that is truly in the piece as surveyed, list of defects.
      def true_defects = truth.of(blank).defects

      private

      def make_plan(at, about)
        route = Report::RouteReport.new(blank, at: at, ways: :taken, chosen: blank.route_choices, **about)
        @names = route.way_taken.steps.to_h { |step| [step.id, step] }
        @cuts = Report::CutReport.new(blank, route: route, **about)
        @plan = Plan.new(route, @cuts)
        route.let_go
      end

      # Both at once, so that what they are worked out from can be let go: it is large.
      def found(step, situation)
        (@found ||= {})[[step.id, situation]] ||= begin
          # Ruby does not see how large the arrays of the step before are, and would leave them lying about.
          GC.start if step.mass_g
          planned_wall(step)
          meets, own = meets(situation), as_is(step, situation)
          stages = step.mass_g ? step.stages.values_at(0, -1).uniq : []
          { met: meets.of(own), bodies: stages.to_h { |stage| [stage, body_of(meets.stage_report(own, stage))] } }
        end
      end

      def body_of(told)
        cut = told[:interrupted_cut] || {}
        { **told.slice(:mass_g, :imbalance_g_mm), air_share: cut[:air_share] || 0.0, gaps: cut[:gaps] || 0 }
      end

      def meets(situation)
        Meets.new(
          @plan,
          truth.filled(situation.mended),
          climate: @climate,
          fineness: :default,
          wall_n: @wall_n,
          glued: situation.mended
        )
      end

      # N the wall is said to bear by the survey, before anything is done otherwise.
      def planned_wall(step)
        return unless step.wall_use

        @wall_n[step.key] ||= Report::SolidAnalysis
          .new(step.blank.on_centres, @climate, :default)
          .weakest_wall
          &.force_n || 0.0
      end

      # The step with the piece as it is then; its key stays, which tells what was planned.
      def as_is(step, situation)
        return step if situation == AS_PLANNED

        step.dup.tap { |own| own.blank = walled(mended(step.blank, situation.mended), situation.wall_mm) }
      end

      def mended(blank, ids)
        glue = Table["rehearsal"]["mend"]["with"]
        left =
          blank.defects.filter_map do |defect|
            next defect unless ids.include?(defect.id)

            defect.path? ? defect.mended_with(glue) : (defect if defect.type == "loose_piece")
          end
        blank.with_defects(left)
      end

      def walled(blank, wall_mm)
        form = wall_mm && blank.form&.hollow? ? blank.form.thicker(wall_mm - self.wall_mm) : nil
        form ? blank.with_form(form) : blank
      end
    end
  end
end
