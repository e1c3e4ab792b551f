# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # Where a rehearsal stands, as plain data: what the turner at the screen lathe may know, and, once it has ended,
    # what was true.
    class RehearsalReport
      # lathe: ScreenLathe.
      def initialize(lathe)
        @lathe = lathe
        @setting = lathe.setting
        @perceived = Perceived.new(lathe)
      end

      def to_h
        {
          acts: @lathe.acts,
          steps: steps,
          at: @lathe.at,
          speed: speed,
          regions: regions,
          region: @lathe.region,
          wall: wall,
          outline: @lathe.outline.to_h,
          senses: senses,
          found: @lathe.found,
          mended: @lathe.situation.mended,
          **taken,
          events: @lathe.events.map { |event| told(event) },
          ended: @lathe.ended && ended
        }
      end

      private

      def steps
        @setting.plan.steps.map do |step|
          {
            id: step.id,
            kind: step.kind,
            name: @setting.route_step(step).name,
            turned: step.stages.any?,
            limit_rpm: step.rpm,
            turns_not: step.turns_not,
            wait_days: step.wait&.likely
          }
        end
      end

      def speed
        lathe = @lathe.blank.lathe
        {
          rpm: @lathe.rpm,
          limit_rpm: @lathe.step&.rpm || 0.0,
          least_rpm: lathe&.min_rpm || 0,
          most_rpm: lathe&.max_rpm || Table["rehearsal"]["unsaid_most_rpm"]
        }
      end

      def regions
        @lathe
          .regions
          .zip(@lathe.taken)
          .map do |region, share|
            {
              **region.slice(
                :side,
                :kind,
                :z_mm,
                :tool,
                :second,
                :finish_tool,
                :overhang_mm,
                :wall_mm,
                :look_at,
                :air_share
              ),
              swath: region[:swath],
              refused: region[:out],
              taken: share
            }
          end
      end

      def wall
        planned = @setting.wall_mm or return
        own = @lathe.situation.wall_mm
        { planned_mm: planned, mm: own || planned, form: own && @setting.form_with(own).to_document }
      end

      def senses
        {
          signs: @perceived.signs.map { |sign| sign.slice(:key, :level) },
          shake_share: @perceived.shake_share,
          air_share: @perceived.air_share,
          mass_g: @perceived.mass_g,
          comes_off: @perceived.comes_off,
          torn: @perceived.torn?,
          **@perceived.heard
        }
      end

      def taken
        record, minutes = @lathe.record, @lathe.record.minutes
        rate = @lathe.blank.worth ? @lathe.blank.worth[:rate].to_f : 0.0
        {
          minutes: minutes,
          days: record.waited_days + Tally.days_of(minutes),
          cost: record.spent + (minutes / Tally::MINUTES_AN_HOUR * rate)
        }
      end

      def told(event) =
        { key: event.key, step: event.step, of: event.of, then: event.outcome, energy_j: event.energy_j }

      # bears_rpm: what this truth takes at that step, of an end by speed.
      def ended
        ending = @lathe.ended
        {
          sound: ending.event.nil?,
          event: ending.event && told(ending.event),
          rpm: ending.rpm,
          bears_rpm: ending.event && bears(ending.event),
          signs: ending.signs.map { |sign| sign.slice(:act, :key, :level, :rpm) },
          truth: @setting.true_defects.map(&:to_document)
        }
      end

      def bears(event)
        met = @lathe.met
        piece = met.loose.find { |one| one.id == event.of }
        { "splits" => met.splits_rpm, "crack_runs" => met.runs_rpm }.fetch(event.key) { piece&.holds_rpm }
      end
    end
  end
end
