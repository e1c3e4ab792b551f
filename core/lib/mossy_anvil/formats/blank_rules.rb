# frozen_string_literal: true

module MossyAnvil
  module Formats
    # What must hold between the values of one blank, once each is well formed by itself.
    class BlankRules
      include FaultList

      # data: symbol-keyed, passed by the schema.
      def initialize(data)
        @data = data
        @faults = []
      end

      # List of Fault, empty where all is well.
      def faults
        shape = ShapeRules.new(@data[:shape])
        @faults.concat(shape.faults)
        check_resin
        check_days
        check_own_steps
        return @faults if @faults.any?

        check_with(shape.shape)
        check_lathe if @data[:lathe]
        @faults
      end

      private

      # What lies in or on the wood.
      def check_with(shape)
        @faults.concat(DefectRules.new(shape, @data).faults)
        laid = [["", @data], *(@data[:sketches] || []).each_with_index.map { |one, index| ["/sketches/#{index}", one] }]
        laid.each { |at, one| @faults.concat(FormRules.new(shape, one, at).faults) }
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

      def check_lathe = @faults.concat(Model::Lathe.faults(@data[:lathe], at: "/lathe"))
    end
  end
end
