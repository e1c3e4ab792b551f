# frozen_string_literal: true

require_relative "browser_helper"

RSpec.describe "A turner's own lathe", :browser do
  def lathe_room = find("section[aria-label=Lathes]")

  it "is written down once, a blank put on it, and what is changed of it is felt at once", :worker do
    visit "/shop"
    click_on "Add a lathe"
    fill_in "Name", with: "The Wren"
    fill_in "Swing, mm", with: "9\"\n"
    fill_in "Lathe and stand, kg", with: "60\n"
    choose_label "Light bench or stand"
    fill_in "Belt 1 from, rpm", with: "900\n"
    fill_in "Belt 1 to, rpm", with: "700\n"
    click_on "Save"
    expect(lathe_room).to have_css("[slot=errorMessage]", text: "is 700: more than min_rpm, 900")
    fill_in "Belt 1 from, rpm", with: "200\n"
    fill_in "Jaw diameters when closed true, mm", with: "32, 44\n"
    click_on "Save"
    expect(lathe_room).to have_css(
      "article[aria-label='The Wren']",
      text: /Swing 22[89].*60 kg, light bench or stand; one belt, 200 to 700 rpm; jaws 32, 44 mm. No blanks on it/
    )

    id = db[:blanks].where(number: 33).get(:id)
    visit "/blanks/#{id}/turn"
    before = shown_limit("Rounded")
    choose_label "The Wren"
    expect(page).to have_css("section[aria-label='Rounded'] h3", text: "≤ 700 rpm")
    expect(before).to be > 700
    click_on "Save"
    expect_saved
    expect(db[:lathes][id: db[:blanks][id: id][:lathe_id]][:name]).to eq("The Wren")

    click_on "The shop’s lathes and their jaws"
    click_on "Change The Wren"
    fill_in "Belt 1 to, rpm", with: "450\n"
    click_on "Save"
    expect(lathe_room).to have_text("200 to 450 rpm")
    visit "/blanks/#{id}/turn"
    expect(page).to have_css("section[aria-label='Rounded'] h3", text: "≤ 450 rpm")
    expect(page).to have_css("[role=radio][data-selected], label[data-selected]", text: "The Wren")

    visit "/shop"
    click_on "Change The Wren"
    click_on "Delete this lathe"
    expect(lathe_room).to have_css("[role=alert]", text: "a blank stands on it")
  end

  it "stands in a shop with a name and money of its own" do
    visit "/shop"
    fill_in "Currency, three letters", with: "k\n"
    expect(page).to have_css("section[aria-label='This shop'] [role=alert]")
    fill_in "Currency, three letters", with: "sek\n"
    fill_in "Shop name", with: "Under the eaves\n"
    expect(page).to have_css("h2", text: "Under the eaves")
    expect(db[:shop].select_map(%i[name currency])).to eq([["Under the eaves", "SEK"]])
  end
end
