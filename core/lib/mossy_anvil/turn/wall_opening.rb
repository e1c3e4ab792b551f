# frozen_string_literal: true

module MossyAnvil
  module Turn
    # One opening through the wall of the finished piece, with the run it has along it.
    #
    # ids of the defects; clock_deg of its middle; from_mm, to_mm: along z; run_mm: along the wall; wall_mm: least,
    # radius_mm: largest at the middle of the wall;
    # width_mm round the turn; at_edge: does it reach rim or floor; bodies: does any of it fill an ellipsoid; gap: is
    # any of it one open gap, the ends of which nobody could survey; places: its middle line, [clock_deg, radius_mm,
    # z_mm], each an array.
    WallOpening =
      Struct.new(
        :ids,
        :clock_deg,
        :from_mm,
        :to_mm,
        :run_mm,
        :wall_mm,
        :radius_mm,
        :width_mm,
        :at_edge,
        :bodies,
        :gap,
        :places,
        keyword_init: true
      ) do
        # Cracks go on from the ends of a gap: it is taken as long as itself and its own width at either end.
        def length_mm = gap ? run_mm + (2 * [width_mm, run_mm].min) : run_mm

        # Share of the speed it runs at that may be worked at.
        def work_share = gap ? WallCrack::THIN_WORK_SHARE : WallCrack.work_share(radius_mm, wall_mm)

        # What WallCrack asks of it.
        def place = { run_mm: length_mm, radius_mm: radius_mm, wall_mm: wall_mm, at_edge: at_edge }

        # As a crack through the wall, for the planes through the axis.
        def as_crack
          @as_crack ||=
            Model::PathDefect.new(
              id: ids.join("+"),
              type: "crack",
              enters: "side",
              path: [from_mm, to_mm].map { |z_mm| { clock_deg: clock_deg, z_mm: z_mm } },
              depth_mm: wall_mm,
              width_mm: width_mm,
              through: true
            )
        end

        # mm round the turn between its middle and another's.
        def apart_mm(other) =
          ClockAngle.turn(clock_deg, other.clock_deg).abs * ClockAngle::RADIANS * [radius_mm, other.radius_mm].max

        # Both as one: the worse of every measure. run_mm: the longer of the two, what lies between them not counted.
        def joined(other)
          both = [self, other]
          worst =
            { from_mm: :min, to_mm: :max, run_mm: :max, wall_mm: :min, radius_mm: :max }.to_h do |name, way|
              [name, both.map { |one| one[name] }.public_send(way)]
            end
          either = %i[at_edge bodies gap].to_h { |name| [name, both.any? { |one| one[name] }] }
          WallOpening.new(
            **worst,
            **either,
            ids: both.flat_map(&:ids),
            clock_deg: ClockAngle.mean(both.map(&:clock_deg)),
            width_mm: apart_mm(other) + (both.sum(&:width_mm) / 2),
            places: places.zip(other.places).map { |pair| Numo::DFloat.hstack(pair) }
          )
        end

        # Is so little left between it and another that the two are one?
        def together?(other, bridge_mm)
          gap_mm = [from_mm, other.from_mm].max - [to_mm, other.to_mm].min
          apart_mm(other) <= ((width_mm + other.width_mm) / 2) + bridge_mm && gap_mm <= bridge_mm
        end
      end
  end
end
