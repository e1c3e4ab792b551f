# frozen_string_literal: true

require_relative "browser_helper"

# Mending as a turner does it: a plan, then the card it is worked by.
RSpec.describe "Mending", :browser do
  def blank_id(number) = db[:blanks].where(number: number).get(:id)

  def open_mend(number)
    visit "/blanks/#{blank_id(number)}/mend"
    expect(page).to have_css("[aria-label='Steps of mending'] h4", match: :first)
  end

  # Ticks lines until one says so much; a clock is started and, since nobody here waits, ticked off.
  def tick_until(text, measured: {})
    25.times do
      return if page.has_css?(".what", text: text, wait: 0)

      # While a line is being kept its button cannot be pressed.
      onward = find("button[data-go]:not([disabled])")
      here = find(".what")["data-line"]
      field = measured.keys.find { |label| page.has_field?(label, wait: 0) }
      fill_in field, with: "#{measured.fetch(field)}\n" if field && onward.text == "Done ✓"
      starts = onward.text == "Start the timer"
      # What was typed is taken by then.
      find("button[data-go]:not([disabled])").click
      # The clock of this line, or the next line.
      expect(page).to have_css(starts ? "[role=timer]" : ".what:not([data-line='#{here}'])")
    end
    raise "never came to #{text}: #{find(".what").text}"
  end

  def minutes_of(text) =
    text[/[\d.]+/].to_f * { "min" => 1, "hours" => 60, "days" => 1440 }.fetch(text[/min|hours|days/])

  it "lays the wood in its mould by hand, and draws grooves over the skin" do
    open_mend 33
    add =
      lambda do |kind|
        click_on "Add a step"
        find("[aria-label='Kind of step'] button", text: kind).click
      end
    add["Cast"]
    find("label", text: "Lies along the mould").click
    click_on "Enlarge the mould to fit"
    wood = find("g[aria-label^='The wood from above']")
    expect(page).to have_css("svg[aria-label*='5 mm beside it']")
    page
      .driver
      .browser
      .action
      .move_to(wood.native)
      .pointer_down(:left)
      .move_by(6, 0)
      .move_by(6, 0)
      .pointer_up(:left)
      .perform
    expect(page).to have_css("li", text: /short on the right|stands out|off centre/)
    wood.send_keys(:arrow_up, :arrow_up)
    expect(page).to have_field("Off centre, across, mm", with: "−2")
    add["Inlay"]
    click_on "Draw on the skin"
    expect(page).to have_css("button[data-selected]", text: "Outside turned")
    skin = find("[data-skin]")
    stroke(skin, [-0.3, -0.2], [-0.1, 0.25])
    stroke(skin, [-0.49, 0.05], [0.49, 0.05])
    expect(page).to have_css("[role=group][aria-label^=Groove]", count: 3)
    click_on "Save"
    expect(page).to have_css("span", text: "saved", exact_text: true)
    steps = MossyAnvil::Server::Store::Blanks.new(db).find(blank_id(33))[:document]["mend"]["steps"]
    placed = steps.find { |step| step["do"] == "cast" }["placed"]
    expect(placed).to match("lies" => true, "x_mm" => be > 5, "y_mm" => -2)
    slanting, ring = steps.find { |step| step["do"] == "inlay" }["grooves"].last(2).map { |groove| groove["path"] }
    expect(slanting.map { |point| point["clock_deg"] }).to match([be_within(6).of(72), be_within(6).of(144)])
    expect(ring.map { |point| point["clock_deg"] }).to eq([0, 360])
  end

  it "No. 35 from mould to demould, a short pour brought up on the way" do
    open_mend 35
    find("[aria-label='Steps of mending'] button", text: "Open", match: :first).click
    expect(page).to have_css("tr", text: /Total mix\s*\d+ g: \d+ g of resin, \d+ g of hardener/)
    expect(page).to have_css("figure[aria-label='Heat of the first layer']")
    # Two numbers that are never the same: time in hand, and time until it can be turned.
    times = find("dl.times")
    working, ready = ["Working time", "Ready to turn"].map { |name| times.find("div", text: name).find("dd").text }
    expect(minutes_of(working)).to be < minutes_of(ready) / 3

    # A mould too shallow for what lies in it is refused at its field, and nothing is lost.
    fill_in "Depth of the pour, mm", with: "5\n"
    expect(page).to have_css("[slot=errorMessage]", text: "more than what lies in it")
    fill_in "Depth of the pour, mm", with: "60\n"
    expect(page).to have_no_css("[slot=errorMessage]")
    click_on "Save"
    expect(page).to have_no_button("Save", exact: true)
    expect(page).to have_button("Start a card", disabled: false)
    click_on "Start a card"
    expect(page).to have_css("[aria-label=Card] h2", text: "Cast in deep-pour casting epoxy")
    tick_until "Weigh the resin for layer 1 of 2"
    expect(page).to have_css(".target", text: /\d+ g/)
    tick_until "Amount mixed in all"
    click_on "Something went wrong"
    click_on "It ran short"
    fill_in "Short by, mm", with: "4\n"
    click_on "It ran short: what to do"
    expect(page).to have_css("li", text: /Leave it level/)
    tick_until "Weigh the resin for the rest", measured: { "Used, g" => 690 }
    tick_until "Demould", measured: { "Used, g" => 690, "Time until it gelled, min" => 2300 }
    tick_until "Let it cure through", measured: { "Used, g" => 690, "Time until it gelled, min" => 2300 }
    click_on "End the card"
    expect(page).to have_css("[aria-label=Journal] li", text: /Cast in deep-pour casting epoxy.*used, g 690/)
    expect(db[:stock_moves].where(reason: "used").count).to be >= 4
    expect(db[:records].select_map(:kind)).to include("cure_factor")
    expect(db[:blanks].where(number: 35).get(:mend)).to be_nil
  end

  it "No. 34 from the wet weight to the verdict, and back in" do
    open_mend 34
    click_on "Start a card"
    tick_until "Weigh it, dry", measured: { "Weight, g" => 890 }
    tick_until "Time it bubbled", measured: { "Weight, g" => 890, "Weight dry, g" => 890 }
    tick_until "Weigh it wet", measured: { "Time it bubbled, min" => 200 }
    fill_in "Weight wet, g", with: "1100\n"
    click_on "Done ✓"
    expect(page).to have_css("li", text: /only \d+(\.\d)? % of the pores are full.*Return it to the vacuum/)
    expect(page).to have_css(".what", text: "Return it to the vacuum")
    tick_until "Weigh it wet again"
    fill_in "Weight wet, g", with: "1560\n"
    click_on "Done ✓"
    expect(page).to have_css("li", text: /was expected. Bake it/)
    expect(page).to have_css(".what", text: "Wrap it in foil")
  end

  it "No. 33 filled by gravity, one check after another up" do
    db[:defects].where(blank_id: blank_id(33), ref: %w[B C]).update(mend: "none")
    open_mend 33
    find("[aria-label='Steps of mending'] li", text: /Fill A, B and C|Fill A, C and B/, match: :first).click_on("Open")
    expect(all("[aria-label=Positions] li").map(&:text)).to match(
      [/7 o’clock up\s*C/, /half past 12 up\s*A/, /tail end up\s*B/]
    )
    click_on "Start a card"
    tick_until "Lay it with 7 o’clock up"
    tick_until "Lay it with half past 12 up"
    tick_until "Stand it tailstock end up"
    click_on "Start the timer"
    expect(page).to have_css("[role=timer]", text: /\d+:\d\d/)
    # The clock is the server's: a page opened anew goes on where it was.
    visit page.current_path
    expect(page).to have_css("[role=timer]", text: /\d+:\d\d/)
    expect(db[:waits].where(ended_at: nil).count).to eq(1)
    visit "/board"
    expect(page).to have_css("section[aria-label='Needs you'] li", text: /33 Lamp base.*ready to turn over/m)
  end

  it "puts steps in an order that spoils nothing, and is told where one does" do
    open_mend 34
    within("[aria-label='Steps of mending']") { all("button", text: "Open")[1].click }
    click_on "Earlier"
    expect(page).to have_css("li[data-wrong]", text: "Too wet:")
    expect(page).to have_css("li", text: "1 conflict in this order")
    click_on "Later"
    expect(page).to have_no_css("li[data-wrong]")
  end

  it "plans on a cold shop: everything that cures takes longer", :worker do
    open_mend 40
    warm = minutes_of(find("dl.times", match: :first).find("div", text: "Ready to turn").find("dd").text)
    click_on "Board"
    fill_in "Temperature, °C", with: "8\n"
    within("section[aria-label='Air and calendar']") do
      click_on "Save"
      expect(page).to have_button("Save", disabled: true)
    end
    wait_until { db[:shop].get(:temperature_c) == 8 }
    open_mend 40
    cold = minutes_of(find("dl.times", match: :first).find("div", text: "Ready to turn").find("dd").text)
    expect(cold / warm).to be_within(0.3).of(2**1.05)
  end

  it "keeps a product of one's own with its data sheet, and pours by it" do
    visit "/stores"
    within("section[aria-label='Add a product']") do
      fill_in "Name", with: "harbour clear\n"
      click_on "Enter its data sheet"
      fill_in "Working time of 100 g at 25 °C, min", with: "300\n"
      fill_in "Peak of that cup, °C", with: "20\n"
      click_on "Add product"
      expect(page).to have_css("[slot=errorMessage]", text: "at least 26")
      fill_in "Peak of that cup, °C", with: "34\n"
      click_on "Add product"
    end
    expect(page).to have_css("article[aria-label='harbour clear']")
    open_mend 35
    find("[aria-label='Steps of mending'] button", text: "Open", match: :first).click
    find("label", text: "harbour clear").click
    expect(page).to have_css("dl.times dd", text: /^\d(\.\d)? hours/)
    section "Materials"
    expect(page).to have_css("[aria-label=Materials]", text: "harbour clear")
  end
end
