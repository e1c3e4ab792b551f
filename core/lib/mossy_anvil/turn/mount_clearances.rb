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

      # Plain data: [{ name:, value_mm:, ok:, says: }, ...].
      def to_a = [*on_the_lathe, *(@form.hollow? ? [reach, drill] : [])]

      private

      def on_the_lathe
        return [] unless @lathe

        [gap("Over the bed", (@lathe.swing_mm - @swing_mm) / 2, "spin it by hand, the rest and the banjo clear of every corner"),
         gap("Between the centres", @lathe.between_centres_mm - @blank.shape.length_mm, "with the chuck or plate, and the hand wheel not against the wall")]
      end

      # By hand with a shank of a quarter of it, further in only with a bar that cannot turn over.
      def reach
        depth, own = @form.wall_depth_mm, Table["mounts"]["reach"]
        shanks = Table["interrupted_cut"]["overhang_in_shanks"]
        says = if depth <= own["by_hand_mm"] then "a shank of #{format('%.0f', depth / shanks)} mm or more, or a rest inside: #{shanks} shanks past the rest at most"
               elsif depth <= own["braced_mm"] then "too far for a bar held by hand: only with a braced or captured one, that cannot turn over in the cut"
               else "farther than any bar goes: make it shallower, or of two parts"
               end
        { name: "Reach into the hollow", value_mm: depth, ok: depth <= own["by_hand_mm"], says: says }
      end

      def drill = { name: "Depth to drill", value_mm: @form.wall_depth_mm, ok: true, says: "from the rim to the floor wanted, less the point of the bit" }
      def gap(name, room_mm, says) = { name: name, value_mm: room_mm, ok: room_mm >= 0, says: says }
    end
  end
end
