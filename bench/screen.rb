# frozen_string_literal: true

# The web face in a browser: how soon it can be used, how it keeps up with a drag, and with a full rack.
class ScreenBench
  FULL_RACK = 200
  DRAG_SECONDS = 6
  MOVE_EVERY_S = 0.016
  RECKONED =
    "performance.getEntriesByType('resource').filter((entry) => entry.name.endsWith('/api/reckon') && entry.responseEnd > 0).length"

  # run: LaunchRun that is ready. document: one to fill the rack with.
  def initialize(run, document)
    @run = run
    @document = document
    @screen = Capybara::Session.new(:chromium)
  end

  def run
    puts "Screen, headless Chromium on the same machine"
    scripts
    Times.say "first view, until the drawings are there", Times.spread(Times.taken(8, warm_up: 1) { open_first })
    drag("a defect", "/blanks/2", "[data-defect=A] ellipse.halo")
    drag("a point of the profile", "/blanks/2/form", "[data-curve=outside] .hit")
    turn_round
    fill_rack
    Times.say "first view with #{FULL_RACK} blanks on the rack", Times.spread(Times.taken(8, warm_up: 1) { open_first })
    board
    @screen.quit
  end

  private

  # Until its days are there: at first, when next to nothing is planned yet, and when all is; and how long that takes.
  def board
    Times.say "the board of #{FULL_RACK} blanks, not planned yet",
              format("%.0f ms", Times.seconds { open_board } * 1000)
    planned = Times.seconds { @screen.assert_no_text("being planned", wait: 300) }
    Times.say "until each of them is planned", format("%.0f s", planned)
    Times.say "the board of #{FULL_RACK} blanks, all planned", Times.spread(Times.taken(8, warm_up: 1) { open_board })
  end

  def open_board
    @screen.visit("about:blank")
    @screen.visit(address("/board"))
    @screen.find("table[aria-label='The days ahead'] tbody", match: :first)
  end

  # What the page fetches at once, and what comes when it is asked for.
  def scripts
    page = File.read(File.join(MossyAnvil::Server::ROOT, "web/dist/index.html"))
    first, later =
      Dir[File.join(MossyAnvil::Server::ROOT, "web/dist/assets/*.js")]
        .partition { |path| page.include?(File.basename(path)) }
        .map { |paths| paths.sum { |path| Zlib.gzip(File.binread(path)).bytesize } / 1000.0 }
    Times.say "JavaScript, gzipped: at once · when asked for", format("%.0f kB · %.0f kB", first, later)
  end

  def address(path) = "http://127.0.0.1:#{@run.port}#{path}"

  def open_first
    @screen.visit("about:blank")
    @screen.visit(address("/blanks/2"))
    @screen.find("[data-skin]")
  end

  # Pictures a second of the 3-D view while it is turned.
  TURNING = <<~SCRIPT
    const [seconds, done] = arguments;
    const view = document.querySelector("[role=img] canvas").parentElement;
    const { width, height } = view.getBoundingClientRect();
    const began = performance.now();
    let frames = 0;
    const next = () => {
      const took = (performance.now() - began) / 1000;
      if (took > seconds) return done([frames / took, width, height]);
      view.dispatchEvent(new PointerEvent("pointermove", { buttons: 1, movementX: 3, bubbles: true }));
      frames += 1;
      requestAnimationFrame(next);
    };
    requestAnimationFrame(next);
  SCRIPT
  private_constant :TURNING

  def turn_round
    @screen.visit("about:blank")
    @screen.visit(address("/blanks/3/form"))
    @screen.click_button("3-D view")
    @screen.find("[role=img] canvas")
    # Its fine textures are painted once it has rested.
    sleep 2
    frames, width, height = @screen.evaluate_async_script(TURNING, DRAG_SECONDS)
    @screen.click_button("Drawings")
    Times.say "turning the 3-D view", format("%.0f pictures a second at %d × %d", frames, width, height)
  end

  # Pulls something to and fro for some seconds and counts what was calculated meanwhile.
  def drag(what, path, mark)
    @screen.visit("about:blank")
    @screen.visit(address(path))
    box = @screen.find(mark, match: :first).native.rect
    x, y = box.x + (box.width / 2), box.y + (box.height / 2)
    @screen.execute_script("performance.clearResourceTimings(); performance.setResourceTimingBufferSize(5000)")
    mouse("mousePressed", x, y)
    moves = 0
    took = Times.seconds { moves = pull(x, y) }
    reckoned = @screen.evaluate_script(RECKONED)
    mouse("mouseReleased", x, y)
    Times.say "dragging #{what}",
              format("%.1f reckoned a second (the pointer moved %.0f times a second)", reckoned / took, moves / took)
  end

  # Moves the pressed pointer about for DRAG_SECONDS; returns how often.
  def pull(x, y)
    ends = Process.clock_gettime(Process::CLOCK_MONOTONIC) + DRAG_SECONDS
    (1..).find do |move|
      mouse("mouseMoved", x + (20 * Math.sin(move / 9.0)), y + (12 * Math.sin(move / 5.0)))
      sleep MOVE_EVERY_S
      Process.clock_gettime(Process::CLOCK_MONOTONIC) > ends
    end
  end

  def mouse(type, x, y)
    @screen.driver.browser.execute_cdp(
      "Input.dispatchMouseEvent",
      type: type,
      x: x.round,
      y: y.round,
      button: "left",
      buttons: type == "mouseReleased" ? 0 : 1,
      clickCount: 1
    )
  end

  def fill_rack
    Net::HTTP.start("127.0.0.1", @run.port) do |http|
      have = JSON.parse(http.get("/api/shop").body)["rack"].size
      (have...FULL_RACK).each do |index|
        body = JSON.generate(document: @document.merge("number" => 1000 + index, "name" => "Blank #{index}"))
        answer = http.post("/api/blanks", body, "Content-Type" => "application/json")
        raise "rack could not be filled: #{answer.body}" unless answer.code == "201"
      end
    end
  end
end
