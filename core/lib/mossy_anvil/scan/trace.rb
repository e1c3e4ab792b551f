# frozen_string_literal: true

module MossyAnvil
  module Scan
    # An outline and defects traced over a photograph of one end of a lump. Places on it are [x, y], right and down, in
    # shares of its width, so that it does not matter how large the picture is shown or kept. Two of them a known length
    # apart give the scale.
    class Trace
      # Even steps between two points of the outline, and of the clock.
      BETWEEN = 24
      STEPS = 72
      LEAST_POINTS = 5
      # A crack's depth is not in a picture: taken as so much of the length, and likely within this range of it.
      DEPTH_SHARE, DEPTH_RANGE = 0.25, [0.4, 1.6].freeze

      # traced: { scale: { from:, to:, mm: }, outline: [[x, y], ...], length_mm:, view: "tail_face" or "head_face",
      # centre: [x, y] or none, marks: [{ type: "crack", points: }, { type: "void" or "soft_zone", centre:, edge: }] or
      # none }, symbol-keyed. Raises InvalidInput under `at`.
      def initialize(traced, at: "")
        @at = at
        @mm_a_share = Trace.mm_a_share(traced[:scale], "#{at}/scale/to")
        @mirrored = traced[:view] == "head_face"
        @length_mm = traced[:length_mm].to_f
        @outline = traced[:outline]
        @axis = traced[:centre] || middle_of(smooth(@outline))
        @marks = traced[:marks] || []
        @view = traced[:view]
      end

      # mm to a picture's width by two places so many mm apart. Raises InvalidInput at `at`.
      def self.mm_a_share(scale, at)
        apart = Math.hypot(scale[:to][0] - scale[:from][0], scale[:to][1] - scale[:from][1])
        return scale[:mm].fdiv(apart) if apart >= 1e-4

        raise InvalidInput.at(at, Fault.t("is_at_the_same_place_as_the"), Fault.t("two_places_a_known_length_apart"))
      end

      # Plain data: stations of a slab with that outline, the axis it was taken about, how far across it is, and the
      # defects as defects of a blank file.
      def to_h
        { stations: stations, centre: @axis, mm_per_share: @mm_a_share, across_mm: across, defects: defects }
      end

      private

      def refuse(path, problem, allowed) = raise InvalidInput.at("#{@at}#{path}", problem, allowed)

      # The closed line through the points: a Catmull-Rom spline, [[x, y], ...].
      def smooth(points)
        if points.size < LEAST_POINTS
          refuse(
            "/outline",
            Fault.t("has_points", size: points.size),
            Fault.t("or_more_all_the_way_round", least_points: LEAST_POINTS)
          )
        end
        points.each_index.flat_map do |index|
          four = Array.new(4) { |step| points[(index + step - 1) % points.size] }
          Array.new(BETWEEN) { |step| between(four, step.to_f / BETWEEN) }
        end
      end

      def between(four, share)
        [0, 1].map { |axis| curve_at(*four.map { |point| point[axis].to_f }, share) }
      end

      def curve_at(a, b, c, d, share) =
        0.5 *
          (
            (2 * b) + ((c - a) * share) + (((2 * a) - (5 * b) + (4 * c) - d) * (share**2)) +
              (((3 * (b - c)) + d - a) * (share**3))
          )

      # Middle of the area inside a closed line.
      def middle_of(line)
        sides = line.each_index.map { |index| [line[index - 1], line[index]] }
        areas = sides.map { |(x0, y0), (x1, y1)| (x0 * y1) - (x1 * y0) }
        thrice = 3 * areas.sum
        refuse_empty if thrice.abs < 3e-9
        [0, 1].map { |axis| sides.zip(areas).sum { |(from, to), area| (from[axis] + to[axis]) * area } / thrice }
      end

      def refuse_empty = refuse("/outline", Fault.t("holds_no_area"), Fault.t("points_one_after_another_all_the_way"))

      # [x to 3 o'clock, y to 12] in mm from the axis, as seen from the tail; a picture of the head end is seen from the
      # other side.
      def on_lathe(place)
        x_mm, y_mm = (place[0] - @axis[0]) * @mm_a_share, (@axis[1] - place[1]) * @mm_a_share
        [@mirrored ? -x_mm : x_mm, y_mm]
      end

      # Farthest place of the outline at each step of the clock, mm.
      def radii
        @radii ||=
          begin
            x, y = smooth(@outline).map { |place| on_lathe(place) }.transpose.map { |values| Numo::DFloat.cast(values) }
            found = Stations.radii([x, y], [roll(x), roll(y)], STEPS)
            if found.any?(&:nil?)
              refuse("/centre", Fault.t("is_outside_the_outline"), Fault.t("the_lathes_axis_must_pass_through_the"))
            end
            found
          end
      end

      def roll(values) = Numo::DFloat.hstack([values[1..], values[0..0]])

      # [least, most] through the axis, mm.
      def across = radii.first(STEPS / 2).zip(radii.drop(STEPS / 2)).map(&:sum).minmax

      def defects
        @marks.each_with_index.map do |mark, index|
          { id: letter(index), **(mark[:type] == "crack" ? crack(mark, index) : body(mark, index)) }
        end
      end

      # A, B ... Z, A2 ...
      def letter(index) = ("A".ord + (index % 26)).chr + (index < 26 ? "" : ((index / 26) + 1).to_s)

      def crack(mark, index)
        if mark[:points].size < 2
          refuse("/marks/#{index}/points", Fault.t("has_points", size: mark[:points].size), Fault.t("two_or_more"))
        end
        depth = @length_mm * DEPTH_SHARE
        path =
          mark[:points].map do |place|
            x_mm, y_mm = on_lathe(place)
            clock_deg = ClockAngle.of_point(x_mm, y_mm)
            { clock_deg: clock_deg, z_mm: face_z, r_mm: [Math.hypot(x_mm, y_mm), edge_at(clock_deg)].min }
          end
        {
          type: "crack",
          enters: @view,
          path: path,
          depth_mm: depth,
          width_mm: 1.0,
          found_by: "guessed",
          depth_range_mm: DEPTH_RANGE.map { |share| depth * share }
        }
      end

      # A round one, half of it under the face.
      def body(mark, index)
        (x_mm, y_mm), edge = [mark[:centre], mark[:edge]].map { |place| on_lathe(place) }
        across = 2 * Math.hypot(edge[0] - x_mm, edge[1] - y_mm)
        refuse("/marks/#{index}/edge", Fault.t("is_at_the_middle"), Fault.t("a_place_on_its_edge")) if across < 0.1
        {
          type: mark[:type],
          centre: {
            clock_deg: ClockAngle.of_point(x_mm, y_mm),
            r_mm: Math.hypot(x_mm, y_mm),
            z_mm: face_z
          },
          size_mm: [across, across, [across, @length_mm].min],
          **(mark[:type] == "void" ? { contents: "air" } : { grade: "soft" })
        }
      end

      def face_z = @view == "head_face" ? 0.0 : @length_mm
      def stations = [0.0, @length_mm].map { |z_mm| { z_mm: z_mm, radii_mm: radii } }
      def edge_at(clock_deg) =
        Model::Outline.new(stations: stations).radius_mm(Numo::DFloat[clock_deg], Numo::DFloat[0])[0]
    end
  end
end
