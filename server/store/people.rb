# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # Who works in the shop, and when.
      class People
        def initialize(db)
          @db = db
        end

        # { id:, name:, hours: [{ weekday:, from_min:, to_min: }] }, those who were there first come first.
        def all = @db[:people].order(:id).map { |row| { **row.slice(:id, :name), hours: Rows.data(row[:hours]) } }

        # person: { "name", "hours" }. Raises Sequel::UniqueConstraintViolation where there is one of that name.
        def add(person) = @db[:people].insert(row(person))

        # The same where nobody of that name works here.
        def add_missing(person) = @db[:people].insert_conflict(target: :name).insert(row(person))

        # Raises NotFound, and as #add.
        def change(id, person)
          return unless @db[:people].where(id: id).update(row(person)).zero?
          raise NotFound, Problems.text("refused.there_is_no_person", id: id)
        end

        # Raises NotFound.
        def remove(id)
          raise NotFound, Problems.text("refused.there_is_no_person", id: id) if @db[:people].where(id: id).delete.zero?
        end

        private

        def row(person) = { name: person["name"], hours: Sequel.pg_jsonb_wrap(person["hours"]) }
      end
    end
  end
end
