# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # A plan played on one truth from its first step to its last, or to the one it is lost at.
    class Play
      # meets: list of Meets::Step.
      def initialize(meets)
        @meets = meets
      end

      # List of Hazards::Event, in order. pace: { step id => share of the planned speed }.
      def events(pace: {})
        @meets.each_with_object([]) do |met, list|
          rpm = met.step.rpm * pace.fetch(met.step.id, 1.0)
          happened(met, rpm, list).each do |event|
            list << event
            return list if event.lost?
          end
        end
      end

      private

      # What has flown off, been struck or been opened once is gone.
      def happened(met, rpm, before)
        Hazards.new(met, rpm).all.reject { |event| event.of && before.any? { |one| one.of == event.of } }
      end
    end
  end
end
