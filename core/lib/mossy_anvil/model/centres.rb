# frozen_string_literal: true

module MossyAnvil
  module Model
    # Where the lathe's centres meet the two faces of a blank. The survey stays with the wood; this brings it into the
    # frame of the axis between the centres:
    # z from the head's centre along that axis, 12 o'clock where it was. Moving or tilting the axis changes how far the
    # surface is, never the wood.
    class Centres
      # A tilted blank becomes an outline of so many stations and clock steps.
      STATIONS, STEPS = 33, 72
      HALVINGS = 24
      LEAST_MM = 0.05
      STEEPEST_DEG = 15.0
      MOVED = Cache.new(400)

      attr_reader :head_mm, :tail_mm

      # head_mm, tail_mm: [x, y] from the survey's axis, x to 3 o'clock and y to 12.
      def initialize(head_mm: [0, 0], tail_mm: [0, 0])
        @head_mm = head_mm.map(&:to_f).freeze
        @tail_mm = tail_mm.map(&:to_f).freeze
        freeze
      end

      def as_surveyed? = (head_mm + tail_mm).all?(&:zero?)
      def tilted? = head_mm != tail_mm

      # Degrees between the survey's axis and this one.
      def tilt_deg(length_mm) = Math.atan2(Math.hypot(*lean), length_mm) / ClockAngle::RADIANS

      # Do both lie on the wood of their face?
      def on_wood?(shape)
        [[head_mm, 0.0], [tail_mm, shape.length_mm]].all? do |(x_mm, y_mm), z_mm|
          Math.hypot(x_mm, y_mm) <
            shape.radius_mm(Numo::DFloat[ClockAngle.of_point(x_mm, y_mm)], Numo::DFloat[z_mm])[0] - LEAST_MM
        end
      end

      # The shape about this axis.
      def shape(surveyed)
        return surveyed if as_surveyed?

        MOVED.of([head_mm, tail_mm, surveyed]) { tilted? ? outline_of(surveyed) : surveyed.moved(head_mm.map(&:-@)) }
      end

      # mm between the two faces along this axis.
      def length_mm(surveyed) = Math.sqrt([surveyed.length_mm, *lean].sum { |part| part**2 })

      # A defect about this axis. Depths and sizes stay what they are; a body's own directions turn with its place.
      def defect(defect, surveyed)
        return defect if as_surveyed?

        MOVED.of([head_mm, tail_mm, surveyed, defect]) do
          frame = frame_of(surveyed)
          defect.path? ? moved_path(defect, surveyed, frame) : moved_body(defect, frame)
        end
      end

      # Three unit vectors along the new x, y and z, in the survey's frame; the shortest turn that brings z to the axis.
      def frame_of(surveyed)
        axis = [*lean, surveyed.length_mm]
        long = Math.sqrt(axis.sum { |part| part**2 })
        x, y, z = axis.map { |part| part / long }
        bend = 1 / (1 + z)
        [[1 - (x * x * bend), -x * y * bend, -x], [-x * y * bend, 1 - (y * y * bend), -y], [x, y, z]]
      end

      # Which places of the survey (arrays) lie in the wood.
      def inside?(surveyed, x_mm, y_mm, z_mm)
        reach = surveyed.radius_mm(Numo::DFloat::Math.atan2(x_mm, y_mm) / ClockAngle::RADIANS, z_mm)
        Numo::DFloat::Math.hypot(x_mm, y_mm).le(reach) & z_mm.ge(0) & z_mm.le(surveyed.length_mm)
      end

      private

      def lean = [tail_mm[0] - head_mm[0], tail_mm[1] - head_mm[1]]

      # A place of the survey, [x, y, z], about this axis.
      def brought(place, frame)
        from = [place[0] - head_mm[0], place[1] - head_mm[1], place[2]]
        frame.map { |unit| unit.zip(from).sum { |one, other| one * other } }
      end

      def moved_body(body, frame)
        x, y, z = brought([*ClockAngle.point(body.clock_deg, body.radius_mm), body.z_mm], frame)
        clock_deg = ClockAngle.of_point(x, y)
        body.at(
          clock_deg: clock_deg,
          r_mm: Math.hypot(x, y),
          z_mm: z,
          turned_deg: ClockAngle.turn(body.clock_deg, clock_deg)
        )
      end

      def moved_path(path, surveyed, frame)
        points =
          path.path.map do |point|
            radius =
              (
                if path.side?
                  surveyed.radius_mm(Numo::DFloat[point[:clock_deg]], Numo::DFloat[point[:z_mm]])[0]
                else
                  point[:r_mm]
                end
              )
            x, y, z = brought([*ClockAngle.point(point[:clock_deg], radius), point[:z_mm]], frame)
            moved = point.merge(clock_deg: ClockAngle.of_point(x, y), z_mm: z.clamp(0, length_mm(surveyed)))
            path.side? ? moved : moved.merge(r_mm: Math.hypot(x, y))
          end
        path.along(points)
      end

      def outline_of(surveyed)
        length = length_mm(surveyed)
        heights = Array.new(STATIONS) { |index| length * (1 - Math.cos(Math::PI * index / (STATIONS - 1))) / 2 }
        radii = radii_about(surveyed, heights)
        Outline.new(
          stations: heights.each_with_index.map { |z_mm, row| { z_mm: z_mm, radii_mm: radii[row, true].to_a } }
        )
      end

      # How far the wood reaches from this axis, heights x STEPS: the place where each ray leaves it, by halving.
      def radii_about(surveyed, heights)
        starts, directions = rays(frame_of(surveyed), heights)
        low, high =
          Numo::DFloat.zeros(heights.size, STEPS),
          Numo::DFloat.new(heights.size, STEPS).fill(2 * surveyed.max_radius_mm)
        HALVINGS.times do
          middle = (low + high) / 2
          low, high =
            nearer(
              low,
              middle,
              high,
              inside?(surveyed, *3.times.map { |axis| starts[axis] + (middle * directions[axis]) })
            )
        end
        low.clip(LEAST_MM, nil)
      end

      # Where each ray starts and which way it goes: three arrays each, x, y and z; a row a height, a column an angle.
      def rays(frame, heights)
        angle = Numo::DFloat.new(1, STEPS).seq * (2 * Math::PI / STEPS)
        sine, cosine = Numo::DFloat::Math.sin(angle), Numo::DFloat::Math.cos(angle)
        along = Numo::DFloat.cast(heights).reshape(heights.size, 1)
        right, up, axis = frame
        starts = axis.zip([*head_mm, 0.0]).map { |part, head| (along * part) + head }
        [starts, right.zip(up).map { |across, upward| (sine * across) + (cosine * upward) }]
      end

      # The outer half where the middle is in the wood, else the inner.
      def nearer(low, middle, high, held)
        inside = Numo::DFloat.cast(held)
        [low + ((middle - low) * inside), high - ((high - middle) * ((inside * -1) + 1))]
      end
    end
  end
end
