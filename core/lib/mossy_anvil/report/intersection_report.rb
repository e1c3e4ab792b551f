# frozen_string_literal: true

module MossyAnvil
  module Report
    # Which cracks run into each other, and what they free between them, as plain data.
    class IntersectionReport
      def initialize(solid, workings)
        @solid = solid
        @workings = workings
      end

      def to_h
        {
          meetings:
            @solid.meetings.map { |meeting| met(meeting, true) } +
              doubted_meetings.map { |meeting| met(meeting, false) },
          freed:
            @solid.freed.each_with_index.map do |piece, index|
              { ids: piece.ids, volume_mm3: piece.volume_mm3, mass_g: mass_g(piece, index), **place(piece) }
            end
        }
      end

      private

      def met(meeting, likely) = { ids: meeting.ids, likely: likely, **place(meeting) }

      # Those that would meet if every crack were as deep as it may be, and do not as surveyed.
      def doubted_meetings
        worst = @solid.blank.at_worst or return []
        sure = @solid.meetings.map(&:ids)
        Model::DefectIntersections.new(worst).all.reject { |meeting| sure.include?(meeting.ids) }
      end

      def place(found) = { clock_deg: found.clock_deg, r_mm: found.radius_mm, z_mm: found.z_mm }

      def mass_g(piece, index)
        density = @solid.blank.material.density_kg_m3
        @workings.put(
          "/freed/#{index}/mass_g",
          value: piece.volume_mm3 * density * 1e-6,
          unit: "g",
          certainty: :rule_of_thumb,
          formula: "density_times_what_cannot_be",
          source: "cells_of_a_few_mm",
          inputs: {
            "volume" => [piece.volume_mm3, "mm3"],
            "density" => [density, "kg/m3"]
          }
        )
      end
    end
  end
end
