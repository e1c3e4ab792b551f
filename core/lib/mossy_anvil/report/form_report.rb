# frozen_string_literal: true

module MossyAnvil
  module Report
    # What the form leaves, as plain data: walls, floor, skin, breakthroughs.
    class FormReport
      # Less than this is no wood for a tenon.
      LEAST_TENON_MM = 1.0
      TENON_MM = 8.0

      # surveyed: the blank about the survey's axis.
      def initialize(solid, surveyed, workings)
        @surveyed = surveyed
        @solid = solid
        @blank = solid.blank
        @workings = workings
      end

      # nil where the blank has no form yet. stages: reports by name; water: the drying report, or nil.
      def to_h(stages, water)
        return unless @blank.form

        {
          rough: RoughReport.new(@solid, water, @workings).to_h,
          uncounted_mm3: uncounted_mm3,
          **holding_wood,
          **yields(stages),
          **least_wall,
          feather_clock_deg: feather_clock_deg,
          floor_mm: put("floor_mm", @blank.form.floor_mm, "mm", "floor_on_the_axis_from"),
          breaks_through: @solid.shares.select { |_, share| share.breaks_through? }.map { |defect, _| defect.id },
          skin_area_mm2: skin_area_mm2
        }
      end

      private

      def least_wall
        least = @solid.least_wall
        {
          least_wall_mm: put("least_wall_mm", least&.thickness_mm, "mm", "shortest_way_through_the_wood"),
          least_wall_at: least && { z_mm: least.z_mm, r_mm: least.r_mm }
        }
      end

      def skin_area_mm2
        area = Solid::SkinArea.of(@blank.form, @blank.shape)
        {
          outside:
            put("skin_area_mm2/outside", area.outside_mm2, "mm2", "profile_swept_round_the_axis", source: "pappus"),
          inside:
            put("skin_area_mm2/inside", area.inside_mm2, "mm2", "inside_profile_swept_round_the", source: "pappus")
        }
      end

      # The middle of the hours at which the natural edge runs out over the hollow; nil where it does not.
      def feather_clock_deg
        return unless @blank.form.hollow?

        hours = Model::WallThickness.of(@blank.form, @blank.shape).feather_clocks_deg
        hours.empty? ? nil : ClockAngle.mean(hours)
      end

      # Wood beyond the square of the centres of a leaned axis, which no stage counts.
      def uncounted_mm3
        return 0.0 unless @surveyed.centres.tilted?

        whole, counted =
          [@surveyed.shape, @blank.shape].map do |shape|
            Solid::Grid
              .new(shape)
              .then { |grid| ((grid.surface_mm**2) / 2).sum * grid.angular_step_rad * grid.axial_step_mm }
          end
        [whole - counted, 0].max
      end

      # The wood beyond the closed end, where a tenon can be turned, and what of it is round enough: its length, and the
      # largest circle over the last of it next to the foot, as long as a tenon.
      def holding_wood
        low, high = @blank.form.z_span_mm
        from, to = @blank.form.opens == "tail" ? [0.0, low] : [high, @blank.shape.length_mm]
        root = @blank.form.opens == "tail" ? [[to - TENON_MM, from].max, to] : [from, [from + TENON_MM, to].min]
        {
          tenon_wood: {
            length_mm: put("tenon_wood/length_mm", to - from, "mm", "wood_beyond_the_closed_end"),
            diameter_mm: to - from < LEAST_TENON_MM ? 0.0 : 2 * round_mm(*root)
          }
        }
      end

      def round_mm(from, to)
        heights = (Numo::DFloat.new(1, 9).seq / 8 * (to - from)) + from
        @blank.shape.radius_mm(Numo::DFloat.new(96, 1).seq * (360.0 / 96), heights).min
      end

      # What of the blank is left, what of that is resin, and what of its price is turned away.
      def yields(stages)
        first, last = stages[:blank][:volume_mm3], stages.values.last[:volume_mm3]
        resin =
          @solid
            .shares
            .select { |defect, _| defect.type == "resin_body" }
            .sum { |_, share| share.occupied_mm3 * (1 - share.removed_share) }
        cost = @blank.intake[:cost]
        {
          yield_share:
            put(
              "yield_share",
              last / first,
              "share",
              "what_is_left_over_what",
              inputs: {
                "blank" => [first, "mm3"],
                "piece" => [last, "mm3"]
              }
            ),
          resin_share: last.zero? ? 0.0 : [resin / last, 1.0].min,
          wasted_value: cost && (cost * (1 - (last / first)))
        }
      end

      def put(key, value, unit, formula, source: "geometry_of_the_form_and_the", inputs: {})
        @workings.put(
          "/form/#{key}",
          value: value,
          unit: unit,
          formula: formula,
          source: source,
          certainty: :derived,
          inputs: inputs
        )
      end
    end
  end
end
