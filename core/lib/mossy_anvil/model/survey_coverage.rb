# frozen_string_literal: true

module MossyAnvil
  module Model
    # How much of a blank's skin was looked at: the side by hours, all along it, and the two ends. Nothing found where
    # nobody looked is not the same as sound.
    class SurveyCoverage
      # Marked so, a blank wants this share of its skin seen before anything is said of it.
      DIFFICULT = %w[burl spalted cracked insect].freeze
      ENOUGH_SHARE = 0.8
      ENDS = %w[head_face tail_face].freeze

      # seen: [{ surface:, from_deg:, to_deg: (of the side, clockwise from one to the other) }]. Where nothing was
      # written down, a survey that found something is taken to have gone all round, as it was before this was asked.
      def initialize(shape, material, seen, defects)
        @shape = shape
        @material = material
        @seen = seen
        @found = defects.any?
        freeze
      end

      def recorded? = @seen.any?
      def difficult? = (@material.character & DIFFICULT).any?
      def needed? = difficult? && share < ENOUGH_SHARE

      # Of the skin, 0 to 1.
      def share
        return @found ? 1.0 : 0.0 unless recorded?

        side, one_end = 4 * @shape.length_mm, @shape.across_mm
        unseen = (side * gaps.sum { |from, to| to - from } / 360.0) + (one_end * unseen_ends.size)
        1 - (unseen / (side + (2 * one_end)))
      end

      # Ends nobody looked at.
      def unseen_ends
        return @found ? [] : ENDS unless recorded?

        ENDS - @seen.map { |one| one[:surface] }
      end

      # [[from, to], ...] clock degrees of the side that nobody looked at, the widest first; to may be over 360.
      def gaps
        return @found ? [] : [[0.0, 360.0]] unless recorded?

        ranges = merged
        return [[0.0, 360.0]] if ranges.empty?

        starts = ranges.map(&:first).rotate
        starts[-1] += 360
        ranges
          .map(&:last)
          .zip(starts)
          .select { |from, to| to - from > 1e-9 }
          .map { |from, to| [from % 360, (from % 360) + to - from] }
          .sort_by { |from, to| from - to }
      end

      private

      # Of the side: ranges that do not touch, each from under 360, in order.
      def merged
        turned =
          @seen
            .select { |one| one[:surface] == "side" }
            .map { |one| [one[:from_deg] % 360.0, (one[:to_deg] - one[:from_deg]).clamp(0, 360)] }
            .map { |from, width| [from, from + width] }
            .sort
        joined = turned.each_with_object([]) { |range, list| join(list, range) }
        round_the_top(joined)
      end

      def join(list, range)
        return list << range.dup if list.empty? || range[0] > list.last[1] + 1e-9

        list.last[1] = [list.last[1], range[1]].max
      end

      # What goes over twelve takes in what begins before it ends.
      def round_the_top(ranges)
        while ranges.size > 1 && ranges.last[1] - 360 >= ranges.first[0] - 1e-9
          first = ranges.shift
          ranges.last[1] = [ranges.last[1], first[1] + 360].max
        end
        ranges
      end
    end
  end
end
