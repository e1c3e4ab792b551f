# frozen_string_literal: true

module MossyAnvil
  module Mend
    # What one step of a plan spoils of another: named at the step where it would happen. Nothing is put right silently.
    class MendConflicts
      # steps: MendSteps in their order, each with the scene before it.
      def initialize(steps)
        @steps = steps
      end

      # [[step, tone, key, { name => [value, unit] }], ...]; keys stand under `conflicts`.
      def to_a
        @steps.each_with_index.flat_map { |step, index| of(step, @steps.first(index)).map { |one| [step, *one] } }
      end

      private

      def of(step, before)
        [
          too_wet(step),
          *soaked_late(step, before),
          *too_hot(step, before),
          *blocked(step, before),
          hurried(step),
          *twice(step, before),
          *nothing(step)
        ].compact
      end

      def too_wet(step)
        gate = step.gate_pct
        return unless gate && step.scene.wooden? && step.scene.moisture_pct > gate + 0.05

        [:stop, "too_wet", { now: [step.scene.moisture_pct, "%"], gate: [gate, "%"] }]
      end

      # Resin does not get into what is closed already.
      def soaked_late(step, before)
        return [] unless %w[stabilise soak].include?(step.data[:do])

        whole = step.defects.empty? || step.data[:do] == "stabilise"
        before
          .select do |other|
            other.seals? && !%w[stabilise soak].include?(other.data[:do]) && (whole || shared(step, other).any?)
          end
          .map { |other| [:stop, "pores_closed", { step: other.name }] }
      end

      # What was put in before softens in this oven: by a step of the plan, or long since.
      def too_hot(step, before)
        oven = step.oven_c or return []
        by_plan =
          before.filter_map do |other|
            other.softens_c && [Message.of("conflicts.step", step: other.name), other.softens_c]
          end
        softer = [*by_plan, *long_since(step, before)].select { |_, soft| soft < oven }
        softer.map { |what, soft| [:stop, "softens", { what: what, soft: [soft, "C"], oven: [oven, "C"] }] }
      end

      # [[what, C it softens from], ...] of defects that were mended before the plan begins.
      def long_since(step, before)
        planned = before.flat_map { |other| other.data[:of] || [] }
        fillers = Table.rows("fillers").to_h { |row| [row["key"], row] }
        step
          .scene
          .blank
          .defects
          .select { |defect| defect.path? && defect.mended? && !planned.include?(defect.id) }
          .map do |defect|
            [
              Message.of("conflicts.mended", id: Message.text(defect.id), filler: Table.term("fillers", defect.mend)),
              fillers[defect.mend]["soft_from_c"]
            ]
          end
      end

      def blocked(step, before)
        return [] unless %w[glue fill cast].include?(step.data[:do])

        before
          .select { |other| other.blocks_glue? && (shared(step, other).any? || other.defects.empty?) }
          .map { |other| [:stop, "no_bond", { step: other.name }] }
      end

      # Levelled, heated or turned before it is hard.
      def hurried(step)
        step.hurried_h && [:stop, "hurried", { own: [step.hurried_h, "h"], usual: [step.usual_h, "h"] }]
      end

      def twice(step, before)
        return [] if step.data[:do] == "sand"

        shared_ids =
          before
            .reject { |other| %w[sand dry stabilise soak].include?(other.data[:do]) }
            .flat_map { |other| shared(step, other) }
            .uniq
        if %w[stabilise soak dry].include?(step.data[:do]) || shared_ids.empty?
          []
        else
          [[:care, "twice", { ids: Message.ids(shared_ids) }]]
        end
      end

      def nothing(step)
        step.data[:of]&.empty? && %w[glue fill soak].include?(step.data[:do]) ? [[:care, "nothing_named", {}]] : []
      end

      def shared(step, other) = (step.data[:of] || []) & (other.data[:of] || [])
    end
  end
end
