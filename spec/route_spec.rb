# frozen_string_literal: true

require_relative "browser_helper"

# The way of the whole work, as a turner goes along it.
RSpec.describe "The route", :browser do
  def blank_id(number) = db[:blanks].where(number: number).get(:id)
  def strip = find("nav[aria-label=Route]")
  def names = strip.all("li .name").map(&:text)

  it "of wet, cracked wood: compares the ways, takes the other, roughs out, and dries by the wall from then on" do
    visit "/blanks/#{blank_id(39)}/route"
    expect(page).to have_css(
      "[role=tabpanel] p",
      text: /Dried whole it needs \d+ days\. Roughed out to 32 mm it needs \d+ days/
    )
    expect(names.first).to match(/\ADry to/)
    expect(page).to have_css("footer p", text: /\ADry to .*, likely by/)
    click_on "Take it: Rough out, dry, finish"
    expect(strip).to have_css(".name", text: "Rough out, 32 mm")
    expect(names.first).to eq("Mount")
    expect(page).to have_css("footer p", text: /\AMount \(\d+ min\): below \d+ rpm/)

    # At another station the strip leads to the step's own.
    station "Form"
    strip.click_on "Rough out, 32 mm"
    expect(page).to have_css("[role=tab][aria-selected=true]", text: "Turn")
    station "Route"
    section "Steps"
    click_on "Done"
    expect(page).to have_css("footer p", text: /\ADry to .*, likely by/)
    expect(strip).to have_css("li", text: /Rough out, 32 mm\s*done/)
    click_on "Save"
    expect_saved
    expect(db[:blanks].where(number: 39).get(:route)["done"]).to match(
      [include("step" => "rough_out", "wall_mm" => 32)]
    )
    visit page.current_path
    expect(strip).to have_css("li", text: /Rough out, 32 mm\s*done/)
    section "Drying"
    expect(page).to have_css("svg[role=img][aria-label^='Moisture over time']")
  end

  it "is walked by the keyboard alone, and undone" do
    visit "/blanks/#{blank_id(33)}/route"
    expect(page).to have_css("table[aria-label='Ways compared']")
    before = names
    find("button", text: "Take it", match: :first).send_keys(:enter)
    expect(page).to have_button("Back to the advised way")
    wait_until { names != before }
    click_on "Undo"
    wait_until { names == before }
    strip.first("button").send_keys(:enter)
    expect(page).to have_css("nav [aria-current=step]", text: before.first)
  end

  it "is played two hundred times, and says how often it comes out sound", :worker do
    visit "/blanks/#{blank_id(42)}/route"
    section "Odds"
    click_on "Play it 200 times"
    expect(page).to have_text(/\d+ in 100 come out sound/)
    expect(page).to have_text("of 200 played")
    # A page loaded anew goes on with it.
    page.refresh
    expect(page).to have_button("Play it again")
    expect(page).to have_text("of the 200 played; between")
    expect(page).to have_text(/Finished in .* eight times of ten/)
  end

  it "asks for a form first, and has no strip before" do
    visit "/blanks/#{blank_id(31)}/route"
    expect(page).to have_text("Draw its form first")
    expect(page).to have_no_css("nav[aria-label=Route]")
  end
end
