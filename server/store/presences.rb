# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # Who looks at which blank just now, by the tab of a browser they look in.
      class Presences
        # Who has said nothing for so long is gone.
        GONE_S = 45

        def initialize(db)
          @db = db
        end

        # A tab is at a blank, or at none; turn: of two things it says, the one with the higher counts, even where it
        # comes first.
        def note(tab, turn, blank_id, person, now)
          @db[:presences].where { seen_at < (now - GONE_S) }.delete
          if blank_id && @db[:blanks].where(id: blank_id).empty?
            raise NotFound, Problems.text("refused.there_is_no_blank", id: blank_id)
          end

          row = { turn: turn, person: person, blank_id: blank_id, seen_at: now }
          later = Sequel[:presences][:turn] < turn
          @db[:presences].insert_conflict(target: :tab, update: row, update_where: later).insert(tab: tab, **row)
        end

        # Names of the others at that blank, nil of whoever has none.
        def others(tab, blank_id)
          @db[:presences].where(blank_id: blank_id).exclude(tab: tab).order(:person).select_map(:person).uniq
        end
      end
    end
  end
end
