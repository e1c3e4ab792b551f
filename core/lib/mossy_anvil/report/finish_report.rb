# frozen_string_literal: true

module MossyAnvil
  module Report
    # Papers to go through, how fast the work may turn under them, and how much skin there is to finish.
    class FinishReport
      # solid: SolidAnalysis; stages: reports by name, with their worst case; the piece is sanded at the last of them.
      def initialize(solid, stages, workings)
        @solid = solid
        @last = stages.values.last
        @lathe = solid.blank.lathe
        @workings = workings
        # What is not wood takes no oil: it is sanded on until it shines.
        @finish = wooden? ? "oil" : "polish"
      end

      # sanding_rpm: nil where the lathe is stopped for it; stopped: why then, "soft", "air" or "slow", or nil.
      def to_h
        mark = deepest_mark
        last = Table["grits"]["end_grit"].fetch(@finish)
        {
          finish: @finish,
          deepest_mark_mm: mark,
          grits: papers(mark, last),
          sanding_rpm: stopped ? nil : sanding_rpm,
          stopped: stopped
        }
      end

      private

      # Those that take least time, whatever the area and the stock; a soft thin wall is not begun with coarse paper.
      def papers(mark, last)
        kind = @solid.blank.material.kind
        Finish::PaperSearch.of(
          area_cm2: 1.0,
          density_kg_m3: 1.0,
          mark_mm: mark,
          last: last,
          k: 1.0,
          ratio: Table["grits"]["step_ratio"].fetch(kind),
          coarsest: soft_and_thin? ? Table["finishes"]["sanding"]["soft_from"] : nil
        ).papers
      end

      # Soft wood left in the skin tears deeper than sound wood.
      def deepest_mark
        state =
          if soft_and_thin?
            "soft_thin"
          else
            torn? ? "soft" : "sound"
          end
        @workings.put(
          "/finish/deepest_mark_mm",
          value: wooden? ? Table["grits"]["default_mark_mm"][state] : Table["finishes"]["sanding"]["marks_mm"]["resin"],
          unit: "mm",
          certainty: :rule_of_thumb,
          source: "rule_of_thumb_measure_the",
          inputs: {
          },
          formula: {
            "soft_thin" => "marks_to_expect_once_the_soft",
            "soft" => "tear_out_to_expect_in_the",
            "sound" => "marks_to_expect_from_a_clean"
          }.fetch(state)
        )
      end

      def wooden? = @solid.blank.material.wooden?

      def torn? =
        @torn ||=
          @solid
            .left_at(:hollowed)
            .any? { |defect| defect.type == "soft_zone" && defect.detail[:grade] != "firm" && !defect.soaked? }
      def soft_and_thin? =
        torn? && !@solid.least_wall.nil? && @solid.least_wall.thickness_mm < Table["grits"]["thin_wall_mm"]

      def stopped
        return "soft" if soft_and_thin?
        if @last[:interrupted_cut] && @last[:interrupted_cut][:air_share] > Table["grits"]["stopped_over_air_share"]
          return "air"
        end

        "slow" if sanding_rpm < (@lathe&.min_rpm || 0) || sanding_rpm.zero?
      end

      # By the heat of the paper, and never faster than the piece itself may turn, at its worst.
      def sanding_rpm
        @sanding_rpm ||=
          begin
            kind = @solid.blank.material.kind == "wood" ? "wood" : "resin_dry"
            speed = Table["grits"]["surface_m_s"][kind]
            limit = [@last[:limit_rpm], @last[:worst]&.fetch(:limit_rpm)].compact.min
            @workings.put(
              "/finish/sanding_rpm",
              value: [RimSpeed.rpm(speed, @last[:swing_mm]), limit].min,
              unit: "rpm",
              certainty: :rule_of_thumb,
              source: Table["grits"]["surface_source"],
              formula: "surface_speed_over_pi_times",
              inputs: {
                "surface_speed" => [speed, "m/s"],
                "diameter" => [@last[:swing_mm], "mm"],
                "limit" => [limit, "rpm"]
              }
            )
          end
      end
    end
  end
end
