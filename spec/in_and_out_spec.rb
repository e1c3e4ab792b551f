# frozen_string_literal: true

require_relative "browser_helper"

RSpec.describe "Files in and out", :browser, :worker do
  let(:folder) { Dir.mktmpdir("carried") }
  let(:lamp) do
    JSON.parse(File.read(Dir[File.join(MossyAnvil::Server::Services::Demo::FOLDER, "33-*.anvil.json")].first))
  end

  before { page.driver.browser.download_path = folder }

  def written(name, text) = File.join(folder, name).tap { |path| File.binwrite(path, text) }

  # The file a link hands over, once it is all there.
  def handed_over(pattern)
    100.times do
      found = Dir[File.join(folder, pattern)].reject { |path| path.end_with?(".crdownload") }
      return found.first if found.any?

      sleep 0.1
    end
    raise "nothing like #{pattern} came: #{Dir.children(folder)}"
  end

  def bring(*paths) = find("input[type=file]", visible: :all).attach_file(paths)

  it "a blank from another shop is brought in, changed, and carried out again" do
    visit "/shop"
    bring written("lamp.anvil.json", JSON.generate(lamp))
    expect(page).to have_css("[role=alert]", text: "lamp.anvil.json was not imported")
    expect(page).to have_text("that number is on another blank already")
    click_on "Import under the next number"
    click_on "43 Lamp base", match: :first
    expect(page).to have_css("h2", text: "43 Lamp base")

    find("button", text: "Crack at 1 o’clock", match: :first).click
    fill_in "Depth, mm", with: "33\n"
    click_on "Save"
    expect_saved
    station "Log"
    click_on "Blank file"
    out = JSON.parse(File.read(handed_over("43-lamp-base*.json")))
    expect(out["number"]).to eq(43)
    expect(out["defects"].map { |defect| defect["depth_mm"] }).to include(33)
    expect(out["defects"].drop(1)).to eq(lamp["defects"].drop(1))
    expect(MossyAnvil::Formats::BlankFile.read(JSON.generate(out)).number).to eq(43)
  end

  it "what cannot be used is named by its place, and nothing of it is kept" do
    visit "/shop"
    bold = lamp.merge("number" => 91, "name" => "<b onclick=alert(1)>Bold</b>")
    bring written(
            "a.anvil.json",
            JSON.generate(
              lamp.merge("number" => 90, "shape" => { "type" => "disc", "diameter_mm" => -5, "length_mm" => 60 })
            )
          ),
          written("b.anvil.json", "{"),
          written("c.zip", "no zip"),
          written("d.anvil.json", JSON.generate(bold))
    expect(page).to have_css("[aria-label='Imported'] li", text: %r{/shape/diameter_mm\s*is -5: more than 0})
    expect(page).to have_css("[aria-label='Imported'] li", text: /the file\s*is not JSON/)
    expect(page).to have_css("[aria-label='Imported'] li", text: /c\.zip was not imported.*no zip/m)
    within("[aria-label='Imported']") { click_on "91 <b onclick=alert(1)>Bold</b>" }
    expect(page).to have_css("h2", text: "91 <b onclick=alert(1)>Bold</b>")
    expect(db[:blanks].where(number: [90, 91]).select_map(:number)).to eq([91])
  end

  it "a parcel carries a blank with its photographs and log into another shop" do
    visit "/shop"
    click_on "Parcel of 31 Clock surround"
    parcel = handed_over("31-*.zip")
    MossyAnvil::Server::Store::Shops.new(db).clear
    visit "/shop"
    bring parcel
    click_on "31 Clock surround", match: :first
    expect(page).to have_css("h2", text: "31 Clock surround")
    section "Photographs"
    expect(page).to have_css("img[alt='Fresh in, as it lay on the cart']")
    station "Log"
    expect(page).to have_css("[aria-label=Journal] li", minimum: 1)
  end

  it "a piece that is done goes off the rack, and comes back from the shop's list" do
    visit "/blanks/#{db[:blanks].where(number: 42).get(:id)}/log"
    click_on "Archive"
    expect(page).to have_css("nav[aria-label=Rack] a", count: 11)
    expect(page).to have_css("h3", text: "Archived")
    visit "/shop"
    expect(page).to have_css("[aria-label='Archived'] li", text: "42 Pull-cord end")
    click_on "Return Pull-cord end to the rack"
    expect(page).to have_css("nav[aria-label=Rack] a", count: 12)
    expect(page).to have_no_css("[aria-label='Archived']")
  end

  it "the whole shop goes out, and back into an empty one, from the screen" do
    visit "/shop"
    click_on "The whole shop, one archive"
    archive = handed_over("*.zip")
    MossyAnvil::Server::Store::Shops.new(db).clear
    visit "/"
    expect(page).to have_text("The rack is empty.")
    bring archive
    expect(page).to have_css("[aria-label='Imported'] li", text: "12 imported, 0 here already")
    expect(page).to have_css("nav[aria-label=Rack] a", count: 12)
    expect(page).to have_css("h2", text: "Tern Quay Turnery")
  end
end
