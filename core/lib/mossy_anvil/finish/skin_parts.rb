# frozen_string_literal: true

module MossyAnvil
  module Finish
    # The finished skin by side and stuff: what an edge of sandpaper or a rag meets where. Areas by Pappus, each place
    # asked what lies just under it.
    class SkinParts
      HEIGHTS, RINGS, ANGLES = 90, 24, 120
      UNDER_MM = 0.2
      MM2_PER_CM2 = 100.0
      # Kinds of PointProbe by what they are to a finish; anything else is the stock itself.
      STUFF = {
        "air" => nil,
        "soft" => "soft",
        "spongy" => "soft",
        "galleries" => "soft",
        "bark" => "bark",
        "dirt" => "bark",
        "resin" => "resin",
        "bubbles" => "resin",
        "glue line" => "filler",
        "crack" => "open",
        "stone" => "stone",
        "metal" => "stone"
      }.freeze

      # blank: on its centres, with a form.
      def initialize(blank)
        @blank = blank
        @form = blank.form
        @probe = Solid::PointProbe.new(blank)
      end

      # { [side, stuff] => cm2 }; sides: outside, inside, foot (the closed end, and both ends of a solid).
      def areas
        @areas ||= sides.each_with_object(Hash.new(0.0)) { |(side, *places), sum| count(side, places, sum) }
      end

      private

      def sides
        [
          ["outside", *swept(@form.outside, -UNDER_MM)],
          *(
            if @form.hollow?
              [["inside", *swept(@form.inside, UNDER_MM)], ["inside", *disc(floor_z, floor_r, into_floor)]]
            else
              []
            end
          ),
          *ends.map { |z_mm, radius, inward, inner| ["foot", *disc(z_mm, radius, inward, inner)] }
        ]
      end

      def floor_z = @form.floor_z_mm
      def floor_r = @form.open_both_ends? ? 0.0 : @form.inside.radius_mm(floor_z)
      # The wood under the floor lies away from the mouth.
      def into_floor = @form.opens == "tail" ? -UNDER_MM : UNDER_MM

      # [[z, outer radius, way into the wood, radius of the hole in it], ...] of the end faces.
      def ends
        low, high = @form.z_span_mm
        [[low, UNDER_MM], [high, -UNDER_MM]].map do |z_mm, inward|
          [z_mm, @form.outside.radius_mm(z_mm), inward, hole(z_mm)]
        end
      end

      def hole(z_mm)
        return 0.0 unless @form.hollow?

        inside = @form.inside
        [inside.first_z_mm, inside.last_z_mm].any? { |edge| (edge - z_mm).abs < 1e-6 } ? inside.radius_mm(z_mm) : 0.0
      end

      # [areas of rings (mm2), their z, their radius] of a profile swept round, looked at so far under it.
      def swept(profile, under_mm)
        both, along, heights = profile.rings(HEIGHTS)
        middle = both / 2
        [middle * along * (2 * Math::PI), heights, Numo::DFloat.maximum(middle + under_mm, 0)]
      end

      # The same of a flat ring.
      def disc(z_mm, radius_mm, inward_mm, inner_mm = 0.0)
        edges = (Numo::DFloat.new(RINGS + 1).seq * ([radius_mm - inner_mm, 0].max / RINGS)) + inner_mm
        areas = ((edges[1..]**2) - (edges[0...-1]**2)) * Math::PI
        [areas, (areas * 0) + z_mm + inward_mm, (edges[1..] + edges[0...-1]) / 2]
      end

      # rings x ANGLES.
      def owners_of(radii, heights)
        none = Numo::DFloat.zeros(radii.size, ANGLES)
        clock = (Numo::DFloat.new(1, ANGLES).seq * (360.0 / ANGLES)) + none
        places = [clock, *[radii, heights].map { |values| values.reshape(radii.size, 1) + none }]
        @probe.owners(*places.map(&:flatten)).reshape(radii.size, ANGLES)
      end

      def count(side, (areas, heights, radii), sum)
        owners = owners_of(radii, heights)
        owners.to_a.flatten.uniq.each do |owner|
          stuff = STUFF.fetch(@probe.kind(owner), "sound") or next
          there = (areas * Numo::DFloat.cast(owners.eq(owner)).mean(axis: 1)).sum / MM2_PER_CM2
          sum[[side, stuff]] += there if there.positive?
        end
      end
    end
  end
end
