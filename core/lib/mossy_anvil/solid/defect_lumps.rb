# frozen_string_literal: true

module MossyAnvil
  module Solid
    # Defects cut alike into small lumps, each with its place: arrays of defects x lumps.
    class DefectLumps
      BALL_STEPS = 12
      BALL_LINE = Array.new(BALL_STEPS) { |step| (((2 * step) + 1.0) / BALL_STEPS) - 1 }.freeze
      DEPTH_STEPS = 12
      PATH_STEPS = 64
      # A hair crack, of no mouth at all, is a crack: it takes up next to nothing, and is not gone for that.
      HAIR_MM = 1e-3

      # surface_mm: the blank's at each lump, defects x 1 where it is the same everywhere.
      # volume_mm3: defects x lumps or, where all lumps of a defect are alike, defects x 1.
      # under_mm: how far under the surface the first lump of each defect lies; coarse_mm: how far apart its lumps are.
      # One number a defect.
      attr_reader :defects, :radius_mm, :z_mm, :surface_mm, :volume_mm3, :under_mm, :coarse_mm

      # Even points in a ball of radius 1 as three arrays (two places, and which of BALL_LINE the third is).
      def self.ball
        @ball ||=
          begin
            steps = (0...BALL_STEPS).to_a
            inside =
              steps.product(steps, steps).select { |place| place.sum { |index| BALL_LINE[index]**2 } <= 1 }.transpose
            line = Numo::DFloat.cast(BALL_LINE)
            [line[inside[0]].dup, line[inside[1]].dup, Numo::Int32.cast(inside[2])].freeze
          end
      end

      # The defects in lists of such as are cut into lumps alike.
      def self.alike(defects, shape)
        paths, bodies = defects.partition(&:path?)
        [*Model::PathRows.alike(paths, shape, count: PATH_STEPS), bodies].reject(&:empty?)
      end

      # The lumps of defects that are cut alike.
      def self.cut(defects, shape)
        if defects.first.path?
          new(defects, shape).cut_paths(Model::PathRows.new(defects, shape, PATH_STEPS))
        else
          new(defects, shape).cut_bodies
        end
      end

      def initialize(defects, shape)
        @defects = defects
        @shape = shape
      end

      # A profile's radius at every lump, mm: worked out once for each z there is, then spread.
      def along(profile) = profile.radii_mm(@levels)[true, @level_of]

      # Is each of them a path, and does it enter by a face?
      def paths? = defects.first.path?
      def from_face? = paths? && !defects.first.side?

      # mm of the way in that the piece of the path that has most of these lumps (bits, as the arrays) has of them. One
      # number a defect.
      def most_depth_mm(lumps)
        pieces = lumps.shape[1] / DEPTH_STEPS
        (lumps.reshape(defects.size, pieces, DEPTH_STEPS).count_true(axis: 2) * @piece_depth_mm / DEPTH_STEPS).max(
          axis: 1
        )
      end

      def cut_bodies
        across, along_arc, level = DefectLumps.ball
        half = (0..2).map { |axis| column { |body| body.size_mm[axis] / 2 } }
        lay_levels((half[2] * Numo::DFloat.cast(BALL_LINE)) + column(&:z_mm), level)
        lay_balls((half[0] * across) + column(&:radius_mm), half[1] * along_arc)
        @volume_mm3 = column(&:volume_mm3) / level.size
        coarse_as_balls
      end

      def coarse_as_balls
        @under_mm = defects.map { 0.0 }
        @coarse_mm = defects.map { |body| body.size_mm.max / BALL_STEPS }
        self
      end

      def lay_balls(radial, tangential)
        @radius_mm = Numo::DFloat::Math.sqrt((radial * radial) + (tangential * tangential))
        @surface_mm = surface_over(radial, tangential)
      end

      def lay_paths(rows, depth)
        from = rows.radius_mm.reshape(rows.size, rows.pieces, 1) + (depth * 0)
        @radius_mm = flat(rows.side? ? Numo::DFloat.maximum(from - depth, 0) : from)
        level_paths(rows, depth)
        @surface_mm = flat(surface_of_paths(rows, from))
      end

      # Wedge: full mouth at the surface, nothing at the tip; parallel where it goes through.
      def cut_paths(rows)
        share = (Numo::DFloat.new(1, 1, DEPTH_STEPS).seq + 0.5) / DEPTH_STEPS
        @piece_depth_mm = rows.depth_mm
        lay_paths(rows, rows.depth_mm.reshape(rows.size, rows.pieces, 1) * share)
        @volume_mm3 = flat(volumes_of_paths(rows, share))
        @under_mm = defects.map { |path| path.depth_mm / DEPTH_STEPS / 2 }
        @coarse_mm = @under_mm.map { |mm| 2 * mm }
        self
      end

      private

      def column(&) = Numo::DFloat.cast(defects.map(&)).reshape(defects.size, 1)
      def flat(array) = array.reshape(defects.size, array.size / defects.size)

      # levels_mm: defects x levels; level_of: which of them each lump lies at.
      def lay_levels(levels_mm, level_of)
        @levels = levels_mm
        @level_of = level_of
        @z_mm = levels_mm[true, level_of]
      end

      # On the side every piece has a z of its own; on a face every lump.
      def level_paths(rows, depth)
        lump = Numo::Int32.new(rows.pieces * DEPTH_STEPS).seq
        return lay_levels(rows.z_mm, lump / DEPTH_STEPS) if rows.side?

        lay_levels(
          flat((rows.enters == "head_face" ? depth : depth * -1) + rows.z_mm.reshape(rows.size, rows.pieces, 1)),
          lump
        )
      end

      # On a blank that runs true there is no need to know a lump's hour.
      def surface_over(radial, tangential)
        return column { @shape.max_radius_mm } if @shape.centred?

        @shape.radius_mm(
          (Numo::DFloat::Math.atan2(tangential, radial) / ClockAngle::RADIANS) + column(&:clock_deg),
          @z_mm
        )
      end

      def volumes_of_paths(rows, share)
        tapers = column { |path| path.through? || !path.crack? ? 0.0 : 1.0 }.reshape(rows.size, 1, 1)
        step = rows.depth_mm * (column { |path| [path.width_mm, HAIR_MM].max } / DEPTH_STEPS)
        (rows.length_mm * step).reshape(rows.size, rows.pieces, 1) * ((tapers * share * -1) + 1)
      end

      # A path on the side lies on it already.
      def surface_of_paths(rows, from)
        if rows.side?
          from
        else
          @shape.radius_mm(rows.clock_deg.reshape(rows.size, rows.pieces, 1) + (from * 0), @z_mm.reshape(*from.shape))
        end
      end
    end
  end
end
