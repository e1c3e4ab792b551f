# frozen_string_literal: true

module MossyAnvil
  module Turn
    # Everything that opens the wall of the finished, hollowed piece, whatever it is called: cracks, bark, pockets,
    # holes, wood so soft that next to nothing is left.
    # Each is one WallOpening with the run it has along the wall, so that WallCrack can say how fast it may turn.
    class WallOpenings
      # A wall is never counted as thinner than this: a feather edge is named as such, and is no wall.
      THINNEST_MM = 1.0
      # Two openings are one where less than this is left between them, and what is left to rim or floor breaks. Of no
      # wall's thickness, or a thicker wall would be worse.
      BRIDGE_MM = 10.0
      # What is left above an opening counts as broken where it is less than this share of the run.
      BRIDGE_SHARE = 0.5
      # So far beside an opening the wood that it would run on into is looked at.
      BESIDE_MM = 2.0
      # What is not one gap: its ends are those of a zone that was surveyed.
      ZONES = %w[galleries bubble_pocket soft_zone].freeze
      # Lines and openings of defects, by defect, shape and form.
      KEPT = Cache.new(1000)
      NONE = Object.new.freeze
      private_constant :NONE

      # shares: [[defect, DefectShare], ...] of a blank with a hollow form.
      def initialize(blank, shares)
        @shape = blank.shape
        @form = blank.form
        @shares = shares
      end

      # List of WallOpening, those that run into each other as one.
      def all = @all ||= merged(each)

      # The same, every defect's own.
      def each = @each ||= @shares.filter_map { |defect, share| opening(defect, share.breaks_through?) }

      def any? = all.any?

      # The whole run of a path in the wall, however deep it goes there, as a WallOpening; nil where it does not run in
      # the wall.
      def run_of(path) = kept([path, :in_wall]) { line_of(path)&.then { |line| along(path, line, line.in_wall) } }

      # The part of a path that goes through the wall, whether it is open or glued; nil where none does.
      def through_run_of(path) =
        kept([path, :through]) { line_of(path)&.then { |line| along(path, line, line.through) } }

      # Share of strength of the weakest wood beside an opening, where it would run on; what is no wood, or itself, does
      # not count.
      def weakest_share(opening)
        beside_deg = ((opening.width_mm / 2) + BESIDE_MM) / opening.radius_mm / ClockAngle::RADIANS
        clock, radius, z = opening.places
        met =
          weak_bodies
            .reject { |body| opening.ids.include?(body.id) }
            .select do |body|
              [-1, 0, 1].any? { |side| body.hold?(clock + (side * beside_deg), radius, z).any? } ||
                beyond_ends?(body, opening)
            end
        met.map(&:strength_factor).push(1.0).min.clamp(Section::LIVE_SHARE, 1)
      end

      private

      def weak_bodies =
        @weak_bodies ||=
          @shares
            .map(&:first)
            .reject(&:path?)
            .select { |body| body.strength_factor.positive? && body.strength_factor < 1 }

      # Does a body lie at either end of an opening, along the axis?
      def beyond_ends?(body, opening)
        clock, radius, z = opening.places
        on_mm = BESIDE_MM + (opening.gap ? opening.width_mm : 0)
        [[z.min_index, -on_mm], [z.max_index, on_mm]].any? do |at, by|
          body.hold?(*[clock[at], radius[at], z[at] + by].map { |value| Numo::DFloat[value] }).any?
        end
      end

      # A large pocket may leave next to nothing of itself in a thin wall, and open it all the same: only the wall is
      # asked.
      def opening(defect, breaks_through)
        return unless opens?(defect)
        return through_run_of(defect) || (run_of(defect) if breaks_through) if defect.path?

        kept([defect, breaks_through]) do
          line = WallLine.of_body(defect, @shape, @form)
          along(defect, line, line.ragged) if line && (line.through.any? || breaks_through)
        end
      end

      def line_of(path) =
        kept([path]) { path.side? ? WallLine.of_side(path, @shape, @form) : WallLine.of_face(path, @shape, @form) }

      # What the block makes for a key, kept also where that is nil.
      def kept(key, &made) =
        KEPT.of([*key, @shape, @form]) { made.call || NONE }.then { |found| found.equal?(NONE) ? nil : found }

      # May it open a wall at all?
      def opens?(defect)
        return defect.parts? if defect.path?

        defect.open? || (defect.strength_factor <= WallLine::OPEN_SHARE && defect.own_strength_mpa.zero?)
      end

      # The WallOpening over some places (bits) of a line; nil where there are none.
      def along(defect, line, held)
        return if held.none?

        clock, z, outer, inner =
          [line.clock_deg, line.z_mm, line.outer_mm, line.inner_mm].map { |values| values[held].dup }
        middle = (outer + inner) / 2
        WallOpening
          .new(
            ids: [defect.id],
            from_mm: z.min,
            to_mm: z.max,
            run_mm: run_mm(clock, z, middle, line.z_mm.size),
            wall_mm: [(outer - inner).min, THINNEST_MM].max,
            **across(defect, clock, middle),
            places: [clock, middle, z]
          )
          .tap { |found| found.at_edge = at_edge?(found) }
      end

      def across(defect, clock_deg, middle_mm)
        {
          clock_deg: ClockAngle.mean(clock_deg),
          radius_mm: middle_mm.max,
          width_mm: width_mm(defect, clock_deg, middle_mm),
          bodies: !defect.path?,
          gap: !defect.path? && !ZONES.include?(defect.type)
        }
      end

      # Length of the way through places along the middle of the wall, and half a step beyond each end. What pulls it
      # open is the hoop of the wall: the way round the turn counts by half.
      def run_mm(clock_deg, z_mm, radius_mm, places)
        return @form.wall_depth_mm / places if z_mm.size < 2

        up, out, turns = [z_mm, radius_mm, clock_deg].map { |values| values[1..] - values[0...-1] }
        round = ClockAngle.short_turns(turns) * ClockAngle::RADIANS * radius_mm[1..] / 2
        Numo::DFloat::Math.sqrt((up * up) + (out * out) + (round * round)).sum * (z_mm.size / (z_mm.size - 1.0))
      end

      # Round the turn: a body's own, a path's mouth and how far round it leads.
      def width_mm(defect, clock_deg, radius_mm)
        return defect.size_mm[1] unless defect.path?

        turns = ClockAngle.short_turns(clock_deg - clock_deg[0])
        defect.width_mm + ((turns.max - turns.min) * ClockAngle::RADIANS * radius_mm.mean)
      end

      # Does it reach the rim, or so near that what is left there does not count; or the floor?
      def at_edge?(found)
        ends = [found.from_mm - @form.inside.first_z_mm, @form.inside.last_z_mm - found.to_mm]
        floor, rim = @form.opens == "tail" ? ends : ends.reverse
        near_mm = [found.width_mm, BRIDGE_MM].max
        rim <= [near_mm, BRIDGE_SHARE * found.run_mm].max || floor <= near_mm
      end

      def merged(openings)
        left, found = openings.dup, []
        while (one = left.shift)
          while (near = left.index { |other| one.together?(other, BRIDGE_MM) })
            one = join(one, left.delete_at(near))
          end
          found << one
        end
        found
      end

      def join(one, other)
        whole = one.joined(other)
        line = WallLine.along(whole.from_mm, whole.to_mm, whole.clock_deg, @shape, @form)
        between = run_mm(line.clock_deg, line.z_mm, (line.outer_mm + line.inner_mm) / 2, line.z_mm.size)
        whole.run_mm = [whole.run_mm, between].max
        whole.at_edge ||= at_edge?(whole)
        whole
      end
    end
  end
end
