# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # The shop's own curves: forms kept by name, apart from any blank.
      class Patterns
        def initialize(db)
          @db = db
        end

        # The MossyAnvil::Formats::Pattern of a form as in a blank file, string-keyed; raises InvalidInput under `at`.
        def self.pattern(form, at: "") =
          MossyAnvil::Formats::Pattern.new(JSON.parse(JSON.generate(form), symbolize_names: true), at: at)

        # { id:, name:, form: } by name; form as in a blank file.
        def all = @db[:patterns].order(:name).map { |row| { **row.slice(:id, :name), form: Rows.data(row[:form]) } }

        # form: MossyAnvil::Formats::Pattern. Raises Sequel::UniqueConstraintViolation where there is one of that name.
        def add(name, pattern) = @db[:patterns].insert(name: name, form: json(pattern))

        # The same, unless there is one of that name.
        def add_missing(name, pattern) =
          @db[:patterns].insert_conflict(target: :name).insert(name: name, form: json(pattern))

        # Raises NotFound.
        def remove(id)
          return unless @db[:patterns].where(id: id).delete.zero?
          raise NotFound, Problems.text("refused.there_is_no_pattern", id: id)
        end

        private

        def json(pattern) = Sequel.pg_jsonb_wrap(Rows.data(pattern.to_document))
      end
    end
  end
end
