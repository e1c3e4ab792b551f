# frozen_string_literal: true

module MossyAnvil
  module Model
    # A place on the skin of a blank where a test was made: on the side or on a face.
    SurveyPlace =
      Struct.new(:surface, :clock_deg, :radius_mm, :z_mm) do
        # Of a reading; without a radius it is on the side, with one on the nearer face.
        def self.of(reading, shape)
          clock_deg, z_mm, radius_mm = reading[:at].values_at(:clock_deg, :z_mm, :r_mm)
          surface =
            if radius_mm.nil?
              "side"
            else
              z_mm * 2 < shape.length_mm ? "head_face" : "tail_face"
            end
          radius_mm ||= shape.radius_mm(Numo::DFloat[clock_deg], Numo::DFloat[z_mm])[0]
          new(surface, ClockAngle.fold(clock_deg), radius_mm.to_f, z_mm.to_f)
        end

        def apart_mm(other)
          x, y =
            [self, other].map { |place| ClockAngle.point(place.clock_deg, place.radius_mm) }
              .transpose
              .map { |one, two| one - two }
          Math.sqrt((x**2) + (y**2) + ((z_mm - other.z_mm)**2))
        end

        # The centre of what lies so far under it.
        def under(depth_mm, shape)
          r_mm, at_z_mm =
            if surface == "side"
              [[radius_mm - depth_mm, 0].max, z_mm]
            else
              [radius_mm, z_mm + (surface == "head_face" ? depth_mm : -depth_mm)]
            end
          { clock_deg: clock_deg, r_mm: r_mm, z_mm: at_z_mm.clamp(0, shape.length_mm) }
        end

        # Does it lie in a body, grown by so much?
        def within?(body, reach_mm)
          grown = body.with(size_mm: body.size_mm.map { |extent| extent + (2 * reach_mm) })
          grown.hold?(*arrays)[0] == 1
        end

        # Does it lie so near to a crack that is not mended?
        def near_seam?(path, reach_mm, shape) =
          !path.mended? && CrackSheet.of(path, shape).distances_mm(*arrays)[0] <= reach_mm

        private

        def arrays = [clock_deg, radius_mm, z_mm].map { |value| Numo::DFloat[value] }
      end
  end
end
