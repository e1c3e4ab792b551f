# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # How often something was tried of late, for all processes and hosts together: what Rack::Attack counts in.
      class Attempts
        def initialize(db)
          @db = db
        end

        # The count with this one.
        def increment(key, by = 1, expires_in:)
          row = @db[:attempts]
          over = Sequel[:attempts][:ends_at] < Sequel::CURRENT_TIMESTAMP
          row
            .insert_conflict(
              target: :key,
              update: {
                count: Sequel.case([[over, by]], Sequel[:attempts][:count] + by),
                ends_at: Sequel.case([[over, Sequel[:excluded][:ends_at]]], Sequel[:attempts][:ends_at])
              }
            )
            .returning(:count)
            .insert(key: key, count: by, ends_at: Time.now + expires_in)
            .first
            .fetch(:count)
        end
      end
    end
  end
end
