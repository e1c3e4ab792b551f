# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # What a rehearsal has taken so far, what happened in it, and which signs there were.
    class RehearsalRecord
      # minutes of work, days waited, money spent beside the hours; events: list of Hazards::Event; signs: [{ act:,
      # step:, rpm:, key:, level:, warns_of: }, ...]; found: [{ act:, kind:, ... }, ...]; ended: Ending or nil.
      attr_reader :minutes, :waited_days, :spent, :events, :signs, :found, :ended

      def initialize
        @minutes = @waited_days = @spent = 0.0
        @events, @signs, @found = [], [], []
      end

      def take(minutes: 0.0, days: 0.0, cost: 0.0)
        @minutes += minutes
        @waited_days += days
        @spent += cost
      end

      # events: list of Hazards::Event, of which each comes to pass once only; the first that ends it is the last. rpm:
      # it turns at; gone: ids of what is no longer there.
      def happen(events, rpm:, gone:)
        events.each do |event|
          next if ended || known?(event, gone)

          @events << event
          take(
            minutes: event.row["adds_min"].to_f,
            days: event.row["adds_days"].to_f,
            cost: event.row["adds_cost"].to_f
          )
          @ended = Ending.new(event, rpm, before(event)) if event.lost? || injures?(event)
        end
      end

      # It came through all its steps.
      def finish = @ended = Ending.new(nil, nil, [])

      private

      # What has flown off, been struck or been opened once is gone; the rest happens once a step.
      def known?(event, gone)
        return true if event.of && gone.include?(event.of)

        events.any? { |one| event.of ? one.of == event.of : [one.step, one.key] == [event.step, event.key] }
      end

      def injures?(event) = event.energy_j >= Table["odds"]["injury"]["at_face_j"]
      def before(event) = signs.select { |sign| sign[:warns_of] == event.key }
    end
  end
end
