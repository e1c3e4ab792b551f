# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # Who works in the shop, and when.
      class People
        def initialize(db)
          @db = db
        end

        # { id:, name:, role:, hours: [{ weekday:, from_min:, to_min: }] }, those who were there first come first.
        def all =
          @db[:people].order(:id).map { |row| { **row.slice(:id, :name, :role), hours: Rows.data(row[:hours]) } }

        # The person as Caller; nil where there is none of that id.
        def caller_of(id) = @db[:people][id: id]&.then { |row| Caller.new(**row.slice(:id, :name, :role)) }

        # Id of the one who was owner first; where nobody is, the first of all becomes one.
        def first_owner
          @db.transaction do
            found = @db[:people].where(role: "owner").min(:id) || @db[:people].min(:id)
            found ||= @db[:people].insert(name: "Owner", hours: Sequel.pg_jsonb_wrap([]))
            @db[:people].where(id: found).update(role: "owner")
            found
          end
        end

        # person: { "name", "hours" } and, where it is said, "role". Raises Sequel::UniqueConstraintViolation where
        # there is one of that name.
        def add(person) = @db[:people].insert(row(person))

        # The same where nobody of that name works here.
        def add_missing(person) = @db[:people].insert_conflict(target: :name).insert(row(person))

        # Raises NotFound, as #add, and InvalidInput where nobody would be owner any more.
        def change(id, person)
          with_an_owner { @db[:people].where(id: id).update(row(person)).positive? || missing(id) }
        end

        # Raises NotFound, and InvalidInput where others are left and none of them is owner.
        def remove(id)
          with_an_owner { @db[:people].where(id: id).delete.positive? || missing(id) }
        end

        private

        def with_an_owner
          @db.transaction do
            had = @db[:people].order(:id).for_update.select_map(:role).include?("owner")
            yield
            left = @db[:people].select_map(:role)
            refuse_no_owner if had && left.any? && !left.include?("owner")
          end
        end

        def refuse_no_owner
          fault =
            MossyAnvil::Fault.new(
              path: "/role",
              problem: MossyAnvil::Fault.t("leaves_no_owner"),
              allowed: MossyAnvil::Fault.t("make_another_owner_first")
            )
          raise MossyAnvil::InvalidInput, [fault]
        end

        def missing(id) = raise(NotFound, Problems.text("refused.there_is_no_person", id: id))

        def row(person)
          {
            name: person["name"],
            hours: Sequel.pg_jsonb_wrap(person["hours"]),
            **person.slice("role").transform_keys(&:to_sym)
          }
        end
      end
    end
  end
end
