# frozen_string_literal: true

module MossyAnvil
  module Formats
    # What must hold between the values of one blank, once each is well formed by itself.
    class BlankRules
      SLACK_MM = FormRules::SLACK_MM
      LONGEST_RATIO = 100
      # Defects that fit a shape.
      FITTING = Cache.new(1000)

      # data: symbol-keyed, passed by the schema.
      def initialize(data)
        @data = data
        @faults = []
      end

      # List of Fault, empty where all is well.
      def faults
        check_shape
        check_resin
        check_days
        check_own_steps
        return @faults if @faults.any?

        check_defects
        check_tests
        @faults.concat(FormRules.new(@shape, @data, "").faults)
        (@data[:sketches] || []).each_with_index do |sketch, index|
          @faults.concat(FormRules.new(@shape, sketch, "/sketches/#{index}").faults)
        end
        check_lathe if @data[:lathe]
        @faults
      end

      private

      def fault(path, problem, allowed)
        @faults << Fault.new(path: path, problem: problem, allowed: allowed)
      end

      # What is drawn into the wood is part of what it weighs.
      def check_resin
        resin, whole = @data[:material].values_at(:resin_kg_m3, :density_kg_m3)
        return unless resin && resin >= whole
        fault("/material/resin_kg_m3", Fault.t("is", given: resin), Fault.t("less_than_its_density", whole: whole))
      end

      def check_days
        days.each do |path, day|
          fault(path, Fault.t("is", given: day), Fault.t("a_day_there_is")) unless day.nil? || Days.day?(day)
        end
        (@data[:readings] || []).each_with_index do |reading, index|
          unless Days.time?(reading[:taken_at])
            fault("/readings/#{index}/taken_at", Fault.t("is", given: reading[:taken_at]), Fault.t("a_time_there_is"))
          end
        end
      end

      # [[path, day or nil], ...] of all there are.
      def days
        lists = {
          "/defects" => [@data[:defects], :found_on],
          "/route/done" => [@data.dig(:route, :done), :on],
          "/survey/seen" => [@data.dig(:survey, :seen), :on]
        }
        of_lists =
          lists.flat_map do |path, (list, key)|
            (list || []).each_with_index.map { |one, index| ["#{path}/#{index}/#{key}", one[key]] }
          end
        [%i[intake got_on], %i[commission due_on]].map { |path| ["/#{path.join("/")}", @data.dig(*path)] } + of_lists
      end

      # Steps of one's own are told apart by their ids.
      def check_own_steps
        ids = (@data.dig(:route, :own) || []).map { |step| step[:id] }
        ids.each_with_index do |id, index|
          if ids.first(index).include?(id)
            fault("/route/own/#{index}/id", Fault.t("is_used_twice", id: id), Fault.t("each_step_its_own"))
          end
        end
      end

      def check_shape
        kind, measures = @data[:shape][:type], @data[:shape].except(:type)
        return if kind == "outline" && !stations_in_order?(measures[:stations])

        @shape = Model::Blank.shape_from(@data[:shape])
        unless @shape.axis_inside?
          return(
            fault(
              "/shape/centre_offset_mm",
              Fault.t("leaves_the_lathe_axis_outside_the_wood"),
              Fault.t("the_axis_must_pass_through_the_blank")
            )
          )
        end

        extents = [@shape.max_radius_mm * 2, @shape.length_mm]
        return unless extents.max > extents.min * LONGEST_RATIO
        fault(
          "/shape",
          Fault.t("is_times_longer_one_way_than_the", longest_ratio: LONGEST_RATIO),
          Fault.t("check_the_units")
        )
      end

      def stations_in_order?(stations)
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
        @faults.empty?
      end

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

          reach = surface_at(at)
          next unless at[:r_mm] > reach + SLACK_MM
          fault(
            "/readings/#{index}/at/r_mm",
            Fault.t("is", given: at[:r_mm]),
            Fault.t("at_most_mm_from_the_axis_there", reach: reach.round(1))
          )
        end
      end

      def check_face_point(point, at)
        unless point[:r_mm]
          return fault("#{at}/r_mm", Fault.t("is_missing"), Fault.t("on_a_face_every_point_needs_its"))
        end

        reach = surface_at(point)
        return unless point[:r_mm] > reach + SLACK_MM
        fault(
          "#{at}/r_mm",
          Fault.t("is", given: point[:r_mm]),
          Fault.t("on_the_face_at_most_mm_from", reach: reach.round(1))
        )
      end

      def outside_length?(z_mm, path)
        return false if z_mm <= @shape.length_mm + 1e-9

        fault(path, Fault.t("is", given: z_mm), Fault.t("within_the_blank_to_mm_from_the", length_mm: @shape.length_mm))
        true
      end

      def surface_at(place)
        @shape.radius_mm(Numo::DFloat[place[:clock_deg]], Numo::DFloat[place[:z_mm]])[0]
      end

      def check_lathe = @faults.concat(Model::Lathe.faults(@data[:lathe], at: "/lathe"))
    end
  end
end
