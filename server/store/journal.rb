# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # What was done to each blank: entries are added, and never changed.
      class Journal
        # by: name of whoever writes, nil where nobody is known.
        def initialize(db, by: nil)
          @db = db
          @by = by
        end

        # Entries of a blank, oldest first.
        def of(id) = @db[:journal].where(blank_id: id).order(:logged_at, :id).map { |row| row_of(row) }

        # Adds a journal entry; sending the same key twice adds it once. at: logged_at:, where it is not of now. Returns
        # the entry.
        def log(id, entry, **at)
          @db[:blanks].where(id: id).get(:id) or raise NotFound, Problems.text("refused.there_is_no_blank", id: id)
          keep(id, { stage: nil, speed_rpm: nil, note: "", by: @by, **at }.merge(entry.transform_keys(&:to_sym)))
          row_of(@db[:journal][blank_id: id, key: entry["key"]])
        end

        # Is there an entry with that key?
        def logged?(id, key) = !@db[:journal].where(blank_id: id, key: key).empty?

        # Puts an entry in as it is, with its own time where it has one, unless its key is there already.
        def keep(id, row) = @db[:journal].insert_conflict(target: %i[blank_id key]).insert(blank_id: id, **row)

        private

        def row_of(row)
          row.slice(:id, :key, :kind, :stage, :speed_rpm, :note, :by).merge(logged_at: row[:logged_at].utc.iso8601)
        end
      end
    end
  end
end
