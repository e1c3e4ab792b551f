# frozen_string_literal: true

module MossyAnvil
  # Area of the finished skin by Pappus: each short piece of the profile swept round the axis,
  # only over that share of the turn where there is wood to sweep.
  class SkinArea
    STEPS = 400

    def initialize(form, shape)
      @form = form
      @shape = shape
    end

    # mm2 of the outside, its two end faces (less the mouth) included.
    def outside_mm2
      low, high = @form.z_span_mm
      ends = [low, high].sum { |z_mm| Math::PI * (@form.outside.radius_mm(z_mm)**2) * wood_share(z_mm, @form.outside) }
      [swept(@form.outside) + ends - mouths_mm2, 0].max
    end

    # mm2 of the inside with its floor; 0 where it is not hollow.
    def inside_mm2
      return 0.0 unless @form.hollow?

      floor = @form.open_both_ends? ? 0 : Math::PI * (@form.inside.radius_mm(@form.floor_z_mm)**2)
      swept(@form.inside) + floor
    end

    private

    # Areas of the holes in the end faces.
    def mouths_mm2
      return 0.0 unless @form.hollow?

      @form.z_span_mm.sum do |z_mm|
        open_here = [@form.inside.first_z_mm, @form.inside.last_z_mm].any? { |edge| (edge - z_mm).abs < 1e-6 }
        open_here ? Math::PI * (@form.inside.radius_mm(z_mm)**2) : 0.0
      end
    end

    def swept(profile)
      low, high = profile.first_z_mm, profile.last_z_mm
      line = Array.new(STEPS + 1) { |step| low + ((high - low) * step / STEPS) }.map { |z_mm| [z_mm, profile.radius_mm(z_mm)] }
      line.each_cons(2).sum do |(z0, r0), (z1, r1)|
        Math::PI * (r0 + r1) * Math.hypot(z1 - z0, r1 - r0) * wood_share((z0 + z1) / 2, profile)
      end
    end

    # Share of the turn at z where the wood reaches out to the profile.
    def wood_share(z_mm, profile)
      radius = profile.radius_mm(z_mm)
      return 1.0 if @shape.min_radius_mm >= radius

      angles = Numo::DFloat.new(192).seq * (360.0 / 192)
      @shape.radius_mm(angles, Numo::DFloat.zeros(192) + z_mm).ge(radius).count_true / 192.0
    end
  end
end
