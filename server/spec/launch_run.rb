# frozen_string_literal: true

require "net/http"
require "tmpdir"

# One run of server/entry/launch.rb on a port of its own.
class LaunchRun
  # Memory as bin/start has it kept, not as these tests do: what a calculation may take is counted.
  MEMORY =
    File
      .readlines(File.join(MossyAnvil::Server::ROOT, "server/entry/memory.env"), chomp: true)
      .grep(/=/)
      .to_h { |line| line.split("=", 2) }
      .freeze

  @all = []

  class << self
    attr_reader :all

    # Whatever an example has left running goes.
    def end_all = @all.each(&:kill).clear

    # Yields a state folder of its own with the demo shop in it, as a run that was stopped leaves it.
    def in_a_shop
      Dir.mktmpdir("state") do |folder|
        system("cp", "-a", "#{stopped_shop}/.", folder, exception: true)
        yield folder
      end
    end

    private

    # Made once by a run of the start command, and copied from then on.
    def stopped_shop
      @stopped_shop ||=
        Dir
          .mktmpdir("stopped-shop")
          .tap do |folder|
            at_exit { FileUtils.rm_rf(folder) }
            File.chmod(0o755, folder)
            new(MOSSY_ANVIL_STATE: folder).ready!.stop("TERM")
          end
    end
  end

  attr_reader :port, :pid

  def initialize(*arguments, **environment)
    @port = TCPServer.open("127.0.0.1", 0) { |server| server.addr[1] }
    @log = File.join(Dir.mktmpdir("launch"), "log")
    @state = environment[:MOSSY_ANVIL_STATE]
    usual = { **MEMORY, "PORT" => @port.to_s, "WORKERS" => "1", "JOB_WORKERS" => "1" }
    @pid =
      Bundler.with_unbundled_env do
        Process.spawn(
          usual.merge(environment.transform_keys(&:to_s)),
          "ruby",
          "-r#{MossyAnvil::Server::ROOT}/vendor/bundle/bundler/setup",
          "#{MossyAnvil::Server::ROOT}/server/entry/launch.rb",
          *arguments,
          out: @log,
          err: @log,
          in: File::NULL,
          pgroup: true
        )
      end
    LaunchRun.all << self
  end

  # Of its own database.
  def database_url
    postgres = File.join(@state, "postgres")
    port = File.readlines(File.join(postgres, "data", "postmaster.pid"))[3].to_i
    user = MossyAnvil::Server::Process::LocalPostgres::USER
    "postgres://#{user}:#{File.read(File.join(postgres, "password")).strip}@127.0.0.1:#{port}/#{user}"
  end

  def kill
    Process.kill("KILL", -@pid)
    Process.wait(@pid)
  rescue Errno::ESRCH, Errno::ECHILD
    nil
  end

  def said = File.read(@log)

  # Once it has said all of what it says when it is ready.
  def ready!
    900.times do
      return self if said.include?("(Ctrl-C stops it")
      raise "stopped: #{said}" if Process.waitpid(@pid, Process::WNOHANG)

      sleep 0.1
    end
    raise "not ready: #{said}"
  end

  def stop(signal)
    Process.kill(signal, @pid)
    _, status = Process.wait2(@pid)
    status
  end

  def get(path) = Net::HTTP.get_response("127.0.0.1", path, @port)

  # Status of an answer, nil without one; with a body it is sent as JSON.
  def status(path, body: nil)
    if body
      Net::HTTP.post(URI("http://127.0.0.1:#{@port}#{path}"), body, "Content-Type" => "application/json").code
    else
      get(path).code
    end
  rescue SystemCallError, IOError, Timeout::Error
    nil
  end

  def answers? = status("/readyz") == "200"

  # Process ids of the web server and of its workers.
  def server = children(@pid).find { |pid| of_kernel("/proc/#{pid}/cmdline").match?(/puma|serve\.rb/) }
  def queue_workers = children(@pid).select { |pid| of_kernel("/proc/#{pid}/cmdline").include?("work.rb") }
  # The processes that calculate, and the one that looks after them.
  def pool = children(@pid).find { |pid| of_kernel("/proc/#{pid}/cmdline").include?("calculate.rb") }
  def calculators = children(pool)
  def workers = children(server).select { |pid| of_kernel("/proc/#{pid}/cmdline").include?("cluster worker") }

  # Kills the run's own database and keeps the overseer from starting it again. Only for a run with a state folder of
  # its own.
  def take_database_away
    Process.kill("STOP", @pid)
    Process.kill("KILL", Integer(File.foreach(File.join(@state, "postgres", "data", "postmaster.pid")).first))
  end

  def let_database_come_back = Process.kill("CONT", @pid)

  private

  def children(pid) = Dir["/proc/#{pid}/task/*/children"].flat_map { |file| of_kernel(file).split.map(&:to_i) }

  # Empty where the process is gone by now.
  def of_kernel(path)
    File.read(path)
  rescue Errno::ENOENT, Errno::ESRCH
    ""
  end
end
