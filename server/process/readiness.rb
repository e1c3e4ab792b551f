# frozen_string_literal: true

require "net/http"

module MossyAnvil
  module Server
    module Process
      # Asks the web server now and then whether it is ready, beside whoever wants to know, so that one which hangs
      # holds up nothing.
      class Readiness
        EVERY_S = Float(ENV.fetch("WATCH_EVERY_S", "5"))
        ANSWER_S = EVERY_S * 0.8
        # Of the last so many answers so many may go wrong before it counts as lost.
        KEPT = 8
        MOST_WRONG = 3
        # 503 says that the database is away, which no new process would mend.
        RIGHT = %w[200 503].freeze

        def initialize(port)
          @port = port
          @codes = []
          @asked_at = now
        end

        def now? = code == "200"

        # Asks again where it is time to; has it gone wrong too often? Told once, then counted anew.
        def lost?
          ask if now - @asked_at > EVERY_S
          return false if @codes.count { |code| !RIGHT.include?(code) } < MOST_WRONG

          @codes = []
          true
        end

        private

        def now = ::Process.clock_gettime(::Process::CLOCK_MONOTONIC)

        def ask
          return if @asking&.alive?

          @asked_at = now
          @asking = Thread.new { @codes = (@codes + [code]).last(KEPT) }
        end

        def code
          Net::HTTP.start("127.0.0.1", @port, open_timeout: ANSWER_S, read_timeout: ANSWER_S) do |http|
            http.get("/readyz").code
          end
        rescue SystemCallError, IOError, Timeout::Error
          nil
        end
      end
    end
  end
end
