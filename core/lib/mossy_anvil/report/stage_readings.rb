# frozen_string_literal: true

module MossyAnvil
  module Report
    # What a stage comes to on the lathe, of any state the piece goes through on its route: each calculated once,
    # whichever way it came there. Its water is taken as surveyed throughout, as everywhere at Turn: drier wood is
    # lighter and may turn no slower.
    class StageReadings
      KEYS = %i[limit_rpm unsafe mass_g volume_mm3 governed_by].freeze
      KEPT = 1

      # material: as surveyed.
      def initialize(material, climate, fineness)
        @material = material
        @climate = climate
        @fineness = fineness
        @solids, @read, @reports = {}, {}, {}
      end

      # { limit_rpm:, unsafe:, mass_g:, volume_mm3:, governed_by: }, at worst where a depth is in doubt.
      def call(blank, stage)
        blank = as_surveyed(blank)
        state = key(blank)
        @read[[state, stage]] ||= worst(report(blank, stage), solids(state, blank).drop(1), stage)
      end

      # The painted solid of a blank with its water as surveyed; and all its stages, [name, StageReport as plain data].
      def solid(blank) = solids(key(blank), blank).first
      def reports(blank) = Solid::Stage.names_for(blank).map { |name| [name, report(blank, name)] }

      # What FinishReport says of the finished piece, plain data; its speed at worst where a depth is in doubt.
      def papers(blank)
        (@papers ||= {})[key(blank)] ||= begin
          name = Solid::Stage.names_for(blank).last
          last = report(blank, name).merge(call(blank, name).slice(:limit_rpm))
          FinishReport.new(solid(blank), { name => last }, Workings.new).to_h
        end
      end

      # The same with its water as surveyed.
      def as_surveyed(blank)
        resin = blank.material.resin_kg_m3
        return blank.with_material(@material) if resin == @material.resin_kg_m3

        blank.with_material(@material.at(moisture_pct: @material.moisture_pct, resin_kg_m3: resin))
      end

      # Forgets the solids, by far the most of the memory; one that is asked for again is worked out again.
      def let_go
        @solids.clear
        GC.start
      end

      # Two blanks of one route differ in their form, their resin and their defects.
      def key(blank) = [blank.form, blank.material.resin_kg_m3, blank.defects.map(&:to_document)]

      private

      # The painted solid, and the one at worst where there is one. The last of them alone are kept: they are large, and
      # a route asks for its states one after another.
      def solids(state, blank)
        let_go_of_first if @solids.size > KEPT && !@solids.key?(state)
        @solids[state] ||= [blank, blank.at_worst].compact.map do |one|
          SolidAnalysis.new(one.on_centres, @climate, @fineness)
        end
      end

      # Ruby does not see how large the arrays in them are, and would leave many lying about.
      def let_go_of_first
        @solids.shift
        GC.start
      end

      def report(blank, stage)
        @reports[[key(blank), stage]] ||= StageReport.new(stage, solid(blank), Workings.new).to_h
      end

      def worst(report, solids, stage)
        found = report.slice(*KEYS)
        other = solids.map { |solid| StageReport.new(stage, solid, Workings.new).to_h }.first
        slower = other && other[:limit_rpm] < found[:limit_rpm]
        slower ? found.merge(other.slice(:limit_rpm, :unsafe, :governed_by)) : found
      end
    end
  end
end
