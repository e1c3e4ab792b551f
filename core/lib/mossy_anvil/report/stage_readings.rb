# frozen_string_literal: true

module MossyAnvil
  module Report
    # What a stage comes to on the lathe, of any state the piece goes through on its route: each calculated once,
    # whichever way it came there.
    class StageReadings
      KEYS = %i[limit_rpm unsafe mass_g volume_mm3 governed_by].freeze

      def initialize(climate, fineness)
        @climate = climate
        @fineness = fineness
        @states = {}
      end

      # { limit_rpm:, unsafe:, mass_g:, volume_mm3:, governed_by: }, at worst where a depth is in doubt.
      def call(blank, stage) = state(blank).call(stage)

      private

      # Two blanks of one route differ in their form, their water and resin, and their defects.
      def state(blank)
        key = [blank.form, blank.material.moisture_pct, blank.material.resin_kg_m3, blank.defects.map(&:to_document)]
        @states[key] ||= State.new(blank, @climate, @fineness)
      end

      # One of them, with its worst case.
      class State
        def initialize(blank, climate, fineness)
          @solids = [blank, blank.at_worst].compact.map { |one| SolidAnalysis.new(one.on_centres, climate, fineness) }
          @read = {}
        end

        def call(stage) =
          @read[stage] ||= begin
            found, worst = @solids.map { |solid| StageReport.new(stage, solid, Workings.new).to_h.slice(*KEYS) }
            slower = worst && worst[:limit_rpm] < found[:limit_rpm]
            slower ? found.merge(worst.slice(:limit_rpm, :unsafe, :governed_by)) : found
          end
      end
      private_constant :State
    end
  end
end
