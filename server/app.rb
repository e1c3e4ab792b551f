# frozen_string_literal: true

require "sinatra/base"

module MossyAnvil
  module Server
    # The web application: the API and, beside it, the built web face.
    class App < Sinatra::Base
      LOCAL_HOSTS = %w[localhost 127.0.0.1 ::1].freeze

      # db: Sequel::Database. clock: anything that answers #now with a Time. log: takes lines of JSON by #<<.
      # calculator: Calculator.
      # network: Network the shop is reached by, nil for this machine alone.
      def self.serve(db:, clock: Time, log: $stdout, calculator: Calculation::Calculator::Here.new, network: nil)
        Jobs::Queue.open(db)
        log = SteadyLog.new(log)
        given = { db: db, clock: clock, log: log, calculator: calculator, network: network }
        own = Class.new(self) { given.each { |key, to| set key, to } }
        own.set :host_authorization, { permitted_hosts: LOCAL_HOSTS | network.hosts } if network
        Http::Entrance.new(own.settings).before(own)
      end

      set :environment, :production
      set :show_exceptions, false
      set :raise_errors, false
      set :dump_errors, false
      set :logging, false
      mime_type :webmanifest, "application/manifest+json"
      set :public_folder, File.join(ROOT, "web", "dist")
      set :static_cache_control, [:public, { max_age: 31_536_000 }]
      set :host_authorization, { permitted_hosts: LOCAL_HOSTS }
      set :contract, Contract.own

      register Routes::Shop
      register Routes::Blanks
      register Routes::Photographs
      register Routes::Reckon
      register Routes::Patterns
      register Routes::Lathes
      register Routes::People
      register Routes::Devices
      register Routes::OneTimeCodes
      register Routes::Live
      register Routes::Board
      register Routes::Files
      register Routes::Searches
      register Routes::Tasks
      register Routes::Rehearsals
      register Routes::Practices
      register Routes::Mending
      register Routes::Stores
      register Routes::Rates
      register Routes::Ledger
      register Routes::Tables
      register Routes::Instruments
      register Routes::Health

      before { cache_control :no_store if request.path.start_with?("/api") }

      # Every page of the web face is the same document.
      get(%r{(?!/api|/assets).*}) { send_file File.join(settings.public_folder, "index.html") }

      not_found do
        unless response.content_type == Problems::TYPE
          problem(Problems.missing(Problems.text("refused.there_is_nothing_at", path: request.path)))
        end
      end

      error(MossyAnvil::InvalidInput) { |fault| problem(Problems.invalid(fault)) }
      error(NotFound) { |fault| problem(Problems.missing(fault.message)) }
      error(NotAllowed) { |fault| problem(Problems.forbidden(fault.message)) }
      error(Taken) { |fault| problem(Problems.unique(fault.message)) }
      error(Stale) { |fault| problem(Problems.stale(fault)) }
      error(Busy) { |fault| problem(Problems.busy(fault.message)) }
      error(TooLarge) { |fault| problem(Problems.too_large(fault.message)) }
      error(Calculation::Calculator::TooCostly) { |fault| problem(Problems.too_costly(fault.message)) }
      # Nobody is there to read it.
      error(Calculation::Calculator::Left) { halt 499, "" }
      error(Sequel::Error) do |fault|
        DatabaseFault.new(fault).then { |known| known.ours? ? problem(known.problem) : broken(fault, known.problem) }
      end
      error(Exception) { |fault| broken(fault, Problems.broken) }

      helpers Routes::Shared::Answers,
              Routes::Shared::Bodies,
              Routes::Shared::Calculating,
              Routes::Shared::Ids,
              Routes::Shared::Stores
    end
  end
end
