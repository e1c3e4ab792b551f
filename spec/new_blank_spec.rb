# frozen_string_literal: true

require_relative "browser_helper"

RSpec.describe "A lump in the hand", :browser do
  def pick(text) = find("label", text: text, exact_text: true).click

  it "gets a number, a shape and a density, and stands on the rack at its survey" do
    visit "/blanks/#{db[:blanks].where(number: 31).get(:id)}"
    find("a[aria-label='Take in a new blank']").click
    fill_in "What it is to be called", with: "Quay post cap"
    fill_in "Species or material", with: "hornb"
    find("[role=option]", text: "hornbeam").click
    pick "Spalted"
    pick "Log"
    fill_in "Across, head end, mm", with: "20 cm\n"
    fill_in "Across, tail end, mm", with: "7 1/2\"\n"
    fill_in "Long, mm", with: "240\n"
    pick "Along the axis (end grain)"
    fill_in "Moisture, %", with: "22\n"
    expect(page).to have_css("aside", text: "Hornbeam: fine hardwood dust")
    fill_in "Weight, g (0: not weighed)", with: "3900\n"
    expect(page).to have_css("aside", text: /By its weight 5\d\d kg.*rot, holes/)
    pick "The Cricket"
    click_on "Put it on the rack"

    expect(page).to have_css("h2", text: "43 Quay post cap")
    expect(page).to have_css("li", text: "Weighs 3.9 kg on the scale, as its measures say")
    kept = Loft::Store::Blanks.new(db).find(db[:blanks].where(number: 43).get(:id))[:document]
    expect(kept["material"]).to include("species" => "hornbeam", "character" => ["spalted"], "grain" => "end", "moisture_pct" => 22.0)
    expect(kept["shape"]["stations"].map { |station| station["radii_mm"].first.round(2) }).to eq([100.0, 95.25])
    expect(kept["lathe"]["mass_kg"]).to eq(46)
    expect(kept["readings"].map { |reading| reading["value"] }).to eq([3900.0])
  end

  it "is refused at the field that is wrong, and nothing typed is lost" do
    visit "/new"
    fill_in "Number", with: "33\n"
    fill_in "What it is to be called", with: "Another lamp"
    fill_in "Species or material", with: "driftwood"
    find("body").send_keys(:escape)
    fill_in "Thick, mm", with: "-4\n"
    expect(page).to have_css("[slot=errorMessage]", text: "A length")
    fill_in "Thick, mm", with: "1\n"
    expect(page).to have_css("aside [role=alert]", text: "100 times longer")
    fill_in "Thick, mm", with: "60\n"
    expect(page).to have_field("Density, kg/m³")
    click_on "Put it on the rack"
    expect(page).to have_css("[slot=errorMessage]", text: "on another blank already")
    expect(page).to have_field("What it is to be called", with: "Another lamp")
    fill_in "Number", with: "70\n"
    click_on "Put it on the rack"
    expect(page).to have_css("h2", text: "70 Another lamp")
  end
end
