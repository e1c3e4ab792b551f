# frozen_string_literal: true

module MossyAnvil
  module Formats
    # The survey as a drawing at 1 : 1 to wrap round the blank: the skin unrolled, 12 o'clock to 12 o'clock from left to
    # right, tail above. SVG 1.1, sizes in mm.
    # The width is once round the largest radius; on a blank that is not round, hours stay hours and lengths along the
    # axis stay true.
    class SkinMap
      include Drawing

      def initialize(blank)
        @blank = blank
        @shape = blank.shape
        @round_mm = 2 * Math::PI * @shape.max_radius_mm
        @tall_mm = @shape.length_mm
      end

      # Text of the drawing.
      def svg
        sheet(
          @round_mm,
          @tall_mm,
          letter("skin"),
          [
            %(<rect width="#{mm(@round_mm)}" height="#{mm(@tall_mm)}"/>),
            *hours,
            *heights,
            *@blank.defects.map { |defect| drawn(defect) }
          ]
        )
      end

      private

      def across(clock_deg) = clock_deg / 360.0 * @round_mm
      def down(z_mm) = @tall_mm - z_mm

      def hours
        (0..12).flat_map do |hour|
          x_mm = across(hour * 30)
          [
            %(<path d="M#{mm(x_mm)} #{mm(@tall_mm)}v3M#{mm(x_mm)} 0v-3"/>),
            word(x_mm, @tall_mm + 8, (hour % 12).zero? ? "12" : hour.to_s)
          ]
        end
      end

      def heights
        (0..(@tall_mm / 10).floor).map { |step| %(<path d="M0 #{mm(down(step * 10))}h#{(step % 5).zero? ? -4 : -2}"/>) }
      end

      def drawn(defect)
        mark(defect, defect.path? ? path(defect) : body(defect))
      end

      # A path on the side as it runs; one on a face by where its hours come to the edge.
      def path(defect)
        samples = defect.samples(@shape)
        return on_edge(defect, samples) unless defect.side?

        # Unfolded, so that it runs on past 12 instead of back; drawn once more a turn away where it does.
        turns = [
          samples.clock_deg[0],
          *samples.clock_deg.to_a.each_cons(2).map { |from, to| ClockAngle.turn(from, to) }
        ]
        clocks = turns.each_with_object([]) { |turn, found| found << ((found.last || 0) + turn) }
        laps = [0, (clocks.max > 360 ? -360 : nil), (clocks.min.negative? ? 360 : nil)].compact
        middle = clocks.size / 2
        lines = laps.map { |lap| line(clocks.map { |clock| clock + lap }, samples.z_mm.to_a) }
        lines.join +
          label(defect, clocks[middle] % 360, samples.z_mm[middle], letter("deep", mm: short(defect.depth_mm)))
      end

      def line(clocks, heights)
        %(<path stroke-width="0.8" d="#{
          along(clocks.zip(heights).map { |clock, z_mm| [across(clock), down(z_mm)] })
        }"/>)
      end

      def on_edge(defect, samples)
        edge = defect.enters == "head_face" ? [@tall_mm, -4] : [0, 4]
        marks =
          samples
            .clock_deg
            .to_a
            .map(&:round)
            .uniq
            .map { |clock| %(<path d="M#{mm(across(clock))} #{mm(edge[0])}v#{edge[1]}"/>) }
        marks.join +
          label(defect, samples.clock_deg[0], defect.enters == "head_face" ? 7 : @tall_mm - 10, letter(defect.enters))
      end

      # Its outline as seen from outside, broken since it lies under the skin.
      def body(defect)
        radial, tangential, axial = defect.size_mm
        half_deg =
          defect.radius_mm > tangential / 2 ? Math.asin(tangential / 2 / defect.radius_mm) / ClockAngle::RADIANS : 180.0
        outline =
          [0, 360, -360].filter_map do |lap|
            clock = defect.clock_deg + lap
            next unless (clock - half_deg) < 360 && (clock + half_deg).positive?

            %(<ellipse cx="#{mm(across(clock))}" cy="#{mm(down(defect.z_mm))}" rx="#{mm(across(half_deg))}" ry="#{mm(axial / 2)}" stroke-dasharray="2 1.5"/>)
          end
        under_mm = [
          @shape.radius_mm(Numo::DFloat[defect.clock_deg], Numo::DFloat[defect.z_mm])[0] - defect.radius_mm -
            (radial / 2),
          0
        ].max
        outline.join +
          label(
            defect,
            defect.clock_deg,
            defect.z_mm,
            under_mm.zero? ? letter("at_the_skin") : letter("under", mm: short(under_mm))
          )
      end

      def label(defect, clock_deg, z_mm, more)
        word(across(clock_deg) + 2, down(z_mm) - 1, "#{named(defect)} #{more}", anchor: "start")
      end
    end
  end
end
