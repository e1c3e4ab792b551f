# frozen_string_literal: true

require "sinatra/base"

module Loft
  # The web application: the API and, beside it, the built web face.
  class App < Sinatra::Base
    MAX_BODY_BYTES = MossyAnvil::JsonText::MAX_BYTES
    MAX_ARCHIVE_BYTES = 120_000_000
    LOCAL_HOSTS = %w[localhost 127.0.0.1 ::1].freeze
    POLICY = "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"

    # db: Sequel::Database. clock: anything that answers #now with a Time. log: takes lines of JSON by #<<.
    def self.serve(db:, clock: Time, log: $stdout)
      Queue.open(db)
      Class.new(self) do
        set :db, db
        set :clock, clock
        set :log, log
        use RequestLog, log: log, clock: clock
        use OwnOrigin
      end
    end

    set :environment, :production
    set :show_exceptions, false
    set :raise_errors, false
    set :dump_errors, false
    set :logging, false
    set :public_folder, File.join(ROOT, "web", "dist")
    set :static_cache_control, [:public, { max_age: 31_536_000 }]
    set :host_authorization, { permitted_hosts: LOCAL_HOSTS }
    set :contract, Contract.new

    register Routes::Shop
    register Routes::Blanks
    register Routes::Photographs
    register Routes::Reckon
    register Routes::Patterns
    register Routes::Lathes
    register Routes::Files
    register Routes::Searches
    register Routes::Mending
    register Routes::Stores
    register Routes::Tables
    register Routes::Health

    before do
      headers "Content-Security-Policy" => POLICY, "X-Content-Type-Options" => "nosniff", "Referrer-Policy" => "no-referrer"
      cache_control :no_store if request.path.start_with?("/api")
    end

    # Every page of the web face is the same document.
    get(%r{(?!/api|/assets).*}) do
      cache_control :no_cache
      send_file File.join(settings.public_folder, "index.html")
    end

    not_found { problem(Problems.missing("there is nothing at #{request.path}")) unless response.content_type == Problems::TYPE }

    error(MossyAnvil::InvalidInput) { |fault| problem(Problems.invalid(fault)) }
    error(NotFound) { |fault| problem(Problems.missing(fault.message)) }
    error(Stale) { |fault| problem(Problems.stale(fault)) }
    error(Sequel::UniqueConstraintViolation) { problem(Problems.taken("that number is on another blank already", "/document/number")) }
    error(Busy) { |fault| problem(Problems.busy(fault.message)) }
    error(TooLarge) { |fault| problem(Problems.too_large(fault.message)) }
    error(Sequel::DatabaseConnectionError, Sequel::DatabaseDisconnectError, Sequel::PoolTimeout) do |fault|
      RequestLog.fault(settings.log, settings.clock, env, fault)
      problem(Problems.database_away)
    end
    error(Exception) do |fault|
      RequestLog.fault(settings.log, settings.clock, env, fault)
      problem(Problems.broken)
    end

    helpers do
      def problem(document)
        status document[:status]
        content_type Problems::TYPE
        halt JSON.generate({ **document, request_id: env[RequestLog::ID] })
      end

      def answer(data, code = 200)
        status code
        content_type :json
        JSON.generate(data)
      end

      # The request's JSON, fit for the named schema; raises InvalidInput.
      def body_as(schema)
        settings.contract.check(schema, MossyAnvil::JsonText.parse(body_text(["application/json"], MAX_BODY_BYTES)))
      end

      # The request's body, one of those media types and no larger than that; else a problem.
      def body_text(types, most_bytes)
        problem(Problems.wrong_type(types)) unless types.include?(request.media_type)
        text = request.body.read(most_bytes + 1).to_s
        text.bytesize > most_bytes ? raise(TooLarge, "at most #{most_bytes} bytes are taken here") : text
      end

      # A file to keep.
      def hand_over(name, type, bytes)
        headers "Content-Disposition" => "attachment; filename=\"#{name}\""
        content_type type
        bytes
      end

      def blanks = Store::Blanks.new(settings.db)
      def photographs = Store::Photographs.new(settings.db)
      def searches = Store::Searches.new(settings.db)
      def patterns = Store::Patterns.new(settings.db)
      def lathes = Store::Lathes.new(settings.db)
      def stocks = Store::Stocks.new(settings.db)
      def shops = Store::Shops.new(settings.db)
      def now = settings.clock.now.utc
      # Waits are told in days: the minute will do, and what was worked out of a blank's water serves as long.
      def reckoner = Reckoner.new(shops.climate, now: Time.at(now.to_i / 60 * 60).utc, records: -> { MossyAnvil::ShopRecords.new(Store::Cards.new(settings.db).records) })
      def card_work = CardWork.new(settings.db, climate: shops.climate, now: now)

      # What the rack says of a blank, as the shop is now.
      def brief_again(id)
        kept = blanks.find(id)
        blanks.keep_brief(id, Brief.new(reckoner.assess(kept[:document]), now: now, started_at: Routes::Blanks.wait_start(kept)).to_h)
      end

      def blank_id = number_in_path("id", "blank")
      def lathe_id = number_in_path("id", "lathe")
      def card_id = number_in_path("id", "card")
      def search_id = number_in_path("id", "search")
      def photograph_id = number_in_path("photograph", "photograph")

      # The whole number in the path; anything else is not there.
      def number_in_path(name, what)
        Integer(params[name], 10, exception: false)&.then do |id|
          id if id.between?(1, 2**62)
        end or raise NotFound, "there is no #{what} #{params[name].to_s[0, 20]}"
      end
    end
  end
end
