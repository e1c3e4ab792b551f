# frozen_string_literal: true

module MossyAnvil
  module Server
    module Http
      # Answers for a database that fails before a request comes to the application, which answers for itself.
      class DatabaseFaults
        def initialize(app, log:, clock:)
          @app = app
          @log = log
          @clock = clock
        end

        def call(env)
          @app.call(env)
        rescue Sequel::Error => e
          RequestLog.fault(@log, @clock, env, e)
          Refusal.of(DatabaseFault.new(e).problem, env)
        end
      end
    end
  end
end
