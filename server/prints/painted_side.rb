# frozen_string_literal: true

module MossyAnvil
  module Server
    module Prints
      # A blank's side as one sees it from one o'clock or another: headstock at the left, the clock running upwards.
      class PaintedSide < PaintedWood
        # Nothing is seen of what lies so near the edge of the view.
        GRAZING = 0.15
        ROWS = 24

        # clock_deg: where one stands.
        def initialize(blank, seed, clock_deg)
          longest = [blank.shape.length_mm, 2 * blank.shape.max_radius_mm * WIDE / TALL].max
          super(blank, (1000 * (seed + 1)) + clock_deg, longest * 1.5)
          @clock_deg = clock_deg
        end

        def about = { "view" => "other" }

        private

        def radius_mm(clock_deg, z_mm) = @blank.shape.radius_mm(Numo::DFloat[clock_deg % 360], Numo::DFloat[z_mm])[0]
        def across(clock_deg) = (clock_deg - @clock_deg) * Math::PI / 180
        def facing(clock_deg) = Math.cos(across(clock_deg))

        def at(clock_deg, z_mm, radius_mm = radius_mm(clock_deg, z_mm))
          up_mm = radius_mm * Math.sin(across(clock_deg))
          [(CENTRE[0] * WIDE) + ((z_mm - (@blank.shape.length_mm / 2)) * @scale), (CENTRE[1] * WIDE) - (up_mm * @scale)]
        end

        def edge(clock_deg) =
          Array.new(ROWS + 1) { |row| at(@clock_deg + clock_deg, row * @blank.shape.length_mm.to_f / ROWS) }
        def outline = @outline ||= edge(90) + edge(-90).reverse

        # Lines of growth along the piece where its fibres run that way, and where one looks across a board's edge.
        def figure = (@blank.material.grain == "burl" ? eyes : lines_of_growth(turned_deg)) + shade

        def turned_deg = @blank.material.grain == "face" ? 90 : 0

        # Darker above and below: it is round.
        def shade
          [90, -90].flat_map do |side|
              (1..6).map do |band|
                points = edge(side * (1 - (band * 0.035)))
                stroke(points, @scale * @blank.shape.max_radius_mm * 0.06, 0.16 - (band * 0.02), "#000")
              end
            end
            .join
        end

        # A crack's mouth as it runs over the skin, as wide as it is.
        def from_side(path)
          places = path.path.each_cons(2).flat_map { |from, to| between(from, to) }
          seen = places.select { |clock_deg, _| facing(clock_deg) > GRAZING }
          return "" if seen.size < 2

          stroke(seen.map { |place| at(*place) }, [path.width_mm * @scale, 2.5].max, 1, BARE)
        end

        # Places from one point of a path to the next, the shorter way round, that waver as a crack does.
        def between(from, to)
          turn = ((to[:clock_deg] - from[:clock_deg] + 180) % 360) - 180
          Array.new(9) do |step|
            share = step / 8.0
            waver = step.between?(1, 7) ? (@random.rand - 0.5) * 1.5 : 0
            [from[:clock_deg] + (turn * share) + waver, from[:z_mm] + ((to[:z_mm] - from[:z_mm]) * share)]
          end
        end

        def over_face(_path) = ""

        def seen?(body)
          skin_mm = radius_mm(body.clock_deg, body.z_mm.clamp(0, @blank.shape.length_mm))
          facing(body.clock_deg) > GRAZING && body.radius_mm + (body.size_mm[0] / 2) >= skin_mm
        end

        def ellipse_of(body)
          x, y = at(body.clock_deg, body.z_mm)
          up = body.size_mm[1] / 2 * @scale * facing(body.clock_deg)
          [x, y, body.size_mm[2] / 2 * @scale, up, 0]
        end
      end
    end
  end
end
