# frozen_string_literal: true

require "English"
require "net/http"

module Loft
  # Runs the web server as a process of its own and watches over it and the database: what dies is started again.
  # TERM and INT stop the server once what is in hand is answered; HUP replaces its workers one after another.
  class Overseer
    # The server would not come up, or keeps dying; the message says what it said last.
    class Failed < MossyAnvil::Error; end

    READY_SECONDS = 60
    # A server that lives less than this has not started properly; so many of those in a row, and it is given up.
    SHORT_LIFE_S = 10
    MOST_SHORT_LIVES = 3
    LARGE_LOG_BYTES = 10_000_000

    def self.address(port) = "http://127.0.0.1:#{port}"

    # Processes that work the queue. One that stops by itself is started again after so many seconds.
    WORKERS = Integer(ENV.fetch("JOB_WORKERS", "2"))
    REST_S = 2
    # So long one that is told to stop may take; then it is stopped, and begins the job it had in hand again when it is next up.
    PATIENCE_S = 20

    # log: path the server's lines go to. postgres: LocalPostgres to watch as well, nil where the database is somebody else's.
    def initialize(port:, url:, log:, postgres: nil)
      @port = port
      @url = url
      @log = log
      @postgres = postgres
      @short_lives = 0
      @workers = []
    end

    # Returns when the server was told to stop and has. Yields once it answers.
    def run
      turn_over_log
      start_server
      listen_to_signals
      wait_until_ready
      WORKERS.times { start_worker }
      yield
      watch
    ensure
      stop_server
      stop_workers
    end

    private

    def turn_over_log
      FileUtils.mkdir_p(File.dirname(@log))
      File.rename(@log, "#{@log}.1") if File.exist?(@log) && File.size(@log) > LARGE_LOG_BYTES
    end

    # Goes down with this process, however that ends.
    def start_server
      @started = now
      @server = spawn_own("serve.rb")
    end

    def start_worker = @workers << spawn_own("work.rb")

    def spawn_own(program)
      Process.spawn({ "PORT" => @port.to_s, "DATABASE_URL" => @url }, "setpriv", "--pdeathsig=TERM", RbConfig.ruby,
        "-r#{ROOT}/vendor/bundle/bundler/setup", File.join(ROOT, "server", program), out: [@log, "a"], err: [@log, "a"], in: File::NULL)
    end

    def listen_to_signals
      %w[TERM INT].each do |signal|
        Signal.trap(signal) do
          @stopping = true
          tell_server("TERM")
        end
      end
      Signal.trap("HUP") { tell_server("USR1") }
    end

    def tell_server(signal)
      @server = nil if @server && !tell(@server, signal)
    end

    def wait_until_ready
      until ready? || @stopping
        raise Failed, "the server stopped while starting:\n#{last_words}" if Process.waitpid(@server, Process::WNOHANG)
        raise Failed, "the server did not answer within #{READY_SECONDS} s:\n#{last_words}" if now - @started > READY_SECONDS

        sleep 0.1
      end
    end

    def ready?
      Net::HTTP.get_response("127.0.0.1", "/readyz", @port).is_a?(Net::HTTPOK)
    rescue SystemCallError, IOError
      false
    end

    def watch
      until @stopping && @server.nil?
        pid, status = Process.wait2
        case pid
        when @server then server_gone(status)
        when @postgres&.pid then database_gone
        when *@workers then worker_gone(pid)
        end
      end
    end

    def server_gone(status)
      @server = nil
      return if @stopping

      @short_lives = now - @started < SHORT_LIFE_S ? @short_lives + 1 : 0
      raise Failed, "the server keeps stopping:\n#{last_words}" if @short_lives >= MOST_SHORT_LIVES

      puts "  The server stopped by itself (#{status}): starting it again"
      start_server
    end

    # It goes when the database does; the job it had in hand is begun again.
    def worker_gone(pid)
      @workers.delete(pid)
      return if @stopping

      sleep REST_S
      start_worker
    end

    def database_gone
      return if @stopping

      puts "  The database stopped by itself: starting it again"
      @postgres.start_again
    end

    def stop_server
      return unless @server

      tell_server("TERM")
      Process.wait(@server) if @server
    rescue Errno::ECHILD
      @server = nil
    end

    # Each for itself: one that is gone already must not keep the others from being told.
    def stop_workers
      @workers.each { |pid| tell(pid, "TERM") }
      deadline = now + PATIENCE_S
      @workers.pop.then { |pid| gone_by?(pid, deadline) || (tell(pid, "KILL") && Process.wait(pid)) } until @workers.empty?
    end

    # Is it gone by then?
    def gone_by?(pid, deadline)
      sleep 0.05 until (gone = Process.waitpid(pid, Process::WNOHANG)) || now > deadline
      gone
    rescue Errno::ECHILD
      true
    end

    # False where there is nobody to tell.
    def tell(pid, signal)
      Process.kill(signal, pid)
    rescue Errno::ESRCH
      false
    end

    def last_words = File.exist?(@log) ? File.readlines(@log).last(12).join : ""
    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
