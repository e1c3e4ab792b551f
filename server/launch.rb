# frozen_string_literal: true

# Starts everything: the database, the tables, the demo, the web server; watches over both, and stops it all again.
# Called by bin/start, which has installed and built what is needed.
# TERM or Ctrl-C stops it; HUP puts new server processes in the place of the old without dropping a request.

$stdout.sync = true
Encoding.default_external = Encoding::UTF_8
require "optparse"
require "socket"
require_relative "loft"

module Loft
  # One run of the application on this machine.
  class Launch
    DEFAULT_PORT = 4380
    USAGE = "usage: bin/start [--fresh | --empty]"

    def initialize(arguments)
      OptionParser.new(USAGE) do |parser|
        parser.on("--fresh", "throw the data away and load the demo again") { @anew = "--fresh" }
        parser.on("--empty", "throw the data away and begin an empty shop of one's own") { @anew = "--empty" }
      end.parse!(arguments)
    rescue OptionParser::ParseError => e
      abort("#{e.message}\n#{USAGE}")
    end

    def call
      take_lock unless ENV["DATABASE_URL"]
      port = choose_port
      url = ENV["DATABASE_URL"] || start_postgres
      prepare(url)
      Overseer.new(port: port, url: url, log: File.join(state, "server.log"), postgres: @postgres).run do
        @lock&.then { |file| file.rewind && file.truncate(0) && file.write(Overseer.address(port)) && file.flush }
        puts "\nMossy Anvil is ready: #{Overseer.address(port)}\n(Ctrl-C stops it and its database)"
      end
    rescue LocalPostgres::Failed, Overseer::Failed, Sequel::DatabaseConnectionError => e
      abort("Cannot start: #{e.message}")
    ensure
      if @postgres
        say "Stopping the database"
        @postgres.stop
        say "Stopped"
      end
    end

    private

    def say(text) = puts("  #{text}")

    # What a run keeps: the database, the lock, the log.
    def state = @state ||= ENV.fetch("MOSSY_ANVIL_STATE", File.join(ROOT, ".state"))

    # Two runs on one folder would fight over the database.
    def take_lock
      FileUtils.mkdir_p(state)
      @lock = File.open(File.join(state, "lock"), File::RDWR | File::CREAT)
      abort("Mossy Anvil is running from this folder already: #{@lock.read.strip}") unless @lock.flock(File::LOCK_EX | File::LOCK_NB)
    end

    def choose_port
      wanted = ENV.fetch("PORT", nil)
      return first_free(DEFAULT_PORT) unless wanted

      port = Integer(wanted, 10, exception: false)
      abort("PORT is #{wanted.inspect}: a whole number from 1 to 65535 is needed") unless port&.between?(1, 65_535)
      abort("Port #{port} is taken. Choose another with PORT=, or leave PORT out to get a free one.") unless free?(port)
      port
    end

    def first_free(port)
      found = (port..(port + 50)).find { |candidate| free?(candidate) } or abort("No free port from #{port} to #{port + 50}. Choose one with PORT=.")
      say("Port #{port} is taken; using #{found}") if found != port
      found
    end

    def free?(port)
      TCPServer.open("127.0.0.1", port).close
      true
    rescue Errno::EADDRINUSE, Errno::EACCES
      false
    end

    def start_postgres
      folder = File.join(state, "postgres")
      say "Starting the database (PostgreSQL, in #{folder.delete_prefix("#{ROOT}/")})"
      @postgres = LocalPostgres.new(folder)
      @postgres.start
    end

    def prepare(url)
      db = Store::Connection.open(url)
      say "Bringing the tables up to date"
      Store::Connection.migrate(db)
      shops = Store::Shops.new(db)
      clear(shops) if @anew
      shops.begin_own if @anew == "--empty"
      load_demo(db) if shops.untouched?
      db.disconnect
    end

    def clear(shops)
      return if shops.untouched?

      lost = shops.counts.map { |name, count| "#{count} #{name}" }.join(", ")
      say "#{@anew} throws away what is kept here: #{lost}."
      if $stdin.tty?
        print "  Type yes to go on: "
        abort("  Nothing was thrown away.") unless $stdin.gets.to_s.strip == "yes"
      end
      shops.clear
    end

    def load_demo(db)
      say "The shop is empty: loading the demo, Tern Quay Turnery"
      say "#{Demo.new(db, now: Time.now.utc).load} blanks on the rack"
    end
  end
end

Loft::Launch.new(ARGV).call
