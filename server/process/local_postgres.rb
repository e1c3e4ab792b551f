# frozen_string_literal: true

require "socket"

module MossyAnvil
  module Server
    module Process
      # A PostgreSQL server of the project's own over a PostgresCluster: on loopback, on a free port, with a password.
      class LocalPostgres
        Failed = PostgresCluster::Failed

        USER = "mossy_anvil"
        START_SECONDS = 30
        STOP_SECONDS = 20

        # pid: of the running server, nil where none was started.
        attr_reader :port, :pid

        # folder: absolute; made if it is not there.
        def initialize(folder)
          @cluster = PostgresCluster.new(folder, USER)
          @log = @cluster.log
        end

        # Starts it (after clearing up a server that lost its owner) and returns the URL of the database.
        def start(database: USER)
          @cluster.prepare
          @cluster.stop_orphan
          bring_up
          url(create(database))
        end

        # After it died by itself: the same cluster on the same port. Raises Failed where it does not come up for now.
        def start_again
          @cluster.stop_orphan
          bring_up
        end

        # Stops it cleanly: open transactions are rolled back, everything committed is on disk.
        def stop
          return unless @pid

          ::Process.kill("INT", @pid)
          wait_for_exit
        rescue Errno::ESRCH, Errno::ECHILD
          @pid = nil
        end

        def url(database) = "postgres://#{USER}:#{@cluster.password}@127.0.0.1:#{port}/#{database}"

        private

        # After a crash the last of the old server's helpers may still hold its memory for a moment.
        def bring_up(tries: 3)
          @port ||= free_port
          @pid = launch
          wait_until_ready
        rescue Failed
          raise if (tries -= 1).zero?

          sleep 1
          retry
        end

        def free_port
          TCPServer.open("127.0.0.1", 0) { |server| server.addr[1] }
        end

        def launch
          ::Process.spawn(
            *@cluster.as_owner(pdeathsig: true),
            @cluster.program("postgres"),
            "-D",
            @cluster.data,
            "-c",
            "listen_addresses=127.0.0.1",
            "-c",
            "port=#{port}",
            "-c",
            "unix_socket_directories=",
            "-c",
            "shared_buffers=64MB",
            out: [@log, "a"],
            err: [@log, "a"],
            in: File::NULL,
            pgroup: true,
            chdir: "/"
          )
        end

        def wait_until_ready
          deadline = ::Process.clock_gettime(::Process::CLOCK_MONOTONIC) + START_SECONDS
          until ready?
            if ::Process.waitpid(@pid, ::Process::WNOHANG)
              raise Failed, "PostgreSQL stopped while starting:\n#{last_words}"
            end
            if ::Process.clock_gettime(::Process::CLOCK_MONOTONIC) > deadline
              raise Failed, "PostgreSQL did not answer within #{START_SECONDS} s:\n#{last_words}"
            end

            sleep 0.1
          end
        end

        def ready?
          system(@cluster.program("pg_isready"), "-q", "-h", "127.0.0.1", "-p", port.to_s)
        end

        def last_words = File.readlines(@log).last(12).join

        def create(database)
          admin = Sequel.connect(url("postgres"))
          if admin[:pg_database].where(datname: database).empty?
            admin.run("CREATE DATABASE #{admin.literal(Sequel.identifier(database))}")
          end
          database
        ensure
          admin&.disconnect
        end

        def wait_for_exit
          deadline = ::Process.clock_gettime(::Process::CLOCK_MONOTONIC) + STOP_SECONDS
          until ::Process.waitpid(@pid, ::Process::WNOHANG)
            ::Process.kill("QUIT", @pid) if ::Process.clock_gettime(::Process::CLOCK_MONOTONIC) > deadline
            sleep 0.05
          end
          @pid = nil
        end
      end
    end
  end
end
