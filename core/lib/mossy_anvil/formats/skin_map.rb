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

        clocks, heights = unfolded(samples.clock_deg.to_a), samples.z_mm.to_a
        middle = clocks.size / 2
        words = letter("deep", mm: short(defect.depth_mm))
        lines(clocks, heights) + label(defect, clocks[middle] % 360, heights[middle], words)
      end

      def lines(clocks, heights) = laps(clocks).map { |lap| line(clocks.map { |clock| clock + lap }, heights) }.join

      # Drawn once more a turn away where it runs past 12.
      def laps(clocks)
        first, last = clocks.minmax
        [0, (-360 if last > 360), (360 if first.negative?)].compact
      end

      # Running on past 12 instead of back.
      def unfolded(clocks)
        turns = clocks.each_cons(2).map { |from, to| ClockAngle.turn(from, to) }
        turns.each_with_object([clocks[0]]) { |turn, found| found << (found.last + turn) }
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
        clock_deg, z_mm = defect.clock_deg, defect.z_mm
        half_deg = half_deg(defect)
        laps = [0, 360, -360].map { |lap| clock_deg + lap }
        seen = laps.select { |clock| (clock - half_deg) < 360 && (clock + half_deg).positive? }
        under_mm = under_mm(defect)
        words = under_mm.zero? ? letter("at_the_skin") : letter("under", mm: short(under_mm))
        seen.map { |clock| ellipse(clock, z_mm, half_deg, defect.size_mm[2] / 2) }.join +
          label(defect, clock_deg, z_mm, words)
      end

      # How far it reaches round either way; all round where the axis is in it.
      def half_deg(defect)
        half = defect.size_mm[1] / 2
        defect.radius_mm > half ? Math.asin(half / defect.radius_mm) / ClockAngle::RADIANS : 180.0
      end

      def under_mm(defect)
        skin = @shape.radius_mm(Numo::DFloat[defect.clock_deg], Numo::DFloat[defect.z_mm])[0]
        [skin - defect.radius_mm - (defect.size_mm[0] / 2), 0].max
      end

      def ellipse(clock_deg, z_mm, half_deg, half_mm)
        x, y, wide = across(clock_deg), down(z_mm), across(half_deg)
        %(<ellipse cx="#{mm(x)}" cy="#{mm(y)}" rx="#{mm(wide)}" ry="#{mm(half_mm)}" stroke-dasharray="2 1.5"/>)
      end

      def label(defect, clock_deg, z_mm, more)
        word(across(clock_deg) + 2, down(z_mm) - 1, "#{named(defect)} #{more}", anchor: "start")
      end
    end
  end
end
