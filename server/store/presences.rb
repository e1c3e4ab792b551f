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

        # A tab is at a blank, or at none.
        def note(tab, blank_id, person, now)
          @db[:presences].where { seen_at < (now - GONE_S) }.delete
          return @db[:presences].where(tab: tab).delete unless blank_id

          row = { person: person, blank_id: blank_id, seen_at: now }
          known = @db[:presences].where(tab: tab, blank_id: blank_id)
          # One that is merely still there is no news.
          return if known.where(person: person).update(seen_at: now).positive?
          if @db[:blanks].where(id: blank_id).empty?
            raise NotFound, Problems.text("refused.there_is_no_blank", id: blank_id)
          end

          @db[:presences].insert_conflict(target: :tab, update: row).insert(tab: tab, **row)
        end

        # Names of the others at that blank, nil of whoever has none.
        def others(tab, blank_id)
          @db[:presences].where(blank_id: blank_id).exclude(tab: tab).order(:person).select_map(:person).uniq
        end
      end
    end
  end
end
