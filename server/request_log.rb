# frozen_string_literal: true

module Loft
  # One line of JSON for every request of the API: when, which, how it ended, how long it took. Never what was in it.
  # Every request gets an id, its sender's own where that is a plain one, which goes back with the answer.
  class RequestLog
    ID = "loft.request_id"
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
      start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      @app.call(env).tap do |status, headers, _|
        headers["x-request-id"] = env[ID]
        took_ms = ((Process.clock_gettime(Process::CLOCK_MONOTONIC) - start) * 1000).round(1)
        write("request", env, status: status, ms: took_ms) if env["PATH_INFO"].start_with?("/api")
      end
    end

    # A fault of the program or of the database, with where it arose. Addresses of databases are left out: they carry passwords.
    def self.fault(log, clock, env, error)
      at = error.backtrace.to_a.first(8)
      log << line("fault", clock.now, env, error: error.class.name, message: error.message.gsub(%r{\w+://\S+}, "…")[0, 500], at: at)
    end

    def self.line(event, now, env, **more)
      "#{JSON.generate({ at: now.utc.iso8601(3), event: event, request_id: env[ID], method: env['REQUEST_METHOD'], path: env['PATH_INFO'][0, 200].scrub, **more })}\n"
    end

    private

    def write(event, env, **more) = @log << RequestLog.line(event, @clock.now, env, **more)
  end
end
