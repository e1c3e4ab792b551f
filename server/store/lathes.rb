# frozen_string_literal: true

module Loft
  module Store
    # The shop's lathes, by name. A blank stands on one of them: what is changed of a lathe, every blank on it feels.
    class Lathes
      def initialize(db)
        @db = db
      end

      # { id:, name:, lathe:, blanks: } by name; lathe as in a blank file, blanks: how many stand on it.
      def all
        standing = @db[:blanks].exclude(lathe_id: nil).group_and_count(:lathe_id).to_hash(:lathe_id, :count)
        @db[:lathes].order(:name).map { |row| { **row.slice(:id, :name), lathe: Rows.lathe_of(row), blanks: standing.fetch(row[:id], 0) } }
      end

      # Raises Sequel::UniqueConstraintViolation where there is one of that name.
      def add(name, lathe) = @db[:lathes].insert(**row(lathe), name: name)

      # Ids of the blanks on it; where it is another than it was, each is a version on, so that nobody saves over it what they had before. Raises NotFound.
      def change(id, name, lathe)
        @db.transaction do
          was = @db[:lathes].where(id: id).for_update.first or raise NotFound, "there is no lathe #{id}"
          @db[:lathes].where(id: id).update(**row(lathe), name: name)
          next [] if Rows.lathe_of(was) == Rows.lathe_of(@db[:lathes][id: id])

          on_it = @db[:blanks].where(lathe_id: id)
          on_it.update(version: Sequel[:version] + 1, updated_at: Sequel.function(:now))
          on_it.select_map(:id)
        end
      end

      # Raises NotFound, and Sequel::ForeignKeyConstraintViolation while a blank stands on it.
      def remove(id)
        raise NotFound, "there is no lathe #{id}" if @db[:lathes].where(id: id).delete.zero?
      end

      private

      def row(lathe) = Rows.lathe("lathe" => lathe)
    end
  end
end
