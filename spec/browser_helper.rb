# frozen_string_literal: true

require "capybara/rspec"
require "selenium-webdriver"
require "tmpdir"
require_relative "../server/spec/server_helper"

# The real application, driven in Debian's headless Chromium, with the demo shop in it.
module BrowserHelper
  FLAGS = %w[
    --headless=new
    --no-sandbox
    --disable-gpu
    --disable-quic
    --no-first-run
    --disable-background-networking
    --disable-component-update
    --disable-sync
    --disable-dev-shm-usage
    --window-size=1280,800
  ].freeze

  def self.driver(app)
    options = Selenium::WebDriver::Chrome::Options.new(binary: "/usr/bin/chromium")
    [*FLAGS, "--user-data-dir=#{Dir.mktmpdir("chromium")}"].each { |flag| options.add_argument(flag) }
    service = Selenium::WebDriver::Service.chrome(path: "/usr/bin/chromedriver")
    Capybara::Selenium::Driver.new(app, browser: :chrome, options: options, service: service)
  end

  # Draws a stroke over an element, from and to given as shares of its width and height from its middle.
  def stroke(element, from, to)
    size = element.native.rect
    places = [from, to].map { |x, y| [(x * size.width).round, (y * size.height).round] }
    middle = places.transpose.map { |pair| pair.sum / 2 }
    page
      .driver
      .browser
      .action
      .move_to(element.native, *places[0])
      .pointer_down(:left)
      .move_to(element.native, *middle)
      .move_to(element.native, *places[1])
      .pointer_up(:left)
      .perform
  end

  # The limit of a stage at the Turn station, rpm as shown.
  def shown_limit(stage)
    find("section[aria-label='#{stage}'] h3 span").text.delete("^0-9").to_i
  end

  # rpm at which something open grows, as Turn says it.
  def shown_growth(stage)
    find("section[aria-label='#{stage}'] div", text: /\A.{1,40} would grow at about/, match: :first).text[
      /about ([\d,.]+)/,
      1
    ].delete("^0-9").to_i
  end

  # With a process that works the queue, as the real application has them: its tables are there before it is.
  def with_worker
    ServerHelper.db
    worker =
      Process.spawn(
        { "DATABASE_URL" => ServerHelper.url },
        RbConfig.ruby,
        "-r#{MossyAnvil::Server::ROOT}/vendor/bundle/bundler/setup",
        "#{MossyAnvil::Server::ROOT}/server/entry/work.rb",
        out: File::NULL,
        err: File::NULL
      )
    yield
  ensure
    Process.kill("TERM", worker)
    Process.wait(worker)
  end

  # The whole of the draft is kept; a notice that it was not says "saved" too.
  def expect_saved(screen = page) = expect(screen).to have_css("h2 ~ span", exact_text: "saved")

  def choose_label(text) = find("label", text: text, exact_text: true).click
  def station(name) = find("[role=tab]", text: name, exact_text: true).click

  # Opens that section of the station.
  # Pressed anew where what came in meanwhile moved it from under the pointer.
  def section(name)
    tab = "[aria-label=Sections] [role=tab]"
    5.times do
      find(tab, text: name, exact_text: true).click
      return if page.has_css?("#{tab}[aria-selected=true]", text: name, exact_text: true, wait: 1)
    end
    raise "#{name} does not open"
  end
end

# What can be read in an element, as the browser itself tells it: to go through all that is drawn, as the driver does,
# takes half a second for a whole page. Drawings have no such text of their own.
module ShownText
  def visible_text
    shown = driver.evaluate_script("arguments[0].innerText", self) or return super
    shown.tr("\u00a0\t", " ").squeeze(" ").gsub(/ *\n[ \n]*/, "\n").strip
  end
end
Capybara::Selenium::ChromeNode.prepend(ShownText)

Capybara.register_driver(:chromium) { |app| BrowserHelper.driver(app) }
Capybara.default_driver = :chromium
Capybara.server = :puma, { Silent: true, Threads: "1:4" }
Capybara.default_max_wait_time = 20
# The application runs in this process too: who looks a hundred times a second keeps it from answering.
Capybara.default_retry_interval = 0.15
Capybara.disable_animation = true
Capybara.enable_aria_label = true
# Every letter is typed: of a long text the middle would else be put in without an event, and a page that draws itself
# anew just then would take it out again.
Capybara.default_set_options = { rapid: false }

RSpec.configure do |config|
  config.include Capybara::DSL, :browser
  config.include BrowserHelper, :browser
  config.include ServerHelper, :browser
  # :worker is an example whose changes are worked on the queue.
  config.around(:each, :worker) { |example| with_worker { example.run } }
  config.before(:each, :browser) do
    ServerHelper.wipe
    ServerHelper.load_demo(Time.now.utc)
    # One for the whole run: for another application Capybara would start another server and another browser.
    Capybara.app ||= MossyAnvil::Server::App.serve(db: db, log: File.open(File::NULL, "w"))
  end
  # What was on the screen when an example failed.
  config.after(:each, :browser) do |example|
    next unless example.exception

    folder = File.join(MossyAnvil::Server::ROOT, ".state", "failures")
    FileUtils.mkdir_p(folder)
    name = example.full_description.gsub(/\W+/, "-")[0, 80]
    page.driver.browser.save_screenshot(File.join(folder, "#{name}.png"))
  end
end
