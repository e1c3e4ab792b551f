# frozen_string_literal: true

require "rack/attack"

module MossyAnvil
  module Server
    module Http
      # Lets nobody guess: so many tries at a password or a pairing code, by Rack::Attack. Counted by the address a
      # request comes from, whatever it says of itself; pairing codes for all together too, so that ten thousand devices
      # are no quicker than one.
      module Guesses
        LOG_IN = "/api/log-in"
        CODE = "/api/one-time-code"
        PAIR = "/api/pairings/use"
        # [name, path, tries, within s, by address alone].
        LIMITS = [
          ["log-in", LOG_IN, 30, 300, true],
          ["pairing", PAIR, 10, 300, true],
          ["pairing of all", PAIR, 60, 300, false]
        ].freeze

        # The middleware, counting in a store.
        def self.over(db)
          Rack::Attack.cache.store = Store::Attempts.new(db)
          Rack::Attack.throttled_responder = ->(request) { refused(request) }
          LIMITS.each do |name, path, limit, period, by_address|
            Rack::Attack.throttle(name, limit: limit, period: period) do |request|
              next unless request.post? && request.path == path

              by_address ? request.env["REMOTE_ADDR"] : "all"
            end
          end
          Rack::Attack
        end

        def self.refused(request)
          wait_s = request.env["rack.attack.match_data"][:period]
          document = Problems.busy(Problems.text("refused.too_many_tries", minutes: (wait_s / 60.0).ceil))
          Refusal.of(document, request.env, "retry-after" => wait_s.to_s)
        end
        private_class_method :refused
      end
    end
  end
end
