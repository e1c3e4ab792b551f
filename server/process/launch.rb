# frozen_string_literal: true

require "etc"
require "optparse"

module MossyAnvil
  module Server
    module Process
      # One run of the application on this machine.
      class Launch
        USAGE = "usage: bin/start [--fresh | --empty] [--lan] [--with-instruments]"

        def initialize(arguments)
          OptionParser
            .new(USAGE) do |parser|
              parser.on("--fresh", "throw the data away and load the demo again") { @anew = "--fresh" }
              parser.on("--empty", "throw the data away and begin an empty shop of one's own") { @anew = "--empty" }
              parser.on("--lan", "serve the local network too, over HTTPS, to people who log in") { @lan = true }
              parser.on("--with-instruments", "hear instruments, and let stand-ins for all seven run") do
                @stand_ins = true
              end
            end
            .parse!(arguments)
          @state = StateFolder.new
        rescue OptionParser::ParseError => e
          abort("#{e.message}\n#{USAGE}")
        end

        def call
          account = Account.new.tap(&:check)
          @state.make
          @state.lock unless DatabaseAddress.given
          run(Ports.chosen(method(:say)), account)
        rescue LocalPostgres::Failed, Overseer::Failed, Account::Failed, Backups::Failed => e
          abort("Cannot start: #{e.message}")
        rescue Sequel::DatabaseError => e
          abort("Cannot start: #{DatabaseAddress.words(e)}")
        rescue Errno::EACCES, Errno::EROFS, Errno::ENOSPC, Errno::EEXIST, Errno::ENOTDIR => e
          abort(
            "Cannot start: #{
              e.message.sub(/ @ \w+ - /, ": ")
            }. The folder #{@state.path} must be one that the user #{Etc.getpwuid.name} may write in, with room there."
          )
        ensure
          stop_postgres
        end

        private

        def say(text) = puts("  #{text}")

        def run(port, account)
          check_secret
          lan = @lan && lan_access(port)
          url = DatabaseAddress.given || start_postgres
          prepare(url, lan)
          serve(port, url, account, lan)
        end

        def serve(port, url, account, lan)
          Overseer
            .new(
              port: port,
              url: url,
              state: @state,
              postgres: @postgres,
              account: account,
              openings: Programs::Openings.new(instruments((lan&.port || port) + 1), lan)
            )
            .run do
              @state.write_address(Overseer.address(port))
              puts "\nMossy Anvil is ready: #{Overseer.address(port)}"
              lan&.words&.each { |line| puts line }
              puts FirstOwner.words(@code, Overseer.address(port)) if @code
              puts "(Ctrl-C stops it and its database)"
            end
        end

        def lan_access(port) =
          LanAccess.new(@state, port: Ports.given("LAN_PORT") || Ports.free_from(port + 1, method(:say)), now: Time.now)

        # Heard where a port is named for them, or their stand-ins are wanted; else from that port on.
        def instruments(port)
          named = Ports.given("INSTRUMENTS_PORT")
          return unless named || @stand_ins

          own = named || Ports.free_from(port, method(:say))
          say "Instruments are heard on 127.0.0.1:#{own}#{", where seven stand-ins speak" if @stand_ins}"
          Programs::Instruments.new(own, @stand_ins)
        end

        def stop_postgres
          return unless @postgres

          say "Stopping the database"
          @postgres.stop
          say "Stopped"
        end

        # Sessions are sealed with what nobody can guess; ends with a message where it is too short for that, or where
        # something behind a proxy lacks what it takes.
        def check_secret
          lacking = %w[SESSION_SECRET LAN_HOSTS].reject { |name| ENV.key?(name) }
          abort("LAN_ADDRESS wants #{lacking.join(" and ")} too.") if ENV.key?("LAN_ADDRESS") && lacking.any?
          given = ENV.fetch("SESSION_SECRET", nil) or return
          return if given.bytesize >= Network::LEAST_SECRET_BYTES

          abort("SESSION_SECRET is too short: #{Network::LEAST_SECRET_BYTES} characters or more, made by chance.")
        end

        def start_postgres
          folder = @state.postgres
          say "Starting the database (PostgreSQL, in #{folder.delete_prefix("#{ROOT}/")})"
          @postgres = LocalPostgres.new(folder)
          @postgres.start
        end

        def prepare(url, lan)
          db = Store::Connection.open(url)
          back_up(url) if Store::Connection.behind?(db)
          say "Bringing the tables up to date"
          Store::Connection.migrate(db)
          shops = Store::Shops.new(db)
          clear(shops) if @anew
          shops.begin_own if @anew == "--empty"
          load_demo(db) if shops.untouched?
          @code = FirstOwner.code(db, Time.now) if lan || ENV.key?("LAN_ADDRESS")
          db.disconnect
        end

        # Before tables are changed what is in them is put by.
        def back_up(url)
          say "Backing up what is kept before its tables are changed"
          Backups.new(url, Services::BackupFolder.new(@state.backups)).make(Time.now)
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
          demo = Services::Demo.new(db, now: Time.now.utc)
          say "#{demo.load} blanks taken in"
          demo.go_to_work
          demo.remember
        end
      end
    end
  end
end
