# frozen_string_literal: true

require_relative "browser_helper"

RSpec.describe "A day in the shop", :browser do
  def blank_id(number) = db[:blanks].where(number: number).get(:id)

  def open_blank(number, station = "survey")
    visit "/blanks/#{blank_id(number)}/#{station}"
    expect(page).to have_css("[data-skin]")
  end

  it "two people with the same blank: the second save is refused, explained, and nothing of it is lost" do
    open_blank 32
    find("button", text: "Crack at 2").click
    fill_in "Depth, mm", with: "40\n"
    other = Capybara::Session.new(:chromium, Capybara.app)
    other.visit "/blanks/#{blank_id(32)}/survey"
    other.find("button", text: "Crack at 2").click
    other.fill_in "Depth, mm", with: "31\n"
    other.click_on "Save"
    expect_saved(other)
    other.quit

    expect(page).to have_text("Changed elsewhere too; saving shows both")
    click_on "Save"
    expect(page).to have_css("[role=alert]", text: "saved elsewhere since you opened it")
    rows = all("[role=group][aria-label='Show differences'] tbody tr").map(&:text)
    expect(rows).to contain_exactly(/B · depth\s*40 mm\s*31 mm/)
    depth = -> { db[:defects].where(blank_id: blank_id(32), ref: "B").get(:depth_mm) }
    expect(depth.call).to eq(31)
    click_on "Use their version"
    expect(page).to have_css("li", text: "31 mm deep")
    click_on "Undo"
    expect(page).to have_css("li", text: "40 mm deep")
    click_on "Save"
    expect(page).to have_no_css("[role=alert]")
    wait_until { depth.call == 40 }
    expect(db[:blanks].where(number: 32).get(:version)).to eq(3)
  end

  it "hands on the keyboard alone: from station to station, a crack put at the hand, moved, saved, logged" do
    open_blank 36
    keys = ->(*pressed) { page.driver.browser.action.send_keys(*pressed).perform }
    find("[aria-label=Stations] [role=tab][aria-selected=true]").send_keys(:arrow_right)
    %w[Form Mend Turn Finish Log Route].each do |name|
      expect(page).to have_css("[aria-label=Stations] [role=tab][aria-selected=true]", text: name)
      keys.call(:arrow_right)
    end
    expect(page).to have_css("[aria-label=Stations] [role=tab][aria-selected=true]", text: "Survey")

    find("button", exact_text: "Crack").send_keys(:enter)
    find("button", text: "Place at the clock hand").send_keys(:enter)
    expect(page).to have_css("li", text: "Crack at 2 o’clock")
    find("[data-defect=D][tabindex='0']", match: :first).send_keys(*([:arrow_right] * 10))
    expect(page).to have_css("li", text: "Crack at 3 o’clock")
    find("[role=slider][aria-label='Hour of the section']").send_keys(*([:arrow_right] * 6))
    expect(page).to have_text("Section, 3 o’clock above")
    find("h2", text: "36 Turntable").native.location
    find("body").send_keys("s")
    expect_saved
    expect(db[:defects].where(blank_id: blank_id(36), ref: "D").count).to eq(1)

    station "Log"
    find("[role=radiogroup] label", exact_text: "Note").find("input", visible: :all).send_keys(:space)
    fill_in "Note", with: "Keyboard all the way."
    find("button", text: "Add entry").send_keys(:enter)
    expect(page).to have_css("[aria-label=Journal] li", text: "Keyboard all the way.")
  end

  it "an inch user types and reads fractions; the record stays in millimetres" do
    open_blank 32
    find("body").send_keys("u")
    expect(page).to have_text(%r{⌀9 41/64″ × 3 5/64″})
    find("button", text: "Crack at 2").click
    fill_in "Depth, in", with: "1 1/8\n"
    expect(page).to have_field("Depth, in", with: "1 1/8")
    fill_in "Mouth, in", with: "3 mm\n"
    expect(page).to have_field("Mouth, in", with: "1/8")
    click_on "Save"
    expect_saved
    expect(db[:defects].first(blank_id: blank_id(32), ref: "B")).to include(
      depth_mm: be_within(1e-9).of(28.575),
      width_mm: 3.0
    )
  end

  it "looks under the skin before it is cut: the peel says what the edge will meet" do
    open_blank 38
    find("input[type=range]", visible: :all).send_keys(*([:arrow_right] * 12))
    expect(page).to have_text("Skin, cut deeper")
    expect(page).to have_css("[role=status]", text: /air 7\d % · knocks \d+ times a second at/)
    find("input[type=range]", visible: :all).send_keys(*([:arrow_right] * 14))
    expect(page).to have_css("[role=status]", text: "The form is reached")
  end

  it "puts a depth in doubt, and sees what it comes to at the worst" do
    open_blank 33
    find("button", text: /Crack at .*32 mm deep/).click
    choose_option "Guessed"
    click_on "Add a range"
    fill_in "At most, mm", with: "60\n"
    expect(page).to have_css("li", text: /32 mm deep \(21 to 60 mm\), guessed/)
    fill_in "At most, mm", with: "25\n"
    expect(page).to have_css("[slot=errorMessage]", text: "no less than the likely depth")
    fill_in "At most, mm", with: "60\n"
    station "Turn"
    expect(page).to have_css("section[aria-label='Hollowed']", text: "If every crack is as deep as it may be")
    click_on "Save"
    expect_saved
    expect(db[:defects].first(blank_id: blank_id(33), ref: "A")).to include(found_by: "guessed", depth_most_mm: 60.0)
  end

  it "asks where one more test would tell most, and asks again once something has changed" do
    open_blank 33
    section "Tests"
    click_on "Find the most useful test"
    within("section[aria-label='Most useful test']") do
      expect(page).to have_css("li", text: /A: feeler at.*Slide a thin wire/m)
    end
    section "Defects"
    find("button", text: /Crack at .*32 mm deep/).click
    fill_in "Mouth, mm", with: "3\n"
    section "Tests"
    expect(page).to have_button("Find the most useful test")
  end

  it "steps back to what was known at the first survey; what is found now is of today" do
    open_blank 33
    expect(page).to have_css("[data-defect=D]")
    find("label", text: "First survey").click
    expect(page).to have_no_css("[data-defect=D]")
    expect(page).to have_no_css("li", text: "Bark inclusion")
    find("button", exact_text: "Crack").send_keys(:enter)
    click_on "Place at the clock hand"
    expect(page).to have_css("[data-defect=D]")
    expect(page).to have_css("li", text: /E\s*Crack at 2 o’clock.*found #{Time.now.day} /m)
  end

  it "finds the keys, turns the light down, and goes to a number by typing it" do
    open_blank 31
    find("body").send_keys("?")
    expect(page).to have_css("aside[aria-label=Keys]", text: "go to that number")
    click_on "Close"
    find("body").send_keys("n", "n")
    expect(page).to have_css("html[data-light=night]")
    visit page.current_path
    expect(page).to have_css("html[data-light=night]")
    expect(page).to have_css("h2", text: "31 Clock surround")
    find("body").send_keys("4", "0")
    expect(page).to have_css("h2", text: "40 Latch knob")
  end

  it "goes along the rack, blank by blank and back" do
    open_blank 31
    find("body").send_keys("]")
    expect(page).to have_css("h2", text: "32 Donation bowl")
    find("body").send_keys("[")
    expect(page).to have_css("h2", text: "31 Clock surround")
    find("body").send_keys("[")
    expect(page).to have_css("h2", text: "42 Pull-cord end")
    click_on "36 Turntable", match: :first
    expect(page).to have_css("h2", text: "36 Turntable")
  end

  it "a weight goes into the record and the wait follows it" do
    open_blank 39, "mend"
    wait_before = find("footer p", text: "likely by").text
    section "Drying"
    fill_in "Weight, g", with: "2660"
    click_on "Add weight"
    expect(page).to have_no_css("footer p", exact_text: wait_before)
    expect(db[:readings].where(blank_id: blank_id(39), value: 2660.0).count).to eq(1)
    visit page.current_path
    expect(page).to have_field("Weight, g", with: "2660")
  end

  it "an impossible speed or a weight of nothing is refused where it was typed" do
    open_blank 36, "log"
    fill_in "Speed, rpm", with: "-20"
    expect(page).to have_no_css("[role=alert]")
    click_on "Add entry"
    expect(page).to have_css("[slot=errorMessage]", text: "more than 0")
    fill_in "Speed, rpm", with: "900\n"
    expect(page).to have_css("[role=alert]", text: "Above the limit")
    expect(db[:journal].where(blank_id: blank_id(36), kind: "cut").count).to eq(1)
    station "Mend"
    section "Drying"
    fill_in "Weight, g", with: "0"
    click_on "Add weight"
    expect(page).to have_css("[role=alert]", text: "more than 0")
  end

  it "a form is drawn from nothing, changed by a point, and the walls answer" do
    db[:forms].where(blank_id: blank_id(36)).delete
    open_blank 36, "form"
    expect(page).to have_text("No form yet")
    click_on "Plain disc"
    expect(page).to have_text("Solid: nothing is hollowed.")
    fill_in "Outside point 1, radius", with: "60\n"
    expect(page).to have_field("Outside point 1, radius", with: "60")
    fill_in "Outside point 2, from headstock end", with: "1\n"
    expect(page).to have_css("[slot=errorMessage], [role=alert]", text: "more than the point before")
    find("body").send_keys("z")
    expect(page).to have_no_css("[role=alert]")
    click_on "Delete the form"
    expect(page).to have_text("No form yet")
    click_on "Undo"
    expect(page).to have_field("Outside point 1, radius", with: "60")
  end

  it "an outage in the middle: the screen says so, keeps the draft, and saves when the database is back" do
    open_blank 32
    find("button", text: "Spongy zone").click
    choose_option "Soft"
    allow_any_instance_of(Sequel::Database).to receive(:transaction).and_raise(Sequel::DatabaseDisconnectError)
    allow_any_instance_of(MossyAnvil::Server::Store::Blanks).to receive(:find).and_raise(
      Sequel::DatabaseConnectionError
    )
    click_on "Save"
    expect(page).to have_css("[role=alert]", text: /Not saved.*Nothing was saved.*Your draft is kept/m)
    RSpec::Mocks.space.reset_all
    click_on "Save"
    expect_saved
    expect(db[:defects].where(blank_id: blank_id(32), ref: "A").get(:grade)).to eq("soft")
  end

  def choose_option(text) = find("label", text: text, exact_text: true).click
end
