# frozen_string_literal: true

module MossyAnvil
  module Turn
    # What must go past what: over the bed, between the centres, and how far the tool reaches into the hollow.
    class MountClearances
      # swing_mm: of the blank as it stands.
      def initialize(blank, swing_mm)
        @blank = blank
        @lathe = blank.lathe
        @form = blank.form
        @swing_mm = swing_mm
      end

      # Plain data: [{ key:, value_mm:, ok:, advice: message }, ...]; keys stand under `clearances`.
      def to_a = [*on_the_lathe, *(@form.hollow? ? [reach, drill] : [])]

      private

      def on_the_lathe
        return [] unless @lathe

        [
          gap("over_bed", (@lathe.swing_mm - @swing_mm) / 2),
          gap("between_centres", @lathe.between_centres_mm - @blank.shape.length_mm)
        ]
      end

      # By hand with a shank of a quarter of it, further in only with a bar that cannot turn over.
      def reach
        depth, own = @form.wall_depth_mm, Table["mounts"]["reach"]
        shanks = Table["interrupted_cut"]["overhang_in_shanks"]
        advice =
          if depth <= own["by_hand_mm"]
            told("reach_by_hand", shank: [depth / shanks, "mm"], shanks: [shanks, ""])
          else
            told(depth <= own["braced_mm"] ? "reach_braced" : "reach_too_far")
          end
        { key: "reach", value_mm: depth, ok: depth <= own["by_hand_mm"], advice: advice }
      end

      def drill = { key: "drill", value_mm: @form.wall_depth_mm, ok: true, advice: told("drill") }
      def gap(key, room_mm) = { key: key, value_mm: room_mm, ok: room_mm >= 0, advice: told(key) }
      def told(key, **amounts) = Message.of("clearances.advice.#{key}", **amounts)
    end
  end
end
