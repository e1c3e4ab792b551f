# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # Blanks to practise on: each a blank of its own that is on nobody's rack, with a truth nobody has seen.
      class Practices
        # by: name of whoever practises, nil where nobody is known.
        def initialize(db, by: nil)
          @db = db
          @by = by
        end

        def begin(blank_id, seed, level, now) =
          @db[:practices].insert(blank_id: blank_id, seed: seed, level: level, by: @by, begun_at: now)

        # Its row, with what was told of it as plain data; nil where that blank is none, or there is none.
        def of_blank(blank_id) =
          @db[:practices][blank_id: blank_id]&.then { |row| { **row, told: Rows.data(row[:told]) } }

        # The same; raises NotFound.
        def find(blank_id) =
          of_blank(blank_id) || raise(NotFound, Problems.text("refused.there_is_no_practice", id: blank_id))

        # All of them, the newest first.
        def all = @db[:practices].order(Sequel.desc(:blank_id)).select_all.all.map { |row| row.except(:told) }

        # Adds minutes of tests; raises InvalidInput where there are not so many left, or it has ended.
        def spend(blank_id, minutes, most)
          spent =
            @db[:practices]
              .where(blank_id: blank_id, ended_at: nil)
              .where(Sequel[:minutes] + minutes <= most + 1e-9)
              .update(minutes: Sequel[:minutes] + minutes)
          refuse("no_minutes_left", most.to_s) if spent.zero?
        end

        # Ends it, once.
        def end(blank_id, verdict, told, now)
          @db[:practices].where(blank_id: blank_id, ended_at: nil).update(
            verdict: verdict,
            score: told["score"],
            told: Sequel.pg_jsonb_wrap(told),
            ended_at: now
          )
        end

        def refuse_ended(row) = row[:ended_at] && refuse("practice_has_ended", nil)

        private

        def refuse(key, allowed)
          raise MossyAnvil::InvalidInput.at("/test", MossyAnvil::Fault.t(key), allowed)
        end
      end
    end
  end
end
