# frozen_string_literal: true

module MossyAnvil
  module Model
    # The soft zones that tests in the hand show on each surface of a blank, where nothing found so far is as soft.
    class SoftTests
      # surveyed: the defects found so far; readings: those that still count, symbol-keyed, as in a blank file.
      def initialize(shape, surveyed, readings)
        @shape = shape
        @surveyed = surveyed
        @readings = readings
        @rule = Table["tests"]["shows"]
      end

      # Bodies without an id: { type:, centre:, size_mm:, detail: }.
      def zones
        told = @readings.filter_map { |reading| (depth = awl_mm(reading)) && [SurveyPlace.of(reading, @shape), depth] }
        told
          .group_by { |at, _| at.surface }
          .flat_map { |surface, on_it| surface == "side" ? side_zones(on_it) : face_zones(surface, on_it) }
      end

      private

      # [kind, found or depth] as the depth an awl would have gone, mm; nil where it says nothing of that.
      def awl_mm(reading)
        reading[:kind] == "awl" ? reading[:value].to_f : @rule["as_awl_mm"].dig(reading[:kind], reading[:found])
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
              known_soft?(body, grade_of(zone)) && places.all? { |at| at.within?(body, @rule["same_place_mm"]) }
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
    end
  end
end
