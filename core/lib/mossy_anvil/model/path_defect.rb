# frozen_string_literal: true

module MossyAnvil
  module Model
    # A defect that runs along a path on a surface and goes in from it: a crack or a bark inclusion.
    class PathDefect
      # Places along a path, the length each stands for, and how deep the path goes there: arrays of one size.
      Samples =
        Struct.new(:clock_deg, :radius_mm, :z_mm, :length_mm, :depth_mm, keyword_init: true) do
          def size = clock_deg.size
        end
      SAMPLES = 96
      POINTS = 8
      PIECES = Cache.new(1500)
      LENGTHS = Cache.new(500)
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
          with_points ? pieces_and_points(shape, count) : even_pieces(shape, count)
        end
      end

      # mm along the surface.
      def run_mm(shape) = lengths_mm(shape).sum

      # Lowest and highest z the path reaches, mm.
      def z_span_mm = path.map { |point| point[:z_mm].to_f }.minmax

      # How deep it reaches when followed to the end: to the axis, or to the other face.
      def through_depth_mm(shape)
        side? ? shape.max_radius_mm : shape.length_mm
      end

      private

      def with(**changes)
        PathDefect.new(**to_document, **changes)
      end

      def even_pieces(shape, count)
        lengths = lengths_mm(shape)
        legs
          .zip(lengths, pieces_of(lengths, count))
          .map { |(from, to), length, pieces| leg_pieces(from, to, length / pieces, pieces, shape) }
          .transpose
          .map { |parts| parts.size == 1 ? parts[0] : Numo::DFloat.hstack(parts) }
          .then { |columns| Samples.new(**Samples.members.zip(columns).to_h) }
      end

      # So many of one leg, each so long.
      def leg_pieces(from, to, length_mm, pieces, shape)
        share = (Numo::DFloat.new(pieces).seq + 0.5) / pieces
        depth = (share * (to[:depth_mm] - from[:depth_mm])) + from[:depth_mm]
        [*on_leg(from, to, share, shape), Numo::DFloat.zeros(pieces) + length_mm, depth]
      end

      # The even pieces and the path's own points after them, its last one over again up to a full POINTS, so that most
      # paths have equally many.
      def pieces_and_points(shape, count)
        parts = samples(shape, count: count).to_a.zip(own_points(shape)).map { |both| Numo::DFloat.hstack(both) }
        Samples.new(**Samples.members.zip(parts).to_h)
      end

      def own_points(shape)
        points = path + ([path.last] * (-path.size % POINTS))
        clock, z, depth, r =
          %i[clock_deg z_mm depth_mm r_mm].map { |name| Numo::DFloat.cast(points.map { |point| point[name].to_f }) }
        radius, z = side? ? [shape.radius_mm(clock, z) + (z * 0), z] : [r, (z * 0) + face_z_mm(shape)]
        [ClockAngle.fold_all(clock), radius, z, z * 0, depth]
      end

      # How many pieces each leg gets of so many: as its length, and at least one.
      def pieces_of(lengths, count)
        total = lengths.sum
        gone = 0.0
        bounds = lengths.map { |length| total.zero? ? 0 : (count * (gone += length) / total).round }
        [0, *bounds].each_cons(2).map { |from, to| [to - from, 1].max }
      end

      def legs = path.each_cons(2).to_a
      # Of each leg; worked out once for a shape.
      def lengths_mm(shape) = LENGTHS.of([self, shape]) { legs.map { |from, to| leg_length(from, to, shape) } }

      # [clock_deg, radius_mm, z_mm] at shares of the way along one leg.
      def on_leg(from, to, share, shape)
        return across_face(from, to, share, shape) unless side?

        clock_deg = ClockAngle.fold_all((share * ClockAngle.turn(from[:clock_deg], to[:clock_deg])) + from[:clock_deg])
        z_mm = (share * (to[:z_mm] - from[:z_mm])) + from[:z_mm]
        [clock_deg, shape.radius_mm(clock_deg, z_mm) + (z_mm * 0), z_mm]
      end

      def across_face(from, to, share, shape)
        x_mm, y_mm = flat(from).zip(flat(to)).map { |here, there| (share * (there - here)) + here }
        [
          ClockAngle.fold_all(Numo::DFloat::Math.atan2(x_mm, y_mm) / ClockAngle::RADIANS),
          Numo::DFloat::Math.hypot(x_mm, y_mm),
          (share * 0) + face_z_mm(shape)
        ]
      end

      def leg_length(from, to, shape)
        return Math.hypot(*flat(from).zip(flat(to)).map { |here, there| there - here }) unless side?

        clock_deg, low_mm, high_mm = from[:clock_deg], from[:z_mm], to[:z_mm]
        turn = ClockAngle.turn(clock_deg, to[:clock_deg])
        middle = surface_mm(clock_deg + (turn / 2), (low_mm + high_mm) / 2.0, shape)
        Math.hypot(turn * ClockAngle::RADIANS * middle, high_mm - low_mm)
      end

      def flat(point) = ClockAngle.point(point[:clock_deg], point[:r_mm].to_f)
      def face_z_mm(shape) = enters == "head_face" ? 0.0 : shape.length_mm

      def surface_mm(clock_deg, z_mm, shape)
        shape.radius_mm(Numo::DFloat[clock_deg], Numo::DFloat[z_mm])[0]
      end
    end
  end
end
