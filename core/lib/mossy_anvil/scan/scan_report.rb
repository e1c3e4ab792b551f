# frozen_string_literal: true

module MossyAnvil
  module Scan
    # A scan turned onto the lathe axis, centred, and cut to stations: a measured outline and what it keeps of the scan.
    class ScanReport
      UNITS_MM = { "mm" => 1.0, "cm" => 10.0, "m" => 1000.0, "in" => 25.4 }.freeze
      # The file's axis that becomes z, with the two that become x (3 o'clock) and y (12).
      AXES = { "x" => [1, 2, 0], "y" => [2, 0, 1], "z" => [0, 1, 2] }.freeze
      ALIKE = 0.03
      # What a lump measures each way, mm: less is flat, more is another unit.
      LEAST_MM, MOST_MM = 1.0, 5000.0

      # bytes: of an STL or OBJ file. unit: of its lengths; axis: which of its axes is to be the lathe's, its low end to
      # the head unless `reversed`.
      # Raises InvalidInput at `at`.
      def initialize(bytes, unit: "mm", axis: "z", reversed: false, at: "")
        @at = at
        @mesh = stood(sized(MeshFile.read(bytes, scale: UNITS_MM.fetch(unit), at: at)), AXES.fetch(axis), reversed)
        @stations = checked(Stations.new(@mesh, at: at).to_a)
      end

      # Plain data: stations as in a blank file, what was measured of the scan itself, and how far the outline is from
      # it.
      def to_h
        {
          stations: @stations,
          triangles: @mesh.size,
          closed: @mesh.closed?,
          extents_mm: @mesh.extents_mm.map { |low, high| high - low },
          volume_mm3: @mesh.volume_mm3,
          area_mm2: @mesh.area_mm2,
          centre_z_mm: @mesh.centre_mm[2],
          outline_mm3: outline_mm3,
          says: says
        }
      end

      private

      def sized(mesh)
        sizes = mesh.extents_mm.map { |low, high| high - low }
        return mesh if sizes.all? { |size| size.between?(LEAST_MM, MOST_MM) }

        raise InvalidInput.at(
                @at,
                Fault.t("measures_mm", list: sizes.map { |size| format("%.4g", size) }.join(" by ")),
                Fault.t("to_mm_each_way_choose_another_unit", least_mm: LEAST_MM.round, most_mm: MOST_MM.round)
              )
      end

      # Turned so that its axis is z, through its own middle, standing on z = 0.
      def stood(mesh, from, reversed)
        # Turned about 12 o'clock, x runs the other way too: a lump is turned, never mirrored.
        signs = reversed ? [-1, 1, -1] : [1, 1, 1]
        middle, extents = from.map { |axis| mesh.centre_mm[axis] }, from.map { |axis| mesh.extents_mm[axis] }
        foot = reversed ? extents[2][1] : -extents[2][0]
        mesh.turned(from, signs, [-middle[0] * signs[0], -middle[1] * signs[1], foot])
      end

      def checked(stations)
        outside = stations.find { |station| station[:radii_mm].any?(&:nil?) }
        return stations unless outside

        raise InvalidInput.at(
                @at,
                Fault.t("does_not_close_round_its_axis_mm", z_mm: outside[:z_mm].round(1)),
                Fault.t("a_closed_lump_that_its_axis_runs")
              )
      end

      def outline_mm3
        @outline_mm3 ||=
          begin
            grid = Solid::Grid.new(Model::Outline.new(stations: @stations))
            ((grid.surface_mm**2) / 2).sum * grid.angular_step_rad * grid.axial_step_mm
          end
      end

      def says
        return [say("holes")] unless @mesh.closed?
        return [] if ((outline_mm3 / @mesh.volume_mm3) - 1).abs <= ALIKE

        [say("differs", outline: [outline_mm3, "mm3"], scan: [@mesh.volume_mm3, "mm3"])]
      end

      def say(key, **amounts) = { tone: "care", figure: nil, **Message.of("scan.#{key}", **amounts) }
    end
  end
end
