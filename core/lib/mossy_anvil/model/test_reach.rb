# frozen_string_literal: true

module MossyAnvil
  module Model
    # How much of the wood the tests in the hand speak for: what lies within reach of one, each reaching as deep about
    # its place as its row in the table of tests says. The rest is not known, whatever the skin looks like.
    class TestReach
      HEIGHTS, RINGS, ANGLES = 24, 10, 48

      # readings: symbol-keyed, as in a blank file.
      def initialize(shape, readings)
        @shape = shape
        @tests = readings.filter_map { |reading| sphere(reading) }
      end

      # Of the blank's volume, 0 to 1.
      def share
        return 0.0 if @tests.empty?

        within = @tests.inject(Numo::Bit.zeros(weights.size)) { |bits, test| bits | near(*test) }
        (weights * Numo::DFloat.cast(within)).sum / weights.sum
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

      def near(x_mm, y_mm, z_mm, reach_mm)
        (((places[0] - x_mm)**2) + ((places[1] - y_mm)**2) + ((places[2] - z_mm)**2)).le(reach_mm**2)
      end

      # x, y and z of places all through the blank.
      def places
        @places ||=
          begin
            none = Numo::DFloat.zeros(HEIGHTS, RINGS, ANGLES)
            turn = (Numo::DFloat.new(1, 1, ANGLES).seq * (2 * Math::PI / ANGLES)) + none
            [Numo::NMath.sin(turn) * radii, Numo::NMath.cos(turn) * radii, heights + none].map(&:flatten)
          end
      end

      def heights = (Numo::DFloat.new(HEIGHTS, 1, 1).seq + 0.5) / HEIGHTS * @shape.length_mm
      def rings = (Numo::DFloat.new(1, RINGS, 1).seq + 0.5) / RINGS

      def radii
        @radii ||=
          begin
            none = Numo::DFloat.zeros(HEIGHTS, 1, ANGLES)
            clock = (Numo::DFloat.new(1, 1, ANGLES).seq * (360.0 / ANGLES)) + none
            skin = @shape.radius_mm(clock.flatten, (heights + none).flatten) + Numo::DFloat.zeros(HEIGHTS * ANGLES)
            rings * skin.reshape(HEIGHTS, 1, ANGLES)
          end
      end

      # Volume each place stands for, but for a factor: r dr, where dr goes with the skin's radius there.
      def weights = @weights ||= ((radii**2) / rings).flatten
    end
  end
end
