# frozen_string_literal: true

require "rack/builder"

module MossyAnvil
  module Server
    module Http
      # What every request passes before it comes to the application, in this order. It stands before all that Sinatra
      # brings, which takes an address for one that can be read.
      class Entrance
        # settings: the application's: db, clock, log, contract and network.
        def initialize(settings)
          @settings = settings
        end

        # The whole of them and, behind it, the application.
        def before(application)
          steps = [*always, *log_in, admission]
          Rack::Builder.app do
            steps.each { |step, about| use(step, **about) }
            run application
          end
        end

        private

        def db = @settings.db
        def network = @settings.network
        def told = { log: @settings.log, clock: @settings.clock }

        def always
          [[RequestLog, told], [PageHeaders, {}], [PlainRequest, {}], [OwnOrigin, {}], [DatabaseFaults, told]]
        end

        def log_in
          return [] unless network

          [
            [Guesses.over(db), {}],
            [Rack::Session::Cookie, LogIn.cookie(network.secret)],
            [OwnToken, {}],
            [LogIn.over(db, secret: network.secret), {}]
          ]
        end

        def admission
          about = { contract: @settings.contract, db: db, clock: @settings.clock, network: network }
          [Admission, about]
        end
      end
    end
  end
end
