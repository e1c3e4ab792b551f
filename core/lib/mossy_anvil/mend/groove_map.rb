# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Grooves drawn on the outside of a piece, on its skin unrolled into small squares: the area and volume they take,
    # and the islands they leave standing.
    class GrooveMap
      CELL_MM = 1.5
      MOST_AROUND, MOST_ALONG = 480, 400
      # An island is no larger than this share of the skin; what is larger is the piece itself.
      ISLAND_SHARE = 0.05
      # N that a light cut pushes with; share of strength across the fibres that may be used.
      LIGHT_N, USE = 60.0, 0.5

      Island =
        Struct.new(:clock_deg, :z_mm, :area_mm2, :bears_n, keyword_init: true) { def at_risk? = bears_n < LIGHT_N }

      # grooves: [{ width_mm:, depth_mm:, path: [{ clock_deg:, z_mm: }, ...] }]. radius: answers to a z with the radius
      # there, mm. span: [from, to] of z.
      def initialize(grooves, radius, span, strength_mpa:)
        @grooves = grooves
        @low, high = span
        @strength_mpa = strength_mpa
        long_mm = high - @low
        @along = (long_mm / CELL_MM).ceil.clamp(4, MOST_ALONG)
        @step = long_mm / @along
        @radii = Array.new(@along) { |row| [radius.call(@low + ((row + 0.5) * @step)), 0.5].max }
        @around = (2 * Math::PI * @radii.max / CELL_MM).ceil.clamp(24, MOST_AROUND)
        @depth, @cover = squares, squares
        grooves.each { |groove| cut(groove) }
      end

      def area_mm2 = cut_cells.sum { |row, column| cell_mm2(row) * @cover[row][column] }
      def volume_mm3 = cut_cells.sum { |row, column| cell_mm2(row) * @cover[row][column] * @depth[row][column] }

      # Islands between grooves, smallest first: each bears so much at its top before it shears off its root.
      def islands = @islands ||= pieces.filter_map { |cells| island(cells) }.sort_by(&:bears_n)

      private

      def cell_mm2(row) = @step * 2 * Math::PI * @radii[row] / @around
      def cut_cells =
        @cut_cells ||=
          @along.times.to_a.product(@around.times.to_a).select { |row, column| @cover[row][column].positive? }

      def cut(groove)
        groove[:path].each_cons(2) { |from, to| cut_leg(from, to, groove[:width_mm] / 2.0, groove[:depth_mm].to_f) }
      end

      # Squares by how much of them lies within half a width of the leg, measured on the skin.
      def cut_leg(from, to, half_mm, deep_mm)
        start_deg, low_mm = from.values_at(:clock_deg, :z_mm)
        turn, rise = to[:clock_deg] - start_deg, to[:z_mm] - low_mm
        rows_between(low_mm, to[:z_mm], half_mm).each do |row|
          up_mm = @low + ((row + 0.5) * @step) - low_mm
          @around.times do |column|
            away = away_mm((column * 360.0 / @around) - start_deg, up_mm, turn, rise, @radii[row])
            cover(row, column, (((half_mm - away) / @step) + 0.5).clamp(0, 1), deep_mm)
          end
        end
      end

      def cover(row, column, covered, deep_mm)
        return unless covered.positive?

        @cover[row][column] = [@cover[row][column], covered].max
        @depth[row][column] = [@depth[row][column], deep_mm].max
      end

      def rows_between(one_mm, other_mm, half_mm)
        from, to = [one_mm, other_mm].minmax
        half_mm += @step
        (
          ((from - half_mm - @low) / @step).floor.clamp(0, @along - 1)..((to + half_mm - @low) / @step).ceil.clamp(
            0,
            @along - 1
          )
        )
      end

      # mm from the leg of a place so far round and up from where it begins. It may run more than once round: its turns
      # are tried one by one.
      def away_mm(round_deg, up_mm, turn_deg, rise_mm, radius_mm)
        arc = Math::PI / 180 * radius_mm
        turns = (turn_deg / 360.0).abs.ceil
        ((-turns - 1)..turns)
          .map { |lap| from_stretch_mm(((round_deg % 360) + (360 * lap)) * arc, up_mm, turn_deg * arc, rise_mm) }
          .min
      end

      # Of (x, y) from the stretch between the origin and (across, up).
      def from_stretch_mm(x, y, across, up)
        share = (((x * across) + (y * up)) / [(across**2) + (up**2), 1e-9].max).clamp(0, 1)
        Math.hypot(x - (share * across), y - (share * up))
      end

      def squares = Array.new(@along) { Array.new(@around, 0.0) }

      # Connected squares that no groove takes; the skin closes on itself all round.
      def pieces
        seen = @cover.map { |row| row.map { |covered| covered >= 0.5 } }
        @along.times.flat_map do |row|
          @around.times.filter_map { |column| seen[row][column] ? nil : flood(row, column, seen) }
        end
      end

      def flood(row, column, seen)
        seen[row][column] = true
        cells, front = [], [[row, column]]
        while (here = front.pop)
          cells << here
          beside(*here).each do |other_row, other_column|
            next if seen[other_row][other_column]

            seen[other_row][other_column] = true
            front << [other_row, other_column]
          end
        end
        cells
      end

      def beside(row, column)
        [
          [row, (column + 1) % @around],
          [row, (column - 1) % @around],
          [row - 1, column],
          [row + 1, column]
        ].select { |other, _| other.between?(0, @along - 1) }
      end

      def island(cells)
        return if cells.any? { |row, _| row.zero? || row == @along - 1 }

        area = cells.sum { |row, _| cell_mm2(row) }
        return if area > ISLAND_SHARE * whole_mm2

        Island.new(
          clock_deg: ClockAngle.mean(cells.map { |_, column| column * 360.0 / @around }),
          z_mm: @low + ((cells.sum(&:first) / cells.size.to_f) + 0.5) * @step,
          area_mm2: area,
          bears_n: bears_n(area)
        )
      end

      def whole_mm2 = @along.times.sum { |row| cell_mm2(row) * @around }

      # N at the top of a stump as wide as it is long, bent over its root. Source: textbook bending.
      def bears_n(area_mm2) =
        USE * @strength_mpa * (Math.sqrt(area_mm2)**3) / 6 / @grooves.map { |groove| groove[:depth_mm] }.max
    end
  end
end
