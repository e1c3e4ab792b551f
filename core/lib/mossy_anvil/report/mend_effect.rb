# frozen_string_literal: true

module MossyAnvil
  module Report
    # What a blank as it stands comes to on the lathe: the least there is to know before and after a step of mending.
    class MendEffect
      KEYS = %i[limit_rpm governed_by burst_rpm mass_g imbalance_g_mm unsafe].freeze

      # As #to_h of the blank with those stages of its assessment, plain data.
      def self.of_stages(stages)
        { first: stages.values.first, last: stages.values.last }.transform_values { |stage| stage.slice(*KEYS) }
      end

      # scene: MendContext. fineness as of an assessment.
      def initialize(scene, fineness: :default)
        @scene = scene
        @fineness = fineness
      end

      # { first: as it goes on the lathe, last: finished }, each { limit_rpm:, governed_by:, burst_rpm: (nil: nothing
      # pulls), mass_g:, imbalance_g_mm:, unsafe: }.
      def to_h
        solid = SolidAnalysis.new(@scene.blank.on_centres, @scene.climate, @fineness)
        names = Solid::Stage.names_for(@scene.blank)
        { first: names.first, last: names.last }.transform_values do |name|
          StageReport.new(name, solid, Workings.new).to_h.slice(*KEYS)
        end
      end
    end
  end
end
