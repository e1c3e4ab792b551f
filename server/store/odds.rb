# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # The odds of each piece as they were played last.
      class Odds
        def initialize(db)
          @db = db
        end

        # told: plain data; of the piece as that version of it is kept. Forgotten where it was saved again meanwhile.
        def keep(blank_id, version, told, now)
          return if @db[:blanks].where(id: blank_id, version: version).empty?

          row = { version: version, told: Sequel.pg_jsonb_wrap(Rows.data(told)), played_at: now }
          @db[:played_odds].insert_conflict(target: :blank_id, update: row).insert(**row, blank_id: blank_id)
        end

        # { version:, played_at:, told:, now: is the piece still so? } or nil.
        def of(blank_id)
          row = @db[:played_odds][blank_id: blank_id] or return
          version = @db[:blanks].where(id: blank_id).get(:version)
          { **row.slice(:version, :played_at), told: Rows.data(row[:told]), now: version == row[:version] }
        end

        # { blank id => told } of pieces that are still so.
        def current =
          @db[:played_odds]
            .join(:blanks, id: :blank_id, version: :version)
            .select_map([Sequel[:played_odds][:blank_id], :told])
            .to_h { |id, told| [id, Rows.data(told)] }

        # [[share said to come out sound, did it?], ...] of the pieces that are closed.
        def pairs =
          @db[:played_odds]
            .join(:endings, blank_id: :blank_id)
            .select_map(%i[told outcome])
            .map { |told, outcome| [Rows.data(told)["sound"]["share"], outcome != "given_up"] }
      end
    end
  end
end
