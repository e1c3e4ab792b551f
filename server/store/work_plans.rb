# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # What is left to do of each blank on the rack, as it was worked out last.
      class WorkPlans
        def initialize(db)
          @db = db
        end

        # Rows of the rack by number, each with what its plan is worked out from and what was worked out: id, number,
        # name, version, due_on, asked_for, wait_started_at, readings, weighed_at, lathe, made_for, made_at, plan.
        def rack
          of_the_rack
            .select(*%i[id number name version due_on asked_for wait_started_at].map { |key| Sequel[:blanks][key] })
            .select_append(Sequel[:lathes][:name].as(:lathe), :made_for, :made_at, :plan)
            .select_append(of_readings { count.function.* }.as(:readings))
            .select_append(of_readings { max(:taken_at) }.where(kind: "mass").as(:weighed_at))
            .order(Sequel.asc(:number, nulls: :last), Sequel[:blanks][:id])
            .all
        end

        def keep(id, made_for, plan, now)
          row = { made_for: made_for, made_at: now, plan: Sequel.pg_jsonb_wrap(plan) }
          @db[:work_plans].insert_conflict(target: :blank_id, update: row).insert(**row, blank_id: id)
        end

        private

        def of_the_rack
          practised_on = @db[:practices].select(:blank_id)
          @db[:blanks]
            .where(put_away_at: nil)
            .exclude(Sequel[:blanks][:id] => practised_on)
            .left_join(:work_plans, blank_id: Sequel[:blanks][:id])
            .left_join(:lathes, id: Sequel[:blanks][:lathe_id])
        end

        def of_readings(&) = @db[:readings].where(blank_id: Sequel[:blanks][:id]).select(&)
      end
    end
  end
end
