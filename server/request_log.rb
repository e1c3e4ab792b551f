# frozen_string_literal: true

module MossyAnvil
  module Server
    # One line of JSON for every request of the API: when, which, how it ended, how long it took. Never what was in it.
    # Every request gets an id, its sender's own where that is a plain one, which goes back with the answer.
    class RequestLog
      ID = "mossy_anvil.request_id"
      PLAIN_ID = /\A[\w-]{1,64}\z/

      # log: anything that answers #<< with a line. clock: answers #now.
      def initialize(app, log:, clock: Time)
        @app = app
        @log = log
        @clock = clock
      end

      def call(env)
        id = env["HTTP_X_REQUEST_ID"]
        env[ID] = id && PLAIN_ID.match?(id) ? id : SecureRandom.uuid
        start = ::Process.clock_gettime(::Process::CLOCK_MONOTONIC)
        @app
          .call(env)
          .tap do |status, headers, _|
            headers["x-request-id"] = env[ID]
            took_ms = ((::Process.clock_gettime(::Process::CLOCK_MONOTONIC) - start) * 1000).round(1)
            write("request", env, status: status, ms: took_ms) if env["PATH_INFO"].start_with?("/api")
          end
      end

      # A fault of the program or of the database: of what kind, and where in the program it arose. Nothing of what was
      # in the request or in a row, which messages repeat.
      def self.fault(log, clock, env, error, event: "fault")
        cause = error.respond_to?(:wrapped_exception) ? error.wrapped_exception : error.cause
        log << line(event, clock.now, env, error: error.class.name, cause: cause&.class&.name, at: where(error))
      end

      # The first lines of a backtrace within the program, by their paths in it.
      def self.where(error)
        lines = error.backtrace.to_a
        own = lines.select { |line| line.start_with?("#{ROOT}/server", "#{ROOT}/core") }
        (own.empty? ? lines : own).first(8).map { |line| line.delete_prefix("#{ROOT}/")[/\A[^`']*/] }
      end

      def self.line(event, now, env, **more)
        "#{
          JSON.generate(
            {
              at: now.utc.iso8601(3),
              event: event,
              request_id: env[ID],
              method: env["REQUEST_METHOD"],
              path: env["PATH_INFO"].to_s[0, 200].dup.force_encoding(Encoding::UTF_8).scrub,
              **more
            }
          )
        }\n"
      end

      private

      def write(event, env, **more) = @log << RequestLog.line(event, @clock.now, env, **more)
    end
  end
end
