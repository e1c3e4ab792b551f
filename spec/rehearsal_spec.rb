# frozen_string_literal: true

require_relative "browser_helper"

# A piece turned on the screen lathe before it is turned.
RSpec.describe "Rehearsing", :browser do
  # :still is an example on a device whose user wants no motion: what spins takes most of a machine that draws it
  # without a graphics card.
  before { |example| motion(example.metadata[:still] ? ["reduce"] : []) }
  after { motion([]) }

  def motion(wanted)
    features = wanted.map { |value| { name: "prefers-reduced-motion", value: value } }
    page.driver.browser.execute_cdp("Emulation.setEmulatedMedia", features: features)
  end

  def blank_id(number) = db[:blanks].where(number: number).get(:id)
  def next_act = find("main > footer button")
  def step = find("main > header").text[/Step (\d+)/, 1].to_i
  def acts = db[:rehearsal_acts].count

  # Presses the plan's next act, and waits until it is done.
  def go_on
    before = acts
    next_act.click
    wait_until { acts > before }
  end

  def open_rehearsal(number)
    visit "/blanks/#{blank_id(number)}/route"
    section "Rehearse"
    click_on "Rehearse it"
    expect(page).to have_css("main > header", text: "Step 1 of").and have_css(".lathe canvas")
  end

  # No. 32 with a wall so thin that a crack in it may run on.
  def thin_wall
    blanks = MossyAnvil::Server::Store::Blanks.new(db)
    kept = blanks.find(blank_id(32))
    thin = MossyAnvil::Formats::BlankFile.from_data(kept[:document]).form.thicker(-2)
    document = kept[:document].merge("form" => JSON.parse(JSON.generate(thin.to_document))).except("readings")
    blanks.save(kept[:id], kept[:version], document, MossyAnvil::Server::Services::Brief::UNKNOWN)
  end

  def play
    section "Odds"
    played = db[:tasks].exclude(result: nil).count
    click_on(page.has_button?("Play it again", wait: 0) ? "Play it again" : "Play it 200 times")
    wait_until(120) { db[:tasks].exclude(result: nil).count > played }
    expect(page).to have_button("Play it again", disabled: false)
    find("p", text: "in 100 come out sound", match: :first).text[/[\d.]+/].to_f
  end

  it "to a break: the cause is read, one change is carried over, and the odds are better", :still, :worker do
    stub_const("MossyAnvil::Rehearsal::Odds::TRUTHS", 40)
    thin_wall
    visit "/blanks/#{blank_id(32)}/route"
    before = play
    expect(before).to be < 100
    click_on "The worst"
    expect(page).to have_text("The drawings show what may truly be in it")

    section "Rehearse"
    choose_label "The worst that was played"
    click_on "Rehearse it"
    expect(page).to have_css("main > header", text: "Step 1 of").and have_css(".lathe canvas")
    go_on until page.has_css?("section[aria-label='How it ended']", wait: 0)
    ended = find("section[aria-label='How it ended']")
    expect(ended).to have_text("A crack ran on.")
    expect(ended).to have_text(/Hollow, at \d+ rpm/)
    expect(ended).to have_text(/would have borne \d+ rpm/)
    kept = db[:blanks].where(number: 32).get(:version)
    within(ended.first("li", text: "a fifth slower")) { click_on "Carry this over" }
    expect(ended).to have_button("Carried over", disabled: true)
    click_on "Back to the piece"
    expect(page).to have_button("Save")
    expect(db[:blanks].where(number: 32).get(:version)).to eq(kept)
    expect(play).to be > before
    click_on "Save"
    expect_saved
    expect(db[:blanks].where(number: 32).get(:route)["speeds"].keys).to eq(["hollow"])
  end

  it "goes on after a reload, as it stood", :still do
    open_rehearsal(33)
    go_on until page.has_css?("section[aria-label=Speed]", wait: 0)
    go_on
    shown = [step, find("section[aria-label=Speed] strong").text]
    page.refresh
    expect(page).to have_css("section[aria-label=Speed] strong", text: shown.last)
    expect(step).to eq(shown.first)
    go_on
    expect(page).to have_css("section[aria-label=Trail]")
  end

  it "by the keyboard alone: speed, cut, off, look, tap, and on", :still do
    open_rehearsal(38)
    press = ->(key) do
      before = acts
      page.send_keys(key)
      wait_until { acts > before }
    end
    press.call("g") until page.has_css?("section[aria-label=Cuts]", wait: 0)
    press.call("g")
    expect(page).to have_css(".lathe output", text: /rpm/)
    press.call("+")
    press.call("-")
    press.call("g")
    press.call("o")
    expect(page).to have_css(".lathe output", text: "Standing")
    press.call("k")
    press.call("t")
    expect(page).to have_css("section[aria-label='Stop and look'] li", text: /(Rings clear|Dull) at/)
  end

  it "is shown still, with the outline it runs out to, where no motion is wanted; and said in words", :still do
    open_rehearsal(33)
    go_on until page.has_css?("section[aria-label=Speed]", wait: 0)
    go_on
    view = find(".lathe [role=img]")
    expect(view[:"aria-label"]).to match(/Lamp base on the screen lathe at \d+ rpm/)
    sleep 1.2
    frames = view[:"data-frames"].to_i
    sleep 1.2
    expect(view[:"data-frames"].to_i - frames).to be <= 2
  end
end
