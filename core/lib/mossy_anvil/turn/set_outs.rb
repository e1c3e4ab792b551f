# frozen_string_literal: true

module MossyAnvil
  module Turn
    # What is marked out by rule and compass before a cut. Lengths in mm.
    module SetOuts
      module_function

      # rpm of a drill of that diameter at a surface speed in m/min. Source: v = pi d n.
      def drill_rpm(speed_m_min, diameter_mm) = speed_m_min * 1000 / (Math::PI * diameter_mm)

      # Hole to drill for a thread: D - 1.0825 P share, share of the full thread. Source: ISO metric thread geometry.
      def tapping_drill_mm(diameter_mm, pitch_mm, share) = diameter_mm - (1.0825 * pitch_mm * share)

      # How deep that hole goes: the thread wanted, three pitches over, and the bit's point.
      def tapping_depth_mm(engaged_mm, pitch_mm, point_mm) =
        engaged_mm + (Table["set_outs"]["tapping"]["deeper_pitches"] * pitch_mm) + point_mm

      # Mark on a bit, from its cutting edge: so deep its full width may go from the face it enters, and its point comes
      # to the floor wanted.
      def bit_mark_mm(height_mm, floor_mm, point_mm) = height_mm - floor_mm - point_mm

      # The eight-sided stage of a sphere cut from a cylinder as wide: the flat begins so far from either end, and is so
      # long.
      def sphere_facet_mm(diameter_mm) = [diameter_mm * (1 - (1 / Math.sqrt(2))), diameter_mm * (Math.sqrt(2) - 1)]

      # Straight from foot to foot, so many evenly round a circle: 2 r sin(180/n).
      def feet_chord_mm(radius_mm, count) = 2 * radius_mm * Math.sin(Math::PI / count)

      # Inside of a ring by its ISO size, the length round it: size over pi. Source: ISO 8653.
      def ring_bore_mm(size) = size / Math::PI
    end
  end
end
