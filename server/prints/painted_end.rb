# frozen_string_literal: true

module MossyAnvil
  module Server
    module Prints
      # One end of a blank, as one looks at it.
      class PaintedEnd < PaintedWood
        # What begins so near an end is to be seen on it.
        SHOWS_MM = 3
        WIDTHS = 3.1

        # face: "tail_face" or "head_face".
        def initialize(blank, seed, face = "tail_face")
          @reach = blank.shape.max_radius_mm
          super(blank, (2 * seed) + (face == "tail_face" ? 0 : 1), @reach * WIDTHS)
          @face = face
          @face_mm = face == "tail_face" ? blank.shape.length_mm : 0
        end

        # How the survey lays it under its drawing.
        def about = { "view" => @face, "scale" => { "mm_per_share" => mm_per_share.round(3), "centre" => CENTRE.dup } }

        private

        # Who looks at the headstock's end sees the clock run the other way round.
        def at(clock_deg, radius_mm)
          x_mm, y_mm = MossyAnvil::ClockAngle.point(clock_deg, radius_mm)
          [(CENTRE[0] * WIDE) + (x_mm * hand * @scale), (CENTRE[1] * WIDE) - (y_mm * @scale)]
        end

        def hand = @face == "tail_face" ? 1 : -1

        def radii =
          @radii ||=
            @blank.shape.radius_mm(Numo::DFloat.new(120).seq * 3.0, (Numo::DFloat.new(120).seq * 0) + @face_mm).to_a
        def outline = @outline ||= radii.each_with_index.map { |radius, step| at(step * 3, radius) }

        def figure
          case @blank.material.grain
          when "burl"
            eyes
          when "face"
            lines_of_growth(hand * (@blank.material.grain_clock_deg - 90))
          else
            rings + rays
          end
        end

        # Rings that wander a little, closer together outwards, off their middle as grown wood is.
        def rings
          wander = Array.new(3) { [@random.rand(2..6), @random.rand(360), @random.rand * 0.03] }
          (1..26)
            .map do |ring|
              share = (ring / 26.0)**0.85
              points = wandering_ring(share, wander)
              stroke([*points, points.first], 0.8 + (@random.rand * 2.2), 0.25 + (@random.rand * 0.4))
            end
            .join
        end

        def wandering_ring(share, wander)
          radii.each_with_index.map do |radius, step|
            off = wander.sum { |times, from, size| size * Math.sin(((step * 3 * times) + from) * Math::PI / 180) }
            at(step * 3, radius * share * (1 + (off * share)))
          end
        end

        def rays
          Array
            .new(140) do
              clock = @random.rand * 360
              from = @random.rand * @reach * 0.8
              stroke([at(clock, from), at(clock, from + (@reach * 0.12))], 0.7, 0.3)
            end
            .join
        end

        def from_side(path)
          point = path.path.min_by { |place| (place[:z_mm] - @face_mm).abs }
          return "" if (point[:z_mm] - @face_mm).abs > SHOWS_MM

          edge = radii[(point[:clock_deg] / 3).round % 120]
          ragged(point[:clock_deg], edge, [edge - path.depth_mm, 0].max, path.width_mm)
        end

        def over_face(path)
          return "" unless path.enters == @face

          places = path.path.map { |place| at(place[:clock_deg], place[:r_mm]) }
          stroke(places, [path.width_mm * @scale, 3].max, 1, BARE)
        end

        # A crack, open at the edge and gone at its tip.
        def ragged(clock, from, to, width_mm)
          half = [width_mm / 2.0, 0.8].max
          sides =
            [-1, 1].map do |side|
              Array.new(9) do |step|
                share = step / 8.0
                [clock + (side * half * (1 - share) / from * 57.3) + (@random.rand - 0.5), from + ((to - from) * share)]
              end
            end
          %(<path d="#{closed((sides[0] + sides[1].reverse).map { |place| at(*place) })}" fill="#{BARE}"/>)
        end

        def seen?(body) = (body.z_mm - @face_mm).abs <= body.size_mm[2] / 2

        def ellipse_of(body)
          x, y = at(body.clock_deg, body.radius_mm)
          [x, y, body.size_mm[1] / 2 * @scale, body.size_mm[0] / 2 * @scale, hand * body.clock_deg]
        end
      end
    end
  end
end
