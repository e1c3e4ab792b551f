# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # What the steps of a plan meet in one truth: what this wood takes there.
    class Meets
      # Of one step. splits_rpm, runs_rpm: speeds at which it splits, and something open runs on; nil for never. loose:
      # list of Loose. joints: list of Joints::Joint. wall_share, mount_share: of the plan's own wall and mount, nil
      # where there is none. opens, stones: lists of BodyDefect, hollows that the finished skin cuts into and stones
      # that the edge comes to. check_share: of the rate of drying that opens a check, nil where nothing dries. peak_c,
      # over_gate_points: of a pour, nil where nothing is cast.
      Step =
        Struct.new(
          :step,
          :splits_rpm,
          :runs_rpm,
          :loose,
          :joints,
          :wall_share,
          :mount_share,
          :opens,
          :stones,
          :check_share,
          :peak_c,
          :over_gate_points,
          keyword_init: true
        )
      # A piece that is only half held, or was glued back: the speed it holds to.
      Loose = Struct.new(:id, :holds_rpm, :mass_g, :radius_mm, :glued, keyword_init: true)

      # Wood that a mount holds by, mm from its seat.
      SEAT_MM = 25.0

      # plan: Plan; truth: Truth. wall_n: { key of a state => N the wall bears as surveyed }, kept between truths.
      # glued: ids of pieces that were glued back besides those the plan glues.
      def initialize(plan, truth, climate:, fineness:, wall_n:, glued: [])
        @plan = plan
        @truth = truth
        @climate = climate
        @fineness = fineness
        @wall_n = wall_n
        @glued = glued
        @solids, @states = {}, {}
      end

      # List of Step, one a step of the plan. What was calculated for them is let go: it is large.
      def to_a = @plan.steps.map { |step| of(step) }.tap { forget }

      # Step of one of the plan's, or of the same with another blank in it.
      def of(step) = step.rpm.positive? ? turned(step) : Step.new(step: step, **idle(step))

      # How the truth's piece is at a stage of a step, as StageReport tells it.
      def stage_report(step, stage) = Report::StageReport.new(stage, solid(step), Report::Workings.new).to_h

      private

      def idle(step)
        check = step.check_use && (step.check_use / @truth.strength)
        { loose: [], joints: [], opens: [], stones: [], check_share: check, **poured(step.pour || {}) }
      end

      # A quicker resin gets hotter over its start with the root of its pace.
      def poured(pour)
        {
          peak_c: pour[:peak_c] && (pour[:start_c] + ((pour[:peak_c] - pour[:start_c]) / Math.sqrt(@truth.resin_pace))),
          over_gate_points: pour[:over_gate_points] && (pour[:over_gate_points] + @truth.moisture_points)
        }
      end

      def turned(step)
        states = step.stages.map { |stage| state(step, stage) }
        Step.new(
          step: step,
          splits_rpm: slowest(states, :burst_rpm, @truth.strength),
          runs_rpm: slowest(states, :crack_runs_rpm, @truth.toughness),
          wall_share: step.wall_use && wall_share(step),
          mount_share: step.mount && mount_share(step),
          **idle(step),
          loose: loose(step),
          joints: joints(step),
          opens: edge(step).opens(@truth.hidden),
          stones: edge(step).stones(@truth.hidden)
        )
      end

      def edge(step) = EdgeMeets.new(step.blank.form, step.kind)

      # Speed goes with the root of what the wood bears.
      def slowest(states, name, share)
        rpm = states.filter_map { |state| state[name] }.min
        rpm && (rpm * Math.sqrt(share))
      end

      def state(step, stage)
        @states[[step.key, stage]] ||= Report::StageReport.new(stage, solid(step), Report::Workings.new).in_short
      end

      def solid(step) = @solids[step.key] ||= analysed(@truth.of(step.blank))
      def analysed(blank) = Report::SolidAnalysis.new(blank.on_centres, @climate, @fineness)

      def forget
        @solids, @states = {}, {}
      end

      # Of the wall as surveyed; both at their weakest place.
      def wall_share(step)
        surveyed = @wall_n[step.key] ||= bears(analysed(step.blank))
        surveyed.zero? ? nil : bears(solid(step)) / surveyed * @truth.strength
      end

      def bears(solid) = solid.weakest_wall&.force_n || 0.0

      # Of what the mount holds by, what hidden troubles in its seat leave.
      def mount_share(step)
        seat_mm = step.mount[:size_mm] / 2.0
        lost = in_seat(step, seat_mm).sum(0.0) { |body| Math::PI / 4 * body.size_mm[0] * body.size_mm[1] }
        [1 - (lost / (Math::PI * (seat_mm**2))), 0.0].max * @truth.strength
      end

      def in_seat(step, seat_mm)
        at_tail, length = step.mount[:at_tail], step.blank.shape.length_mm
        @truth.hidden.select { |body| (at_tail ? length - body.z_mm : body.z_mm) < SEAT_MM && body.radius_mm < seat_mm }
      end

      # Solid wood is pulled at its axis, a hollowed piece all through its wall.
      def joints(step)
        hollow = step.stages.include?(:hollowed)
        Joints.new(@truth.of(step.blank), strength: @truth.strength, hollow: hollow).to_a
      end

      def loose(step)
        pieces = @truth.of(step.blank).defects.select { |defect| defect.type == "loose_piece" }
        pieces.filter_map { |piece| held(step, piece) }
      end

      # Where glue holds it, by the glue of this truth.
      def held(step, piece)
        glued = glued_before?(step, piece.id)
        mass_g = step.blank.material.density_kg_m3 * piece.box_mm3 * 1e-6
        limit =
          Turn::LoosePiece.limit_rpm(
            mass_g: mass_g,
            radius_mm: piece.radius_mm,
            size_mm: piece.size_mm,
            bonded_share: piece.detail[:bonded_share],
            bond_mpa: glued ? @truth.glue_mpa : Turn::LoosePiece::BOND_MPA * @truth.strength
          ) or return
        holds = limit * Math.sqrt(Turn::LoosePiece::RESERVE)
        Loose.new(id: piece.id, holds_rpm: holds, mass_g: mass_g, radius_mm: piece.radius_mm, glued: glued)
      end

      def glued_before?(step, id)
        @glued.include?(id) || @plan.steps.take_while { |one| one.id != step.id }.any? { |one| one.glues.include?(id) }
      end
    end
  end
end
