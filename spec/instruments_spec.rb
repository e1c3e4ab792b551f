# frozen_string_literal: true

require_relative "browser_helper"

# The card at the lathe with instruments, and without.
RSpec.describe "Instruments on the card", :browser do
  let(:store) { MossyAnvil::Server::Store::Instruments.new(db) }
  let(:readings) { MossyAnvil::Server::Instruments::Readings.new }

  def blank_id(number) = db[:blanks].where(number: number).get(:id)

  # Says what each instrument measures, over and over, until it is changed.
  def saying(**values)
    @said = values
    @saying ||=
      Thread.new do
        loop do
          @said.each { |instrument, value| say(instrument, value, Time.now.utc) }
          sleep 0.1
        end
      end
  end

  def say(instrument, value, now)
    line = MossyAnvil::Server::Instruments::Line.new(JSON.generate({ instrument: instrument, value: value }))
    readings.take(line, now)
    latest, spans = readings.unkept
    store.save(latest, spans)
    readings.kept(latest, spans)
  end

  after do
    @saying&.kill
    @saying&.join
  end

  def open_card
    visit "/blanks/#{blank_id(39)}/route"
    section "Steps"
    find("[role=tabpanel] button[aria-expanded]", text: "Mount").click
    click_on "Start a card"
    expect(page).to have_css("[data-line]")
  end

  it "shows the speed live, says so when it is over the limit, and counts by hand again where it is lost" do
    saying(tachometer: 120)
    open_card
    expect(page).to have_css("[data-instrument=tachometer]", text: "120 rpm")
    expect(page).to have_text("Speed now, by the tachometer")
    expect(page).to have_no_button("Faster")
    expect(page).to have_no_css("main[data-danger]")
    saying(tachometer: 900)
    expect(page).to have_css("main[data-danger]")
    expect(page).to have_css("[role=alert]", text: "Over the limit")
    saying
    expect(page).to have_css("[data-instrument=tachometer][data-state=lost]", text: "lost")
    expect(page).to have_text("The tachometer is lost")
    expect(page).to have_button("Faster")
    expect(page).to have_no_css("main[data-danger]")
  end

  it "calls for the lathe to be stopped when it shakes more at one speed, and leads to writing it down" do
    began = Time.now.utc - 9.9
    99.times do |tick|
      say(:tachometer, 120, began + (tick / 10.0))
      say(:shake, tick < 70 ? 1.2 : 2.8, began + (tick / 10.0))
    end
    saying(tachometer: 120, shake: 2.8)
    open_card
    expect(page).to have_css("[role=alert]", text: "Lathe off, stand aside")
    expect(page).to have_css("main[data-danger]")
    click_on "Write down what it was"
    click_on "It shook"
    expect(find("[data-line]")).to have_text("Lathe off")
    saying(tachometer: 0, shake: 0)
    expect(page).to have_no_css("main[data-danger]")
  end

  it "takes a reading with one press where a number is asked for" do
    saying(tachometer: 415, pins: 11.2)
    visit "/blanks/#{blank_id(39)}/log"
    click_on "Take 415 rpm from the tachometer"
    expect(find_field("Speed, rpm").value).to eq("415")
  end

  it "works as well without any" do
    open_card
    expect(page).to have_button("Faster")
    expect(page).to have_no_css("dl[aria-label='What the instruments say now']")
    expect(page).to have_no_button(text: /Take .* from/)
  end
end
