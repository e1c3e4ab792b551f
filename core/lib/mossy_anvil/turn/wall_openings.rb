# frozen_string_literal: true

module MossyAnvil
  # Everything that opens the wall of the finished, hollowed piece, whatever it is called: cracks, bark, pockets, holes, wood so soft that next to nothing is left.
  # Each is one opening with the run it has along the wall, so that WallCrack can say how fast it may turn.
  class WallOpenings
    # Wood of which so little is left across the wall, as a share of it, is an opening.
    OPEN_SHARE = 0.15
    # Along a body that opens the wall somewhere, all counts as open where no more than this share is left.
    RAGGED_SHARE = 0.5
    # A path that leaves less than this share of the wall in line with it goes through.
    LIGAMENT_SHARE = 0.05
    PLACES = 121
    # A wall is never counted as thinner than this: a feather edge is named as such, and is no wall.
    THINNEST_MM = 1.0
    # Two openings are one where less than this is left between them, and what is left to rim or floor breaks. Of no wall's thickness, or a thicker wall would be worse.
    BRIDGE_MM = 10.0
    # What is left above an opening counts as broken where it is less than this share of the run.
    BRIDGE_SHARE = 0.5
    # Runs of paths in the wall and through it, and openings of bodies, by defect, shape and form.
    RUNS = Recall.new(1000)
    NONE = Object.new.freeze
    private_constant :NONE
    # So far beside an opening the wood that it would run on into is looked at.
    BESIDE_MM = 2.0

    # ids of the defects; clock_deg of its middle; from_mm, to_mm: along z; run_mm: along the wall; wall_mm: least, radius_mm: largest at the middle of the wall.
    # width_mm round the turn; at_edge: does it reach rim or floor; bodies: does any of it fill an ellipsoid; gap: is any of it one open gap, the ends of which
    # nobody could survey (see #length_mm).
    # places: its middle line, [clock_deg, radius_mm, z_mm], each an array.
    Opening = Struct.new(:ids, :clock_deg, :from_mm, :to_mm, :run_mm, :wall_mm, :radius_mm, :width_mm, :at_edge, :bodies, :gap, :places, keyword_init: true) do
      # Cracks go on from the ends of a gap: it is taken as long as itself and its own width at either end.
      def length_mm = gap ? run_mm + (2 * [width_mm, run_mm].min) : run_mm

      def work_share = gap ? WallCrack::THIN_WORK_SHARE : WallCrack.work_share(radius_mm, wall_mm)
      def place = { run_mm: length_mm, radius_mm: radius_mm, wall_mm: wall_mm, at_edge: at_edge }

      # As a crack through the wall, for the planes through the axis.
      def as_crack
        @as_crack ||= PathDefect.new(id: ids.join("+"), type: "crack", enters: "side", path: [from_mm, to_mm].map { |z_mm| { clock_deg: clock_deg, z_mm: z_mm } },
          depth_mm: wall_mm, width_mm: width_mm, through: true)
      end
    end

    # shares: [[defect, DefectShare], ...] of a blank with a hollow form.
    def initialize(blank, shares)
      @shape = blank.shape
      @form = blank.form
      @shares = shares
    end

    # List of Opening, those that run into each other as one.
    def all = @all ||= merged(each)

    # The same, every defect's own.
    def each = @each ||= @shares.filter_map { |defect, share| opening(defect, share) }

    # Is there none?
    def none? = all.empty?

    # The whole run of a path in the wall, however deep it goes there, as an Opening; nil where it does not run in the wall.
    def run_of(path) = runs_of(path)[:whole]

    # The part of a path that goes through the wall, whether it is open or glued; nil where none does.
    def through_run_of(path) = runs_of(path)[:through]

    # Share of strength of the weakest wood beside an opening, where it would run on; what is no wood, or itself, does not count.
    def weakest_share(opening)
      beside_deg = ((opening.width_mm / 2) + BESIDE_MM) / opening.radius_mm / Clock::RADIANS
      clock, radius, z = opening.places
      weak_bodies(opening).select do |body, _|
        [-1, 0, 1].any? { |side| body.hold?(clock + (side * beside_deg), radius, z).any? } || beyond_ends?(body, opening)
      end.map(&:last).push(1.0).min.clamp(Section::LIVE_SHARE, 1)
    end

    private

    def weak_bodies(opening)
      bodies = @shares.map(&:first).reject(&:path?).map { |body| [body, body.strength_factor] }
      bodies.select { |body, factor| factor.positive? && factor < 1 && !opening.ids.include?(body.id) }
    end

    # Does a body lie at either end of an opening, along the axis?
    def beyond_ends?(body, opening)
      clock, radius, z = opening.places
      [[z.min_index, -1], [z.max_index, 1]].any? do |at, way|
        body.hold?(*[clock[at], radius[at], z[at] + (way * (BESIDE_MM + (opening.gap ? opening.width_mm : 0)))].map { |value| Numo::DFloat[value] }).any?
      end
    end

    # Places along a defect: clock_deg, z_mm, outer and inner radius of the wall there, and bits: where there is a wall, and where the defect goes through it.
    Line = Struct.new(:clock_deg, :z_mm, :outer_mm, :inner_mm, :in_wall, :through)
    private_constant :Line

    def opening(defect, share)
      # A large pocket may leave next to nothing of itself in a thin wall, and open it all the same: only the wall is asked.
      return unless opens?(defect)
      return cached_body_opening(defect, share.breaks_through?) unless defect.path?

      through_run_of(defect) || (run_of(defect) if share.breaks_through?)
    end

    # { whole:, through: } of a path, each an Opening or nil.
    def runs_of(path)
      RUNS.of([path, @shape, @form]) do
        line = path.side? ? side_line(path) : face_line(path)
        { whole: line && along(path, line, line.in_wall), through: line && along(path, line, line.through) }
      end
    end

    # May it open a wall at all?
    def opens?(defect)
      return defect.parts? if defect.path?

      defect.open? || (defect.strength_factor <= OPEN_SHARE && defect.own_strength_mpa.zero?)
    end

    def side_line(path)
      samples = path.samples(@shape, count: PLACES)
      tip = path.through? ? samples.radius_mm * 0 : samples.radius_mm - samples.depth_mm
      wall(samples.clock_deg, samples.z_mm).tap do |line|
        ligament = (line.outer_mm - line.inner_mm) * LIGAMENT_SHARE
        line.through = line.in_wall & tip.le(line.inner_mm + ligament) & tip.lt(line.outer_mm)
      end
    end

    # From a face it runs down the wall as deep as it is, at the place of its path that lies in the wall, if it crosses it.
    def face_line(path)
      samples = path.samples(@shape, count: PLACES)
      from_head = path.enters == "head_face"
      face = from_head ? 0.0 : @shape.length_mm
      top = nearest_wall_z(from_head)
      rim = wall(samples.clock_deg, samples.z_mm * 0 + top)
      inside = rim.in_wall & samples.radius_mm.ge(rim.inner_mm - 0.5) & samples.radius_mm.le(rim.outer_mm + 0.5)
      return if inside.none?

      depth = path.through? ? @shape.length_mm : samples.depth_mm[inside].max
      heights = (Numo::DFloat.new(PLACES).seq + 0.5) / PLACES * depth
      line = wall(heights * 0 + Clock.mean(samples.clock_deg[inside].to_a), from_head ? heights : (heights * -1) + face)
      crossed = samples.radius_mm[inside].then { |radii| radii.max - radii.min } >= (1 - OPEN_SHARE) * (rim.outer_mm - rim.inner_mm)[inside].min
      line.through = crossed ? line.in_wall : line.in_wall & (line.in_wall ^ line.in_wall)
      line
    end

    # z of the wall next to a face.
    def nearest_wall_z(from_head)
      low, high = @form.inside.first_z_mm, @form.inside.last_z_mm
      from_head ? low + 1e-6 : high - 1e-6
    end

    def cached_body_opening(body, breaks_through)
      RUNS.of([body, @shape, @form, breaks_through]) { body_opening(body, breaks_through) || NONE }.then { |found| found.equal?(NONE) ? nil : found }
    end

    def body_opening(body, breaks_through)
      half = body.size_mm.map { |extent| extent / 2 }
      low, high = [body.z_mm - half[2], @form.inside.first_z_mm].max, [body.z_mm + half[2], @form.inside.last_z_mm].min
      return if high - low < 1e-6

      heights = (Numo::DFloat.new(PLACES).seq / (PLACES - 1) * (high - low)) + low
      line = wall(heights * 0 + body.clock_deg, heights)
      radial = Numo::DFloat::Math.sqrt((((heights - body.z_mm) / half[2])**2 * -1 + 1).clip(0, 1)) * half[0]
      covered = (Numo::DFloat.minimum((radial * 1) + body.radius_mm, line.outer_mm) - Numo::DFloat.maximum((radial * -1) + body.radius_mm, line.inner_mm)).clip(0, nil)
      whole = line.outer_mm - line.inner_mm
      line.through = line.in_wall & covered.ge(whole * (1 - left_in(body)))
      return if line.through.none? && !breaks_through

      # Where it slopes through the wall, what is left beside it goes as well.
      along(body, line, line.in_wall & covered.ge(whole * (1 - RAGGED_SHARE))) || along(body, line, line.in_wall & covered.gt(0))
    end

    # Share of the wall that may be left beside a body for it still to be an opening: what it holds itself counts too.
    def left_in(body) = body.open? ? OPEN_SHARE : OPEN_SHARE - (body.strength_factor / 2)

    # Line with the wall at places; nothing through yet.
    def wall(clock_deg, z_mm)
      outer = Numo::DFloat.minimum(@form.outside.radii_mm(z_mm), @shape.radius_mm(clock_deg, z_mm))
      inner = @form.inside.radii_mm(z_mm)
      in_wall = z_mm.ge(@form.inside.first_z_mm) & z_mm.le(@form.inside.last_z_mm) & outer.gt(inner)
      Line.new(clock_deg, z_mm, outer, inner, in_wall, in_wall ^ in_wall)
    end

    # The Opening over some places (bits) of a line; nil where there are none.
    def along(defect, line, held)
      return if held.none?

      clock, z, outer, inner = [line.clock_deg, line.z_mm, line.outer_mm, line.inner_mm].map { |values| values[held].dup }
      middle, low, high = (outer + inner) / 2, z.min, z.max
      Opening.new(ids: [defect.id], clock_deg: Clock.mean(clock.to_a), from_mm: low, to_mm: high, run_mm: run_mm(clock, z, middle, line.z_mm.size),
        wall_mm: [(outer - inner).min, THINNEST_MM].max, radius_mm: middle.max, width_mm: width_mm(defect, clock, middle), bodies: !defect.path?, gap: !defect.path? && %w[galleries bubble_pocket soft_zone].none?(defect.type),
        at_edge: nil, places: [clock, middle, z]).tap do |found|
        found.at_edge = at_edge?(found)
      end
    end

    # Length of the way through places along the middle of the wall, and half a step beyond each end. What pulls it open is the hoop of the wall: the way
    # round the turn counts by half.
    def run_mm(clock_deg, z_mm, radius_mm, places)
      return @form.wall_depth_mm / places if z_mm.size < 2

      up, out = [z_mm, radius_mm].map { |values| values[1..] - values[0...-1] }
      round = Clock.short_turns(clock_deg[1..] - clock_deg[0...-1]) * Clock::RADIANS * radius_mm[1..] / 2
      Numo::DFloat::Math.sqrt((up * up) + (out * out) + (round * round)).sum * (z_mm.size / (z_mm.size - 1.0))
    end

    # Round the turn: a body's own, a path's mouth and how far round it leads.
    def width_mm(defect, clock_deg, radius_mm)
      return defect.size_mm[1] unless defect.path?

      turns = Clock.short_turns(clock_deg - clock_deg[0])
      defect.width_mm + ((turns.max - turns.min) * Clock::RADIANS * radius_mm.mean)
    end

    # Does it reach the rim, or so near that what is left there does not count; or the floor?
    def at_edge?(found)
      rim, floor = @form.opens == "tail" ? [@form.inside.last_z_mm - found.to_mm, found.from_mm - @form.inside.first_z_mm] : [found.from_mm - @form.inside.first_z_mm, @form.inside.last_z_mm - found.to_mm]
      near_mm = [found.width_mm, BRIDGE_MM].max
      rim <= [near_mm, BRIDGE_SHARE * found.run_mm].max || floor <= near_mm
    end

    def merged(openings)
      left, found = openings.dup, []
      while (one = left.shift)
        while (near = left.index { |other| together?(one, other) })
          one = join(one, left.delete_at(near))
        end
        found << one
      end
      found
    end

    def together?(one, other)
      apart = apart_mm(one, other)
      gap = [one.from_mm, other.from_mm].max - [one.to_mm, other.to_mm].min
      apart <= ((one.width_mm + other.width_mm) / 2) + BRIDGE_MM && gap <= BRIDGE_MM
    end

    # mm round the turn between their middles.
    def apart_mm(one, other) = Clock.turn(one.clock_deg, other.clock_deg).abs * Clock::RADIANS * [one.radius_mm, other.radius_mm].max

    def join(one, other)
      low, high = [one.from_mm, other.from_mm].min, [one.to_mm, other.to_mm].max
      clock = Clock.mean([one.clock_deg, other.clock_deg])
      heights = Numo::DFloat.new(PLACES).seq / (PLACES - 1) * (high - low) + low
      line = wall(heights * 0 + clock, heights)
      whole = run_mm(heights * 0 + clock, heights, (line.outer_mm + line.inner_mm) / 2, PLACES)
      Opening.new(ids: one.ids + other.ids, clock_deg: clock, from_mm: low, to_mm: high, run_mm: [whole, one.run_mm, other.run_mm].max,
        wall_mm: [one.wall_mm, other.wall_mm].min, radius_mm: [one.radius_mm, other.radius_mm].max, width_mm: apart_mm(one, other) + ((one.width_mm + other.width_mm) / 2),
        places: one.places.zip(other.places).map { |pair| Numo::DFloat.hstack(pair) },
        bodies: one.bodies || other.bodies, gap: one.gap || other.gap, at_edge: nil).tap { |found| found.at_edge = one.at_edge || other.at_edge || at_edge?(found) }
    end
  end
end
