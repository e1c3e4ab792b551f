# frozen_string_literal: true

module MossyAnvil
  module Solid
    # Area of the finished skin by Pappus: each short piece of the profile swept round the axis,
    # only over that share of the turn where there is wood to sweep.
    class SkinArea
      STEPS = 400
      ANGLES = 192

      FOUND = Cache.new(60)

      # The skin of a form in a shape; the same one as long as they are, and in any shape that has wood all round it.
      def self.of(form, shape) = FOUND.of([form, form.wood_all_round?(shape) ? nil : shape]) { new(form, shape) }

      def initialize(form, shape)
        @form = form
        @shape = shape
      end

      # mm2 of the outside, its two end faces (less the mouth) included.
      def outside_mm2 =
        @outside_mm2 ||= swept(@form.outside) + @form.z_span_mm.sum { |z_mm| [face_mm2(z_mm) - mouth_mm2(z_mm), 0].max }

      # mm2 of the inside with its floor; 0 where it is not hollow.
      def inside_mm2
        return 0.0 unless @form.hollow?

        @inside_mm2 ||=
          swept(@form.inside) + (@form.open_both_ends? ? 0 : Math::PI * (@form.inside.radius_mm(@form.floor_z_mm)**2))
      end

      private

      # An end face as far as there is wood, and the hole in it, as far as there is wood round it.
      def face_mm2(z_mm) = Math::PI * (@form.outside.radius_mm(z_mm)**2) * wood_share(z_mm, @form.outside)

      def mouth_mm2(z_mm)
        return 0.0 unless @form.hollow?

        open_here = [@form.inside.first_z_mm, @form.inside.last_z_mm].any? { |edge| (edge - z_mm).abs < 1e-6 }
        open_here ? Math::PI * (@form.inside.radius_mm(z_mm)**2) * wood_share(z_mm, @form.inside) : 0.0
      end

      def swept(profile)
        both, along, middle = profile.rings(STEPS)
        (both * along * wood_shares(middle, profile.radii_mm(middle))).sum * Math::PI
      end

      def wood_share(z_mm, profile) = wood_shares(Numo::DFloat[z_mm], Numo::DFloat[profile.radius_mm(z_mm)])[0]

      # Share of the turn at each z where the wood reaches out to a radius.
      def wood_shares(z_mm, radii_mm)
        return 1.0 + (z_mm * 0) if @shape.min_radius_mm >= radii_mm.max

        angles = Numo::DFloat.new(ANGLES, 1).seq * (360.0 / ANGLES)
        reach = @shape.radius_mm(angles, z_mm.reshape(1, z_mm.size))
        Numo::DFloat.cast(reach.ge(radii_mm.reshape(1, radii_mm.size))).mean(axis: 0)
      end
    end
  end
end
