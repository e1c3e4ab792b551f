# frozen_string_literal: true

module MossyAnvil
  module Scan
    # A mesh cut across its z axis into stations of radii, as a measured outline has them: at each station and clock
    # step the farthest place of the surface.
    class Stations
      STATIONS = 41
      STEPS = 72
      # The first and last cut lie so far inside the ends, as a share of the length: an end itself may be a point or a
      # flat.
      INSET = 0.002
      LEAST_MM = 0.5
      # A closed lump of as many triangles as are read at most shows a few thousand to a cut; many more are no surface
      # of one.
      MOST_MET = 20_000

      # mesh: standing on z = 0, the axis through the origin. #to_a raises InvalidInput at `at`.
      def initialize(mesh, at: "")
        @mesh = mesh
        @at = at
        @length_mm = mesh.extents_mm[2][1]
        heights = mesh.corners[true, true, 2]
        @lowest_mm, @highest_mm = heights.min(axis: 1), heights.max(axis: 1)
      end

      # [{ z_mm:, radii_mm: }, ...], closer together towards the ends, where round lumps turn most. radii_mm holds nil
      # where the axis is outside.
      def to_a
        heights.map do |z_mm|
          { z_mm: z_mm, radii_mm: radii_at(z_mm.clamp(@length_mm * INSET, @length_mm * (1 - INSET))) }
        end
      end

      # How far out from the axis some straight pieces reach at even steps of the clock, mm; nil where none does. from,
      # to: the pieces' ends, [x, y] arrays each.
      def self.radii(from, to, steps)
        return [nil] * steps if from[0].empty?

        (right0, along0), (right1, along1) = [from, to].map { |ends| by_rays(ends, steps) }
        share = right0 / ((right0 - right1) + Numo::DFloat.cast(right0.eq(right1)))
        reach = (along0 + (share * (along1 - along0))) * (right0 * right1).le(0)
        reach.max(axis: 0).to_a.map { |radius| radius.positive? ? [radius, LEAST_MM].max : nil }
      end

      # How far each end of a piece lies to the right of each ray, and how far along it: pieces x rays both.
      def self.by_rays(ends, steps)
        angle = Numo::DFloat.new(1, steps).seq * (2 * Math::PI / steps)
        sine, cosine = Numo::DFloat::Math.sin(angle), Numo::DFloat::Math.cos(angle)
        x, y = ends.map { |values| values.reshape(values.size, 1) }
        [(x * cosine) - (y * sine), (x * sine) + (y * cosine)]
      end
      private_class_method :by_rays

      private

      def heights
        Array.new(STATIONS) { |index| @length_mm * (1 - Math.cos(Math::PI * index / (STATIONS - 1))) / 2 }
      end

      def radii_at(z_mm) = Stations.radii(*section(z_mm), STEPS)

      # The two ends, [x, y] each, of the cut through every triangle that the plane at z runs through.
      def section(z_mm)
        met = (@lowest_mm.le(z_mm) & @highest_mm.gt(z_mm)).where
        refuse_crowd(met.size, z_mm) if met.size > MOST_MET

        corners = @mesh.corners[met, true, true]
        alone = lone_corner(corners[true, true, 2].gt(z_mm))
        sides = [1, 2].map { |on| cross(corners, alone, (alone + on) % 3, z_mm) }
        met.empty? ? [[Numo::DFloat[], Numo::DFloat[]]] * 2 : sides
      end

      def refuse_crowd(triangles, z_mm)
        raise InvalidInput.at(
                @at,
                Fault.t("meets_triangles_in_the_cut_mm_from", triangles: triangles, z_mm: z_mm.round(1)),
                Fault.t("at_most_the_surface_of_one_closed", most: MOST_MET)
              )
      end

      # The corner that lies by itself on one side of the plane.
      def lone_corner(above)
        up = Numo::Int32.cast(above)
        alone_above = up.sum(axis: 1).eq(1)
        flags =
          (up * Numo::Int32.cast(alone_above).reshape(up.shape[0], 1)) +
            (((up * -1) + 1) * Numo::Int32.cast(~alone_above).reshape(up.shape[0], 1))
        (flags * Numo::Int32[[0, 1, 2]]).sum(axis: 1)
      end

      # Where the side from one corner to another goes through the plane.
      def cross(corners, one, other, z_mm)
        row = Numo::Int32.new(one.size).seq * 9
        place = ->(corner, axis) { corners[row + (corner * 3) + axis] }
        share = (place[one, 2] * -1 + z_mm) / (place[other, 2] - place[one, 2])
        [0, 1].map { |axis| place[one, axis] + (share * (place[other, axis] - place[one, axis])) }
      end
    end
  end
end
