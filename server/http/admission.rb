# frozen_string_literal: true

module MossyAnvil
  module Server
    module Http
      # Says who asks (see Caller), and lets nobody do what the contract (`x-role` of each operation) leaves to others.
      # Pages, and what the contract opens to anyone, are for all.
      class Admission
        # The cookie in which a device keeps its token.
        DEVICE = "mossy_anvil_device"

        # contract: Contract. db: Sequel::Database. clock: answers #now. network: Network, nil where nobody logs in.
        def initialize(app, contract:, db:, clock:, network:)
          @app = app
          @contract = contract
          @devices = Store::Devices.new(db)
          @people = Store::People.new(db)
          @clock = clock
          @network = network
        end

        def call(env)
          return @app.call(env) unless env["PATH_INFO"].start_with?("/api/")

          caller = env[Caller::KEY] = @network ? known(env) : Caller::ALONE
          least = @contract.least_role(env["REQUEST_METHOD"], env["PATH_INFO"])
          return @app.call(env) if least == "anyone"
          return Refusal.of(Problems.log_in, env) unless caller
          return @app.call(env) if caller.may?(least)

          Refusal.of(Problems.not_allowed(caller.role, least), env)
        end

        private

        # By the session of a log-in, else by the device's own token; nil for a stranger.
        def known(env)
          by_session(env[LogIn::RODAUTH]) || by_device(Rack::Utils.parse_cookies(env)[DEVICE])
        end

        def by_session(rodauth)
          return unless rodauth.authenticated? && rodauth.currently_active_session?

          @people.caller_of(rodauth.session_value)
        end

        def by_device(token) = token && @devices.caller_with(token, @clock.now)
      end
    end
  end
end
