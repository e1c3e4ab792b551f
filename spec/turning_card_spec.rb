# frozen_string_literal: true

require_relative "browser_helper"

# Working a piece at the lathe by the card.
RSpec.describe "A card at the lathe", :browser do
  def blank_id(number) = db[:blanks].where(number: number).get(:id)

  def begin_at(number, step)
    visit "/blanks/#{blank_id(number)}/route"
    section "Steps"
    find("[role=tabpanel] button[aria-expanded]", text: step).click
    click_on "Start a card"
    expect(page).to have_css("[data-line]")
  end

  # The pedal, once what was pressed before is kept.
  def onward
    expect(page).to have_no_css("main[aria-busy=true]")
    find("body").send_keys(:page_down)
  end

  # Ticks lines until one tells of a cut.
  def go_to_cut
    20.times do
      return if page.has_css?("[data-line] ~ dl", wait: 0)

      line = find("[data-line]")["data-line"]
      onward
      expect(page).to have_no_css("[data-line='#{line}']")
    end
    raise "no cut on this card"
  end

  it "leads by the pedal alone to the first cut, and marks the route by what was ticked" do
    begin_at(39, "Mount")
    # It is neither dried nor filled: the card says so first.
    expect(page).to have_text("Not done yet: Dry to")
    onward
    expect(page).to have_text("Mount it:")
    go_to_cut
    expect(page).to have_text("Bowl gouge")
    expect(page).to have_css("svg[aria-label^='Half of the section']")
    click_on "Stop here"
    wait_until { db[:cards].where(blank_id: blank_id(39)).exclude(ended_at: nil).any? }
    done = JSON.parse(JSON.generate(db[:blanks].where(number: 39).get(:route)))["done"]
    expect(done.map { |mark| mark["step"] }).to include("mount")
    expect(db[:journal].where(blank_id: blank_id(39)).order(:id).last[:kind]).to eq("cut")
  end

  it "puts a crack that opens into the survey at two presses, and slows down at once" do
    begin_at(34, "Hollow")
    go_to_cut
    before = find("dd", match: :first).text.delete("^0-9").to_i
    click_on "Something went wrong"
    click_on "A crack opened"
    find("button[aria-label=\"Seen at 3 o'clock\"]").click
    expect(page).to have_text("is written down at Survey")
    wait_until { db[:defects].where(blank_id: blank_id(34), type: "crack").any? }
    expect(page).to have_text(/stay under [\d,]+ rpm|no speed is safe/)
    limit = page.text[/stay under ([\d,]+) rpm/, 1].to_s.delete(",").to_i
    expect(limit).to be <= before + 10
    # What to do comes first; the cut that is left after it is no faster than what was said.
    expect(find("[data-line]")).to have_text("Lathe off")
    unless page.has_text?("no speed is safe", wait: 0)
      go_to_cut
      expect(find("dd", match: :first).text.delete("^0-9").to_i).to be <= limit
    end
  end

  it "notes a stop with the speed it was made at" do
    begin_at(39, "Turn the outside")
    2.times { click_on "Slower" }
    click_on "Stop and note"
    expect(page).to have_button("1 stop noted")
    kept = db[:journal].where(blank_id: blank_id(39)).order(:id).last
    expect(kept[:note]).to eq("Stopped to look: Turn the outside.")
    expect(kept[:speed_rpm]).to be_between(50, 400)
  end

  it "has a piece that flew at the second rung found, glued and waited for before it is begun again" do
    begin_at(39, "Mount")
    until page.has_text?("Switch on at this speed", wait: 0)
      line = find("[data-line]")["data-line"]
      onward
      expect(page).to have_no_css("[data-line='#{line}']")
    end
    onward
    click_on "Something went wrong"
    click_on "A piece flew off"
    expect(find("[data-line]")).to have_text("Lathe off. Wait until it stands still")
    said = []
    10.times do
      line = find("[data-line]")
      said << line.text
      break if said.last.start_with?("Leave it wrapped")

      onward
      expect(page).to have_no_css("[data-line='#{line["data-line"]}']")
    end
    expect(said.join(" ")).to match(/Look for every piece.*Fit them dry.*Glue them.*Leave it wrapped/)
    onward
    expect(page).to have_css("[role=timer]")
    wait_until { db[:waits].where(ended_at: nil).any? { |wait| wait[:line].include?("mount") } }
  end

  it "is worked on a phone held upright: the line, the speed and what to press are in sight" do
    page.driver.browser.manage.window.resize_to(390, 844)
    begin_at(39, "Turn the outside")
    expect(page).to have_css("[data-line]")
    wide = page.evaluate_script("[document.documentElement.scrollWidth, window.innerWidth]")
    expect(wide[0]).to be <= wide[1]
    foot = page.evaluate_script("document.querySelector('footer').getBoundingClientRect().bottom - window.innerHeight")
    expect(foot).to be <= 1
    expect(page).to have_button("Done ✓")
  ensure
    page.driver.browser.manage.window.resize_to(1280, 800)
  end
end
