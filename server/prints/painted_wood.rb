# frozen_string_literal: true

require "vips"

module MossyAnvil
  module Server
    module Prints
      # A made-up photograph of a blank on a bench with a rule beside it, painted from its file: no camera ever saw it.
      # The same comes out for the same seed. Which side of the blank it shows is the subclass's: #outline, #figure,
      # #from_side, #over_face, #ellipse_of and #seen?, all in dots of the picture.
      class PaintedWood
        WIDE, TALL = 1000, 800
        # Light and dark of woods by a word of their name, else by how dense they are.
        WOODS = {
          "lime" => %w[#d9b98a #b98f5c],
          "hornbeam" => %w[#d8c6a4 #ab9062],
          "yew" => %w[#c98f58 #8f5328],
          "apple" => %w[#c59a78 #93654a],
          "walnut" => %w[#94704f #5d4330],
          "oak" => %w[#c7a473 #94703f]
        }.freeze
        # The rest: pale below so many kg/m3, and so on.
        BY_DENSITY = { 500 => %w[#dcc59d #b7975f], 700 => %w[#d2ae7e #a27b4c], 2000 => %w[#b98458 #7c5233] }.freeze
        BARE = "#21160d"
        CENTRE = [0.5, 0.37].freeze
        GRAIN_SD = 6
        QUALITY = 72
        # As many as the library takes.
        NOISE_SEEDS = 2**31

        attr_reader :mm_per_share

        # mm_per_share: how much of the bench the picture is wide.
        def initialize(blank, seed, mm_per_share)
          @blank = blank
          @seed = seed
          @random = Random.new(seed)
          @mm_per_share = mm_per_share
          @scale = WIDE / mm_per_share
          @light, @dark = colours
        end

        # Bytes of the JPEG.
        def jpeg
          flat = drawn.flatten(background: 255)
          noise = Vips::Image.gaussnoise(flat.width, flat.height, sigma: GRAIN_SD, mean: 0, seed: @seed % NOISE_SEEDS)
          (flat + noise).cast(:uchar).write_to_buffer(".jpg", Q: QUALITY, strip: true)
        end

        def svg
          wood = closed(outline)
          <<~SVG
            <svg xmlns="http://www.w3.org/2000/svg" width="#{WIDE}" height="#{TALL}">
            <clipPath id="wood"><path d="#{wood}"/></clipPath>
            <rect width="#{WIDE}" height="#{TALL}" fill="#7d786e"/>
            #{planks}
            #{shadow(wood)}
            <path d="#{wood}" fill="#{@light}"/>
            <g clip-path="url(#wood)">#{figure}#{character}#{@blank.defects.map { |one| trouble(one) }.join}</g>
            <path d="#{wood}" fill="none" stroke="#4a3a28" stroke-width="5" stroke-opacity="0.75"/>
            #{rule}
            </svg>
          SVG
        end

        private

        # Pictures that are sent may be no SVG (see Services::Picture); this one is the program's own.
        def drawn
          Vips.block("VipsForeignLoadSvg", false)
          Vips::Image.svgload_buffer(svg).copy_memory
        ensure
          Vips.block("VipsForeignLoadSvg", true)
        end

        def colours
          material = @blank.material
          named = WOODS.keys.find { |name| material.species.include?(name) }
          named ? WOODS[named] : BY_DENSITY.find { |most, _| material.density_kg_m3 <= most }.last
        end

        def closed(points) = "#{line(points)}Z"
        def line(points) = "M#{points.map { |x, y| format("%.1f %.1f", x, y) }.join("L")}"

        def stroke(points, width, opacity, colour = @dark) =
          %(<path d="#{line(points)}" fill="none" stroke="#{colour}" stroke-width="#{width.round(2)}" stroke-opacity="#{opacity.round(2)}" stroke-linejoin="round"/>)

        # The softer outwards.
        def shadow(wood) =
          [0, 4, 9].map do |width|
              %(<path d="#{wood}" transform="translate(9 12)" fill-opacity="0.14" stroke="#000" stroke-opacity="0.12" stroke-width="#{width}"/>)
            end
            .join

        def planks
          Array.new(5) { |row| %(<path d="M0 #{(row * 180) + 60}h#{WIDE}" stroke="#5f5a51" stroke-width="3"/>) }.join
        end

        # Lines that wander along beside each other, turned by so many degrees about the middle of the piece.
        def lines_of_growth(turned_deg)
          reach = @scale * Math.hypot(@blank.shape.max_radius_mm, @blank.shape.length_mm)
          wander = Array.new(3) { [@random.rand(1..4), @random.rand * 6.3, @random.rand * reach * 0.02] }
          lines = Array.new(46) { |row| line_of_growth(row, reach, wander) }
          turn = "rotate(#{turned_deg} #{CENTRE.map { |share| share * WIDE }.join(" ")})"
          %(<g transform="#{turn}">#{lines.join}</g>)
        end

        def line_of_growth(row, reach, wander)
          over = (((row + (@random.rand * 0.6)) / 23.0) - 1) * reach
          stroke(wandering(over, reach, wander), 0.8 + (@random.rand * 2), 0.2 + (@random.rand * 0.35))
        end

        # Across the picture, so far over the middle. wander: times, start and size of each wave.
        def wandering(over, reach, wander)
          x, y = CENTRE.map { |share| share * WIDE }
          Array.new(25) do |step|
            along = (step / 12.0) - 1
            off = wander.sum { |times, from, size| size * Math.sin((along * times * 2) + from) }
            [x + (along * reach), y + over + off]
          end
        end

        # Clusters of little eyes, as a burl has.
        def eyes
          Array
            .new(90) do
              x, y = anywhere
              size = 3 + (@random.rand * 9)
              (1..3)
                .map do |ring|
                  %(<circle cx="#{x}" cy="#{y}" r="#{(size * ring / 2).round(1)}" fill="none" stroke="#{@dark}" stroke-width="1.4" stroke-opacity="#{(0.75 / ring).round(2)}"/>)
                end
                .join
            end
            .join
        end

        # What such wood has all over: lines of rot, holes of insects.
        def character
          kinds = @blank.material.character
          [(zone_lines if kinds.include?("spalted")), (flight_holes if kinds.include?("insect"))].compact.join
        end

        def zone_lines
          Array
            .new(7) do
              x, y = anywhere
              heading = @random.rand * 6.3
              points =
                Array.new(40) do
                  heading += (@random.rand - 0.5) * 1.3
                  [x += Math.cos(heading) * 9, y += Math.sin(heading) * 9]
                end
              stroke(points, 2.2, 0.75, BARE)
            end
            .join
        end

        def flight_holes
          Array
            .new(40) do
              x, y = anywhere
              %(<circle cx="#{x}" cy="#{y}" r="#{[@scale * (0.5 + @random.rand), 1.5].max.round(1)}" fill="#{BARE}"/>)
            end
            .join
        end

        def anywhere
          reach = @scale * @blank.shape.max_radius_mm
          CENTRE.map { |share| ((share * WIDE) + (((@random.rand * 2) - 1) * reach)).round(1) }
        end

        # What of a finding is to be seen from here.
        def trouble(defect)
          return body(defect) unless defect.path?

          defect.side? ? from_side(defect) : over_face(defect)
        end

        def body(defect)
          return "" unless seen?(defect)

          x, y, across, up, turned_deg = ellipse_of(defect).map { |value| value.round(1) }
          round = %(cx="#{x}" cy="#{y}" rx="#{across}" ry="#{up}" transform="rotate(#{turned_deg} #{x} #{y})")
          case defect.type
          when "soft_zone"
            %(<ellipse #{round} fill="#efe6d2" fill-opacity="0.75" stroke="#2b2015" stroke-width="4" stroke-dasharray="30 3 12 2"/>)
          when "void"
            %(<ellipse #{round} fill="#1c140c"/>)
          when "loose_piece"
            %(<ellipse #{round} fill="#6b5138" stroke="#1c140c" stroke-width="4"/>)
          else
            %(<ellipse #{round} fill="#77756f" stroke="#3a2c1c" stroke-width="3"/>)
          end
        end

        # A rule of 100 mm, in tens.
        def rule
          left, top = 60, TALL - 70
          marks =
            Array.new(11) do |ten|
              %(<path d="M#{left + (ten * 10 * @scale)} #{top}v#{(ten % 5).zero? ? 26 : 15}" stroke="#222" stroke-width="2"/>)
            end
          %(<rect x="#{left - 8}" y="#{top}" width="#{(100 * @scale) + 16}" height="40" fill="#e9dfa8"/>#{marks.join})
        end
      end
    end
  end
end
