# frozen_string_literal: true

module MossyAnvil
  module Formats
    # A drawn curve taken in: the d of an SVG path (or a drawing with one in it) to the points of a profile.
    # Lines and Bézier curves are read; x runs along the axis, the distance from y = 0 is the radius, whichever way up
    # it was drawn.
    class SvgPath
      MOST_BYTES = 200_000
      MOST_POINTS = 120
      # Points a drawing may come to, curves cut up, and how far off the axis or along it they may lie, in units of the
      # drawing.
      MOST_DRAWN = 20_000
      FARTHEST = 1e6
      # Pieces a curve is cut into, and how far a point may lie off the line its neighbours make before it is kept, mm.
      PIECES = 24
      NEAR_MM = 0.05
      NUMBER = /[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?/
      # How many numbers each command takes.
      TAKES = { "M" => 2, "L" => 2, "H" => 1, "V" => 1, "C" => 6, "S" => 4, "Q" => 4, "T" => 2, "Z" => 0 }.freeze

      # text: of the path or drawing. mm_per_unit: length of a unit of it. Raises InvalidInput at `at`.
      def initialize(text, mm_per_unit: 1.0, at: "")
        @at = at
        if text.bytesize > MOST_BYTES
          refuse(Fault.t("is_bytes", bytes: text.bytesize), Fault.t("at_most", limit: MOST_BYTES))
        end
        path =
          (
            if text.include?("<")
              SvgPath.in_drawing(text) || refuse(Fault.t("holds_no_path"), Fault.t("a_drawing_with_a_path_in_it"))
            else
              text
            end
          )
        @scale = mm_per_unit.to_f
        @points = walked(path)
      end

      # The d of the first path in a drawing that has one, or nil. Looks at every character once.
      def self.in_drawing(text)
        from = 0
        while (start = text.index(/<path\s/, from))
          ending = text.index(">", start) or return
          found = text[start...ending][/\sd\s{0,9}=\s{0,9}"([^"]*)"/m, 1]
          return found if found

          from = ending
        end
      end

      # [[z_mm, r_mm], ...] with z rising from `from_z_mm`, few enough to take hold of.
      def profile(from_z_mm: 0.0)
        line = Model::ProfileLine.points(@points.map { |x, y| [x * @scale, y * @scale] }, from_z_mm: from_z_mm, at: @at)
        thinned(line).map { |z_mm, r_mm| [z_mm.round(2), r_mm.round(2)] }
      end

      private

      def refuse(problem, allowed) = raise InvalidInput.at(@at, problem, allowed)

      # Points along the path, curves cut into PIECES.
      def walked(path)
        # An e belongs to a number.
        commands = path.scan(/([a-df-zA-DF-Z])([^a-df-zA-DF-Z]*)/)
        unless commands.any? && commands.first[0].upcase == "M"
          refuse(Fault.t("is_no_path"), Fault.t("one_that_begins_with_m"))
        end

        state = { at: [0.0, 0.0], start: nil, hand: nil, points: [] }
        commands.each { |letter, rest| follow(letter, rest.scan(NUMBER).map(&:to_f), state) }
        state[:points].tap { |points| check_points(points) }
      end

      def check_points(points)
        refuse(Fault.t("has_points", size: points.size), Fault.t("two_or_more")) if points.size < 2
        return if points.flatten.all? { |number| number.abs <= FARTHEST }

        allowed = Fault.t("places_within_units_of_where_it_begins", farthest: FARTHEST.to_i)
        refuse(Fault.t("goes_too_far_out"), allowed)
      end

      def follow(letter, numbers, state)
        takes = TAKES[letter.upcase] or
          refuse(
            Fault.t("has_the_command", letter: letter),
            Fault.t("lines_and_b_zier_curves", commands: TAKES.keys.join(" "))
          )
        return if takes.zero?

        if numbers.empty? || numbers.size % takes != 0
          problem = Fault.t("has_numbers_after", size: numbers.size, letter: letter)
          refuse(problem, Fault.t("a_multiple_of", takes: takes))
        end
        if letter.upcase == "M" && state[:points].any?
          refuse(Fault.t("begins_a_second_line"), Fault.t("one_unbroken_line"))
        end
        numbers.each_slice(takes) { |own| step(letter, own, state) }
      end

      # One command with its own numbers, small letters from where the path is.
      def step(letter, own, state)
        if state[:points].size > MOST_DRAWN
          refuse(Fault.t("comes_to_more_than_points", most: MOST_DRAWN), Fault.t("a_simpler_curve"))
        end
        here = state[:at]
        ends = ends_of(letter, own, here, first: state[:points].empty?)
        hands = hands_of(letter.upcase, ends, state)
        state[:points].concat(hands ? curve([here, *hands, ends.last]) : [ends.last])
        state[:hand] = hands && hands.last
        state[:at] = ends.last
      end

      # first: the path's very first place, which is from nowhere.
      def ends_of(letter, own, here, first:)
        x, y = letter == letter.downcase && !first ? here : [0.0, 0.0]
        case letter.upcase
        when "H"
          [[x + own[0], here[1]]]
        when "V"
          [[here[0], y + own[0]]]
        else
          own.each_slice(2).map { |right, down| [x + right, y + down] }
        end
      end

      # Handles of a curve; nil for a line. S and T mirror the handle before them.
      def hands_of(letter, ends, state)
        mirrored = state[:hand] ? state[:at].zip(state[:hand]).map { |at, hand| (2 * at) - hand } : state[:at]
        case letter
        when "C", "Q"
          ends[0...-1]
        when "S"
          [mirrored, ends[0]]
        when "T"
          [mirrored]
        end
      end

      # Points of a Bézier curve after its first, by de Casteljau.
      def curve(corners)
        (1..PIECES).map do |piece|
          share = piece.to_f / PIECES
          corners
            .size
            .pred
            .times
            .inject(corners) do |line, _|
              line.each_cons(2).map { |one, other| one.zip(other).map { |a, b| a + ((b - a) * share) } }
            end
            .first
        end
      end

      # Without the points that lie on the line their neighbours make (Douglas and Peucker): always the one farthest off
      # next, until none is, or there are as many as may be. So each round looks at one stretch of the line, and there
      # are at most MOST_POINTS of them.
      def thinned(line)
        table = Numo::DFloat.cast(line)
        along, off = table[true, 0].dup, table[true, 1].dup
        kept, stretches = [0, line.size - 1], [farthest(along, off, 0, line.size - 1)].compact
        while kept.size < MOST_POINTS && (stretch = stretches.max_by(&:first))
          stretches.delete(stretch)
          _, from, to, at = stretch
          kept << at
          stretches.push(*[farthest(along, off, from, at), farthest(along, off, at, to)].compact)
        end
        kept.sort.map { |at| line[at] }
      end

      # How far off the straight line between two ends places lie: [one end, other end, places] of x and of y.
      def from_line((x0, x1, x), (y0, y1, y))
        across, up = x1 - x0, y1 - y0
        long = Math.hypot(across, up)
        dx, dy = (x * -1) + x0, (y * -1) + y0
        long.zero? ? Numo::DFloat::Math.hypot(dx, dy) : ((dy * across) - (dx * up)).abs / long
      end

      # [how far off, from, to, place] of the place between two that lies farthest off the straight line from one to the
      # other; nil where all lie within NEAR_MM.
      def farthest(along, off, from, to)
        return if to - from < 2

        far = from_line(*[along, off].map { |values| [values[from], values[to], values[(from + 1)...to]] })
        at = far.max_index
        [far[at], from, to, from + 1 + at] if far[at] > NEAR_MM
      end
    end
  end
end
