# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # Rehearsals of a piece, and what was done in each, which is appended and never changed.
      class Rehearsals
        MOST_ACTS = 2000

        # by: name of whoever rehearses, nil where nobody is known.
        def initialize(db, by: nil)
          @db = db
          @by = by
        end

        # Its id. setting: plain data; truth: { seed:, index: }. Raises NotFound.
        def begin(blank_id, setting, truth, now)
          @db[:blanks].where(id: blank_id).get(:id) or
            raise NotFound, Problems.text("refused.there_is_no_blank", id: blank_id)
          @db[:rehearsals].insert(
            blank_id: blank_id,
            by: @by,
            setting: Sequel.pg_jsonb_wrap(setting),
            **truth,
            begun_at: now
          )
        end

        # { id:, blank_id:, by:, setting:, seed:, begun_at:, ended_at:, outcome:, acts: }; raises NotFound.
        def find(id)
          Connection.snapshot(@db) do
            row = @db[:rehearsals][id: id] or raise NotFound, Problems.text("refused.there_is_no_rehearsal", id: id)
            acts = @db[:rehearsal_acts].where(rehearsal_id: id).order(:position).select_map(:act)
            {
              **row,
              **%i[setting outcome].to_h { |key| [key, Rows.data(row[key])] },
              acts: acts.map { |act| Rows.data(act) }
            }
          end
        end

        # Those of a blank, the newest first: { id:, by:, begun_at:, ended_at:, outcome:, acts: how many }.
        def of_blank(blank_id)
          acts = @db[:rehearsal_acts].where(rehearsal_id: Sequel[:rehearsals][:id]).select { count.function.* }
          @db[:rehearsals]
            .where(blank_id: blank_id)
            .order(Sequel.desc(:id))
            .select(:id, :by, :begun_at, :ended_at, :outcome)
            .select_append(acts.as(:acts))
            .map { |row| { **row, outcome: Rows.data(row[:outcome]) } }
        end

        # Keeps an act at its place; raises Stale where another stands there already, InvalidInput where there are too
        # many. outcome: plain data where it ends by it.
        def add(id, position, act, now, outcome: nil)
          refuse_more if position >= MOST_ACTS
          @db.transaction do
            @db[:rehearsal_acts].insert(rehearsal_id: id, position: position, act: Sequel.pg_jsonb_wrap(act))
            if outcome
              @db[:rehearsals].where(id: id).update(ended_at: now, outcome: Sequel.pg_jsonb_wrap(Rows.data(outcome)))
            end
          end
        rescue Sequel::UniqueConstraintViolation
          raise stale
        end

        def stale = Stale.new(Problems.text("refused.this_rehearsal_went_on_elsewhere"))

        private

        def refuse_more
          raise MossyAnvil::InvalidInput.at("/act", MossyAnvil::Fault.t("rehearsal.too_many_acts"), MOST_ACTS.to_s)
        end
      end
    end
  end
end
