# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # A way of the work as it is played: of each step still ahead what the turner does at it.
    class Plan
      # blank: the piece as that step leaves it, as surveyed; key: what tells it from another; stages: from the one it
      # begins with to the one it ends at; rpm: it is turned at, 0 where it is not; wall_use: most force of a cut over
      # what the wall bears, nil where none is cut; mount: { key:, margin:, size_mm:, at_tail: } or nil; mass_g: as
      # it begins; wait: Wait or nil; check_use: how fast it dries over what opens a check, nil where it does not dry;
      # glues: ids of what is glued on. pour: { peak_c:, start_c:, over_gate_points: } of what is cast, nil else.
      Step =
        Struct.new(
          :id,
          :kind,
          :stretch,
          :blank,
          :key,
          :stages,
          :rpm,
          :wall_use,
          :mount,
          :mass_g,
          :wait,
          :hands_min,
          :cost,
          :check_use,
          :glues,
          :pour,
          :turns_not,
          keyword_init: true
        )
      STAGES = %i[blank rounded outside hollowed].freeze

      attr_reader :steps, :alternative

      # route: RouteReport, whose way taken it is; cuts: CutReport of that.
      def initialize(route, cuts)
        @route = route
        @alternative = route.way_taken
        @cuts = cuts
        @steps = planned
      end

      # [{ step:, why: }, ...] of what cannot be done yet as it stands.
      def not_yet = steps.filter_map { |step| { step: step.id, why: step.turns_not } if step.turns_not }

      private

      def planned
        stage = :blank
        alternative.steps.filter_map do |step|
          from, stage = stage, step.after.stage
          plan(step, from) unless step.done || step.left_out
        end
      end

      def plan(step, from)
        Step.new(
          id: step.id,
          kind: step.kind,
          stretch: step.stretch,
          blank: step.after.blank,
          key: @route.state_key(step.after),
          stages: step.stretch == "turn" ? STAGES[STAGES.index(from)..STAGES.index(step.after.stage)] : [],
          rpm: step.turns_not ? 0.0 : step.limit_rpm.to_f,
          wall_use: wall_use(step),
          mount: mount(step),
          mass_g: step.stretch == "turn" ? @route.reading(step.after, from)[:mass_g] : nil,
          wait: step.wait,
          hands_min: step.hands_min,
          cost: step.cost,
          check_use: check_use(step),
          glues: step.kind == "glue" ? step.of : [],
          pour: pour(step),
          turns_not: step.turns_not
        )
      end

      def wall_use(step)
        return unless step.kind == "hollow"

        @cuts
          .of_step(step.id)
          .select { |cut| cut[:tool] && cut[:allowed_n]&.positive? }
          .map { |cut| cut[:force_n] / cut[:allowed_n] }
          .max
      end

      # As hot as its hottest layer gets, and as far as the wood is over what the resin takes.
      def pour(step)
        made = step.made
        return unless made.is_a?(Mend::CastStep)

        {
          peak_c: made.plan.layers.map(&:peak_c).max,
          start_c: made.pour.start_c,
          over_gate_points: step.after.moisture_pct && (step.after.moisture_pct - made.gate_pct)
        }
      end

      def mount(step)
        held = Route::Turning::HELD_IN[step.kind] or return
        told = @route.mount_report(step.after).to_h[:steps].find { |one| one[:key] == held } or return
        chosen = told[:mounts].find { |one| one[:key] == told[:proposed] }
        return unless chosen && chosen[:margin]

        { key: chosen[:key], margin: chosen[:margin], size_mm: chosen[:size_mm] || 40.0, at_tail: at_tail?(step, told) }
      end

      def at_tail?(step, told) = (told[:by].to_s == "mouth") == (step.after.blank.form.opens == "tail")

      # Most over its places: the rate over the safest fast one, but no more than its skin may lag behind its middle at
      # all over what the wood takes up. Source: as SafeDrying.
      def check_use(step)
        stock = step.after.context.blank.material.shrinking_stock
        return unless step.safe_points_a_day && stock

        lag = Mend::SafeDrying.new(tangential_pct: stock.tangential_pct, tau_days: 1.0, thickness_mm: 1.0).drier_points
        step.regimes.filter_map { |one| use_of_place(one, step.safe_points_a_day, lag) }.max
      end

      # nil where the rule says nothing of it: hot wood gives.
      def use_of_place(one, safe_points_a_day, lag)
        days = one.days[1]
        return unless days&.positive? && Mend::DryingRegimes::PLACES.include?(one.place)

        under = [one.from_pct, Mend::Moisture::FIBRE_SATURATION_PCT].min
        [(one.from_pct - one.to_pct) / days / safe_points_a_day, (under - one.emc_pct) / lag].min
      end
    end
  end
end
