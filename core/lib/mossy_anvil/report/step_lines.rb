# frozen_string_literal: true

module MossyAnvil
  module Report
    # The lines of a card for a step at the lathe, of drying, sanding or finishing: one thing at a time, in the order it
    # is done.
    class StepLines
      # Up to the limit by its rungs again where it is so much faster than the step before.
      FASTER = 1.05
      MIN_PER_DAY = 1440.0

      # A bit that makes room for the tool, where the floor is wider than it, mm.
      BIT_MM = 25.0
      # The hole stops so far before the floor, mm.
      SHORT_MM = 3.0

      # step: Route::Step; before: the one worked before it, or nil. cuts: its regions as CutReport has them.
      # about: blank: on its centres; finish: callable that gives the PieceFinish; finished: the last stage of the
      # assessment, plain data; foot_z_mm: where the piece comes off.
      def initialize(step, before:, cuts:, **about)
        @step = step
        @before = before
        @cuts = cuts
        @blank, @finish, @finished, @foot_z_mm = about.values_at(:blank, :finish, :finished, :foot_z_mm)
        @lathe, @material = @blank.lathe, @blank.material
      end

      # List of plain lines, as CardLine has them.
      def lines
        case @step.kind
        when "mount"
          mounting
        when "turn_round"
          [line("turn_round"), line("tighten"), line("by_hand")]
        when "dry"
          drying
        when "sand"
          FinishLines.new(@finish.call, limit_rpm: @step.limit_rpm).sanding
        when "coat"
          FinishLines.new(@finish.call).coating
        else
          @step.stretch == "turn" ? turning : [own]
        end
      end

      private

      # key under steps.work.line.
      def line(key, kind: :do, **about) = Mend::CardLine.of(kind, "work.line.#{key}", **about).to_h

      def own
        line("do", what: @step.name, **(@step.wait&.likely ? { minutes: minutes(@step.wait) } : {}))
      end

      def mounting
        [
          line("mount", mount: mount || Message.term("steps.work.no_mount")),
          line("by_hand"),
          line("tailstock"),
          line("aside"),
          *rungs
        ]
      end

      def mount = @step.needs.mount && Message.term("tables.mounts.#{@step.needs.mount}.name")

      def turning = [*speed, *drill, *CutLines.new(@cuts).to_a, *release, line("look"), *took]

      # For the next piece.
      def took
        return [] unless @cuts.any? { |cut| cut[:tool] }

        planned = [@step.cuts.minutes, "min", nil]
        [
          line("took", kind: :measure, measures: :took_min, target: planned, usual: @step.cuts.usual_min).merge(
            optional: true
          )
        ]
      end

      # Down the middle to just short of the floor, where the hollow is cut from the solid.
      def drill
        return [] unless %w[hollow rough_out].include?(@step.kind) && @before&.kind != "retrue"

        inside = @cuts.select { |cut| cut[:side] == "inside" && cut[:down_mm] }
        deepest = inside.max_by { |cut| cut[:down_mm] }
        return [] if deepest.nil? || deepest[:largest_mm] < BIT_MM || deepest[:down_mm] < 2 * BIT_MM

        DrillLines.new(
          @blank,
          to_mm: BIT_MM,
          deep_mm: deepest[:down_mm] - SHORT_MM,
          moisture_pct: @step.after.moisture_pct,
          limit_rpm: @step.limit_rpm
        ).lines
      end

      # The neck it hangs on at the end, where a solid is cut off between what holds it.
      def release
        return [] unless @step.kind == "ends" && @step.limit_rpm&.positive?

        neck =
          Turn::Release.neck_mm(
            @finished[:mass_g],
            @finished[:imbalance_g_mm],
            (@finished[:centre_of_mass_mm][2] - @foot_z_mm).abs,
            [@step.limit_rpm, @lathe&.min_rpm || 0].max,
            @material.strength_across_mpa,
            sound_share: Turn::Release.sound_share(@blank, @foot_z_mm)
          )
        [line("slow_down"), line("neck", target: [neck, "mm", nil]), line("part_off")]
      end

      # From the lowest rung, where it goes faster than before; else the limit.
      def speed
        return [] unless @step.limit_rpm&.positive?
        return [line("stay_under", target: [@step.limit_rpm, "rpm", nil])] unless faster?

        [line("aside"), *rungs]
      end

      # Up by rungs too where it was just put on the lathe another way.
      def faster?
        @before.nil? || @before.kind == "turn_round" || @before.limit_rpm.nil? ||
          @step.limit_rpm > @before.limit_rpm * FASTER
      end

      def rungs
        return [] unless @lathe && @step.limit_rpm

        steps = Turn::SpeedSteps.rungs(@step.limit_rpm, @lathe.min_rpm)
        steps.map { |rpm| line(rpm == steps.last ? "last_rung" : "rung", target: [rpm, "rpm", nil]) }
      end

      def minutes(wait) = [wait.earliest || wait.likely, wait.likely].map { |days| days * MIN_PER_DAY }

      def drying
        [
          line("seal"),
          *(
            if @step.wait&.likely
              [line("leave", kind: :wait, minutes: minutes(@step.wait), cure: false, unlocks: "dry_enough")]
            else
              []
            end
          ),
          *(@material.wooden? ? [line("weigh")] : [])
        ]
      end
    end
  end
end
