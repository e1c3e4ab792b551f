# frozen_string_literal: true

module MossyAnvil
  module Placing
    # A blank and its defects as points, so that one way after another of laying the form into it can be measured
    # quickly.
    # Good to some hundredths; what is chosen is assessed in full afterwards.
    class PlacementField
      # Points over the wood's bounding box each way, and at most so many over all defects.
      WOOD_STEPS = 22
      MOST_POINTS = 16_000
      TABLE_STEPS = 400
      SKIN_HEIGHTS, SKIN_ANGLES = 17, 36
      # A defect is in view within so much of a finished skin.
      IN_VIEW_MM = 2.5
      # Where the rim counts as kept bark: so much of the height from the mouth.
      RIM_SHARE = 0.2
      # What a sum of decimals may leave over.
      PAST_MM = 1e-6
      ANGLES = Numo::DFloat.new(1, SKIN_ANGLES).seq * (2 * Math::PI / SKIN_ANGLES)
      SINES, COSINES = Numo::DFloat::Math.sin(ANGLES).freeze, Numo::DFloat::Math.cos(ANGLES).freeze

      # Heights of the tables at which the skin is looked at.
      SKIN_ROWS =
        Numo::Int32.cast((Numo::DFloat.new(SKIN_HEIGHTS).seq * (TABLE_STEPS / (SKIN_HEIGHTS - 1))).round).freeze

      # kept, in_view: share of each defect (by id); through: ids that reach both skins; air: share of the outside that
      # would lie off the wood;
      # bark_rim: share of the turn at the mouth where the wood's own surface is kept; off_axis_mm: how far the centre
      # of mass lies off the axis.
      Measures =
        Struct.new(
          :kept,
          :in_view,
          :through,
          :air,
          :bark_rim,
          :yield,
          :off_axis_mm,
          :tenon_mm,
          :scale,
          keyword_init: true
        )

      attr_reader :blank

      # blank: as surveyed, with a form.
      def initialize(blank)
        @blank = blank
        @shape = blank.shape
        @forms = {}
        lay_wood
        lay_defects
      end

      def form(placement) = placement.form(blank.form)

      # Measures of a placement; nil where its centres are off the wood or the form goes past an end of it.
      def measure(placement)
        centres = placement.centres(blank.centres)
        return if !centres.on_wood?(@shape) || centres.tilt_deg(@shape.length_mm) > Model::Centres::STEEPEST_DEG

        frame = centres.frame_of(@shape)
        tables = tables_of(placement)
        past_mm = tables.high - centres.length_mm(@shape)
        return if tables.low < -PAST_MM || past_mm > PAST_MM

        measures(placement, tables, centres, frame, past_mm)
      end

      def measures(placement, tables, centres, frame, past_mm)
        wood, defects = [@wood, @defect_points].map { |points| brought(points, centres, frame) }
        Measures.new(
          **of_defects(defects, tables),
          **of_wood(wood, within(wood, tables)),
          **of_skin(centres, frame, tables),
          scale: placement.scale,
          tenon_mm: tables.opens == "tail" ? tables.low : -past_mm
        )
      end

      private

      # A form as look-up tables of radii over its height; inner: nil where it is solid.
      Tables =
        Struct.new(:low, :high, :opens, :outer, :inner, :inner_low, :inner_high) do
          def rows(z_mm) = Numo::Int32.cast(((z_mm - low) * (TABLE_STEPS / (high - low))).round.clip(0, TABLE_STEPS))
        end

      # An even grid of points in the wood, with the mass of each.
      def lay_wood
        x, y, z = even_grid
        clock, radius = Numo::DFloat::Math.atan2(x, y) / ClockAngle::RADIANS, Numo::DFloat::Math.hypot(x, y)
        held = (@shape.radius_mm(clock, z) + (z * 0)).ge(radius).where
        @wood = [x, y, z].map { |line| line[held].dup }
        @mass = density_at(clock[held], radius[held], z[held])
      end

      def density_at(clock_deg, radius_mm, z_mm)
        grid = Solid::Grid.new(@shape)
        rods = (grid.columns_at(clock_deg) * grid.axial) + grid.layers_at(z_mm)
        Solid::FieldRasterizer.new(grid, blank).density.at(rods, grid.cells_at(radius_mm))
      end

      # x, y and z of the points of an even grid over the blank's bounding box, one array each.
      def even_grid
        steps = (Numo::DFloat.new(WOOD_STEPS).seq + 0.5) / WOOD_STEPS
        across = (steps * 2 * @shape.max_radius_mm) - @shape.max_radius_mm
        [
          across.reshape(WOOD_STEPS, 1, 1),
          across.reshape(1, WOOD_STEPS, 1),
          (steps * @shape.length_mm).reshape(1, 1, WOOD_STEPS)
        ].map { |line| (line + Numo::DFloat.zeros(WOOD_STEPS, WOOD_STEPS, WOOD_STEPS)).flatten }
      end

      # Points of every defect one after another; @owner says whose each is.
      def lay_defects
        lines = defect_lines
        @counts = lines.map { |x, _, _| x.size }
        @defect_points =
          lines.empty? ? Array.new(3) { Numo::DFloat[] } : lines.transpose.map { |line| Numo::DFloat.hstack(line) }
        @bounds = @counts.each_with_object([0]) { |count, bounds| bounds << (bounds.last + count) }
      end

      # [x, y, z] of each.
      def defect_lines
        parts = blank.defects.map { |defect| places_of(defect) }
        stride = [(parts.sum { |clock, _, _| clock.size } / MOST_POINTS.to_f).ceil, 1].max
        parts.map { |clock, radius, z| some_of([*flat(clock, radius), z], stride) }
      end

      def places_of(defect) = defect.path? ? Model::CrackSheet.of(defect, @shape).places : body_places(defect)

      def some_of(lines, stride)
        some = (0...lines[0].size).step(stride).to_a
        lines.map { |line| line[some].dup }
      end

      # x to 3 o'clock, y to 12 o'clock.
      def flat(clock, radius)
        angle = clock * ClockAngle::RADIANS
        [radius * Numo::DFloat::Math.sin(angle), radius * Numo::DFloat::Math.cos(angle)]
      end

      def body_places(body)
        across, along_arc, level = Solid::DefectLumps.ball
        half = body.size_mm.map { |extent| extent / 2 }
        radial, tangential = (across * half[0]) + body.radius_mm, along_arc * half[1]
        clock = (Numo::DFloat::Math.atan2(tangential, radial) / ClockAngle::RADIANS) + body.clock_deg
        [
          clock,
          Numo::DFloat::Math.hypot(radial, tangential),
          (Numo::DFloat.cast(Solid::DefectLumps::BALL_LINE)[level] * half[2]) + body.z_mm
        ]
      end

      # Forms differ by size and by end; where they lie is a shift of z.
      def tables_of(placement)
        key = [placement.scale, placement.flipped]
        own = @forms[key] ||= build_tables(placement.with(slide_mm: 0.0))
        slide = placement.slide_mm
        Tables.new(
          own.low + slide,
          own.high + slide,
          own.opens,
          own.outer,
          own.inner,
          own.inner && (own.inner_low + slide),
          own.inner && (own.inner_high + slide)
        )
      end

      def build_tables(placement)
        made = form(placement)
        low, high = made.z_span_mm
        heights = (Numo::DFloat.new(TABLE_STEPS + 1).seq * ((high - low) / TABLE_STEPS)) + low
        inner = made.inside&.radii_mm(heights)
        Tables.new(
          low,
          high,
          made.opens,
          made.outside.radii_mm(heights),
          inner,
          made.inside&.first_z_mm,
          made.inside&.last_z_mm
        )
      end

      # [radius, z, x, y] about the axis of some points of the survey.
      def brought(points, centres, frame)
        x0, y0 = centres.head_mm
        x, y, z = points[0] - x0, points[1] - y0, points[2]
        return Numo::DFloat::Math.hypot(x, y), z, x, y unless centres.tilted?

        x, y, z = frame.map { |unit| (x * unit[0]) + (y * unit[1]) + (z * unit[2]) }
        [Numo::DFloat::Math.hypot(x, y), z, x, y]
      end

      # Which points lie in the finished piece (bits).
      def within((radius, z, *), tables)
        rows = tables.rows(z)
        held = z.ge(tables.low) & z.le(tables.high) & radius.le(tables.outer[rows])
        return held unless tables.inner

        held & (radius.ge(tables.inner[rows]) | z.lt(tables.inner_low) | z.gt(tables.inner_high))
      end

      def of_wood((_, _, x, y), inside)
        own = Numo::DFloat.cast(inside)
        mass = @mass * own
        total = mass.sum
        {
          yield: own.sum / own.size,
          off_axis_mm: total.zero? ? 0.0 : Math.hypot((mass * x).sum, (mass * y).sum) / total
        }
      end

      def of_defects((radius, z, *rest), tables)
        return { kept: {}, in_view: {}, through: [] } if radius.empty?

        inside = within([radius, z, *rest], tables)
        outer, inner, rim = in_view(radius, z, tables, inside)
        ids = blank.defects.map(&:id)
        {
          kept: ids.zip(shares(inside)).to_h,
          in_view: ids.zip(shares(outer | inner | rim)).to_h,
          through: through(shares(outer), shares(inner))
        }
      end

      # Bits: those under the outside, those under the hollow's, and those at either end.
      def in_view(radius, z, tables, inside)
        rows = tables.rows(z)
        outer = inside & (radius + IN_VIEW_MM).ge(tables.outer[rows])
        inner = tables.inner ? inside & near_hollow(radius, z, rows, tables) : inside & ~inside
        [outer, inner, inside & (z.le(tables.low + IN_VIEW_MM) | z.ge(tables.high - IN_VIEW_MM))]
      end

      # Ids of what opens the wall from outside to inside.
      def through(outer, inner)
        met = blank.defects.zip(outer, inner).select { |_, out, into| out.positive? && into.positive? }
        met.map(&:first).select { |defect| opens?(defect) }.map(&:id)
      end

      def opens?(defect) = defect.open? || defect.type == "bark_inclusion"

      def near_hollow(radius, z, rows, tables)
        above_floor =
          tables.opens == "tail" ? z.ge(tables.inner_low - IN_VIEW_MM) : z.le(tables.inner_high + IN_VIEW_MM)
        (radius - IN_VIEW_MM).le(tables.inner[rows]) & above_floor
      end

      # Share of each defect's points that are among some.
      def shares(some)
        sums = [0, *Numo::DFloat.cast(some).cumsum.to_a]
        @bounds.each_cons(2).map { |from, to| to > from ? (sums[to] - sums[from]) / (to - from) : 0.0 }
      end

      # heights x angles of the outside, 1 where it is off the wood.
      def off_wood(centres, frame, tables)
        radius = tables.outer[SKIN_ROWS].reshape(SKIN_HEIGHTS, 1)
        z = (Numo::DFloat.cast(SKIN_ROWS) * ((tables.high - tables.low) / TABLE_STEPS)) + tables.low
        z = z.reshape(SKIN_HEIGHTS, 1) + (SINES * 0)
        Numo::DFloat.cast(~on_wood?(radius * SINES, radius * COSINES, z, centres, frame))
      end

      # The outside as it would lie: what of it is off the wood, and how much of the mouth has the wood's own surface.
      def of_skin(centres, frame, tables)
        off = off_wood(centres, frame, tables)
        mouth = (SKIN_HEIGHTS * RIM_SHARE).ceil
        rim = tables.opens == "tail" ? off[-mouth..-1, true] : off[0...mouth, true]
        # Wood that ends short of the form at the mouth, but is there further down.
        { air: off.mean, bark_rim: (rim.max(axis: 0) * off.min(axis: 0).eq(0)).mean }
      end

      # Which of some places about the axis are in the wood.
      def on_wood?(x, y, z, centres, frame)
        place =
          3.times.map do |axis|
            (x * frame[0][axis]) + (y * frame[1][axis]) + (z * frame[2][axis]) + [*centres.head_mm, 0.0][axis]
          end
        centres.inside?(@shape, *place)
      end
    end
  end
end
