# frozen_string_literal: true

module MossyAnvil
  module Mend
    # How the piece lies while what runs is filled by gravity: which hour up, which end up, in which order; openings
    # near each other share one.
    class FillPositions
      # Openings within so many degrees either way of the first lie level enough together; a path wider than that runs
      # out at its ends.
      NEAR_DEG, WIDE_DEG = 15.0, 60.0

      # up: "clock", "tail" or "head"; clock_deg: the hour at the top, nil on an end. ids: of the openings filled so.
      Position = Struct.new(:up, :clock_deg, :ids, :wide, keyword_init: true)

      # defects of one blank; shape: its own.
      def initialize(defects, shape)
        @defects = defects
        @shape = shape
      end

      # In the order that turns it least: round from after the largest gap, then the ends.
      def all
        side, ends = @defects.partition { |defect| face(defect).nil? }
        round(side) +
          ends
            .group_by { |defect| face(defect) }
            .map { |up, list| Position.new(up: up, clock_deg: nil, ids: list.map(&:id), wide: false) }
      end

      # :tail or :head where it opens on an end, nil on the side.
      def face(defect)
        return { "side" => nil, "tail_face" => "tail", "head_face" => "head" }.fetch(defect.enters) if defect.path?
        return if defect.radius_mm + (defect.size_mm[0] / 2) >= reach_mm(defect)

        half = defect.size_mm[2] / 2
        return "tail" if defect.z_mm + half >= @shape.length_mm

        "head" if defect.z_mm - half <= 0
      end

      private

      def reach_mm(defect) = @shape.radius_mm(Numo::DFloat[defect.clock_deg], Numo::DFloat[defect.z_mm])[0]

      def round(side)
        after_gap(neighbours(side.sort_by { |defect| clock(defect) })).map do |list|
          Position.new(
            up: "clock",
            clock_deg: ClockAngle.mean(list.map { |defect| clock(defect) }),
            ids: list.map(&:id),
            wide: list.any? { |defect| width_deg(defect) > WIDE_DEG }
          )
        end
      end

      # Those near each other together, the last with the first where they meet over twelve o'clock.
      def neighbours(sorted)
        groups = sorted.slice_when { |one, next_one| apart?(one, next_one) }.to_a
        return groups if groups.size < 2 || apart?(sorted.last, sorted.first)

        [groups.last + groups.first, *groups[1...-1]]
      end

      def apart?(one, other) = ClockAngle.turn(clock(one), clock(other)).abs > NEAR_DEG

      # Groups begun after the largest step between two.
      def after_gap(groups)
        return groups if groups.size < 2

        firsts = groups.map { |list| clock(list.first) }
        gaps = firsts.each_index.map { |index| (firsts[index] - firsts[index - 1]) % 360 }
        groups.rotate(gaps.index(gaps.max))
      end

      def clock(defect) =
        defect.path? ? ClockAngle.mean(defect.path.map { |point| point[:clock_deg] }) : defect.clock_deg

      def width_deg(defect)
        return 0.0 unless defect.path?

        defect.path.each_cons(2).sum { |from, to| ClockAngle.turn(from[:clock_deg], to[:clock_deg]).abs }
      end
    end
  end
end
