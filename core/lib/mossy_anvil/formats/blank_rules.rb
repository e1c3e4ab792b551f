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
        fault("/material/resin_kg_m3", "is #{resin}", "less than its density, #{whole}") if resin && resin >= whole
      end

      def check_days
        days.each { |path, day| fault(path, "is #{day}", "a day there is") unless day.nil? || Days.day?(day) }
        (@data[:readings] || []).each_with_index do |reading, index|
          unless Days.time?(reading[:taken_at])
            fault("/readings/#{index}/taken_at", "is #{reading[:taken_at]}", "a time there is")
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
          fault("/route/own/#{index}/id", "is used twice (#{id})", "each step its own") if ids.first(index).include?(id)
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
              "leaves the lathe axis outside the wood",
              "the axis must pass through the blank"
            )
          )
        end

        extents = [@shape.max_radius_mm * 2, @shape.length_mm]
        return unless extents.max > extents.min * LONGEST_RATIO
        fault("/shape", "is #{LONGEST_RATIO} times longer one way than the other", "check the units")
      end

      def stations_in_order?(stations)
        unless stations[0][:z_mm].zero?
          fault("/shape/stations/0/z_mm", "is #{stations[0][:z_mm]}", "the first station is at the head-end face, 0")
        end
        stations
          .each_cons(2)
          .with_index(1) do |(before, here), index|
            next if here[:z_mm] > before[:z_mm]

            fault(
              "/shape/stations/#{index}/z_mm",
              "is #{here[:z_mm]}",
              "more than the station before, #{before[:z_mm]}"
            )
          end
        @faults.empty?
      end

      def check_defects
        seen = {}
        @data[:defects].each_with_index do |defect, index|
          path = "/defects/#{index}"
          fault("#{path}/id", "is used twice (#{defect[:id]})", "each defect its own") if seen[defect[:id]]
          seen[defect[:id]] = true
          FITTING.found([@shape, defect]) || check_fit(defect, path)
        end
      end

      def check_fit(defect, path)
        before = @faults.size
        defect[:centre] ? check_body(defect, path) : check_path(defect, path)
        FITTING.keep([@shape, defect], true) if @faults.size == before
      end

      def check_body(defect, path)
        centre = defect[:centre]
        return if outside_length?(centre[:z_mm], "#{path}/centre/z_mm")

        reach = surface_at(centre)
        # A pocket may be centred a little outside, if part of it is in the wood.
        limit = reach + (defect[:size_mm][0] / 2.0)
        if centre[:r_mm] >= limit
          fault(
            "#{path}/centre/r_mm",
            "is #{centre[:r_mm]}",
            "in the wood, at most #{limit.round(1)} mm from the axis there"
          )
        end
        defect[:size_mm].each_with_index do |extent, axis|
          widest = axis == 2 ? @shape.length_mm * 2 : @shape.max_radius_mm * 4
          if extent > widest
            fault("#{path}/size_mm/#{axis}", "is #{extent}", "at most #{widest.round(1)} mm, twice the blank")
          end
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
        fault(at, "is #{depth_mm}", "at most #{deepest.round(1)} mm, right through") if depth_mm > deepest + SLACK_MM
      end

      # The range is of the depth where it is deepest.
      def check_range(defect, path)
        least, most = defect[:depth_range_mm]
        likely = defect[:path].map { |point| point[:depth_mm] || defect[:depth_mm] }.max
        return if least.nil? || likely.between?(least, most)

        fault(
          "#{path}/depth_range_mm",
          "is #{least} to #{most}",
          "from no more to no less than the likely depth, #{likely} mm"
        )
      end

      # A test is made on the wood.
      def check_tests
        (@data[:readings] || []).each_with_index do |reading, index|
          at = reading[:at] or next
          next if outside_length?(at[:z_mm], "/readings/#{index}/at/z_mm") || at[:r_mm].nil?

          reach = surface_at(at)
          if at[:r_mm] > reach + SLACK_MM
            fault("/readings/#{index}/at/r_mm", "is #{at[:r_mm]}", "at most #{reach.round(1)} mm from the axis there")
          end
        end
      end

      def check_face_point(point, at)
        unless point[:r_mm]
          return fault("#{at}/r_mm", "is missing", "on a face every point needs its distance from the axis")
        end

        reach = surface_at(point)
        return unless point[:r_mm] > reach + SLACK_MM
        fault("#{at}/r_mm", "is #{point[:r_mm]}", "on the face, at most #{reach.round(1)} mm from the axis there")
      end

      def outside_length?(z_mm, path)
        return false if z_mm <= @shape.length_mm + 1e-9

        fault(path, "is #{z_mm}", "within the blank, 0 to #{@shape.length_mm} mm from the head-end face")
        true
      end

      def surface_at(place)
        @shape.radius_mm(Numo::DFloat[place[:clock_deg]], Numo::DFloat[place[:z_mm]])[0]
      end

      def check_lathe = @faults.concat(Model::Lathe.faults(@data[:lathe], at: "/lathe"))
    end
  end
end
