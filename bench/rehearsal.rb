# frozen_string_literal: true

# The screen lathe: how soon an act is answered, how many pictures a second while the piece spins, and what memory it
# takes as it goes on.
class RehearsalBench
  ROUNDS = 3
  PIECES = [2, 3, 9].freeze
  VIEW = [700, 500].freeze
  # Longer than a turn takes to be drawn.
  SETTLES_S = 8
  WATCHED_S = 6
  # REHEARSAL_MINUTES: how long memory is watched for.
  MINUTES = Float(ENV.fetch("REHEARSAL_MINUTES", "3"))

  # run: LaunchRun that is ready.
  def initialize(run)
    @run = run
    @screen = Capybara::Session.new(:chromium)
  end

  def run
    puts "The screen lathe"
    Times.say "an act answered, whole rehearsals by the plan with taps",
              Times.spread(PIECES.flat_map { |id| acts(id) }.sort)
    spinning
    memory
    @screen.quit
  end

  private

  def address(path) = "http://127.0.0.1:#{@run.port}#{path}"

  def post(path, body)
    answer = Net::HTTP.post(URI(address(path)), JSON.generate(body), "Content-Type" => "application/json")
    raise "#{path}: #{answer.code} #{answer.body[0, 200]}" unless answer.code == "201"

    JSON.parse(answer.body)
  end

  def begun(id)
    document = JSON.parse(@run.get("/api/blanks/#{id}").body)["document"]
    post("/api/blanks/#{id}/rehearsals", { document: document, truth: "survey" }).tap do |rehearsal|
      # As the page asks for it.
      @run.get("/api/rehearsals/#{rehearsal["id"]}")
    end
  end

  # ms of each act of some rehearsals of a piece.
  def acts(id)
    Array
      .new(ROUNDS) do
        rehearsal = begun(id)
        times = []
        state = rehearsal["state"]
        until state["ended"]
          next_acts(state).each do |act|
            body = { position: state["acts"], act: act }
            times << (Times.seconds { state = post("/api/rehearsals/#{rehearsal["id"]}/acts", body)["state"] } * 1000)
            break if state["ended"]
          end
        end
        times
      end
      .flatten
  end

  def next_acts(state)
    rpm = state["steps"][state["at"]]["limit_rpm"]
    taps = Array.new(4) { |place| { act: "tap", clock_deg: 90 * place, z_mm: 10 } }
    return *taps, { act: "go_on" } unless rpm.positive?

    cuts = state["regions"].each_index.map { |region| { act: "cut", region: region } }
    [{ act: "look" }, *taps, { act: "speed", rpm: rpm }, *cuts, { act: "go_on" }]
  end

  # No. 33 as it is trued up, in a view of that size: while each place of a turn is drawn for the first time, and after.
  def spinning
    open_spinning
    ["at first", "once a turn has been drawn"].each do |moment|
      rate = frames_in(WATCHED_S) / WATCHED_S.to_f
      Times.say "spinning, at #{VIEW.join(" × ")}, #{moment}", format("%.0f pictures a second", rate)
      sleep SETTLES_S
    end
  end

  def open_spinning
    @screen.visit(address("/blanks/3/rehearsal/#{begun(3)["id"]}"))
    @screen.find("main > footer button").click until @screen.has_css?(".lathe output", text: "rpm", wait: 1)
    @screen.execute_script(<<~JS, *VIEW)
      const view = document.querySelector(".lathe [role=img]");
      view.style.cssText = `position: fixed; left: 0; top: 0; width: ${arguments[0]}px; height: ${arguments[1]}px;`;
    JS
    sleep 2
  end

  def frames = @screen.find(".lathe [role=img]")[:"data-frames"].to_i

  def frames_in(seconds)
    before = frames
    sleep seconds
    frames - before
  end

  # Of the page, with what is no longer used collected, and of the calculating processes: after a minute, and at the
  # end.
  def memory
    first = nil
    deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + (60 * MINUTES)
    minute = Process.clock_gettime(Process::CLOCK_MONOTONIC) + [60, 20 * MINUTES].min
    until Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline
      %w[+ - o g].each { |key| act_by(key) }
      first ||= held if Process.clock_gettime(Process::CLOCK_MONOTONIC) > minute
    end
    page, processes = held
    Times.say format("memory of the page over %g minutes", MINUTES), format("%.1f to %.1f MB", first[0], page)
    Times.say "memory of the largest calculating process", format("%.0f to %.0f MB", first[1], processes)
  end

  def act_by(key)
    @screen.send_keys(key)
    sleep 1.2
  end

  def held
    browser = @screen.driver.browser
    browser.execute_cdp("HeapProfiler.collectGarbage")
    page = browser.execute_cdp("Runtime.getHeapUsage")["usedSize"] / 1e6
    [page, @run.calculators.map { |pid| File.read("/proc/#{pid}/status")[/VmRSS:\s+(\d+)/, 1].to_i / 1e3 }.max]
  end
end
