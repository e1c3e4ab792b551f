# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # The one act that makes most truths sound that were lost, for each hour it takes: proved by playing it on them.
    class Improvement
      MINUTES_AN_HOUR = 60.0

      # plan: Plan; sound: of each truth whether it came out so; worst: { event:, step: } that takes most. playing:
      # truth: (index) -> Truth; lost: (plan, truth, pace:) -> is it lost; plan_of: (blank, choices) -> Plan;
      # ways: () -> the other ways, list of Alternative.
      def initialize(blank, plan, sound:, worst:, **playing)
        @blank = blank
        @plan = plan
        @sound = sound
        @worst = worst
        @truth, @lost, @plan_of, @ways = playing.values_at(:truth, :lost, :plan_of, :ways)
        @row = Table["odds"]["acts"]
      end

      # { act:, step: or of: or mm: with form: or way:, gain: share of all truths, hours:, per_hour: }; nil where
      # nothing was lost, or nothing betters it. The block is told how many acts are tried, of how many.
      def best
        return if lost.empty?

        all = acts
        found =
          all.each_with_index.filter_map { |act, index| tried(act).tap { yield index + 1, all.size if block_given? } }
        found.max_by { |one| [one[:per_hour], one[:gain]] }
      end

      private

      def lost = @lost_ones ||= @sound.each_index.reject { |index| @sound[index] }

      def acts
        [
          { act: "slower", step: @worst[:step] },
          *feelers.map { |id| { act: "feeler", of: id } },
          { act: "taps" },
          *thicker_walls,
          *@ways.call.map { |way| { act: "other_way", way: way.key, choices: way.choices } }
        ]
      end

      def thicker_walls
        form = @blank.form&.thicker(@row["thicker_mm"])
        form ? [{ act: "thicker_wall", mm: @row["thicker_mm"], form: form }] : []
      end

      # Ids of the cracks that are deepest in doubt.
      def feelers
        open = @blank.defects.select { |defect| defect.path? && defect.parts? && defect.found_by != "feeler" }
        open.max_by(@row["feelers"]) { |defect| defect.depth_range_mm&.last || (2 * defect.depth_mm) }.map(&:id)
      end

      def tried(act)
        kept, minutes = send(act[:act], act)
        return unless kept.positive?

        gain = kept / @sound.size.to_f
        hours = [minutes, @row["least_min"]].max / MINUTES_AN_HOUR
        told = act[:form] ? { **act, form: act[:form].to_document } : act.except(:choices)
        { **told, gain: gain, hours: hours, per_hour: gain / hours }
      end

      def kept(plan = @plan, **how) = lost.count { |index| !@lost.call(plan, yield(@truth.call(index)), **how) }

      def slower(act)
        step = @plan.steps.find { |one| one.id == act[:step] }
        [kept(pace: { act[:step] => @row["slower"] }, &:itself), step.hands_min * ((1 / @row["slower"]) - 1)]
      end

      def feeler(act) = [kept { |truth| truth.felt(act[:of]) }, @row["feeler_min"]]
      def taps(_act) = [kept { |truth| truth.tapped(@blank.shape) }, @row["taps_min"]]

      def thicker_wall(act)
        kept = kept(@plan_of.call(@blank.with_form(act[:form]), @blank.route_choices), &:itself)
        [kept, 0]
      end

      # Another way may lose what this one keeps: it is played on some of those too, and what it loses of them counts.
      def other_way(act)
        other = @plan_of.call(@blank, act[:choices])
        minutes = (other.alternative.hands_h - @plan.alternative.hands_h) * MINUTES_AN_HOUR
        [kept(other, &:itself) - spoilt(other), minutes]
      end

      def spoilt(other)
        sound = @sound.each_index.select { |index| @sound[index] }
        played = sound.first(@row["sound_played"])
        return 0 if played.empty?

        played.count { |index| @lost.call(other, @truth.call(index)) } * sound.size / played.size.to_f
      end
    end
  end
end
