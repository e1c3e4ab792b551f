# frozen_string_literal: true

# A running server: /api/reckon at one client, at eight and at 64, each with one defect changed at every request; the
# rack, the log and the card meanwhile; and what its processes hold, also after surveys that take more than they may.
class ServerBench
  MANY = 64
  # What is light: asked while others calculate, and by how many clients each.
  LIGHT = { "the rack" => "/api/shop", "the log" => "/api/blanks/1", "the card" => "/api/blanks/5/card" }.freeze

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
    Times.say "one client", "#{Times.spread(one)}, #{format("%.1f", one_rate)} a second, #{one_faults} faults"
    Times.say "eight clients", "#{Times.spread(eight)}, #{format("%.1f", eight_rate)} a second, #{eight_faults} faults"
    Times.say "throughput, eight over one", format("%.2f x", eight_rate / one_rate)
    many_clients
    hostile_surveys
    say_memory("memory of each process after that")
    faults = all_sorts
    say_memory("memory after every demo blank, of all sorts, #{faults} faults")
  end

  private

  def many_clients
    (many, rate, faults), light = with_light { clients(MANY, 6) }
    Times.say "#{MANY} clients", "#{Times.spread(many)}, #{format("%.1f", rate)} a second, #{faults} faults"
    Times.say "p95 over p50", format("%.2f x", Times.at(many, 0.95) / Times.median(many))
    light.each { |name, taken| Times.say "#{name} meanwhile", Times.spread(taken) }
  end

  # Eight clients with surveys that no request may have calculated.
  def hostile_surveys
    body = JSON.generate(document: @document.merge("defects" => Array.new(200) { |turn| wound(turn) }))
    (answers, longest), light =
      with_light do
        taken = Array.new(8) { Thread.new { hostile(body) } }.map(&:value)
        [taken.map(&:first).tally, taken.map(&:last).max]
      end
    Times.say "eight surveys that take too much",
              "answered #{
                answers.map { |code, count| "#{code} x #{count}" }.join(", ")
              }, the last after #{format("%.1f", longest)} s"
    light.each { |name, taken| Times.say "#{name} meanwhile", Times.spread(taken) }
    say_memory("memory after that")
  end

  # A long crack that winds round the blank.
  def wound(turn)
    {
      "id" => "c#{turn}",
      "type" => "crack",
      "enters" => "side",
      "depth_mm" => 20,
      "width_mm" => 1,
      "path" => Array.new(30) { |step| { "clock_deg" => ((turn * 1.8) + (step * 9)) % 360, "z_mm" => 10 + (step * 8) } }
    }
  end

  def hostile(body)
    code = nil
    took =
      Times.seconds do
        Net::HTTP.start("127.0.0.1", @run.port, read_timeout: 120) do |http|
          code = http.post("/api/reckon", body, "Content-Type" => "application/json").code
        end
      end
    [code, took]
  end

  # What the block gives, and sorted milliseconds of each light request while it ran.
  def with_light
    running = true
    asking = LIGHT.transform_values { |path| Thread.new { light(path) { running } } }
    [yield, asking.transform_values { |thread| (running = false) || thread.value.sort }]
  end

  def light(path)
    taken = []
    Net::HTTP.start("127.0.0.1", @run.port, read_timeout: 120) do |http|
      while yield
        taken << (Times.seconds { http.get(path) } * 1000)
        sleep 0.05
      end
    end
    taken
  end

  # Sorted milliseconds, answers a second, and how many were not 200.
  def clients(count, rounds)
    taken = Queue.new
    whole = Times.seconds { Array.new(count) { Thread.new { ask(rounds, taken) } }.each(&:join) }
    answers = Array.new(taken.size) { taken.pop }
    [answers.map(&:first).sort, answers.size / whole, answers.count { |_, code| code != "200" }]
  end

  # Every demo blank as never seen before, calculated and now and then planned and mounted, by three clients; how many
  # faults.
  def all_sorts
    documents = Dir["demo/*.anvil.json"].map { |path| JSON.parse(File.read(path)) }
    turns = 4.times.to_a.product(documents.each_with_index.to_a)
    clients =
      Array.new(3) do |client|
        Thread.new do
          turns.sum { |round, (document, place)| faults_of(@touches.all(document), round + place + client) }
        end
      end
    clients.sum(&:value)
  end

  def faults_of(document, turn)
    body = JSON.generate(document: document)
    ["", (%w[/mend /mounts /tests /compare][turn / 3 % 4] if (turn % 3).zero?)].compact.count do |more|
      Net::HTTP
        .post(URI("http://127.0.0.1:#{@run.port}/api/reckon#{more}"), body, "Content-Type" => "application/json")
        .code
        .to_i >= 500
    end
  end

  def say_memory(name)
    { "answering" => @run.workers, "calculating" => @run.calculators }.each do |what, pids|
      Times.say("#{name}, #{what}", pids.map { |pid| "#{resident_mb(pid)} MB" }.join(", "))
    end
  end

  def ask(rounds, taken)
    Net::HTTP.start("127.0.0.1", @run.port, read_timeout: 120) do |http|
      rounds.times do
        body, code = JSON.generate(document: @touches.one(@document)), nil
        took = Times.seconds { code = http.post("/api/reckon", body, "Content-Type" => "application/json").code }
        taken << [took * 1000, code]
      end
    end
  end

  def resident_mb(pid) = File.read("/proc/#{pid}/status")[/VmRSS:\s+(\d+)/, 1].to_i / 1024
end
