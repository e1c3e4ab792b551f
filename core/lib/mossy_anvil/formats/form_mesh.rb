# frozen_string_literal: true

module MossyAnvil
  module Formats
    # The finished piece as a closed surface of triangles, in mm: the form where there is wood for it, else the wood's
    # own surface. Binary STL.
    class FormMesh
      AROUND = 120
      LEAST_MM = 1e-3

      # blank: as surveyed, with a form.
      def initialize(blank)
        @blank = blank.on_centres
        @form = @blank.form
        @angles = Numo::DFloat.new(AROUND).seq * (360.0 / AROUND)
      end

      # Bytes of a binary STL.
      def stl
        triangles = outward(surface)
        ["Mossy Anvil form, mm".ljust(80), triangles.size].pack("a80V") +
          triangles.map { |corners| record(corners) }.join
      end

      private

      # The same with every triangle's corners anticlockwise seen from without.
      def outward(triangles)
        inward =
          triangles
            .sum do |a, b, c|
              a.each_index.sum { |axis| a[axis] * ((b[axis - 2] * c[axis - 1]) - (b[axis - 1] * c[axis - 2])) }
            end
            .negative?
        inward ? triangles.map(&:reverse) : triangles
      end

      # Rings from the mouth down the inside, over the floor, and up the outside; closed over the axis, or from ring to
      # ring.
      def surface
        rings = @form.hollow? ? inside_rings + outside_rings : outside_rings
        sides = rings.each_cons(2).flat_map { |one, other| band(one, other) }
        return sides + band(rings.last, rings.first) if @form.open_both_ends?

        sides + cap(rings.first, 1) + cap(rings.last, -1)
      end

      # Up from the floor to the rim; of a ring, down.
      def inside_rings
        rings = rings_of(@form.inside)
        (@form.opens == "tail") == @form.open_both_ends? ? rings.reverse : rings
      end

      # On a hollow piece: from the rim to the foot, after the inside came up from the floor to the rim.
      def outside_rings
        rings = rings_of(@form.outside)
        return rings unless @form.hollow?
        return rings if @form.open_both_ends?

        @form.opens == "tail" ? rings.reverse : rings
      end

      def rings_of(profile)
        profile.polyline.map do |z_mm, r_mm|
          reach = @blank.shape.radius_mm(@angles, @angles * 0 + z_mm) + (@angles * 0)
          Numo::DFloat
            .minimum(reach, [r_mm, LEAST_MM].max)
            .to_a
            .each_with_index
            .map { |radius, step| [*ClockAngle.point(step * 360.0 / AROUND, radius), z_mm] }
        end
      end

      def band(one, other)
        AROUND.times.flat_map do |step|
          on = (step + 1) % AROUND
          [[one[step], other[step], other[on]], [one[step], other[on], one[on]]]
        end
      end

      # A ring closed to the axis; way: which of its sides is out.
      def cap(ring, way)
        middle = [0.0, 0.0, ring[0][2]]
        AROUND
          .times
          .map do |step|
            [middle, ring[step], ring[(step + 1) % AROUND]].then do |corners|
              way.positive? ? corners.values_at(0, 2, 1) : corners
            end
          end
          .map(&:reverse)
      end

      def record(corners) = [*normal(corners), *corners.flatten].pack("e12") + [0].pack("v")

      def normal((a, b, c))
        (ux, uy, uz), (vx, vy, vz) = [b, c].map { |corner| corner.zip(a).map { |one, other| one - other } }
        cross = [(uy * vz) - (uz * vy), (uz * vx) - (ux * vz), (ux * vy) - (uy * vx)]
        long = Math.sqrt(cross.sum { |part| part**2 })
        long.zero? ? [0.0, 0.0, 0.0] : cross.map { |part| part / long }
      end
    end
  end
end
