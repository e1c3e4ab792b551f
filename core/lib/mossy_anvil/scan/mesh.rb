# frozen_string_literal: true

module MossyAnvil
  module Scan
    # A surface of triangles, as a scanner gives it, in mm.
    class Mesh
      # Share of its own area that the triangles of a closed surface may fail to cancel out by.
      CLOSED_WITHIN = 1e-3

      # corners: triangles x 3 corners x 3 axes.
      attr_reader :corners

      def initialize(corners)
        @corners = corners
        @a, @b, @c = Array.new(3) { |corner| Array.new(3) { |axis| corners[true, corner, axis].dup } }
      end

      def size = corners.shape[0]

      # [[least, most], ...] along x, y and z.
      def extents_mm = @extents_mm ||= Array.new(3) { |axis| corners[true, true, axis].minmax }

      # mm3 inside, by the signed tetrahedra from the origin; corners may run either way round.
      def volume_mm3 = signed_mm3.abs

      # [x, y, z] of the middle of what is inside; of the box round it where nothing is.
      def centre_mm
        return extents_mm.map { |span| span.sum / 2 } if signed_mm3.abs < 1e-9

        @centre_mm ||= Array.new(3) { |axis| (tetrahedra * (@a[axis] + @b[axis] + @c[axis])).sum / 4 / signed_mm3 }
      end

      def area_mm2 = @area_mm2 ||= Numo::DFloat::Math.sqrt(crosses.map { |part| part * part }.inject(:+)).sum / 2

      # Do its triangles close it up? The areas of a closed surface, as arrows, add up to nothing; holes that face each
      # other may pass for none.
      def closed? = Math.sqrt(crosses.sum { |part| (part.sum / 2)**2 }) <= CLOSED_WITHIN * area_mm2

      # The same with its axes in another order (from: three of 0, 1, 2), some turned about (-1), and moved.
      def turned(from, signs, by_mm)
        moved = Numo::DFloat.zeros(*corners.shape)
        from.each_with_index do |axis, place|
          moved[true, true, place] = (corners[true, true, axis] * signs[place]) + by_mm[place]
        end
        Mesh.new(moved)
      end

      private

      def signed_mm3 = @signed_mm3 ||= tetrahedra.sum
      # mm3 of the tetrahedron of each triangle and the origin.
      def tetrahedra = @tetrahedra ||= (((@a[0] * normal(0)) + (@a[1] * normal(1)) + (@a[2] * normal(2))) / 6)
      # Product of the corners b and c.
      def normal(axis) = (@b[axis - 2] * @c[axis - 1]) - (@b[axis - 1] * @c[axis - 2])

      # Product of two sides of each triangle, along each axis.
      def crosses
        @crosses ||=
          begin
            u, v = [@b, @c].map { |corner| Array.new(3) { |axis| corner[axis] - @a[axis] } }
            Array.new(3) { |axis| (u[axis - 2] * v[axis - 1]) - (u[axis - 1] * v[axis - 2]) }
          end
      end
    end
  end
end
