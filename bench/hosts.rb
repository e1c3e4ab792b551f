# frozen_string_literal: true

require "net/http"
require "openssl"
require "socket"

# Two hosts in network namespaces of their own, on one database: log-in, a card, live word and a job across them; then
# one is killed while both are asked. Needs root and `ip`.
class HostsBench
  BRIDGE = "anvilbr"
  HERE = "10.77.0.1"
  HOSTS = { "anvila" => "10.77.0.2", "anvilb" => "10.77.0.3" }.freeze
  DATABASE_PORT = 5433
  PORT, LAN_PORT = 4380, 4381
  SECRET = "two hosts, one shop, and sixty-four letters or more to seal it by"

  # url: address of a database on this machine's loopback.
  def initialize(url)
    @url = url
    @folder = Dir.mktmpdir("hosts")
    File.chmod(0o755, @folder)
  end

  def run
    lay_network
    relay
    @pids = HOSTS.keys.to_h { |name| [name, start(name)] }
    HOSTS.each_key { |name| wait_for(name) }
    @db = MossyAnvil::Server::Store::Connection.open(@url)
    first, second = HOSTS.keys
    across(first, second)
    kill_one(first, second)
  ensure
    @pids&.each_value { |pid| stop(pid) }
    take_network_away
    FileUtils.rm_rf(@folder)
  end

  private

  def sh(text, **how) = system(text, exception: true, **how)

  def lay_network
    sh "ip link add #{BRIDGE} type bridge && ip addr add #{HERE}/24 dev #{BRIDGE} && ip link set #{BRIDGE} up"
    HOSTS.each do |name, address|
      sh "ip netns add #{name} && ip link add #{name}h type veth peer name eth0 netns #{name}"
      sh "ip link set #{name}h master #{BRIDGE} up"
      sh "ip -n #{name} addr add #{address}/24 dev eth0 && ip -n #{name} link set eth0 up && ip -n #{name} link set lo up"
    end
  end

  def take_network_away
    HOSTS.each_key { |name| system("ip netns del #{name}", err: File::NULL) }
    system("ip link del #{BRIDGE}", err: File::NULL)
  end

  # The database listens on loopback; what comes to the bridge is passed on to it.
  def relay
    target = URI(@url).port
    server = TCPServer.new(HERE, DATABASE_PORT)
    Thread.new do
      loop do
        near = server.accept
        Thread.new { pass(near, TCPSocket.new("127.0.0.1", target)) }
      end
    end
  end

  def pass(near, far)
    [[near, far], [far, near]].map do |from, to|
        Thread.new do
          IO.copy_stream(from, to)
        rescue IOError, SystemCallError
          nil
        end
      end
      .each(&:join)
  ensure
    [near, far].each(&:close)
  end

  def start(name)
    url = URI(@url).tap { |own| (own.host = HERE) && own.port = DATABASE_PORT }
    settings = {
      "DATABASE_URL" => url.to_s,
      "SESSION_SECRET" => SECRET,
      "MOSSY_ANVIL_STATE" => File.join(@folder, name),
      "PORT" => PORT.to_s,
      "LAN_PORT" => LAN_PORT.to_s,
      "WORKERS" => "1"
    }
    setup = "#{MossyAnvil::Server::ROOT}/vendor/bundle/bundler/setup"
    Bundler.with_unbundled_env do
      Process.spawn(
        settings,
        "ip",
        "netns",
        "exec",
        name,
        "ruby",
        "-r#{setup}",
        "#{MossyAnvil::Server::ROOT}/server/entry/launch.rb",
        "--lan",
        %i[out err] => log(name),
        :in => File::NULL,
        :pgroup => true
      )
    end
  end

  def log(name) = File.join(@folder, "#{name}.log")

  def wait_for(name)
    600.times { File.read(log(name)).include?("is ready") ? return : sleep(0.1) }
    raise "#{name} is not ready: #{File.read(log(name))}"
  end

  def stop(pid)
    Process.kill("TERM", pid)
    Process.wait(pid)
  rescue Errno::ESRCH, Errno::ECHILD
    nil
  end

  # One browser: its cookies are for both hosts, as they would be behind one name.
  def client(name)
    Net::HTTP
      .new(HOSTS.fetch(name), LAN_PORT)
      .tap do |http|
        http.use_ssl = true
        http.ca_file = File.join(@folder, name, "lan", "authority.crt")
        http.open_timeout = http.read_timeout = 10
      end
  end

  def get(name, path) = client(name).get(path, { "Cookie" => @cookies })

  def post(name, path, body)
    headers = { "Cookie" => @cookies, "X-CSRF-Token" => @token, "Content-Type" => "application/json" }
    client(name).post(path, JSON.generate(body), headers)
  end

  def across(first, second)
    Times.say "let in by a password at one, known at the other", log_in(first, second)
    tick(first, second)
    Times.say "a job asked at one, ended as the other tells", job(first, second)
  end

  def tick(first, second)
    card, line =
      JSON.parse(post(first, "/api/blanks/5/card", { key: SecureRandom.uuid }).body).values_at("id", "next_line")
    heard = listen(first)
    began = now
    post(second, "/api/cards/#{card}/marks", { key: SecureRandom.uuid, line: line, kind: "done" })
    word = heard.pop until word&.include?("card")
    Times.say "ticked at one, told at the other after", "#{((now - began) * 1000).round} ms"
    by = lines(get(first, "/api/cards/#{card}")).find { |one| one["key"] == line }["by"]
    Times.say "the tick there as well", by
  end

  def lines(answer) = JSON.parse(answer.body)["steps"].flat_map { |step| step["lines"] }

  def log_in(first, second)
    owner = @db[:people].where(role: "owner").first
    password = "elm, lime and hornbeam"
    MossyAnvil::Server::Store::LogIns.new(@db).set_password(owner[:id], password, Time.now.utc)
    take_session(client(first).get("/api/session"))
    take_session(post(first, "/api/log-in", { name: owner[:name], password: password }))
    take_session(get(second, "/api/session"))
    JSON.parse(get(second, "/api/session").body)["person"]["name"]
  end

  def take_session(answer)
    @cookies = answer["set-cookie"][/mossy_anvil_session=[^;]+/] if answer["set-cookie"]
    @token = JSON.parse(answer.body)["csrf"] || @token
  end

  # Words as they come.
  def listen(name)
    words = Thread::Queue.new
    Thread.new do
      client(name).start do |http|
        http.request(Net::HTTP::Get.new("/api/changes", { "Cookie" => @cookies })) do |answer|
          answer.read_body { |part| words << part }
        end
      end
    rescue IOError, SystemCallError, Net::ReadTimeout
      nil
    end
    words.pop
    words
  end

  def job(first, second)
    document = JSON.parse(get(first, "/api/blanks/3").body)["document"]
    task = JSON.parse(post(first, "/api/odds", { document: document, better: false }).body)
    240.times do
      state = JSON.parse(get(second, "/api/tasks/#{task["id"]}").body)["state"]
      return state unless %w[waiting running].include?(state)

      sleep 0.25
    end
    "not ended"
  end

  # Eight devices, each asking the one and, where that does not answer, the other, as a proxy would.
  def kill_one(first, second)
    running, codes = true, Thread::Queue.new
    devices = Array.new(8) { Thread.new { codes << either(first, second) while running } }
    sleep 3
    Process.kill("KILL", -@pids.delete(first))
    sleep 6
    running = false
    devices.each(&:join)
    all = Array.new(codes.size) { codes.pop }
    Times.say "one killed while eight ask: answers by code",
              all.tally.map { |code, count| "#{code} x #{count}" }.join(", ")
  end

  def either(first, second)
    get(first, "/api/shop").code
  rescue IOError, SystemCallError, OpenSSL::SSL::SSLError, Net::OpenTimeout, Net::ReadTimeout
    get(second, "/api/shop").code
  end

  def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
end
