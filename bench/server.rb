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
    Times.say "memory of each process after that", @run.workers.map { |pid| "#{resident_mb(pid)} MB" }.join(", ")
  end

  private

  # Sorted milliseconds, answers a second, and how many were not 200.
  def clients(count, rounds)
    taken = Queue.new
    whole = Times.seconds { Array.new(count) { Thread.new { ask(rounds, taken) } }.each(&:join) }
    answers = Array.new(taken.size) { taken.pop }
    [answers.map(&:first).sort, answers.size / whole, answers.count { |_, code| code != "200" }]
  end

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
