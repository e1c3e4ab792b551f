# frozen_string_literal: true

# A running server: /api/reckon at one client and at eight, each with one finding changed at every request, and what its processes hold.
class ServerBench
  # run: LaunchRun that is ready.
  def initialize(run, document)
    @run = run
    @document = document
    @touches = Touches.new
  end

  def run
    puts "Server, /api/reckon, #{@run.workers.size} processes"
    clients(2, 12)
    one, one_rate, one_faults = clients(1, 60)
    eight, eight_rate, eight_faults = clients(8, 12)
    Times.say "one client", "#{Times.spread(one)}, #{format('%.1f', one_rate)} a second, #{one_faults} faults"
    Times.say "eight clients", "#{Times.spread(eight)}, #{format('%.1f', eight_rate)} a second, #{eight_faults} faults"
    Times.say "throughput, eight over one", format("%.2f x", eight_rate / one_rate)
    say_memory("memory of each process after that")
    faults = all_sorts
    say_memory("memory after every demo blank, of all sorts, #{faults} faults")
  end

  private

  # Sorted milliseconds, answers a second, and how many were not 200.
  def clients(count, rounds)
    taken = Queue.new
    whole = Times.seconds { Array.new(count) { Thread.new { ask(rounds, taken) } }.each(&:join) }
    answers = Array.new(taken.size) { taken.pop }
    [answers.map(&:first).sort, answers.size / whole, answers.count { |_, code| code != "200" }]
  end

  # Every demo blank as never seen before, reckoned and now and then planned and mounted, by three clients; how many faults.
  def all_sorts
    documents = Dir["demo/*.anvil.json"].map { |path| JSON.parse(File.read(path)) }
    turns = 4.times.to_a.product(documents.each_with_index.to_a)
    clients = Array.new(3) { |client| Thread.new { turns.sum { |round, (document, place)| faults_of(@touches.all(document), round + place + client) } } }
    clients.sum(&:value)
  end

  def faults_of(document, turn)
    body = JSON.generate(document: document)
    ["", (["/mend", "/mounts", "/tests", "/compare"][turn / 3 % 4] if (turn % 3).zero?)].compact.count do |more|
      Net::HTTP.post(URI("http://127.0.0.1:#{@run.port}/api/reckon#{more}"), body, "Content-Type" => "application/json").code.to_i >= 500
    end
  end

  def say_memory(name) = Times.say(name, @run.workers.map { |pid| "#{resident_mb(pid)} MB" }.join(", "))

  def ask(rounds, taken)
    Net::HTTP.start("127.0.0.1", @run.port) do |http|
      rounds.times do
        body, code = JSON.generate(document: @touches.one(@document)), nil
        took = Times.seconds { code = http.post("/api/reckon", body, "Content-Type" => "application/json").code }
        taken << [took * 1000, code]
      end
    end
  end

  def resident_mb(pid) = File.read("/proc/#{pid}/status")[/VmRSS:\s+(\d+)/, 1].to_i / 1024
end
