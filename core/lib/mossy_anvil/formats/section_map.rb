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
        outlines =
          halves.map do |clock, sign|
            radii = @shape.radius_mm((heights * 0) + clock, heights) + (heights * 0)
            heights.to_a.zip(radii.to_a).map { |z_mm, radius| place(z_mm, sign * radius) }
          end
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

      # Foot and floor or, on a solid piece, both ends; the wall at the mouth.
      def closings
        made = @blank.form
        low, high = made.outside.points.values_at(0, -1)
        across = ->((z_mm, r_mm)) { [place(z_mm, r_mm), place(z_mm, -r_mm)] }
        return [low, high].map(&across) unless made.hollow?

        own_low, own_high = made.inside.points.values_at(0, -1)
        rim = made.opens == "tail" ? [high, own_high] : [low, own_low]
        ends = made.opens == "tail" ? [low, own_low] : [high, own_high]
        closed = made.open_both_ends? ? [] : ends.map(&across)
        closed + [1, -1].map { |sign| rim.map { |z_mm, r_mm| place(z_mm, sign * r_mm) } }
      end

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
        between = (@clock_deg - defect.clock_deg) * ClockAngle::RADIANS
        square = ((Math.cos(between) / a)**2) + ((Math.sin(between) / b)**2)
        middle = defect.radius_mm * Math.cos(between) / (a**2) / square
        level = 1 - ((defect.radius_mm / a)**2) + (square * (middle**2))
        return if level <= 0

        x_mm, y_mm = place(defect.z_mm, middle)
        %(<ellipse cx="#{mm(x_mm)}" cy="#{mm(y_mm)}" rx="#{mm(c * Math.sqrt(level))}" ry="#{mm(Math.sqrt(level / square))}" stroke-dasharray="2 1.5"/>) +
          word(x_mm, y_mm + 1.5, named(defect))
      end

      # The stretch of a crack or seam near the cut, from mouth to tip.
      def sheet_of(path)
        halves
          .filter_map do |clock, sign|
            near = near_cut(path, clock)
            next if near.empty?

            mouth, tip =
              [0, 1].map do |share|
                near.map do |radius, z_mm, depth_mm|
                  place(*inward(path, radius, z_mm, depth_mm * share).then { |r, z| [z, sign * r] })
                end
              end
            x_mm, y_mm = tip[tip.size / 2]
            %(<path stroke-width="#{mm(@bare ? thin_mm * 1.5 : 0.8)}" d="#{along(mouth)}"/><path d="#{along(mouth + tip.reverse)}Z"/>) +
              word(x_mm + 2, y_mm - 1, named(path), anchor: "start")
          end
          .join
          .then { |marks| marks.empty? ? nil : marks }
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
