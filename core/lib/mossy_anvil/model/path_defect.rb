# frozen_string_literal: true

module MossyAnvil
  module Model
    # A defect that runs along a path on a surface and goes in from it: a crack or a bark inclusion.
    class PathDefect
      Samples = PathPieces::Samples
      SAMPLES = 96
      PIECES = Cache.new(1500)
      DEEPEST = Cache.new(200)

      # depth_mm: where it is deepest. found_by: how the depth was found (seen, feeler, guessed) or nil; depth_range_mm:
      # [least, most] it may be, or nil.
      # through: it goes right through the wood. group is only for the eye. bond_share: of what its filler bears by the
      # table, as a truth has it.
      extend Record
      fields :id,
             :type,
             :enters,
             :path,
             :depth_mm,
             :width_mm,
             through: false,
             mend: nil,
             found_by: nil,
             depth_range_mm: nil,
             found_on: nil,
             chosen: nil,
             group: nil,
             bond_share: 1.0

      # path: [{ clock_deg:, z_mm:, r_mm: (faces only), depth_mm: (where it differs there) }]; mend: nil or "none" where
      # it is open.
      # chosen: what the turner means to do about it, or nil.
      def initialize(**given)
        given = PathDefect.complete(given)
        @id, @type, @enters, @through, @found_by, @found_on, @chosen, @group, @bond_share =
          given.values_at(:id, :type, :enters, :through, :found_by, :found_on, :chosen, :group, :bond_share)
        @path = PathDefect.points(**given.slice(:path, :depth_mm))
        @depth_mm = @path.map { |point| point[:depth_mm].to_f }.max
        @width_mm, @mend = given[:width_mm].to_f, given[:mend] || "none"
        @depth_range_mm = given[:depth_range_mm]&.map(&:to_f).freeze
        freeze
      end

      # Each with its depth, where it has none of its own that of the whole.
      def self.points(path:, depth_mm: nil) = path.map { |point| { depth_mm: depth_mm, **point }.freeze }.freeze

      # As a blank file has it, symbol-keyed.
      def to_document
        {
          id: id,
          type: type,
          enters: enters,
          path: path,
          depth_mm: depth_mm,
          width_mm: width_mm,
          through: through? || nil,
          mend: mended? ? mend : nil,
          found_by: found_by,
          depth_range_mm: depth_range_mm,
          found_on: found_on,
          chosen: chosen,
          group: @group
        }.compact
      end

      def path? = true
      def by_test? = false
      def side? = enters == "side"
      def through? = @through
      def mended? = mend != "none"
      # MPa across its filling, 0 where it is open or bonds nothing. Bark that is packed or glued stays where it is, and
      # holds nothing.
      def bond_mpa = crack? && mended? ? Bond.mpa(mend, mouth_mm: width_mm, depth_mm: depth_mm) * bond_share : 0.0
      def holds? = bond_mpa.positive?
      # Is the wood parted there: open, filled with what does not bond, or bark?
      def parts? = !holds?
      # A glue line that has opened is a crack like any other.
      def crack? = %w[crack delamination].include?(type)

      # The same as deep as it may be; itself where that is not deeper.
      def deepest
        most = depth_range_mm&.last
        most && most > depth_mm ? DEEPEST.of(self) { at_depth(most) } : self
      end

      # The same so deep where it is deepest, elsewhere in proportion, and sure of it.
      def at_depth(depth_mm)
        with(
          path: path.map { |point| point.merge(depth_mm: point[:depth_mm] * depth_mm / self.depth_mm) },
          depth_mm: depth_mm,
          depth_range_mm: nil
        )
      end

      # The same mended with that: none, or a filler or glue.
      def mended_with(mend) = with(mend: mend)

      # The same with a filling that bears that share of what the table says.
      def bonded(share) = share == bond_share ? self : with(bond_share: share)

      # The same along other points, which carry their depths.
      def along(points) = with(path: points)

      # Is there an opening to fill?
      def open? = crack? && !mended?
      def fragile? = parts?

      def many_holes? = false

      # How wide what takes a filler is, mm.
      def mouth_mm = width_mm

      # What a body's type adds: nothing here.
      def detail_of(_name) = nil

      # Share of what it takes up that is open.
      def open_share = open? ? 1.0 : 0.0

      # The path cut into about `count` even pieces, as Samples; worked out once for a shape.
      # On the side the angle turns evenly the short way; on a face the path is straight.
      # with_points: and its own points, each a piece of no length.
      def samples(shape, count: SAMPLES, with_points: false)
        PIECES.of([self, shape, count, with_points]) do
          pieces = PathPieces.new(self, shape)
          with_points ? pieces.with_points(samples(shape, count: count)) : pieces.even(count)
        end
      end

      # mm along the surface.
      def run_mm(shape) = PathPieces.new(self, shape).lengths_mm.sum

      # Lowest and highest z the path reaches, mm.
      def z_span_mm = path.map { |point| point[:z_mm].to_f }.minmax

      # How deep it reaches when followed to the end: to the axis, or to the other face.
      def through_depth_mm(shape)
        side? ? shape.max_radius_mm : shape.length_mm
      end

      private

      def with(**changes) = PathDefect.new(**to_document, **changes)
    end
  end
end
