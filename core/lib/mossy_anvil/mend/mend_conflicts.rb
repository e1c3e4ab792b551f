# frozen_string_literal: true

module MossyAnvil
  # What one step of a plan spoils of another: named at the step where it would happen. Nothing is put right silently.
  class MendConflicts
    # steps: MendSteps in their order, each with the scene before it.
    def initialize(steps)
      @steps = steps
    end

    # [[step, tone, text, { name => [value, unit] }], ...]
    def to_a
      @steps.each_with_index.flat_map { |step, index| of(step, @steps.first(index), index).map { |one| [step, *one] } }
    end

    private

    def of(step, before, index)
      [too_wet(step), *soaked_late(step, before), *too_hot(step, before), *blocked(step, before), early(index), *twice(step, before), *nothing(step)].compact
    end

    def too_wet(step)
      gate = step.gate_pct
      return unless gate && step.scene.wooden? && step.scene.moisture_pct > gate + 0.05

      [:stop, "Too wet for it: {now} inside, and it takes {gate} at most. Dry it first.", { now: [step.scene.moisture_pct, "%"], gate: [gate, "%"] }]
    end

    # Resin does not get into what is closed already.
    def soaked_late(step, before)
      return [] unless %w[stabilise soak].include?(step.data[:do])

      whole = step.defects.empty? || step.data[:do] == "stabilise"
      before.select { |other| other.seals? && !%w[stabilise soak].include?(other.data[:do]) && (whole || shared(step, other).any?) }
            .map { |other| [:stop, "#{other.name} before it closes the pores: soak first, fill afterwards.", {}] }
    end

    # What was put in before softens in this oven.
    def too_hot(step, before)
      oven = step.oven_c or return []
      before.select { |other| other.softens_c && other.softens_c < oven && other.data[:do] != "dry" }
            .map { |other| [:stop, "#{other.name} before it softens from {soft}, and this oven is at {oven}.", { soft: [other.softens_c, "C"], oven: [oven, "C"] }] }
    end

    def blocked(step, before)
      return [] unless %w[glue fill cast].include?(step.data[:do])

      before.select { |other| other.blocks_glue? && (shared(step, other).any? || other.defects.empty?) }
            .map { |other| [:stop, "#{other.name} before it keeps glue and filler from biting: scrape it off, or seal afterwards.", {}] }
    end

    # A wait of one's own that is shorter than the usual one, and what comes before it is hard.
    def early(index)
      return if index.zero?

      last = @steps[index - 1]
      own = last.data[:after_h]
      usual = MendStep.for(last.data.except(:after_h), last.scene, Workings.new, at: last.at).ready_h if own
      return unless usual && own < usual

      [:stop, "#{last.name} is given {own} before it, and needs {usual} to be hard.", { own: [own, "h"], usual: [usual, "h"] }]
    end

    def twice(step, before)
      return [] if step.data[:do] == "sand"

      shared_ids = before.reject { |other| %w[sand dry stabilise soak].include?(other.data[:do]) }.flat_map { |other| shared(step, other) }.uniq
      %w[stabilise soak dry].include?(step.data[:do]) || shared_ids.empty? ? [] : [[:care, "#{shared_ids.join(', ')}: mended by a step before it already.", {}]]
    end

    def nothing(step)
      step.data[:of]&.empty? && %w[glue fill soak].include?(step.data[:do]) ? [[:care, "It names nothing to mend.", {}]] : []
    end

    def shared(step, other) = (step.data[:of] || []) & (other.data[:of] || [])
  end
end
