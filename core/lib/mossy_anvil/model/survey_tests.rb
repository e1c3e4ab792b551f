# frozen_string_literal: true

require "time"

module MossyAnvil
  module Model
    # What tests in the hand make of a blank: soft zones by awl, thumbnail and water drop, pieces that move under the
    # blade, and what a dull knock may hide.
    # A place without a radius is on the side, one with a radius on the nearer face. Tried again, the later word counts.
    class SurveyTests
      Place =
        Struct.new(:surface, :clock_deg, :radius_mm, :z_mm) do
          def apart(other)
            x, y =
              [self, other].map { |place| ClockAngle.point(place.clock_deg, place.radius_mm) }
                .transpose
                .map { |one, two| one - two }
            Math.sqrt((x**2) + (y**2) + ((z_mm - other.z_mm)**2))
          end
        end
      # Kinds that answer the same question.
      ANSWERS = {
        "awl" => :soft,
        "thumbnail" => :soft,
        "drop" => :soft,
        "tap" => :hollow,
        "pry" => :loose,
        "lamp" => :thin
      }.freeze
      # Of more than so many, the latest.
      MOST = 200

      # surveyed: the defects found so far; readings: symbol-keyed, as in a blank file.
      def initialize(shape, surveyed, readings)
        @shape = shape
        @surveyed = surveyed
        @rule = Table["tests"]["shows"]
        @readings = standing(readings.select { |reading| ANSWERS.key?(reading[:kind]) })
      end

      # The readings that still count, as they were given.
      def current = @readings

      # Bodies that tests show: soft zones and loose pieces, with ids of their own (t1, t2 ...).
      def shown = @shown ||= numbered("t", soft_zones + moving_pieces)

      # Bodies that a dull knock may hide, where nothing found so far explains it.
      def suspects
        @suspects ||=
          numbered(
            "u",
            of("tap", "dull").map { |reading| place(reading) }.reject { |at| explained?(at) }.map { |at| hollow(at) }
          )
      end

      private

      # Without those that a later one at the same place, to the same question, has overtaken.
      def standing(readings)
        latest =
          readings
            .each_with_index
            .sort_by { |reading, index| [Time.parse(reading[:taken_at]), index] }
            .last(MOST)
            .map(&:first)
        kept = []
        latest.reverse_each do |reading|
          at = place(reading)
          unless kept.any? { |later, there| ANSWERS[later[:kind]] == ANSWERS[reading[:kind]] && same?(at, there) }
            kept << [reading, at]
          end
        end
        kept.map(&:first).reverse
      end

      def same?(one, other) = one.surface == other.surface && one.apart(other) <= @rule["same_place_mm"]

      def of(kind, found) = @readings.select { |reading| reading[:kind] == kind && reading[:found] == found }

      def place(reading)
        clock_deg, z_mm, radius_mm = reading[:at].values_at(:clock_deg, :z_mm, :r_mm)
        unless radius_mm
          return(
            Place.new(
              "side",
              ClockAngle.fold(clock_deg),
              @shape.radius_mm(Numo::DFloat[clock_deg], Numo::DFloat[z_mm])[0],
              z_mm.to_f
            )
          )
        end

        face = z_mm * 2 < @shape.length_mm ? "head_face" : "tail_face"
        Place.new(face, ClockAngle.fold(clock_deg), radius_mm.to_f, z_mm.to_f)
      end

      # [kind, found or depth] as the depth an awl would have gone, mm; nil where it says nothing of that.
      def awl_mm(reading)
        reading[:kind] == "awl" ? reading[:value].to_f : @rule["as_awl_mm"].dig(reading[:kind], reading[:found])
      end

      def soft_zones
        told = @readings.filter_map { |reading| (depth = awl_mm(reading)) && [place(reading), depth] }
        told
          .group_by { |at, _| at.surface }
          .flat_map { |surface, on_it| surface == "side" ? side_zones(on_it) : face_zones(surface, on_it) }
      end

      # The side unrolled: u round it from the first place, v along it.
      def side_zones(told)
        first = told.first[0]
        arc = first.radius_mm * ClockAngle::RADIANS
        spots =
          told.map do |at, depth|
            SoftSpots::Spot.new(ClockAngle.turn(first.clock_deg, at.clock_deg) * arc, at.z_mm, depth)
          end
        unknown(told, spots).map { |zone| side_zone(zone, first.clock_deg, arc) }
      end

      # arc: mm of a degree.
      def side_zone(zone, from_deg, arc)
        clock_deg = from_deg + (middle(zone, 0) / arc)
        z_mm = middle(zone, 1).clamp(0, @shape.length_mm)
        r_mm = @shape.radius_mm(Numo::DFloat[clock_deg], Numo::DFloat[z_mm])[0]
        extents = [extent(zone, 0), extent(zone, 1)]
        soft(zone, { clock_deg: clock_deg, r_mm: r_mm, z_mm: z_mm }, [extents.min, *extents])
      end

      # A face as it is: u to 3 o'clock, v to 12. The body lies along its own radius, as large as its longer way.
      def face_zones(surface, told)
        spots = told.map { |at, depth| SoftSpots::Spot.new(*ClockAngle.point(at.clock_deg, at.radius_mm), depth) }
        unknown(told, spots).map do |zone|
          across, up = middle(zone, 0), middle(zone, 1)
          wide, narrow = [extent(zone, 0), extent(zone, 1)].minmax.reverse
          soft(
            zone,
            {
              clock_deg: ClockAngle.of_point(across, up),
              r_mm: Math.hypot(across, up),
              z_mm: surface == "head_face" ? 0.0 : @shape.length_mm
            },
            [wide, wide, narrow]
          )
        end
      end

      # Zones of which some soft place lies in no body of the survey that is as soft. told and spots: the same places,
      # in one order.
      def unknown(told, spots)
        SoftSpots
          .new(spots, @rule)
          .zones
          .reject do |zone|
            places =
              told
                .zip(spots)
                .filter_map do |(at, _), spot|
                  at if spot.depth_mm > @rule["grades"].last["over_mm"] && zone.hold?(spot)
                end
            @surveyed.any? do |body|
              known_soft?(body, grade_of(zone)) && places.all? { |at| within?(body, at, @rule["same_place_mm"]) }
            end
          end
      end

      def known_soft?(body, grade) =
        body.type == "soft_zone" && body.strength_factor <= Table["local_factors"]["soft_zone"][grade]["strength"]

      def middle(zone, axis) = (zone.from[axis] + zone.to[axis]) / 2
      def extent(zone, axis) = zone.to[axis] - zone.from[axis]

      # As deep in as it is wide, which is a guess: nobody has been in there yet.
      def soft(zone, centre, size_mm)
        { type: "soft_zone", centre: centre, size_mm: size_mm, detail: { grade: grade_of(zone) } }
      end

      def grade_of(zone) = @rule["grades"].find { |row| zone.depth_mm > row["over_mm"] }["grade"]

      # What moves under the blade and is not down as loose yet.
      def moving_pieces
        rule = @rule["moves"]
        known = @surveyed.select { |defect| defect.type == "loose_piece" }
        of("pry", "moves")
          .map { |reading| place(reading) }
          .reject { |at| known.any? { |piece| within?(piece, at, rule["size_mm"].max) } }
          .map do |at|
            {
              type: "loose_piece",
              centre: under(at, rule["size_mm"][0] / 2.0),
              size_mm: rule["size_mm"],
              detail: {
                bonded_share: rule["bonded_share"]
              }
            }
          end
      end

      def hollow(at)
        {
          type: "void",
          centre: under(at, @rule["dull"]["under_mm"]),
          size_mm: @rule["dull"]["size_mm"],
          detail: {
            contents: "air"
          }
        }
      end

      # So far under the surface at a place.
      def under(at, depth_mm)
        r_mm, z_mm =
          if at.surface == "side"
            [[at.radius_mm - depth_mm, 0].max, at.z_mm]
          else
            [at.radius_mm, at.z_mm + (at.surface == "head_face" ? depth_mm : -depth_mm)]
          end
        { clock_deg: at.clock_deg, r_mm: r_mm, z_mm: z_mm.clamp(0, @shape.length_mm) }
      end

      def explained?(at)
        reach = @rule["dull"]["explained_within_mm"]
        (@surveyed + shown).any? { |defect| defect.path? ? near_seam?(defect, at, reach) : within?(defect, at, reach) }
      end

      def near_seam?(path, at, reach)
        !path.mended? &&
          CrackSheet.of(path, @shape).distances_mm(
            *[at.clock_deg, at.radius_mm, at.z_mm].map { |value| Numo::DFloat[value] }
          )[
            0
          ] <= reach
      end

      # Does the place lie in the body, grown by so much?
      def within?(body, at, reach)
        grown = body.with(size_mm: body.size_mm.map { |extent| extent + (2 * reach) })
        grown.hold?(Numo::DFloat[at.clock_deg], Numo::DFloat[at.radius_mm], Numo::DFloat[at.z_mm])[0] == 1
      end

      def numbered(letter, bodies)
        taken = @surveyed.map(&:id)
        free = (1..).lazy.map { |number| "#{letter}#{number}" }.reject { |id| taken.include?(id) }
        bodies
          .zip(free.first(bodies.size))
          .map { |body, id| BodyDefect.new(id: id, **body, detail: body[:detail].merge(by_test: true)) }
      end
    end
  end
end
