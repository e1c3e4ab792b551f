# frozen_string_literal: true

module MossyAnvil
  module Placing
    # What comes of one way after another of laying the form into a blank, measured quickly: the blank as points.
    # Good to some hundredths; what is chosen is assessed in full afterwards.
    class PlacementField
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
        Numo::Int32.cast((Numo::DFloat.new(SKIN_HEIGHTS).seq * (FormTables::STEPS / (SKIN_HEIGHTS - 1))).round).freeze

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
        @points = PlacementPoints.new(blank)
        @forms = {}
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
        wood, defects = [@points.wood, @points.defects].map { |points| brought(points, centres, frame) }
        Measures.new(
          **of_defects(defects, tables),
          **of_wood(wood, within(wood, tables)),
          **of_skin(centres, frame, tables),
          scale: placement.scale,
          tenon_mm: tables.opens == "tail" ? tables.low : -past_mm
        )
      end

      private

      # Forms differ by size and by end; where they lie is a shift of z.
      def tables_of(placement)
        own = @forms[[placement.scale, placement.flipped]] ||= FormTables.of(form(placement.with(slide_mm: 0.0)))
        own.shifted(placement.slide_mm)
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
        mass = @points.mass * own
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
          kept: ids.zip(@points.shares(inside)).to_h,
          in_view: ids.zip(@points.shares(outer | inner | rim)).to_h,
          through: through(@points.shares(outer), @points.shares(inner))
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

      # heights x angles of the outside, 1 where it is off the wood.
      def off_wood(centres, frame, tables)
        radius = tables.outer[SKIN_ROWS].reshape(SKIN_HEIGHTS, 1)
        z = (Numo::DFloat.cast(SKIN_ROWS) * ((tables.high - tables.low) / FormTables::STEPS)) + tables.low
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
