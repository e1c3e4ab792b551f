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

        # Moves that come before any plan.
        BEFORE_A_PLAN = %w[move.free move.take_out move.look_over move.draw_form].freeze
        # Where a stretch of the route is done.
        STATIONS = { "close" => "log" }.freeze

        # Does such an assessment ask for the plan of the whole work beside it?
        def self.planned?(assessment) = !BEFORE_A_PLAN.include?(assessment[:next_move][:key])

        # assessment: the core's plain data. now: Time. started_at: when the present wait began, nil for now. plan: as
        # WorkPlan#to_h, nil where it has none; what it says counts, unless it is stopped at once.
        def initialize(assessment, now:, started_at: nil, plan: nil)
          @move = assessment[:next_move]
          @now = now
          @started_at = started_at || now
          @plan = plan unless plan && plan[:stopped] && plan[:steps].empty?
        end

        # Columns of the blanks table.
        def to_h
          {
            **at,
            wait_started_at: ends_at && [@started_at, @now].min,
            wait_earliest_at: ends_at && earliest_at,
            wait_ends_at: ends_at
          }
        end

        private

        def step = @plan && @plan[:steps].first

        # Ready for a hand?, station and state.
        def at
          return { ready: @move[:ready], note: @move[:station], state: @move[:key].delete_prefix("move.") } unless @plan
          return { ready: true, note: "log", state: "done" } unless step

          stretch = step[:stretch]
          { ready: !step[:running], note: STATIONS.fetch(stretch, stretch), state: step[:kind] }
        end

        def ends_at = in_days("left")
        def earliest_at = [in_days("early") || ends_at, ends_at].min

        # Time so many days from now as the plan or the move says by that name; nil where it waits for nothing.
        def in_days(name)
          days = @plan ? of_plan(name) : of_move(name)
          days && (@now + (days * DAY_S))
        end

        def of_move(name) = @move[:ready] ? nil : @move[:amounts].dig(name.to_sym, :value)
        def of_plan(name)
          wait = step && step[:running] ? step[:wait_days] : nil
          wait && wait[name == "left" ? :likely : :earliest]
        end
      end
    end
  end
end
