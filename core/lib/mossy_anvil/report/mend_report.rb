# frozen_string_literal: true

module MossyAnvil
  module Report
    # The whole plan of mending as plain data: its steps in order, each with what it takes, how long, what it does to
    # the piece, and what it spoils.
    class MendReport
      STAGES = %i[first last].freeze
      # Less than this share slower is none.
      SLOWER = 0.99
      # A latest end no more than this share later is none.
      LATER = 1.05

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
        {
          proposed: @blank.mend.nil?,
          plan: {
            steps: data
          },
          steps: told,
          materials: materials,
          cost: materials.sum { |row| row[:cost] },
          hands_min: told.sum { |step| step[:hands_min] },
          ready_h: told.last && told.last[:ready_at_h],
          ready_late_h: told.last && told.last[:ready_late_at_h],
          before: effects.first,
          after: effects.last,
          left_out: left_out,
          says: says(told),
          workings: @workings.to_h
        }
      end

      # The steps, each on the scene the one before leaves.
      def steps
        @steps ||=
          begin
            scene = first_scene
            data.each_with_index.map do |step, index|
              check(step, index)
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
        MendReport.mended_document(document, steps.select { |step| done.include?(step.id) }, measured: measured)
      end

      # The same of any steps of mending (MendSteps).
      def self.mended_document(document, worked, measured: {})
        done = worked.map(&:id)
        mended = worked.flat_map { |step| step.mended(measured.fetch(step.id, {})) }.to_h { |one| [one.id, one] }
        left = (document.dig("mend", "steps") || []).reject { |step| done.include?(step["id"]) }
        document.except("mend").merge(
          "defects" => document["defects"].map { |old| mended_over(old, mended[old["id"]]) },
          "material" => material_after(document["material"], worked, measured),
          **(left.any? ? { "mend" => { "steps" => left } } : {})
        )
      end

      # As a blank file has it, with what is only for the eye kept. defect: nil where it is as it was.
      def self.mended_over(old, defect)
        return old unless defect

        old.slice("found_on", "group").merge(JSON.parse(JSON.generate(defect.to_document)))
      end

      def self.material_after(material, worked, measured) =
        worked.inject(material) { |found, step| found.merge(step.material_after(measured.fetch(step.id, {}))) }
      private_class_method :mended_over, :material_after

      private

      def assessed = @assessed ||= Assessment.new(@blank, climate: @climate, now: @now, fineness: @fineness).to_h

      def first_scene = MendReport.context(@blank, assessed, climate: @climate, records: @records, now: @now)

      # A step carries only what its kind knows, and mends what there is. Raises InvalidInput.
      def check(step, index)
        at = "#{@at}/mend/steps/#{index}"
        faults = [*strange(step, at), *unsurveyed(step, at), *twice(step, index, at)]
        raise InvalidInput, faults if faults.any?
      end

      def strange(step, at)
        known = Mend::MendStep::COMMON + Mend::MendStep::CARRIES.fetch(step[:do])
        (step.keys - known).map do |key|
          Fault.new(path: "#{at}/#{key}", problem: Fault.t("does_not_belong_to_such_a_step"), allowed: known.join(", "))
        end
      end

      def unsurveyed(step, at)
        there = @blank.defects.map(&:id)
        (step[:of] || []).each_with_index.filter_map do |ref, place|
          next if there.include?(ref)

          allowed = Fault.t("the_id_of_a_defect_of_the")
          Fault.new(path: "#{at}/of/#{place}", problem: Fault.t("is", given: Fault.shown(ref)), allowed: allowed)
        end
      end

      def twice(step, index, at)
        return [] if data.first(index).none? { |other| other[:id] == step[:id] }

        [
          Fault.new(
            path: "#{at}/id",
            problem: Fault.t("is_used_twice", id: step[:id]),
            allowed: Fault.t("each_step_its_own")
          )
        ]
      end

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
      def effects =
        @effects ||= [first_scene, *steps.map(&:after)].map { |scene| MendEffect.new(scene, fineness: @fineness).to_h }

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
          if from[:burst_rpm] && to[:burst_rpm] && to[:burst_rpm] < from[:burst_rpm] * SLOWER
            say(:care, "splits_sooner_#{stage}", to: [to[:burst_rpm], "rpm"], from: [from[:burst_rpm], "rpm"])
          elsif to[:limit_rpm] < from[:limit_rpm] * SLOWER
            say(:care, "slower_#{stage}", to: [to[:limit_rpm], "rpm"], from: [from[:limit_rpm], "rpm"])
          end
        end
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

      # Defects that ask for mending and are in no step.
      def left_out
        planned = data.flat_map { |step| step[:of] || [] }
        return [] if data.any? { |step| %w[stabilise cast].include?(step[:do]) && (step[:of] || []).empty? }

        assessed[:defects]
          .select { |defect| Mend::MendProposal.way(defect) && !planned.include?(defect[:id]) }
          .map { |defect| defect[:id] }
      end

      def says(told)
        return [say(:go, "nothing")] if told.empty? && left_out.empty? && tested.empty?

        [
          whole(told),
          faster(told),
          (say(:care, "left_out", ids: Message.ids(left_out)) if left_out.any?),
          (say(:care, "tested", ids: Message.ids(tested)) if tested.any?)
        ].compact
      end

      # Ids of what tests alone show and would have to be mended.
      def tested =
        assessed[:defects]
          .select { |defect| defect[:by_test] && Mend::MendProposal.way(defect.merge(by_test: false)) }
          .map { |defect| defect[:id] }

      def whole(told)
        return if told.empty?

        stuck = told.sum { |step| step[:conflicts] }
        return say(:stop, "conflicts", count: Message.count(stuck)) if stuck.positive?
        return say(:stop, "never_ends") if told.last[:ready_at_h].nil?

        ready_in(*told.last.values_at(:ready_at_h, :ready_late_at_h), told.sum { |step| step[:hands_min] })
      end

      # late: hours, or nil where damper air never gets it there.
      def ready_in(ready, late, hands)
        about = { ready: [ready, "h"], hands: [hands, "min"] }
        return say(:plain, "ready_at_best", **about) if late.nil?

        late > ready * LATER ? say(:plain, "ready_between", **about, late: [late, "h"]) : say(:plain, "ready", **about)
      end

      # What the whole of it does to the speed.
      def faster(told)
        return if told.empty?

        from, to = effects.first[:first], effects.last[:first]
        return unless to[:limit_rpm] > from[:limit_rpm] / SLOWER
        return say(:go, "faster_than_none", to: [to[:limit_rpm], "rpm"]) if from[:limit_rpm].zero?

        say(:go, "faster", to: [to[:limit_rpm], "rpm"], from: [from[:limit_rpm], "rpm"])
      end

      def say(tone, key, **amounts) = advice(tone, "plan.#{key}", **amounts)
      def advice(tone, key, **amounts) = { tone: tone.to_s, figure: nil, **Message.of(key, **amounts) }
    end
  end
end
