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

  def open_card(number = 39)
    visit "/blanks/#{blank_id(number)}/route"
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

  # By the pedal, until a line says so.
  def onward_to(text)
    60.times do
      expect(page).to have_no_css("main[aria-busy=true]")
      return if page.has_css?("[data-line]", text: text, wait: 0)

      line = find("[data-line]")["data-line"]
      find("body").send_keys(:page_down)
      expect(page).to have_no_css("[data-line='#{line}']")
    end
    raise "no line says #{text}"
  end

  it "stops No. 33 when it shakes more at one speed, writes it down, and goes on to where nothing holds it" do
    began = Time.now.utc - 9.9
    99.times do |tick|
      say(:tachometer, 120, began + (tick / 10.0))
      say(:shake, tick < 70 ? 1.2 : 2.8, began + (tick / 10.0))
    end
    saying(tachometer: 120, shake: 2.8)
    open_card(33)
    expect(page).to have_css("[role=alert]", text: "Lathe off, stand aside")
    expect(page).to have_css("main[data-danger]")
    click_on "Write down what it was"
    click_on "It shook"
    expect(find("[data-line]")).to have_text("Lathe off")
    saying(tachometer: 0, shake: 0)
    expect(page).to have_no_css("main[data-danger]")
    onward_to("Spindle roughing gouge")
    onward_to("Leave it so, lathe off")
    expect(page).to have_text("nothing holds it safely")
    card = db[:cards].where(blank_id: blank_id(33), ended_at: nil).get(:id)
    expect(db[:card_marks].where(card_id: card, kind: "trouble").count).to eq(1)
  end

  # mm/s of a lathe that shakes by what is out of balance: [[clock, g mm], ...].
  def shake_of(*masses)
    turns = masses.map { |clock_deg, g_mm| g_mm * Complex.polar(1, clock_deg * Math::PI / 180) }
    (turns.sum.abs * 0.004).round(3)
  end

  it "balances No. 36 by four runs to less than a quarter of its shake" do
    heavy = [130, 400]
    visit "/blanks/#{blank_id(36)}/turn"
    section "Measured"
    fill_in "Trial mass, g", with: "3"
    fill_in "At a radius of, mm", with: "100"
    { "Shake bare" => [], "Mass at 12" => [0], "Mass at 4" => [120], "Mass at 8" => [240] }.each do |name, at|
      fill_in name, with: shake_of(heavy, *at.map { |clock_deg| [clock_deg, 300] }).to_s
    end
    # A number counts once its field is left.
    find("body").send_keys(:tab)
    click_on "Find the heavy side"
    grams, clock = find("[role=status]").text.match(/put it right: ([\d.]+) g at (.+?), /).captures
    hour, minutes = clock.match(/(half past )?(\d+)/).then { |told| [told[2].to_i, told[1] ? 30 : 0] }
    put = [((hour % 12) * 30) + (minutes / 2.0), grams.to_f * 100]
    expect(shake_of(heavy, put)).to be < shake_of(heavy) / 4
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
