# frozen_string_literal: true

module MossyAnvil
  module Mend
    # A mould: what it holds up to the depth of the pour, how large it is outside, and what to saw for one built of
    # sheet.
    class Mould
      # Sizes each kind needs beside its depth, and those it may have.
      NEEDS = {
        "box" => %i[width_mm length_mm],
        "tube" => %i[diameter_mm],
        "sheet" => %i[width_mm length_mm sheet_mm],
        "cup" => %i[diameter_mm]
      }.freeze
      MAY = { "cup" => %i[top_mm] }.freeze

      attr_reader :type, :depth_mm

      # size: symbol-keyed as in a blank file. Raises InvalidInput under `at` for a size missing or of another kind.
      def initialize(size, at: "/mould")
        @size = size
        @type = size.fetch(:type)
        @depth_mm = size[:depth_mm].to_f
        faults = faults_at(at)
        raise InvalidInput, faults if faults.any?

        freeze
      end

      # mm3 up to the depth of the pour, plugs and the like taken out.
      def volume_mm3 = (section_mm2 * depth_mm) - displaced_mm3
      def displaced_mm3 = (@size[:displaced_ml] || 0) * 1000.0

      # mm2 of its mean level section, and of the surface of the pour.
      def section_mm2 =
        round? ? Math::PI / 12 * ((across_mm**2) + (across_mm * top_mm) + (top_mm**2)) : width_mm * length_mm
      def surface_mm2 = round? ? Math::PI / 4 * (top_mm**2) : width_mm * length_mm

      # mm2 of its floor and walls, to the rim.
      def inside_mm2
        high = depth_mm + freeboard_mm
        return section_mm2 + (2 * (width_mm + length_mm) * high) unless round?

        slant = Math.hypot(high, (top_mm - across_mm) / 2)
        (Math::PI / 4 * (across_mm**2)) + (Math::PI / 2 * (across_mm + top_mm) * slant)
      end

      # mm of a round pot that it goes into, upright.
      def outside_across_mm =
        round? ? top_mm + (2 * wall_mm) : Math.hypot(width_mm + (2 * wall_mm), length_mm + (2 * wall_mm))
      def outside_depth_mm = depth_mm + freeboard_mm + wall_mm

      # [[piece, how many, long mm, wide mm], ...] to saw from sheet; empty for a mould that is bought or found. Sides
      # go round the ends, all on the base.
      def cut_list
        return [] unless type == "sheet"

        tall = depth_mm + freeboard_mm
        [
          ["base", 1, length_mm + (2 * wall_mm), width_mm + (2 * wall_mm)],
          ["side", 2, length_mm + (2 * wall_mm), tall],
          ["end", 2, width_mm, tall]
        ]
      end

      # [width, length] or [across] inside, mm.
      def inside_mm = round? ? [across_mm] : [width_mm, length_mm]

      # J/K that every mm2 of its floor takes up.
      def heat_j_k_mm2 = wall_mm * Table["casting"]["mould"]["heat_j_cm3_k"] / 1000

      def round? = %w[tube cup].include?(type)

      private

      def across_mm = @size[:diameter_mm].to_f
      def top_mm = (@size[:top_mm] || @size[:diameter_mm]).to_f
      def width_mm = @size[:width_mm].to_f
      def length_mm = @size[:length_mm].to_f
      def wall_mm = (@size[:sheet_mm] || 3).to_f
      def freeboard_mm = Table["casting"]["mould"]["freeboard_mm"]

      def faults_at(at)
        needs = NEEDS.fetch(type)
        given = @size.keys - %i[type depth_mm displaced_ml]
        wrong =
          (needs - given).map { |key| [key, Fault.t("is_missing")] } +
            (given - needs - MAY.fetch(type, [])).map { |key| [key, Fault.t("is_no_size_of_such_a", type: type)] }
        wrong.map do |key, problem|
          Fault.new(
            path: "#{at}/#{key}",
            problem: problem,
            allowed: Fault.t("such_a_shape_needs", type: type, needs: [*needs, :depth_mm].join(", "))
          )
        end
      end
    end
  end
end
