# frozen_string_literal: true

require "socket"

# How soon a reading is on the card: all seven instruments speak, the scale here by a clock, so that what the screen
# shows tells when it was said.
class InstrumentsBench
  SECONDS = 30
  # The scale's load runs through so many grams, one a millisecond; shown to ten of them.
  ROUND_G = 90_000
  # Keeps how old each number is when it comes onto the screen.
  WATCH = <<~SCRIPT.freeze
    const dd = document.querySelector("[data-instrument=scale] dd");
    window.ages = [];
    new MutationObserver(() => {
      const grams = Math.round(parseFloat(dd.textContent) * 1000);
      const age = (Date.now() % #{ROUND_G}) - grams;
      if (Number.isFinite(age) && age > -20) window.ages.push(age);
    }).observe(dd, { characterData: true, childList: true, subtree: true });
  SCRIPT

  # run: LaunchRun that is ready and hears instruments on that port.
  def initialize(run, port)
    @run = run
    @port = port
    @screen = Capybara::Session.new(:chromium)
  end

  def run
    puts "Instruments, seven of them, on the card"
    others = spawn("bin/instruments", "--port", @port.to_s, *names, out: File::NULL)
    weighing = Thread.new { weigh }
    watch
    ages = @screen.evaluate_script("window.ages")
    Times.say "numbers a second on the screen", format("%.1f", ages.size / SECONDS.to_f)
    Times.say "from the scale to the screen", Times.spread(ages.sort)
  ensure
    weighing&.kill
    Process.kill("TERM", others)
    @screen.quit
  end

  private

  def names = %w[tachometer shake pins thermometer wall_gauge microphone]

  def watch
    @screen.visit("http://127.0.0.1:#{@run.port}/blanks/3/card")
    @screen.find("[data-instrument=scale][data-state=now]", wait: 20)
    @screen.execute_script(WATCH)
    sleep SECONDS
  end

  # Ten times a second, as a scale does.
  def weigh
    socket = TCPSocket.new("127.0.0.1", @port)
    loop do
      grams = (Time.now.to_f * 1000).round % ROUND_G
      socket.puts(JSON.generate({ instrument: "scale", value: grams }))
      sleep 0.1
    end
  end
end
