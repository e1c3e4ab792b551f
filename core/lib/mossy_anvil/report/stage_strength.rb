# frozen_string_literal: true

module MossyAnvil
  module Report
    # The speeds at which a stage splits and at which what is open in it grows, and the force its wall takes from the
    # side; each number with its working.
    class StageStrength
      # solid: SolidAnalysis. stage: Solid::Stage. mass: Solid::MassProperties. burst: of the stage. caps: StageCaps.
      # put: as StageBody takes it.
      def initialize(solid, stage, mass, burst, caps, put)
        @solid = solid
        @blank = solid.blank
        @stage = stage
        @mass = mass
        @burst = burst
        @caps = caps
        @put = put
      end

      # Of the whole.
      def to_h
        weakest = @burst.weakest
        {
          burst_rpm:
            @put.call(
              "burst_rpm",
              weakest.burst_rpm,
              "rpm",
              "speed_at_which_the_pull",
              source: "textbook_bending_with_axial_load",
              certainty: :rule_of_thumb,
              inputs: {
                "strength_across_the_fibres" => [@blank.material.strength_across_mpa, "MPa"],
                "strength_against_this_pull" => [@blank.material.strength_mpa(weakest.clock_deg + 90), "MPa"],
                "mass" => [@mass.mass_g, "g"]
              }
            ),
          weak_plane_clock_deg:
            @put.call(
              "weak_plane_clock_deg",
              weakest.clock_deg,
              "plane",
              "the_plane_through_the_axis",
              certainty: :rule_of_thumb,
              source: "every_angle_of_the_grid",
              inputs: {
                "splits_at" => [weakest.burst_rpm, "rpm"]
              }
            ),
          burst_work_rpm:
            weakest.burst_rpm &&
              @put.call(
                "burst_work_rpm",
                weakest.burst_rpm / Math.sqrt(@solid.climate.burst_reserve),
                "rpm",
                "burst_speed_over_the_square",
                certainty: :rule_of_thumb,
                source: Table["strength"]["burst_reserve"]["source"],
                inputs: {
                  "burst_speed" => [weakest.burst_rpm, "rpm"],
                  "reserve_on_load" => [@solid.climate.burst_reserve, ""]
                }
              ),
          crack_runs_rpm: crack_runs,
          crack_runs_at: @caps.first_to_run&.ids || [],
          cross_section_at: @caps.cross_section&.ids || []
        }
      end

      # Of the wall that is hollowed; nothing where there is none.
      def side_force
        return { allowed_side_force_n: nil, side_force_at: nil } unless @stage.hollow? && @solid.least_wall

        weak = @solid.weakest_wall
        {
          allowed_side_force_n:
            @put.call(
              "allowed_side_force_n",
              weak.force_n,
              "N",
              "side_force_that_brings_the",
              source: "textbook_curved_bar",
              certainty: :rule_of_thumb,
              inputs: {
                "wall_there" => [weak.wall_mm, "mm"],
                "from_the_head" => [weak.z_mm, "mm"],
                "radius_there" => [weak.radius_mm, "mm"],
                "share_of_strength_there" => [weak.local_share, ""],
                "lever" => [weak.opened ? Solid::WallForce::CRACKED_THROUGH : Solid::WallForce::WHOLE, ""]
              }
            ),
          side_force_at: {
            z_mm: weak.z_mm,
            wall_mm: weak.wall_mm,
            share: weak.local_share,
            opened: weak.opened
          },
          cuts_taken: Solid::WallForce.cuts_taken(weak.force_n).map { |cut| cut["key"] }
        }
      end

      private

      def crack_runs
        first = @caps.first_to_run or return

        @put.call(
          "crack_runs_rpm",
          first.runs_rpm,
          "rpm",
          "speed_at_which_the_stress",
          source: "edge_crack_after_tada_short",
          certainty: :rule_of_thumb,
          inputs: {
            "toughness_along_the_fibres" => [@blank.material.toughness_mpa_sqrt_m, "MPa m^1/2"]
          }
        )
      end
    end
  end
end
