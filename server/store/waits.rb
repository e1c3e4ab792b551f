# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # What the lines of cards wait for: begun by one, ended by hand or with the card.
      class Waits
        def initialize(db)
          @db = db
        end

        # A wait begins, or begins anew where it was taken back. minutes: [least, likely].
        def start(card, line, minutes, now)
          times = {
            started_at: now,
            earliest_at: now + (minutes[0] * 60),
            likely_at: now + (minutes.max * 60),
            ended_at: nil
          }
          @db[:waits].insert_conflict(target: %i[card_id line], update: times).insert(
            blank_id: card[:blank_id],
            card_id: card[:id],
            line: line["key"],
            message: Rows.json(line["message"]),
            unlocks: line["unlocks"],
            working: line["working"],
            cure: line["cure"],
            **times
          )
        end

        def finish(id, line, now) = end_of(@db[:waits].where(card_id: id, line: line, ended_at: nil), now)
        # All of a card that are open.
        def finish_all(id, now) = end_of(@db[:waits].where(card_id: id, ended_at: nil), now)
        def drop(id, line) = @db[:waits].where(card_id: id, line: line).delete

        # Open waits of all blanks, soonest first, with number and name of each.
        def open
          @db[:waits]
            .where(Sequel[:waits][:ended_at] => nil)
            .join(:blanks, id: :blank_id)
            .select_all(:waits)
            .select_append(:number, :name)
            .order(:likely_at)
            .all
        end

        # Every wait that follows the shop's temperature, as the block has it; a wait comes with its times.
        def rescale
          @db.transaction do
            @db[:waits]
              .where(ended_at: nil, cure: true)
              .for_update
              .all
              .each { |wait| @db[:waits].where(id: wait[:id]).update(yield(wait)) }
          end
        end

        private

        def end_of(waits, now) = waits.update(ended_at: Sequel.function(:greatest, now, :started_at))
      end
    end
  end
end
