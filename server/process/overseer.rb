# frozen_string_literal: true

require "tmpdir"

module MossyAnvil
  module Server
    module Process
      # Runs the programs of the server, each as processes of its own, and watches over them and the database: what
      # dies, or answers no more, is started again.
      # TERM and INT stop the web server once what is in hand is answered; HUP replaces all that run the program's code.
      class Overseer
        include Telling

        # The server would not come up, or keeps dying; the message says what it said last.
        class Failed < MossyAnvil::Error
        end

        READY_SECONDS = 60
        # A server that lives less than this has not started properly; so many of those in a row before it was ever
        # ready, and it is given up.
        SHORT_LIFE_S = 10
        MOST_SHORT_LIVES = 3
        TICK_S = 0.2
        # What stops by itself is started again after so long.
        REST_S = 2
        # So long one that is told to stop may take; then it is stopped, and begins the job it had in hand again when it
        # is next up.
        PATIENCE_S = Float(ENV.fetch("STOP_PATIENCE_S", "20"))

        def self.address(port) = "http://127.0.0.1:#{port}"

        # state: StateFolder whose log the server's lines go to and whose backups are made. postgres: LocalPostgres to
        # watch as well, nil where the database is somebody else's. account: Account they run under.
        # openings: Programs::Openings.
        def initialize(port:, url:, state:, postgres: nil, account: Account.new, openings: Programs::Openings.new)
          @log = LogFile.new(state.log)
          @postgres = postgres
          @account = account
          @short_lives = 0
          @others = {}
          @due = []
          @renewed = []
          @readiness = Readiness.new(port)
          @lan = openings.lan
          @backups = BackupWatch.new(Services::BackupFolder.new(state.backups), method(:now))
          @programs = Programs.beside(openings.instruments)
          @settings = {
            "PORT" => port.to_s,
            "DATABASE_URL" => url,
            "BACKUPS" => @backups.path,
            "INSTRUMENTS_PORT" => openings.instruments&.port&.to_s
          }
        end

        # Returns when the server was told to stop and has. Yields once it answers.
        def run
          lay_out
          listen_to_signals
          start_server
          @programs.each { |program| program.processes.times { start(program) } }
          wait_until_ready
          yield
          watch
        ensure
          stop_server
          stop_others
          FileUtils.rm_rf(@folder) if @folder
        end

        private

        # The folder of this run, and what starts programs in it.
        def lay_out
          @log.turn_over
          @folder = Dir.mktmpdir("mossy-anvil")
          @account.give(@folder)
          @account.give(@backups.path)
          @lan&.lay_out(@folder, @account)
          @spawner = Spawner.new(@folder, @account, @log, { **@settings, **(@lan&.settings(@folder) || {}) })
        end

        def start_server
          @started = now
          @server = @spawner.spawn(Programs::SERVER, 0)
        end

        def start(program) = @others[@spawner.spawn(program.file, program.niceness)] = program

        def listen_to_signals
          %w[TERM INT].each do |signal|
            Signal.trap(signal) do
              @stopping = true
              tell_server("TERM")
            end
          end
          Signal.trap("HUP") { @renew = true }
        end

        def tell_server(signal)
          @server = nil if @server && !tell(@server, signal)
        end

        def wait_until_ready
          until (@readiness.now? && File.socket?(@spawner.socket)) || @stopping
            if ::Process.waitpid(@server, ::Process::WNOHANG)
              raise Failed, "the server stopped while starting:\n#{@log.last_words}"
            end
            if now - @started > READY_SECONDS
              raise Failed, "the server did not answer within #{READY_SECONDS} s:\n#{@log.last_words}"
            end

            sleep 0.1
          end
        end

        def watch
          until @stopping && @server.nil?
            bury
            renew if @renew
            start_what_is_due
            back_up
            replace_unready if !@stopping && @server && @readiness.lost?
            sleep TICK_S
          end
        end

        def bury
          while (gone = ::Process.wait2(-1, ::Process::WNOHANG))
            pid, status = gone
            if pid == @server
              server_gone(status)
            elsif pid == @postgres&.pid
              database_gone
            else
              other_gone(pid)
            end
          end
        rescue Errno::ECHILD
          @server = nil
        end

        # What does one thing and ends is not started again.
        def other_gone(pid)
          program = @others.delete(pid)
          return if program.nil? || program.once

          @renewed.delete(pid) && !@stopping ? start(program) : later { start(program) }
        end

        def back_up
          return if @stopping || @others.values.any?(&:once)

          start(Programs::BACKUP) if @backups.due?(Time.now)
        end

        def server_gone(status)
          @server = nil
          return if @stopping

          @short_lives = now - @started < SHORT_LIFE_S ? @short_lives + 1 : 0
          say "The server stopped by itself (#{status}): starting it again"
          @short_lives >= MOST_SHORT_LIVES ? later { start_server } : start_server
        end

        # A database that cannot start for now, on a full disk, is tried again until it can.
        def database_gone
          return if @stopping

          say "The database stopped by itself: starting it again"
          bring_database_back
        end

        def bring_database_back
          @postgres.start_again
        rescue LocalPostgres::Failed => e
          say "The database does not start (#{e.message.lines.last.to_s.strip}): it is tried again"
          later { bring_database_back }
        end

        def later(&what)
          @due << [now + REST_S, what] unless @stopping
        end

        def start_what_is_due
          ready, @due = @due.partition { |at, _| at <= now }
          ready.map(&:last).each { |what| what.call unless @stopping }
        end

        # New processes in the place of all: the web server's without dropping a request, the others as they end.
        def renew
          @renew = false
          tell_server("USR1")
          @renewed.concat(@others.keys).each { |pid| tell(pid, "TERM") }
        end

        # A process may run and answer no more: new ones first, and if that does not help, a new server.
        def replace_unready
          say "The server does not answer as it should: replacing its processes"
          tell_server((@replaced = !@replaced) ? "USR1" : "KILL")
        end

        def stop_server
          return unless @server

          tell_server("TERM")
          ::Process.wait(@server) if @server
        rescue Errno::ECHILD
          @server = nil
        end

        # Each for itself: one that is gone already must not keep the others from being told.
        def stop_others
          pids = @others.keys
          pids.each { |pid| tell(pid, "TERM") }
          deadline = now + PATIENCE_S
          pids.each { |pid| gone_by?(pid, deadline) || (tell(pid, "KILL") && ::Process.wait(pid)) }
        end

        # The terminal may have gone away.
        def say(text) = $stdout.puts("  #{text}")
        def now = ::Process.clock_gettime(::Process::CLOCK_MONOTONIC)
      end
    end
  end
end
