# frozen_string_literal: true

module MossyAnvil
  module Scan
    # A profile pointed out on a photograph, of a sketch or of a piece seen from the side. Places on it are [x, y] as in
    # Trace; two of them a known length apart give the scale, two more the axis, the first towards the head.
    class ProfileTrace
      LEAST_POINTS = 3
      TIDY = 2

      # traced: { scale: { from:, to:, mm: }, axis: { from:, to: }, curve: [[x, y], ...] }, symbol-keyed. Raises
      # InvalidInput under `at`.
      def initialize(traced, at: "")
        @at = at
        @mm_a_share = Trace.mm_a_share(traced[:scale], "#{at}/scale/to")
        @from, @to = traced[:axis].values_at(:from, :to)
        @curve = traced[:curve]
        @length = Math.hypot(@to[0] - @from[0], @to[1] - @from[1])
        if @length < 1e-4
          Model::ProfileLine.refuse(
            "#{at}/axis/to",
            Fault.t("is_at_the_same_place_as_the"),
            Fault.t("two_places_along_the_axis")
          )
        end
        return unless @curve.size < LEAST_POINTS
        Model::ProfileLine.refuse(
          "#{at}/curve",
          Fault.t("has_points", size: @curve.size),
          Fault.t("or_more_from_one_end_to_the", least_points: LEAST_POINTS)
        )
      end

      # [[z_mm, r_mm], ...] with z rising from `from_z_mm`.
      def profile(from_z_mm: 0.0)
        line = @curve.map { |place| on_axis(place) }
        ends = line.values_at(0, -1).map(&:first)
        if (ends[1] - ends[0]).abs < Model::ProfileLine::NEAR_MM
          Model::ProfileLine.refuse(
            "#{@at}/curve",
            Fault.t("ends_where_it_begins_along_the_axis"),
            Fault.t("from_one_end_to_the_other")
          )
        end

        Model::ProfileLine
          .points(line, from_z_mm: from_z_mm, at: "#{@at}/curve")
          .map { |pair| pair.map { |mm| mm.round(TIDY) } }
      end

      private

      # [mm along the axis, mm off it].
      def on_axis(place)
        dx, dy = place[0] - @from[0], place[1] - @from[1]
        ux, uy = (@to[0] - @from[0]) / @length, (@to[1] - @from[1]) / @length
        [((dx * ux) + (dy * uy)) * @mm_a_share, ((dx * uy) - (dy * ux)) * @mm_a_share]
      end
    end
  end
end
