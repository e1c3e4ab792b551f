# frozen_string_literal: true

require "net/http"
require "openssl"

# The shop on its network: 64 devices over TLS for half a minute, each looking, and writing now and then.
class NetworkBench
  MANY = 64
  SECONDS = 30
  PATHS = %w[/api/shop /api/blanks/1 /api/blanks/5/card /api/stores /api/session].freeze

  # run: LaunchRun with --lan that is ready; state: its folder.
  def initialize(run, state)
    @port = run.said[%r{https://[^:\s]+:(\d+)}, 1].to_i
    @authority = File.join(state, "lan", "authority.crt")
    @db = MossyAnvil::Server::Store::Connection.open(run.database_url)
  end

  def run
    taken = Thread::Queue.new
    tokens = Array.new(MANY) { |turn| token("device #{turn}") }
    ends = Process.clock_gettime(Process::CLOCK_MONOTONIC) + SECONDS
    tokens.map { |token| Thread.new { device(token, ends, taken) } }.each(&:join)
    answers = Array.new(taken.size) { taken.pop }
    faults = answers.count { |_, code| !%w[200 201].include?(code) }
    Times.say "#{MANY} devices over TLS, #{SECONDS} s",
              "#{Times.spread(answers.map(&:first).sort)}, #{answers.size} answers, #{faults} faults"
  end

  private

  def token(name)
    owner = @db[:people].where(role: "owner").get(:id)
    MossyAnvil::Server::Store::Devices.new(@db).add(owner, name, Time.now.utc)
  end

  def device(token, ends, taken)
    http = Net::HTTP.new("127.0.0.1", @port)
    http.use_ssl = true
    http.ca_file = @authority
    http.start do
      reading, writing = headers(http, token)
      (0..).each do |turn|
        break if Process.clock_gettime(Process::CLOCK_MONOTONIC) > ends

        ask(taken) do
          (turn % 10).zero? ? http.post("/api/blanks/2/journal", note, writing) : http.get(PATHS[turn % 5], reading)
        end
      end
    end
  end

  # Of what reads, and of what writes.
  def headers(http, token)
    first = http.get("/api/session", { "Cookie" => "mossy_anvil_device=#{token}" })
    cookies = "mossy_anvil_device=#{token}; #{first["set-cookie"][/mossy_anvil_session=[^;]+/]}"
    token = JSON.parse(first.body)["csrf"]
    [{ "Cookie" => cookies }, { "Cookie" => cookies, "X-CSRF-Token" => token, "Content-Type" => "application/json" }]
  end

  def note = JSON.generate(key: SecureRandom.uuid, kind: "note", note: "from a device")

  def ask(taken)
    code = nil
    took = Times.seconds { code = yield.code }
    taken << [took * 1000, code]
  end
end
