# frozen_string_literal: true

module MossyAnvil
  module Formats
    # What must hold between the measures of a blank's shape.
    class ShapeRules
      include FaultList

      LONGEST_RATIO = 100

      # given: as in a blank file, symbol-keyed, passed by the schema.
      def initialize(given)
        @given = given
        @faults = []
      end

      # List of Fault, empty where all is well.
      def faults
        check_order(@given[:stations]) if @given[:type] == "outline"
        check_extents if @faults.empty?
        @faults
      end

      # Only of measures that are in order.
      def shape = @shape ||= Model::Blank.shape_from(@given)

      private

      def check_extents
        unless shape.axis_inside?
          return(
            fault(
              "/shape/centre_offset_mm",
              Fault.t("leaves_the_lathe_axis_outside_the_wood"),
              Fault.t("the_axis_must_pass_through_the_blank")
            )
          )
        end

        extents = [shape.max_radius_mm * 2, shape.length_mm]
        return unless extents.max > extents.min * LONGEST_RATIO
        fault(
          "/shape",
          Fault.t("is_times_longer_one_way_than_the", longest_ratio: LONGEST_RATIO),
          Fault.t("check_the_units")
        )
      end

      def check_order(stations)
        unless stations[0][:z_mm].zero?
          fault(
            "/shape/stations/0/z_mm",
            Fault.t("is", given: stations[0][:z_mm]),
            Fault.t("the_first_station_is_at_the_head")
          )
        end
        stations
          .each_cons(2)
          .with_index(1) do |(before, here), index|
            next if here[:z_mm] > before[:z_mm]

            fault(
              "/shape/stations/#{index}/z_mm",
              Fault.t("is", given: here[:z_mm]),
              Fault.t("more_than_the_station_before", z_mm: before[:z_mm])
            )
          end
      end
    end
  end
end
