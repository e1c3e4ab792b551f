# frozen_string_literal: true

module MossyAnvil
  module Model
    # How much of the wood the tests in the hand speak for: what lies within reach of one, each reaching as deep about
    # its place as its row in the table of tests says. The rest is not known, whatever the skin looks like.
    class TestReach
      HEIGHTS, RINGS, ANGLES = 24, 10, 48
      SHARES = Cache.new(60)

      # Of the volume of a shape, 0 to 1; worked out once for the same readings.
      def self.share(shape, readings) = SHARES.of([shape, readings]) { new(shape, readings).share }

      # readings: symbol-keyed, as in a blank file.
      def initialize(shape, readings)
        @shape = shape
        @tests = readings.filter_map { |reading| sphere(reading) }
      end

      # Of the blank's volume, 0 to 1.
      def share
        return 0.0 if @tests.empty?

        within = Numo::Bit.zeros(HEIGHTS, RINGS * ANGLES)
        @tests.each { |test| mark(within, *test) }
        (weights * within).sum / weights.sum
      end

      private

      # [x, y, z, mm it reaches]; nil for what is of no place, or of no reach.
      def sphere(reading)
        at, reach = reading[:at], Table["tests"]["reach_mm"][reading[:kind]]
        return unless at && reach

        radius = at[:r_mm] || skin_mm(at[:clock_deg], at[:z_mm])
        [*ClockAngle.point(at[:clock_deg], radius), at[:z_mm], [reach, reading[:depth_mm] || 0].max]
      end

      def skin_mm(clock_deg, z_mm)
        clock, height = [clock_deg, z_mm].map { |value| Numo::DFloat[value] }
        (Numo::DFloat.zeros(1) + @shape.radius_mm(clock, height))[0]
      end

      # Marks the places within reach of a test. Only the layers that it comes to are looked at.
      def mark(within, x_mm, y_mm, z_mm, reach_mm)
        layers = layers_within(z_mm, reach_mm)
        return if layers.none?

        up = (heights[layers, 0, 0] - z_mm).reshape(layers.size, 1)
        x, y = places.map { |values| values[layers, true] }
        near = (((x - x_mm)**2) + ((y - y_mm)**2) + (up**2)).le(reach_mm**2)
        within[layers, true] = within[layers, true] | near
      end

      # A range of layers, with one to spare at either end.
      def layers_within(z_mm, reach_mm)
        low, high = [z_mm - reach_mm, z_mm + reach_mm].map { |end_mm| (end_mm / @shape.length_mm * HEIGHTS).floor }
        [low - 1, 0].max..[high + 1, HEIGHTS - 1].min
      end

      # x and y of places all through the blank: layers x places.
      def places
        @places ||=
          begin
            turn = Numo::DFloat.new(1, 1, ANGLES).seq * (2 * Math::PI / ANGLES)
            [Numo::NMath.sin(turn), Numo::NMath.cos(turn)].map { |way| (radii * way).reshape!(HEIGHTS, RINGS * ANGLES) }
          end
      end

      def heights = @heights ||= (Numo::DFloat.new(HEIGHTS, 1, 1).seq + 0.5) / HEIGHTS * @shape.length_mm
      def rings = (Numo::DFloat.new(1, RINGS, 1).seq + 0.5) / RINGS

      def radii
        @radii ||=
          begin
            clock = Numo::DFloat.new(1, 1, ANGLES).seq * (360.0 / ANGLES)
            rings * (@shape.radius_mm(clock, heights) + Numo::DFloat.zeros(HEIGHTS, 1, ANGLES))
          end
      end

      # Volume each place stands for, but for a factor: r dr, where dr goes with the skin's radius there.
      def weights = @weights ||= ((radii**2) / rings).reshape!(HEIGHTS, RINGS * ANGLES)
    end
  end
end
