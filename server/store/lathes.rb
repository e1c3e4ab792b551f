# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # The shop's lathes, by name. A blank stands on one of them: what is changed of a lathe, every blank on it feels.
      class Lathes
        def initialize(db)
          @db = db
        end

        # { id:, name:, lathe:, blanks: } by name; lathe as in a blank file, blanks: how many stand on it.
        def all
          Connection.snapshot(@db) do
            standing = @db[:blanks].exclude(lathe_id: nil).group_and_count(:lathe_id).to_hash(:lathe_id, :count)
            @db[:lathes]
              .order(:name)
              .map do |row|
                { **row.slice(:id, :name), lathe: KeptDocument.lathe_of(row), blanks: standing.fetch(row[:id], 0) }
              end
          end
        end

        # Raises Sequel::UniqueConstraintViolation where there is one of that name.
        def add(name, lathe) = @db[:lathes].insert(**row(lathe), name: name)

        # Raises NotFound where there is no such lathe, and Taken where another has that name.
        def check(id, name)
          @db[:lathes][id: id] or raise NotFound, Problems.text("refused.there_is_no_lathe", id: id)
          raise Taken, "lathes_name_key" unless @db[:lathes].where(name: name).exclude(id: id).empty?
        end

        # Has it those measures already?
        def same?(id, lathe) =
          @db[:lathes][id: id]&.then do |row|
            KeptDocument.lathe_of(row) == KeptDocument.lathe_of(Rows.lathe("lathe" => lathe))
          end

        # Ids of the blanks that stand on it.
        def blanks_on(id) = @db[:blanks].where(lathe_id: id).order(:id).select_map(:id)

        # Where it is another than it was, each blank on it is a version on, so that nobody saves over it what they had
        # before. Raises NotFound.
        def change(id, name, lathe)
          @db.transaction do
            @db[:lathes].where(id: id).for_update.first or
              raise NotFound, Problems.text("refused.there_is_no_lathe", id: id)
            another = !same?(id, lathe)
            @db[:lathes].where(id: id).update(**row(lathe), name: name)
            if another
              @db[:blanks].where(lathe_id: id).update(version: Sequel[:version] + 1, updated_at: Sequel.function(:now))
            end
          end
        end

        # Raises NotFound, and Sequel::ForeignKeyConstraintViolation while a blank stands on it.
        def remove(id)
          raise NotFound, Problems.text("refused.there_is_no_lathe", id: id) if @db[:lathes].where(id: id).delete.zero?
        end

        private

        def row(lathe) = Rows.lathe("lathe" => lathe)
      end
    end
  end
end
