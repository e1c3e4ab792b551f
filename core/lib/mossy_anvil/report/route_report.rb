# frozen_string_literal: true

module MossyAnvil
  module Report
    # The whole way of one piece: what it can be, step by step, the one that is advised and why.
    class RouteReport
      # In place of what a stage comes to, where nobody asks for it.
      UNASKED = { limit_rpm: 1.0, unsafe: false, volume_mm3: 0.0 }.freeze

      # What is told of a step as it has it.
      AS_IT_IS = %i[
        id
        stretch
        kind
        name
        of
        hands_min
        cost
        cautions
        says
        stage
        limit_rpm
        unsafe
        safe_points_a_day
        weigh_days
        done
        left_out
      ].freeze

      # blank: as surveyed, with a form. now: Time or nil. about: records: ShopRecords; chosen: { question => answer },
      # those of the blank file unsaid; ways: :all, or :taken for that one alone, which is much less to work out; tools:
      # keys of the turner's own, every one of the table unsaid; sheets: as PieceFinish takes them; speeds: false where
      # nobody asks how fast its steps may turn and what holds them, which is most of the work.
      # Raises InvalidInput under `at` where there is no form, or a tool is not known.
      def initialize(blank, climate: ShopClimate.new, now: nil, fineness: :default, at: "", **about)
        unless blank.form
          raise InvalidInput.at("#{at}/form", Fault.t("is_missing"), Fault.t("a_form_the_way_follows_what_it"))
        end

        @blank = blank
        @climate = climate
        @now = now
        @fineness = fineness
        @records = about.fetch(:records) { Model::ShopRecords.new }
        @chosen = about.fetch(:chosen) { blank.route_choices }
        @ways = about.fetch(:ways, :all)
        @tools = Model::CuttingTool.all(about[:tools])
        @sheets = about[:sheets] || {}
        @speeds = about.fetch(:speeds, true)
        @workings = Workings.new
      end

      # Plain data: recommended, reason, questions with their answers, alternatives with their steps, workings.
      def to_h
        {
          recommended: proposal.recommended,
          reason: proposal.reason,
          taken: proposal.taken,
          questions: proposal.asked,
          alternatives: ways.map { |one| plain(one) },
          workings: @workings.to_h
        }
      end

      # Every way there is, list of Route::Alternative, the one taken first; and that one alone.
      # Forgets what its speeds were worked out from, which is large.
      def let_go = limits.let_go

      def alternatives = proposal.alternatives
      def way_taken = proposal.way_taken
      # What tells two states of the piece on its way apart.
      def state_key(piece) = limits.key(limits.as_surveyed(piece.blank))
      # { limit_rpm:, unsafe:, mass_g:, volume_mm3:, governed_by: } of a piece on its way at a stage.
      def reading(piece, stage) = limits.call(piece.blank, stage)
      # Steps of the way taken, list of Route::Step.
      def steps = way_taken.steps
      # What the last stage of turning comes to, as the assessment has it.
      def finished_stage = assessed[:stages].values.last
      def moisture_pct = assessed[:drying] && assessed[:drying][:moisture_pct]
      # The form it is roughed out to first; nil where it is not.
      def rough_form = rough && rough[:form]
      # How a piece on its route is held, as what was mended before leaves it; a MountReport of the finished form, told
      # at once, so that it lets go of the solid.
      def mount_report(piece)
        blank, key, wet = held(piece)
        (@mount_reports ||= {})[key] ||= MountReport.new(
          blank,
          climate: @climate,
          moisture_pct: wet,
          readings: limits
        ).tap(&:to_h)
      end

      # Papers and coats of it as the way taken leaves it to be finished, a PieceFinish.
      def finish = finish_of((steps.find { |step| step.kind == "sand" } || steps.last).after)

      private

      def ways = @ways == :all ? proposal.alternatives : [proposal.way_taken]
      def proposal = @proposal ||= Route::Proposal.new(facts, @workings, chosen: @chosen)
      def assessed =
        @assessed ||= Assessment.new(@blank, climate: @climate, now: @now, fineness: @fineness, records: @records).to_h

      def facts
        Route::Facts.new(
          blank: @blank,
          assessed: assessed,
          context: context,
          rough: rough,
          mounts: @speeds ? method(:mounts) : ->(_) { {} },
          cuts: method(:cuts),
          finish: method(:finish_of),
          limits: @speeds ? limits : ->(*) { UNASKED }
        )
      end

      def context = MendReport.context(@blank, assessed, climate: @climate, records: @records, now: @now)

      # The form to rough out to, thick enough to be trued up once it is dry; nil where no hollow of it would be left.
      def rough = defined?(@rough) ? @rough : @rough = thick_form

      def thick_form
        told, done = assessed.dig(:form, :rough), @blank.roughed_out
        wall = done ? done[:wall_mm] : told && told[:wall_mm]
        return if wall.nil? || wall + Table["route"]["least_room_mm"] > @blank.form.outside.largest_mm

        thick = RoughForm.of(@blank.form, wall)
        thick&.hollow? ? { form: thick, wall_mm: wall.to_f } : nil
      end

      def limits = @limits ||= StageReadings.new(@blank.material, @climate, @fineness)

      # The mounts proposed for it, { step of holding => { key:, limit_rpm: } }.
      def mounts(piece)
        mount_report(piece).to_h[:steps].to_h do |step|
          [step[:key], { key: step[:proposed], limit_rpm: step[:limit_rpm] }]
        end
      end

      # What is cut of a piece in a kind of step, see StepCutting: it differs with the mending, the water, the belt and
      # with what the piece was roughed out to.
      def cuts(piece, **step)
        blank, key, wet = held(piece)
        belt, = StepCutting.belt(@blank.lathe, step[:rpm])
        (@cuts ||= {})[[key, step.slice(:kind, :rough), belt, Turn::ToolChoice.wet?(wet)]] ||= StepCutting.new(
          centred,
          blank.on_centres,
          { **step, moisture_pct: wet },
          mounts: mount_report(piece),
          tools: @tools,
          factor: @records.factor("cutting_factor", step[:kind])
        )
      end

      # As it is mended then.
      def finish_of(piece)
        blank = limits.as_surveyed(piece.blank)
        (@finishes ||= {})[limits.key(blank)] ||= PieceFinish.new(
          blank,
          {
            papers: limits.papers(blank),
            least_wall_mm: assessed.dig(:form, :least_wall_mm),
            moisture_pct: moisture_pct
          },
          climate: @climate,
          records: @records,
          sheets: @sheets
        )
      end

      def centred = @centred ||= @blank.on_centres

      # [the piece with its water as surveyed, what tells it from another, its water]
      def held(piece)
        blank = limits.as_surveyed(piece.context.blank)
        wet = piece.moisture_pct || 0
        [blank, [limits.key(blank), MountReport.too_wet(wet)], wet]
      end

      def plain(alternative)
        {
          key: alternative.key,
          choices: alternative.choices,
          name: Message.of("route.answers.#{alternative.key}.name"),
          known_for: Message.of("route.answers.#{alternative.key}.known_for"),
          finish_days: alternative.finish.to_h,
          hands_h: alternative.hands_h,
          cost: alternative.cost,
          yield_share: assessed.dig(:form, :yield_share),
          conflicts: alternative.conflicts,
          steps: alternative.steps.zip(alternative.starts).map { |step, start| plain_step(step, start) }
        }
      end

      def plain_step(step, start)
        {
          **AS_IT_IS.to_h { |name| [name, step.public_send(name)] },
          starts_days: start.to_h,
          wait_days: step.wait&.to_h,
          needs: step.needs.to_h,
          materials: step.materials.map(&:to_h),
          moisture_pct_after: step.after.moisture_pct,
          thickness_mm_after: step.after.thickness_mm,
          regimes: step.regimes.map(&:to_h)
        }
      end
    end
  end
end
