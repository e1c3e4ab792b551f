# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # The database: connecting and bringing its tables up to date.
      module Connection
        MIGRATIONS = File.join(ROOT, "server", "migrations")

        # Of one process; one of them listens where the web server's does.
        MOST = 9

        module_function

        # Sequel::Database with JSON and arrays. Connects at once and raises Sequel::DatabaseConnectionError, or with
        # `lazily` when it is first asked, so that whoever starts while the database is away serves as soon as that is
        # back.
        def open(url, lazily: false)
          Sequel
            .connect(
              url,
              max_connections: MOST,
              test: !lazily,
              connect_timeout: 5,
              connect_sqls: ["SET statement_timeout = '20s'"]
            )
            .tap do |db|
              db.pool.singleton_class.prepend(Turnstile.new(MOST))
              # The validator would ask the database how to ask it.
              db.define_singleton_method(:valid_connection_sql) { "SELECT NULL" }
              db.extension(:pg_json, :pg_array, :connection_validator)
              # A connection is tried each time before it is lent: one that died with its server is never handed out.
              db.pool.connection_validation_timeout = -1
              # Times are kept and handed out in UTC.
              Sequel.default_timezone = :utc
            end
        end

        # The block sees everything as it was at one moment, however many tables it reads. Within a transaction it sees
        # what that does.
        def snapshot(db, &)
          db.in_transaction? ? yield : db.transaction(isolation: :repeatable, read_only: true, &)
        end

        # Are there tables, and not all as this program wants them?
        def behind?(db)
          Sequel.extension(:migration)
          db.tables.any? && !Sequel::Migrator.is_current?(db, MIGRATIONS)
        end

        def migrate(db)
          Sequel.extension(:migration)
          Sequel::Migrator.run(db, MIGRATIONS)
        end
      end
    end
  end
end
