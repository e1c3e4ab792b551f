# frozen_string_literal: true

module MossyAnvil
  module Report
    # The whole plan of mending as plain data: its steps in order, each with what it takes, how long, what it does to
    # the piece, and what it spoils.
    class MendReport
      STAGES = %i[first last].freeze

      # The piece before any of its mending: a MendContext. assessed: its assessment, plain data.
      def self.context(blank, assessed, climate:, records:, now:)
        Mend::MendContext.new(
          blank: blank,
          assessed: assessed,
          water:
            blank.material.wooden? ? DryingReport.new(blank, climate, Workings.new, now: now, records: records) : nil,
          climate: climate,
          records: records,
          moisture_pct: assessed[:drying] ? assessed[:drying][:moisture_pct] : blank.material.moisture_pct
        )
      end

      # blank: as surveyed. now: Time or nil. records: ShopRecords. Raises InvalidInput with pointers under `at`.
      def initialize(
        blank,
        climate: ShopClimate.new,
        now: nil,
        records: Model::ShopRecords.new,
        fineness: :default,
        at: ""
      )
        @blank = blank
        @climate = climate
        @now = now
        @records = records
        @fineness = fineness
        @at = at
        @workings = Workings.new
      end

      def to_h
        told = steps.each_with_index.map { |step, index| tell(step, index) }
        advice = WholePlanAdvice.new(data, told, effects, assessed[:defects])
        {
          proposed: @blank.mend.nil?,
          plan: {
            steps: data
          },
          steps: told,
          materials: materials,
          cost: materials.sum { |row| row[:cost] },
          **in_all(told),
          before: effects.first,
          after: effects.last,
          left_out: advice.left_out,
          says: advice.to_a,
          workings: @workings.to_h
        }
      end

      # The steps, each on the scene the one before leaves.
      def steps
        @steps ||=
          begin
            scene = first_scene
            data.each_with_index.map do |step, index|
              check.call(step, index)
              Mend::MendSteps
                .build(step, scene, @workings, at: "#{@at}/mend/steps/#{index}")
                .tap { |made| scene = made.after }
            end
          end
      end

      # The plan as in a blank file, symbol-keyed.
      def data = @data ||= @blank.mend ? @blank.mend[:steps] : Mend::MendProposal.new(@blank, assessed).steps

      # The blank document, string-keyed, once those steps (ids) are done: its defects mended, their steps gone from its
      # plan.
      # measured: { step id => { name => value } }, what the scale said meanwhile.
      def document_after(document, done, measured: {})
        MendedDocument.of(document, steps.select { |step| done.include?(step.id) }, measured: measured)
      end

      private

      def assessed = @assessed ||= Assessment.new(@blank, climate: @climate, now: @now, fineness: @fineness).to_h

      def check = @check ||= MendCheck.new(data, @blank.defects.map(&:id), "#{@at}/mend/steps")

      def first_scene = MendReport.context(@blank, assessed, climate: @climate, records: @records, now: @now)

      def tell(step, index)
        conflicts = conflicts_of(step)
        {
          **said_of(step),
          materials: step.materials.map(&:to_h),
          **times_of(step, index),
          says: [*conflicts, *step.says, *slower(index)],
          conflicts: conflicts.count { |one| one[:tone] == "stop" },
          before: effects[index],
          after: effects[index + 1],
          lines: numbered(step)
        }
      end

      # What a step tells of itself.
      def said_of(step)
        data = step.data
        {
          id: step.id,
          do: data[:do],
          name: step.name,
          of: data[:of] || [],
          gate_pct: step.gate_pct,
          moisture_pct: step.scene.wooden? ? step.scene.moisture_pct : nil,
          tools: step.tools,
          cautions: step.cautions,
          detail: step.detail.empty? ? nil : { data[:do].to_sym => step.detail }
        }
      end

      # Minutes it keeps the hands busy, and hours from now.
      def times_of(step, index)
        start, late = times[index]
        {
          hands_min: step.hands_min,
          working_min: step.working_min,
          ready_h: step.ready_h,
          ready_late_h: step.ready_late_h,
          cure_h: step.cure_h,
          starts_h: start,
          ready_at_h: start && step.ready_h && (start + step.ready_h),
          ready_late_at_h: late && step.ready_late_h && (late + step.ready_late_h)
        }
      end

      def numbered(step) =
        step.lines.each_with_index.map { |line, index| { key: "#{step.id}.#{index + 1}", optional: false, **line } }

      # [earliest, latest] hours from now at which each begins; nil after a step that never ends.
      def times
        @times ||=
          steps.each_with_object([[0.0, 0.0]]) do |step, list|
            start, late = list.last
            list << [
              start && step.ready_h && (start + step.ready_h),
              late && step.ready_late_h && (late + step.ready_late_h)
            ]
          end
      end

      # On the lathe, before the first step and after each.
      def effects
        @effects ||= [
          MendEffect.of_stages(assessed[:stages]),
          *steps.map { |step| MendEffect.new(step.after, fineness: @fineness).to_h }
        ]
      end

      def conflicts = @conflicts ||= Mend::MendConflicts.new(steps).to_a

      def conflicts_of(step)
        conflicts
          .select { |of, *| of.equal?(step) }
          .map { |_, tone, key, amounts| advice(tone, "conflicts.#{key}", **amounts) }
      end

      # A mend never slows the piece without saying so.
      def slower(index)
        before, after = effects[index], effects[index + 1]
        STAGES.filter_map do |stage|
          from, to = before[stage], after[stage]
          if from[:burst_rpm] && to[:burst_rpm] && to[:burst_rpm] < from[:burst_rpm] * WholePlanAdvice::SLOWER
            say(:care, "splits_sooner_#{stage}", to: [to[:burst_rpm], "rpm"], from: [from[:burst_rpm], "rpm"])
          elsif to[:limit_rpm] < from[:limit_rpm] * WholePlanAdvice::SLOWER
            say(:care, "slower_#{stage}", to: [to[:limit_rpm], "rpm"], from: [from[:limit_rpm], "rpm"])
          end
        end
      end

      def in_all(told)
        ready, late = told.last&.values_at(:ready_at_h, :ready_late_at_h)
        { hands_min: told.sum { |step| step[:hands_min] }, ready_h: ready, ready_late_h: late }
      end

      # In all, by product.
      def materials
        @materials ||=
          steps
            .flat_map(&:materials)
            .group_by { |one| [one.key, one.part, one.unit, one.name] }
            .map do |(key, part, unit, name), list|
              { key: key, name: name, part: part, unit: unit, amount: list.sum(&:amount), cost: list.sum(&:cost) }
            end
      end

      def say(tone, key, **amounts) = advice(tone, "plan.#{key}", **amounts)
      def advice(tone, key, **amounts) = { tone: tone.to_s, figure: nil, **Message.of(key, **amounts) }
    end
  end
end
