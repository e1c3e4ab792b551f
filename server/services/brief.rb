# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # What the rack shows of a blank, taken from an assessment: is it ready for a hand, what is next and at which
      # station, and how long it waits.
      class Brief
        DAY_S = 86_400
        # Of a blank that takes too much to calculate: it stands on the rack, and nothing is said of when it is ready
        # for what.
        UNKNOWN = {
          ready: true,
          note: "survey",
          state: "survey",
          wait_started_at: nil,
          wait_earliest_at: nil,
          wait_ends_at: nil
        }.freeze

        # assessment: the core's plain data. now: Time. started_at: when the present wait began, nil for now.
        def initialize(assessment, now:, started_at: nil)
          @move = assessment[:next_move]
          @now = now
          @started_at = started_at || now
        end

        # Columns of the blanks table.
        def to_h
          {
            ready: @move[:ready],
            note: @move[:station],
            state: @move[:key].delete_prefix("move."),
            wait_started_at: ends_at && [@started_at, @now].min,
            wait_earliest_at: ends_at && earliest_at,
            wait_ends_at: ends_at
          }
        end

        private

        def ends_at = in_days("left")
        def earliest_at = [in_days("early") || ends_at, ends_at].min

        # Time so many days from now as the move says by that name; nil where it waits for nothing.
        def in_days(name)
          return if @move[:ready]

          days = @move[:amounts].dig(name.to_sym, :value) or return
          @now + (days * DAY_S)
        end
      end
    end
  end
end
