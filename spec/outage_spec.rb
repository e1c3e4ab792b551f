# frozen_string_literal: true

require_relative "browser_helper"
require_relative "../server/spec/launch_run"

# The application as bin/start runs it, with a database of its own that is really killed.
RSpec.describe "An outage in the middle of an edit", :browser do
  around do |example|
    LaunchRun.in_a_shop do |folder|
      @folder = folder
      @run = LaunchRun.new(MOSSY_ANVIL_STATE: folder).ready!
      @screen = Capybara::Session.new(:chromium)
      example.run
      @screen.save_screenshot(File.join(MossyAnvil::Server::ROOT, ".state", "outage.png")) if example.exception
      @screen.quit
      @run.stop("TERM")
    end
  end

  def card_lines = JSON.parse(@run.get("/api/blanks/5/card").body)["card"]["steps"].flat_map { |step| step["lines"] }
  def open_bowl = @screen.visit("http://127.0.0.1:#{@run.port}/blanks/2/survey")
  def grade =
    JSON.parse(@run.get("/api/blanks/2").body)["document"]["defects"].find { |defect| defect["id"] == "A" }["grade"]

  it "the database goes: the screen says so and keeps the draft, over a reload too, and saves when it is back" do
    open_bowl
    @screen.find("button", text: "Spongy zone").click
    @run.take_database_away
    wait_until { @run.get("/readyz").code == "503" }
    @screen.find("label", text: "Soft", exact_text: true).click
    expect(@screen).to have_css("[role=alert]", text: "Nothing was saved")
    @screen.click_on "Save"
    expect(@screen).to have_css("[role=alert]", text: /Not saved.*Your draft is kept/m)
    open_bowl
    expect(@screen).to have_css("[role=status]", text: "Nothing was saved")
    @run.let_database_come_back
    wait_until { @run.answers? }
    @screen.click_on "Try again" if @screen.has_button?("Try again", wait: 5)
    expect(@screen).to have_css("li", text: "Soft zone at half past 7")
    expect(grade).to eq("spongy")
    @screen.click_on "Save"
    expect_saved(@screen)
    expect(grade).to eq("soft")
  end

  it "the server goes: the screen goes on asking, and has its answer when it is back" do
    open_bowl
    @screen.find("button", text: "Spongy zone").click
    Process.kill("STOP", @run.pid)
    Process.kill("KILL", @run.server)
    @screen.find("label", text: "Soft", exact_text: true).click
    expect(@screen).to have_css("[role=alert]", text: "The server does not answer")
    Process.kill("CONT", @run.pid)
    expect(@screen).to have_css("li", text: "Soft zone at half past 7", wait: 40)
    expect(@screen).to have_no_css("[role=alert]", wait: 40)
    @screen.click_on "Save"
    expect_saved(@screen)
    expect(grade).to eq("soft")
  end

  it "the server goes while a clock runs: the clock goes on, a tick pressed meanwhile outlives a reload, counts once, and is of its own time" do
    @screen.visit "http://127.0.0.1:#{@run.port}/blanks/5/mend"
    @screen.click_on "Start a card"
    expect(@screen).to have_text("line 1 of")
    poured = card_lines.index { |line| line["minutes"] }
    poured.times do |done|
      expect(@screen).to have_text("line #{done + 1} of")
      @screen.click_on "Done ✓"
    end
    @screen.click_on "Start the timer"
    expect(@screen).to have_css("[role=timer]", text: /\d+:\d\d:\d\d/)
    until_then = @screen.find("[role=timer] small").text
    Process.kill("STOP", @run.pid)
    Process.kill("KILL", @run.server)
    expect(@screen).to have_css("[role=alert]", text: "The server does not answer", wait: 30)
    expect(@screen).to have_css("[role=timer]", text: /\d+:\d\d:\d\d/)
    expect(@screen.find("[role=timer] small").text).to eq(until_then)
    @screen.click_on "Done ✓"
    expect(@screen).to have_text("line #{poured + 2} of")
    expect(@screen).to have_text("One thing done here waits on this device")
    # The page itself comes from this device, and so does what it shows.
    @screen.refresh
    expect(@screen).to have_text("line #{poured + 2} of")
    expect(@screen).to have_text("One thing done here waits on this device")
    sleep 5
    Process.kill("CONT", @run.pid)
    wait_until { @run.answers? }
    expect(@screen).to have_no_text("waits on this device", wait: 30)
    expect(@screen).to have_text("line #{poured + 2} of")
    line = card_lines[poured]
    expect(Time.now - Time.iso8601(line["done_at"])).to be > 5
    expect(line["wait"]["ended_at"]).to eq(line["done_at"])
  end

  it "a blunder in the evening: last night's backup is put back, and the shop is as it was" do
    backups = MossyAnvil::Server::Services::BackupFolder.new(File.join(@folder, "backups"))
    MossyAnvil::Server::Process::Backups.new(@run.database_url, backups).make(Time.now - 43_200)
    open_bowl
    @screen.find("button", text: "Spongy zone").click
    @screen.find("label", text: "Soft", exact_text: true).click
    @screen.click_on "Save"
    expect_saved(@screen)
    expect(grade).to eq("soft")
    @run.stop("TERM")
    said = restored
    expect(said).to match(/what was changed in them since is lost.*Restored\. What was there is still kept/m)
    @run = LaunchRun.new(MOSSY_ANVIL_STATE: @folder).ready!
    open_bowl
    expect(@screen).to have_css("li", text: "Spongy zone at half past 7")
  end

  def restored
    words = [File.join(MossyAnvil::Server::ROOT, "bin/restore"), { err: %i[child out] }]
    Bundler.with_unbundled_env do
      IO.popen({ "MOSSY_ANVIL_STATE" => @folder }, words, "r+") do |program|
        program.puts("yes")
        program.close_write
        program.read
      end
    end
  end
end
