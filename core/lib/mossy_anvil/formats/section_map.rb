# frozen_string_literal: true

module MossyAnvil
  module Formats
    # The cut along the axis at 1 : 1: one hour above, the opposite one below, head to the left. SVG 1.1, sizes in mm.
    class SectionMap
      include Drawing

      STEPS = 80
      # A crack is drawn where it lies within so much of the cut.
      NEAR_DEG = 12.0

      # clock_deg: of the upper half; that of the first defect where nil. bare: without margins, words and bar, to look
      # at and not to measure by.
      def initialize(blank, clock_deg: nil, bare: false)
        @bare = bare
        @blank = blank.on_centres
        @shape = @blank.shape
        @clock_deg = ClockAngle.fold(clock_deg || first_hour)
        @reach_mm = @shape.max_radius_mm
      end

      # Text of the drawing.
      def svg
        return bare_svg if @bare

        hour = format("%g", (@clock_deg / 30).round(1)).then { |text| text == "0" ? "12" : text }
        sheet(
          @shape.length_mm,
          2 * @reach_mm,
          letter("section", hour: hour),
          [
            *wood,
            *form,
            axis,
            word(-6, 4, letter("head")),
            word(@shape.length_mm + 6, 4, letter("tail")),
            *@blank.defects.filter_map { |defect| drawn(defect) }
          ]
        )
      end

      private

      # A thin line in a small drawing.
      def thin_mm = [@shape.length_mm, 2 * @reach_mm].max / 300

      def bare_svg
        wide, tall = @shape.length_mm, 2 * @reach_mm
        <<~SVG
          <svg xmlns="http://www.w3.org/2000/svg" viewBox="-3 -3 #{mm(wide + 6)} #{mm(tall + 6)}" font-family="sans-serif" font-size="#{mm([wide, tall].max / 14)}">
          <g fill="none" stroke="#000" stroke-width="#{mm(thin_mm)}">
          #{[*wood, axis, *@blank.defects.filter_map { |defect| drawn(defect) }, *form].join("\n")}
          </g>
          </svg>
        SVG
      end

      def first_hour
        first = @blank.defects.first or return 0.0
        first.path? ? first.path.first[:clock_deg] : first.clock_deg
      end

      # x along the axis, y down from the top of the drawing, u from the axis towards the upper hour.
      def place(z_mm, u_mm) = [z_mm, @reach_mm - u_mm]
      def axis = %(<path stroke-dasharray="8 2 1 2" d="#{along([place(-5, 0), place(@shape.length_mm + 5, 0)])}"/>)
      # [[hour, sign of u], ...] of the two halves.
      def halves = [[@clock_deg, 1], [@clock_deg + 180, -1]]

      def wood
        heights = Numo::DFloat.new(STEPS + 1).seq * (@shape.length_mm / STEPS)
        outlines = halves.map { |clock, sign| outline(heights, clock, sign) }
        [%(<path id="wood" stroke-dasharray="3 1.5" d="#{along(outlines[0] + outlines[1].reverse)}Z"/>)]
      end

      def form
        return [] unless @blank.form

        lines =
          [@blank.form.outside, @blank.form.inside].compact.flat_map do |profile|
            [1, -1].map { |sign| profile.polyline.map { |z_mm, radius| place(z_mm, sign * radius) } }
          end
        (lines + closings).map do |line|
          %(<path stroke-width="#{mm(@bare ? thin_mm * 2.5 : 0.6)}" d="#{along(line)}"/>)
        end
      end

      def outline(heights, clock, sign)
        radii = @shape.radius_mm((heights * 0) + clock, heights) + (heights * 0)
        heights.to_a.zip(radii.to_a).map { |z_mm, radius| place(z_mm, sign * radius) }
      end

      # Foot and floor or, on a solid piece, both ends; the wall at the mouth.
      def closings
        made = @blank.form
        outside = made.outside.points.values_at(0, -1)
        return outside.map { |end_| across(end_) } unless made.hollow?

        foot, rim = outside.zip(made.inside.points.values_at(0, -1))
        foot, rim = rim, foot unless made.opens == "tail"
        closed = made.open_both_ends? ? [] : foot.map { |end_| across(end_) }
        closed + [1, -1].map { |sign| rim.map { |z_mm, r_mm| place(z_mm, sign * r_mm) } }
      end

      def across((z_mm, r_mm)) = [place(z_mm, r_mm), place(z_mm, -r_mm)]

      # In a small drawing the letter alone.
      def named(defect) = @bare ? defect.id : super

      def drawn(defect)
        inside = defect.path? ? sheet_of(defect) : body(defect)
        inside && mark(defect, inside)
      end

      # Where the plane of the cut goes through an ellipsoid: an ellipse about [u, z], or nothing.
      # With t the angle between, a, b, c half extents: (u cos t - rc)2/a2 + (u sin t)2/b2 + (z - zc)2/c2 = 1.
      def body(defect)
        a, b, c = defect.size_mm.map { |extent| extent / 2 }
        sine, cosine = ClockAngle.point(@clock_deg - defect.clock_deg, 1.0)
        square = sum_of_squares(cosine / a, sine / b)
        middle = defect.radius_mm * cosine / (a**2) / square
        ellipse(defect, middle, [c, 1 / Math.sqrt(square)], 1 - ((defect.radius_mm / a)**2) + (square * (middle**2)))
      end

      def sum_of_squares(one, other) = (one**2) + (other**2)

      # level: how far inside it the cut is, 1 in its middle; nil where it goes past.
      def ellipse(defect, middle_mm, halves_mm, level)
        return if level <= 0

        long_mm, high_mm = halves_mm.map { |half| half * Math.sqrt(level) }
        x_mm, y_mm = place(defect.z_mm, middle_mm)
        x, y, long, high = [x_mm, y_mm, long_mm, high_mm].map { |value| mm(value) }
        %(<ellipse cx="#{x}" cy="#{y}" rx="#{long}" ry="#{high}" stroke-dasharray="2 1.5"/>) +
          word(x_mm, y_mm + 1.5, named(defect))
      end

      # The stretch of a crack or seam near the cut, from mouth to tip.
      def sheet_of(path)
        marks = halves.map { |clock, sign| half_sheet(path, near_cut(path, clock), sign) }.join
        marks.empty? ? nil : marks
      end

      # near: [radius, z, depth] along it on one side of the axis.
      def half_sheet(path, near, sign)
        return "" if near.empty?

        mouth, tip = [0, 1].map { |share| sheet_line(path, near, sign, share) }
        x_mm, y_mm = tip[tip.size / 2]
        wide = mm(@bare ? thin_mm * 1.5 : 0.8)
        %(<path stroke-width="#{wide}" d="#{along(mouth)}"/><path d="#{along(mouth + tip.reverse)}Z"/>) +
          word(x_mm + 2, y_mm - 1, named(path), anchor: "start")
      end

      # So far from mouth to tip.
      def sheet_line(path, near, sign, share)
        near.map do |radius, z_mm, depth_mm|
          r, z = inward(path, radius, z_mm, depth_mm * share)
          place(z, sign * r)
        end
      end

      # [radius, z, depth] of the places of a path within NEAR_DEG of an hour.
      def near_cut(path, clock)
        samples = path.samples(@shape)
        near = ClockAngle.short_turns(samples.clock_deg - clock).abs.le(NEAR_DEG).where.to_a
        depths = path.through? ? [path.through_depth_mm(@shape)] * samples.size : samples.depth_mm.to_a
        near.map { |index| [samples.radius_mm[index], samples.z_mm[index], depths[index]] }
      end

      def inward(path, radius, z_mm, depth_mm)
        return [radius - depth_mm, 0].max, z_mm if path.side?

        [radius, z_mm + (path.enters == "head_face" ? depth_mm : -depth_mm)]
      end
    end
  end
end
