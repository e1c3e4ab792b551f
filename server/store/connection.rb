# frozen_string_literal: true

module Loft
  module Store
    # The database: connecting and bringing its tables up to date.
    module Connection
      MIGRATIONS = File.join(ROOT, "server", "migrations")

      module_function

      # Sequel::Database with JSON and arrays; raises Sequel::DatabaseConnectionError.
      def open(url)
        Sequel.connect(url, max_connections: 8, connect_timeout: 5, connect_sqls: ["SET statement_timeout = '20s'"]).tap do |db|
          db.extension(:pg_json, :pg_array, :connection_validator)
          # A connection is tried each time before it is lent: one that died with its server is never handed out.
          db.pool.connection_validation_timeout = -1
          # Times are kept and handed out in UTC.
          Sequel.default_timezone = :utc
        end
      end

      def migrate(db)
        Sequel.extension(:migration)
        Sequel::Migrator.run(db, MIGRATIONS)
      end
    end
  end
end
