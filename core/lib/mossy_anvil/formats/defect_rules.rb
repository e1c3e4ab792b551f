# frozen_string_literal: true

module MossyAnvil
  module Formats
    # What must hold between the wood and what was found in it: defects, and tests in the hand.
    class DefectRules
      include FaultList

      SLACK_MM = FormRules::SLACK_MM
      # Defects that fit a shape.
      FITTING = Cache.new(1000)

      # shape: of the blank. data: symbol-keyed, passed by the schema.
      def initialize(shape, data)
        @shape = shape
        @data = data
        @faults = []
      end

      # List of Fault, empty where all is well.
      def faults
        check_defects
        check_tests
        @faults
      end

      private

      def check_defects
        seen = {}
        @data[:defects].each_with_index do |defect, index|
          path = "/defects/#{index}"
          if seen[defect[:id]]
            fault("#{path}/id", Fault.t("is_used_twice", id: defect[:id]), Fault.t("each_defect_its_own"))
          end
          seen[defect[:id]] = true
          FITTING.found([@shape, defect]) || check_fit(defect, path)
        end
      end

      def check_fit(defect, path)
        before = @faults.size
        defect[:centre] ? check_body(defect, path) : check_path(defect, path)
        FITTING.keep([@shape, defect], true) if @faults.size == before
      end

      # A pocket may be centred a little outside, if part of it is in the wood.
      def check_centre(defect, path)
        centre = defect[:centre]
        limit = surface_at(centre) + (defect[:size_mm][0] / 2.0)
        return if centre[:r_mm] < limit

        allowed = Fault.t("in_the_wood_at_most_mm_from", limit: limit.round(1))
        fault("#{path}/centre/r_mm", Fault.t("is", given: centre[:r_mm]), allowed)
      end

      def check_body(defect, path)
        return if outside_length?(defect[:centre][:z_mm], "#{path}/centre/z_mm")

        check_centre(defect, path)
        defect[:size_mm].each_with_index do |extent, axis|
          widest = axis == 2 ? @shape.length_mm * 2 : @shape.max_radius_mm * 4
          next unless extent > widest
          fault(
            "#{path}/size_mm/#{axis}",
            Fault.t("is", given: extent),
            Fault.t("at_most_mm_twice_the_blank", widest: widest.round(1))
          )
        end
      end

      def check_path(defect, path)
        defect[:path].each_with_index do |point, index|
          at = "#{path}/path/#{index}"
          check_depth(defect, point[:depth_mm], "#{at}/depth_mm") if point[:depth_mm]
          next if outside_length?(point[:z_mm], "#{at}/z_mm")
          next if defect[:enters] == "side"

          check_face_point(point, at)
        end
        check_range(defect, path)
        check_depth(defect, defect[:depth_mm], "#{path}/depth_mm")
      end

      def check_depth(defect, depth_mm, at)
        deepest = defect[:enters] == "side" ? @shape.max_radius_mm * 2 : @shape.length_mm
        return unless depth_mm > deepest + SLACK_MM
        fault(at, Fault.t("is", given: depth_mm), Fault.t("at_most_mm_right_through", deepest: deepest.round(1)))
      end

      # The range is of the depth where it is deepest.
      def check_range(defect, path)
        least, most = defect[:depth_range_mm]
        likely = defect[:path].map { |point| point[:depth_mm] || defect[:depth_mm] }.max
        return if least.nil? || likely.between?(least, most)

        fault(
          "#{path}/depth_range_mm",
          Fault.t("is_a_range", least: least, most: most),
          Fault.t("from_no_more_to_no_less_than", likely: likely)
        )
      end

      # A test is made on the wood.
      def check_tests
        (@data[:readings] || []).each_with_index do |reading, index|
          at = reading[:at] or next
          next if outside_length?(at[:z_mm], "/readings/#{index}/at/z_mm") || at[:r_mm].nil?

          check_radius(at, "/readings/#{index}/at", "at_most_mm_from_the_axis_there")
        end
      end

      def check_face_point(point, at)
        unless point[:r_mm]
          return fault("#{at}/r_mm", Fault.t("is_missing"), Fault.t("on_a_face_every_point_needs_its"))
        end

        check_radius(point, at, "on_the_face_at_most_mm_from")
      end

      # No farther from the axis than there is wood. key: of what is allowed.
      def check_radius(place, at, key)
        reach = surface_at(place)
        return unless place[:r_mm] > reach + SLACK_MM

        fault("#{at}/r_mm", Fault.t("is", given: place[:r_mm]), Fault.t(key, reach: reach.round(1)))
      end

      def outside_length?(z_mm, path)
        return false if z_mm <= @shape.length_mm + 1e-9

        fault(path, Fault.t("is", given: z_mm), Fault.t("within_the_blank_to_mm_from_the", length_mm: @shape.length_mm))
        true
      end

      def surface_at(place)
        @shape.radius_mm(Numo::DFloat[place[:clock_deg]], Numo::DFloat[place[:z_mm]])[0]
      end
    end
  end
end
