# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # What a rehearsal is played on: the plan of a piece, and the truth nobody knows. Worked out once; what an act asks of
    # it besides is kept.
    class Setting
      # A piece as it is then: ids mended on the way, and mm of wall left beside the plan's, nil for the plan's.
      Situation = Struct.new(:mended, :wall_mm)
      AS_PLANNED = Situation.new([].freeze, nil).freeze

      attr_reader :blank, :plan, :truth, :tally

      # blank: as surveyed, with a form. seed, index: of the truth, seed nil where the truth is the survey. about:
      # climate:, now:, records:, tools:, sheets: as RouteReport takes them. Raises InvalidInput under `at` where there
      # is no form.
      def initialize(blank, seed:, index: 0, at: "", **about)
        @blank = blank
        @climate = about.fetch(:climate) { Report::ShopClimate.new }
        about = { **about, climate: @climate }
        route = Report::RouteReport.new(blank, at: at, ways: :taken, chosen: blank.route_choices, **about)
        @names = route.way_taken.steps.to_h { |step| [step.id, step] }
        @cuts = Report::CutReport.new(blank, route: route, **about)
        @plan = Plan.new(route, @cuts)
        draws = seed && Draws.new(seed, index)
        @truth = Truth.new(blank, draws, draws && HiddenTroubles.new(blank))
        @tally = Tally.new(@plan, draws, rate: blank.worth ? blank.worth[:rate].to_f : 0.0)
        @wall_n = {}
      end

      # Route::Step that a step of the plan plays.
      def route_step(step) = @names.fetch(step.id)

      # Regions of its cuts, plain data as CutReport has them; those no tool is safe in are left out.
      def regions(step) = (@regions ||= {})[step.id] ||= @cuts.of_step(step.id).select { |region| region[:tool] }

      # Meets::Step of a step in a situation.
      def met(step, situation) = (@met ||= {})[[step.id, situation]] ||= meets(situation).of(as_is(step, situation))

      # { mass_g:, imbalance_g_mm:, air_share:, gaps: } of the truth's piece at a stage.
      def body(step, stage, situation)
        (@bodies ||= {})[[step.key, stage, situation]] ||= begin
          told = meets(situation).stage_report(as_is(step, situation), stage)
          cut = told[:interrupted_cut] || {}
          { **told.slice(:mass_g, :imbalance_g_mm), air_share: cut[:air_share] || 0.0, gaps: cut[:gaps] || 0 }
        end
      end

      # mm of wall the plan leaves; nil where the inside follows nothing.
      def wall_mm = blank.form&.hollow? && blank.form.follows ? blank.form.follows[:wall_mm].to_f : nil

      # Everything that is truly in the piece as surveyed, list of defects.
      def true_defects = truth.of(blank).defects

      private

      def meets(situation)
        @plan.steps.each { |step| planned_wall(step) } if @wall_n.empty?
        hidden = truth.filled(situation.mended)
        (@meets ||= {})[situation] ||= Meets.new(
          @plan,
          hidden,
          climate: @climate,
          fineness: :default,
          wall_n: @wall_n,
          glued: situation.mended
        )
      end

      # N the wall is said to bear by the survey, before anything is done otherwise.
      def planned_wall(step)
        return unless step.wall_use

        @wall_n[step.key] ||= Report::SolidAnalysis.new(step.blank.on_centres, @climate, :default).weakest_wall&.force_n ||
          0.0
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

            defect.path? ? defect.with(mend: glue) : (defect if defect.type == "loose_piece")
          end
        blank.with_defects(left)
      end

      def walled(blank, wall_mm)
        form = blank.form
        return blank unless wall_mm && form&.follows

        follows = { **form.follows, wall_mm: wall_mm }
        other = Model::Form.new(**form.to_document.except(:inside), follows: follows)
        other.hollow? ? blank.with_form(other) : blank
      end
    end
  end
end
