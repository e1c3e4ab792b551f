# frozen_string_literal: true

module MossyAnvil
  module Report
    # Everything calculated of one stage, as plain data, each number with its working.
    class StageReport
      DERIVED = { certainty: :derived, source: "geometry_on_the_cylindrical_grid" }.freeze

      # What #in_short tells.
      SHORT = %i[limit_rpm governed_by burst_rpm crack_runs_rpm unsafe].freeze

      # solid: the Assessment's SolidAnalysis, shared by the stages.
      def initialize(name, solid, workings)
        @name = name
        @solid = solid
        @blank = solid.blank
        @lathe = @blank.lathe
        @workings = workings
        @stage = Solid::Stage.new(name, solid.grid, @blank)
        @mass = Solid::MassProperties.new(solid.grid, solid.density_sums, @stage)
        @burst = solid.burst(@stage, @mass)
        @caps = StageCaps.new(name, solid, @stage, @mass, @burst, method(:put))
      end

      def to_h
        body.merge(strength).merge(side_force).merge(speeds).then { |report| report.merge(meeting(report[:limit_rpm])) }
      end

      # The same, SHORT of it alone.
      def in_short = speeds.merge(strength).slice(*SHORT)

      # rpm to stay below, by itself.
      def limit_rpm = Turn::StageLimit.new(@caps.to_h, @lathe).rpm

      private

      def put(key, value, unit, formula, inputs: {}, **about)
        @workings.put(
          "/stages/#{@name}/#{key}",
          value: value,
          unit: unit,
          formula: formula,
          inputs: inputs,
          **DERIVED,
          **about
        )
      end

      def body
        {
          volume_mm3: put("volume_mm3", @mass.volume_mm3, "mm3", "wood_within_the_stage_summed"),
          mass_g:
            put(
              "mass_g",
              @mass.mass_g,
              "g",
              "density_times_volume_defects_at",
              inputs: {
                "density_as_it_stands" => [@blank.material.density_kg_m3, "kg/m3"],
                "volume" => [@mass.volume_mm3, "mm3"]
              }
            ),
          centre_of_mass_mm: @mass.centre_of_mass_mm,
          imbalance_g_mm:
            put(
              "imbalance_g_mm",
              @mass.imbalance_g_mm,
              "g mm",
              "sum_of_mass_times_radius",
              source: "textbook_mechanics_on_the_cylindrical",
              inputs: {
                "mass" => [@mass.mass_g, "g"]
              }
            ),
          heavy_clock_deg: heavy_side,
          swing_mm: put("swing_mm", @stage.swing_mm, "mm", "twice_the_farthest_wood_from"),
          runs_true: @stage.true_running?,
          fragile: @caps.fragile?,
          counterweight: counterweight,
          recentre: recentre
        }
      end

      def heavy_side
        put(
          "heavy_clock_deg",
          @mass.heavy_clock_deg(@stage.swing_mm),
          "clock",
          "the_hour_the_imbalance_vector",
          source: "textbook_mechanics_on_the_cylindrical",
          inputs: {
            "imbalance" => [@mass.imbalance_g_mm, "g mm"]
          }
        )
      end

      def balancing = @balancing ||= Turn::Balancing.new(@mass, @stage.swing_mm)

      # Where the centres would go so that it balances; nil where it lies near enough already.
      def recentre
        return unless balancing.recentre?

        {
          clock_deg: balancing.heavy_clock_deg,
          mm:
            put(
              "recentre/mm",
              balancing.offset_mm,
              "mm",
              "imbalance_over_mass_how_far",
              source: "textbook_mechanics",
              inputs: {
                "imbalance" => [@mass.imbalance_g_mm, "g mm"],
                "mass" => [@mass.mass_g, "g"]
              }
            )
        }
      end

      def counterweight
        return unless balancing.weight?

        {
          radius_mm: balancing.radius_mm,
          clock_deg: balancing.weight_clock_deg,
          mass_g:
            put(
              "counterweight/mass_g",
              balancing.weight_g,
              "g",
              "imbalance_over_the_radius_it",
              source: "textbook_mechanics",
              inputs: {
                "imbalance" => [@mass.imbalance_g_mm, "g mm"],
                "radius" => [balancing.radius_mm, "mm"]
              }
            )
        }
      end

      def strength
        weakest = @burst.weakest
        {
          burst_rpm:
            put(
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
            put(
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
              put(
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

      def crack_runs
        first = @caps.first_to_run or return

        put(
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

      def side_force
        return { allowed_side_force_n: nil, side_force_at: nil } unless @stage.hollow? && @solid.least_wall

        weak = @solid.weakest_wall
        {
          allowed_side_force_n:
            put(
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

      def speeds
        limit = Turn::StageLimit.new(@caps.to_h, @lathe)
        rpm =
          put(
            "limit_rpm",
            limit.rpm,
            "rpm",
            "the_lowest_of_all_caps",
            certainty: :rule_of_thumb,
            source: "each_cap_shows_its_own",
            inputs: limit.caps.to_h { |cap| [cap.key, [cap.rpm, "rpm"]] }
          )
        {
          limit_rpm: rpm,
          governed_by: limit.governed_by,
          unsafe: limit.unsafe?,
          caps: limit.caps.map { |cap| { key: cap.key, rpm: cap.rpm } },
          speed_steps_rpm: ladder(rpm),
          belt: @lathe&.belt_for(rpm)
        }
      end

      def ladder(limit_rpm)
        rungs = @lathe ? Turn::SpeedSteps.rungs(limit_rpm, @lathe.min_rpm) : []
        row = Table["speed"]["ladder"]
        rungs.each_with_index do |rung, index|
          put(
            "speed_steps_rpm/#{index}",
            rung,
            "rpm",
            "from_the_higher_of_the",
            certainty: :rule_of_thumb,
            source: row["source"],
            inputs: {
              "share_to_start_at" => [row["starts_at_share"] * 100, "%"],
              "limit" => [limit_rpm, "rpm"],
              "lathe_slowest" => [@lathe.min_rpm, "rpm"]
            }
          )
        end
      end

      # What this stage's speed means for an edge that is knocked and for a piece that lets go.
      def meeting(limit_rpm)
        { interrupted_cut: interrupted_cut(limit_rpm), loose_pieces: loose_pieces(limit_rpm) }
      end

      # The circle of this stage's skin that is most in the air as it is cut; nil where the edge never leaves the wood.
      def interrupted_cut(limit_rpm)
        circle = Turn::MostAir.new(@blank, @solid.grid, @stage).circle or return
        share =
          put(
            "interrupted_cut/air_share",
            circle.air_share,
            "share",
            "share_of_one_turn_at",
            inputs: {
              "radius" => [circle.radius_mm, "mm"],
              "off_the_head" => [circle.z_mm, "mm"]
            }
          )
        knocks =
          put(
            "interrupted_cut/knocks_per_s",
            circle.knocks_per_s(limit_rpm),
            "a second",
            "gaps_in_a_turn_times",
            inputs: {
              "gaps" => [circle.gaps, ""],
              "speed" => [limit_rpm, "rpm"]
            }
          )
        {
          radius_mm: circle.radius_mm,
          z_mm: circle.z_mm,
          air_share: share,
          gaps: circle.gaps,
          knocks_per_s: knocks,
          advice: Turn::CuttingCircle.advice(circle.air_share)["key"]
        }
      end

      # Every half-held piece still there, and every one that cracks free, with the energy it would fly off with at this
      # stage's limit.
      def loose_pieces(limit_rpm)
        rpm = [limit_rpm, @lathe&.min_rpm || 0].max
        (half_held + cut_free).each_with_index.map do |(id, volume_mm3, radius_mm), index|
          mass_g = volume_mm3 * @blank.material.density_kg_m3 * 1e-6
          {
            id: id,
            mass_g: mass_g,
            throw_energy_j:
              put(
                "loose_pieces/#{index}/throw_energy_j",
                Turn::LoosePiece.throw_energy_j(mass_g, radius_mm, rpm),
                "J",
                "half_its_mass_times_its",
                source: "textbook_mechanics",
                inputs: {
                  "mass" => [mass_g, "g"],
                  "radius" => [radius_mm, "mm"],
                  "speed" => [rpm, "rpm"]
                }
              )
          }
        end
      end

      def half_held =
        @caps
          .left_at_stage
          .select { |defect| defect.type == "loose_piece" }
          .map { |piece| [piece.id, piece.box_mm3, piece.radius_mm] }
      def cut_free = @solid.freed.map { |piece| [piece.ids.join("+"), piece.volume_mm3, piece.radius_mm] }
    end
  end
end
