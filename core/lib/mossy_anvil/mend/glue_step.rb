# frozen_string_literal: true

module MossyAnvil
  module Mend
    # A piece put back, or a seam closed: dry fit, glue, clamp or wrap, squeeze-out, and how thick the wall must stay
    # over the joint.
    class GlueStep < MendStep
      # A cut that finishes the wall, N.
      FINISHING_N = 60.0
      # MPa that clamps or a wrap bring, enough to close a joint.
      CLAMP_MPA = 0.3

      def name = words("glue.name", ids: ids)
      def gate_pct = row["dry_to_pct"]
      def hands_min = 20
      def working_min = row["working_min"] * CureTime.factor(scene.shop_c, CureTime::WORKING_C)
      def usual_h = (row["ready_min"] / 60.0 * ready_factor)
      def cure_h = row["cure_h"] * ready_factor
      def softens_c = row["soft_from_c"]
      def tools = lists("tools", "clamps", "cloth")
      def cautions = lists("cautions", "glue")
      def materials =
        [
          Taken.new(
            key: row["key"],
            name: product("glues", row),
            amount: grams,
            unit: "g",
            cost: grams * row["price_per_g"]
          )
        ]
      def detail =
        {
          with: row["key"],
          joint_cm2: joint_cm2,
          g: grams,
          clamp_n: clamp_n,
          clamp_min: clamp_min,
          wall_mm: wall_mm,
          gap_mm: row["gap_mm"]
        }

      def says
        [
          *gaping,
          say(
            :plain,
            "glue.says.amount",
            figure: "g",
            glue: product("glues", row),
            area: [joint_cm2, "cm2"],
            g: [grams, "g"],
            gap: [row["gap_mm"], "mm"],
            force: [clamp_n, "N"]
          ),
          wall_mm && say(:care, "glue.says.wall", figure: "wall_mm", wall: [wall_mm, "mm"])
        ].compact
      end

      def lines
        [
          line(:do, "glue.line.dry_fit", gap: [row["gap_mm"], "mm"]),
          line(
            :do,
            "glue.line.spread",
            g: [grams, "g"],
            target: [grams, "g", nil],
            draws: {
              key: row["key"],
              part: nil
            }
          ),
          line(:timer, "glue.line.close", minutes: [working_min, working_min], working: true),
          line(:do, "glue.line.squeeze_out", clean: Table.term("glues", row["key"], "clean")),
          line(:wait, "glue.line.clamped", minutes: [clamp_min, clamp_min], unlocks: "clamps_off"),
          line(:wait, "line.not_yet", minutes: [[(usual_h * 60) - clamp_min, 0].max] * 2, unlocks: "turn")
        ]
      end

      def after
        scene.mended(
          defects
            .reject { |defect| gapes?(defect) }
            .to_h do |defect|
              [defect.id, defect.path? ? Model::PathDefect.new(**defect.to_document, mend: glue_line) : held(defect)]
            end
        )
      end

      private

      def row = @row ||= own(Table.row("glues", data[:with] || "medium_ca", at: "#{at}/with"))
      # A crack that gapes wider than the glue bridges is not closed by it.
      def gapes?(defect) = defect.path? && defect.crack? && defect.width_mm > row["gap_mm"]

      def gaping
        defects
          .select { |defect| gapes?(defect) }
          .map do |defect|
            say(
              :stop,
              "glue.says.gapes",
              id: Message.text(defect.id),
              glue: product("glues", row),
              mouth: [defect.width_mm, "mm"],
              gap: [row["gap_mm"], "mm"]
            )
          end
      end

      def glue_line = row["class"] == "epoxy" ? "epoxy" : "thin_ca"
      def held(defect) =
        defect.type == "loose_piece" ? defect.with(detail: { bonded_share: Table["glues"]["held_share"] }) : defect
      def clamp_min = row["clamp_min"] * ready_factor
      def clamp_n = joint_cm2 * 100 * CLAMP_MPA

      # Both faces of what is glued: of a seam run times depth, of a piece its back.
      def joint_cm2
        defects.sum do |defect|
          defect.path? ? defect.run_mm(scene.blank.shape) * defect.depth_mm : defect.size_mm[1] * defect.size_mm[2]
        end / 100
      end

      def grams
        @grams ||=
          put(
            "g",
            joint_cm2 * 2 * row["g_per_cm2"],
            "g",
            "both_faces_of_the_joint",
            source: Table["glues"]["source"],
            inputs: {
              "joint" => [joint_cm2, "cm2"],
              "coat" => [row["g_per_cm2"], "g/cm2"]
            }
          )
      end

      # mm: the ring that a finishing cut pushes on, with a joint right through it as weak as glue. nil without a form
      # that has a wall.
      def wall_mm
        return unless scene.blank.form&.hollow?

        @wall_mm ||=
          begin
            radius = scene.blank.form.outside.largest_mm
            height = [scene.blank.form.wall_depth_mm, radius / 2].min
            strength = [Table["strength"]["glue_line"]["tension_mpa"], scene.blank.material.strength_across_mpa].min
            put(
              "wall_mm",
              Solid::WallForce.wall_mm(FINISHING_N, strength, radius_mm: radius, height_mm: height),
              "mm",
              "the_rim_as_a_ring",
              source: "textbook_curved_bar_rule_of",
              inputs: {
                "push" => [FINISHING_N, "N"],
                "radius" => [radius, "mm"],
                "height" => [height, "mm"],
                "strength" => [strength, "MPa"]
              }
            )
          end
      end
    end
  end
end
