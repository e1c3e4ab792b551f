# frozen_string_literal: true

require "sinatra/base"
require "socket"
require "tempfile"

module MossyAnvil
  module Server
    # The web application: the API and, beside it, the built web face.
    class App < Sinatra::Base
      MAX_BODY_BYTES = MossyAnvil::Formats::JsonText::MAX_BYTES
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

      helpers do
        def problem(document)
          status document[:status]
          content_type Problems::TYPE
          halt JSON.generate({ **document, request_id: env[RequestLog::ID] })
        end

        # The same of what nobody asked for, with a line in the log.
        def broken(fault, document)
          RequestLog.fault(settings.log, settings.clock, env, fault)
          problem(document)
        end

        def answer(data, code = 200)
          status code
          content_type :json
          JSON.generate(data)
        end

        # The request's JSON, fit for the named schema; raises InvalidInput.
        def body_as(schema)
          settings.contract.check(
            schema,
            MossyAnvil::Formats::JsonText.parse(body_of([Calculation::Calculations::JSON_TYPE], MAX_BODY_BYTES).read)
          )
        end

        # The request's body as a stream, of one of those media types and no larger than that; else a problem.
        def body_of(types, most_bytes)
          problem(Problems.wrong_type(types)) unless types.include?(request.media_type)
          stream = request.body || StringIO.new
          if stream.size > most_bytes
            raise TooLarge, Problems.text("refused.at_most_bytes_are_taken_here", most: most_bytes)
          end

          stream
        end

        # Calculator::Answer to a question about the request's body, or about given bytes; halts with its problem where
        # it has one.
        def calculate(
          question,
          types: [Calculation::Calculations::JSON_TYPE],
          most_bytes: MAX_BODY_BYTES,
          bytes: nil,
          **given
        )
          whole = { climate: shops.current.slice(:temperature_c, :humidity), now: now.to_f, **given }
          found = settings.calculator.ask(question, whole, bytes || body_of(types, most_bytes), left: method(:left?))
          found.good? ? found : problem(JSON.parse(found.bytes, symbolize_names: true))
        end

        # The same of what is to be kept: where it takes too much to calculate it is checked, and kept without what the
        # rack would say of it.
        def calculate_to_keep(question, **given)
          calculate(question, **given)
        rescue Calculation::Calculator::TooCostly
          calculate(question, **given, unbriefed: true)
        end

        # The same as the answer to the request.
        def calculated(question, **given)
          found = calculate(question, **given)
          content_type found.type
          found.bytes
        end

        # Has whoever asked gone away?
        def left?
          seen = env["puma.socket"]&.to_io&.recv_nonblock(1, Socket::MSG_PEEK, exception: false)
          env.key?("puma.socket") && (seen.nil? || seen == "")
        rescue SystemCallError, IOError
          true
        end

        # What the block reads, all of it as it was at one moment.
        def at_one_moment(&) = Store::Connection.snapshot(settings.db, &)

        # A file to keep.
        def hand_over(name, type, bytes)
          headers "Content-Disposition" => "attachment; filename=\"#{name}\""
          content_type type
          bytes
        end

        # A file that the block writes to a path, and that is gone once it is sent. The block gives its name.
        def hand_over_written(type)
          file = Tempfile.new("download", binmode: true)
          name = yield file.path
          headers "Content-Length" => File.size(file.path).to_s
          hand_over(name, type, Http::SentFile.new(file))
        end

        # Caller who asks.
        def asking = env.fetch(Caller::KEY)
        def blanks = Store::Blanks.new(settings.db, by: asking.name)
        def photographs = Store::Photographs.new(settings.db)
        def tasks = Store::Tasks.new(settings.db)
        # A task kept and put on the queue; its id.
        def ask_task(kind, asked, **file) = tasks.ask(kind, asked, **file) { |id| Jobs::TaskJob.enqueue(id) }

        def patterns = Store::Patterns.new(settings.db)
        def work_plans = Store::WorkPlans.new(settings.db)
        def people = Store::People.new(settings.db)
        def instruments = Store::Instruments.new(settings.db)
        def lathes = Store::Lathes.new(settings.db)
        def ledger = Store::Ledger.new(settings.db)
        def rates = Store::Rates.new(settings.db)
        def own_numbers = Services::OwnNumbers.new(settings.db)
        def stocks = Store::Stocks.new(settings.db, by: asking.name)
        def presences = Store::Presences.new(settings.db)
        def devices = Store::Devices.new(settings.db)
        def log_ins = Store::LogIns.new(settings.db)
        def shops = Store::Shops.new(settings.db)
        def now = settings.clock.now.utc
        def cards = Store::Cards.new(settings.db, by: asking.name)
        def card_work = Services::CardWork.new(settings.db, climate: shops.climate, now: now, worker: asking)

        def blank_id = number_in_path("id", "blank")
        def lathe_id = number_in_path("id", "lathe")
        def record_id = number_in_path("id", "record")
        def person_id = number_in_path("id", "person")
        def device_id = number_in_path("id", "device")
        def card_id = number_in_path("id", "card")
        def task_id = number_in_path("id", "task")
        def photograph_id = number_in_path("photograph", "photograph")

        # The whole number in the path; anything else is not there.
        def number_in_path(name, what)
          Integer(params[name], 10, exception: false)&.then { |id| id if id.between?(1, 2**62) } or
            raise NotFound, Problems.text("refused.there_is_no", what: what, id: params[name].to_s[0, 20])
        end
      end
    end
  end
end
