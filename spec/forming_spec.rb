# frozen_string_literal: true

require_relative "browser_helper"

# What a person does at the Form station, from the first thought to what is printed for the lathe.
RSpec.describe "Forming a piece", :browser do
  def open_at(number, station)
    visit "/blanks/#{db[:blanks].where(number: number).get(:id)}/#{station}"
    find("[aria-label=Stations] [role=tab][aria-selected=true]")
  end

  def kept(number) =
    db[:blanks]
      .where(number: number)
      .get(:id)
      .then { |id| MossyAnvil::Server::Store::Blanks.new(db).find(id)[:document] }
  def save = click_button("Save") && find("span", text: "saved", exact_text: true)

  it "keeps a curve of its own and lays it into a smaller blank, where it is made to fit" do
    open_at(32, "form")
    fill_in("Name for this form’s curves", with: "quay bowl")
    click_button("Keep")
    expect(page).to have_text("a curve of that name is kept already")
    fill_in("Name for this form’s curves", with: "pier bowl")
    click_button("Keep")
    expect(page).to have_css("[aria-label='Own curves'] li", text: "pier bowl")
    open_at(33, "form")
    click_button("Use pier bowl")
    told = find("[role=status]", text: "pier bowl, at").text
    scale = told[/at ([\d.]+) %/, 1].to_f / 100
    save
    was, is = kept(32)["form"]["outside"].map(&:last).max, kept(33)["form"]["outside"].map(&:last).max
    expect(is).to be_within(0.02).of(was * scale)
    click_button("Delete pier bowl")
    expect(page).to have_no_css("[aria-label='Own curves'] li", text: "pier bowl")
  end

  it "traces a curve from a photograph, over a reload, and peels the piece to where it leads" do
    open_at(33, "form")
    find("label", text: "Solid", exact_text: true).click
    click_button("A curve from a photograph")
    attach_file(File.join(MossyAnvil::Server::ROOT, "demo/photographs/33-lamp-base.jpg")) do
      click_button("Choose a photograph from the side")
    end
    point =
      lambda do |x, y|
        sheet = find("[data-trace]")
        size = sheet.native.rect
        page
          .driver
          .browser
          .action
          .move_to(sheet.native, ((x - 0.5) * size.width).round, ((y * size.width) - (size.height / 2.0)).round)
          .click
          .perform
      end
    find("[data-trace]") && sleep(0.5)
    # 100 mm to half the width: 200 mm in all, so 0.1 is 20 mm
    [[0.1, 0.7], [0.6, 0.7], [0.05, 0.5], [0.95, 0.5], [0.1, 0.35], [0.4, 0.25]].each { |x, y| point[x, y] }
    refresh
    click_button("A curve from a photograph")
    expect(page).to have_css("[data-trace][aria-label*='2 on the curve']")
    find("label", text: "Curve", exact_text: true).click
    point[0.7, 0.4]
    expect(page).to have_css("[role=status]", text: /120 mm long, ⌀100 mm/)
    click_button("Use as the outside")
    click_button("Outside turned")
    expect(page).to have_css("[role=status]", text: /sound wood all round|crack|bark|glue line/i)
    save
    radii = kept(33)["form"]["outside"].map(&:last)
    expect(radii).to match([be_within(0.6).of(30), be_within(0.6).of(50), be_within(0.6).of(20)])
  end

  it "goes from three sketches of the lamp base to a choice, and keeps the others" do
    open_at(33, "form")
    section "Compare"
    click_button("Keep to compare")
    section "Shape"
    click_button("Change form or measures")
    click_button("Spindle, lamp or handle")
    fill_in("Thickest, mm", with: "110\n")
    expect(page).to have_field("Thickest, mm", with: "110")
    section "Compare"
    find("[aria-label='Forms compared'] th", text: "As it is now")
    click_button("Keep to compare")
    section "Shape"
    click_button("Lidded box")
    section "Compare"
    within("[aria-label='Forms compared']") do
      expect(page).to have_css("thead th", count: 3)
      expect(all("thead th").map(&:text)).to eq(["As it is now", "hollow form", "spindle"])
      find("tr", text: "Summary")
      all("button", text: "Use this form").last.click
    end
    section "Shape"
    find("h3", text: "A spindle, lamp or handle")
    save
    expect(kept(33)["form"]["kind"]).to eq("spindle")
    expect(kept(33)["form"]["outside"].map(&:last).max).to be_within(0.01).of(55)
    expect(kept(33)["sketches"].map { |sketch| sketch["form"]["kind"] }).to eq(%w[hollow_form box])
  end

  it "keeps the bark rim of the cap with the search, which outlives a reload" do
    with_worker do
      open_at(31, "form")
      click_button("Winged or natural-edged")
      section "Placement"
      find("label", text: "keep the bark rim").click
      find("label", text: "Which end", exact_text: true).click
      ["lose all the trouble", "lose every crack", "as large as it goes"].each do |wish|
        find("label", text: wish).click
      end
      click_button("Find best placements")
      find("[aria-label='Placements found'] > li", match: :first)
      page.refresh
      find("[aria-label='Placements found'] button", text: "Use this placement", match: :first, wait: 60)
      expect(page).to have_no_css("[role=progressbar]", wait: 90)
      before = find("[aria-label='Placements found']").text
      expect(before).to include("wood for a tenon")
      click_button("Use this placement", match: :first)
      find("button", text: "Reset to the survey’s axis")
      save
    end
    found =
      MossyAnvil::Placing::PlacementField.new(MossyAnvil::Formats::BlankFile.from_data(kept(31))).measure(
        MossyAnvil::Model::Placement.present
      )
    expect(found.bark_rim).to be > 0.9
    expect(kept(31)["centres"]).not_to be_nil
  end

  it "takes the template out, moves a point of the curve by the keyboard, and says what is printed is as saved" do
    open_at(32, "form")
    find("[data-curve=outside]", match: :first)
    point = all("[data-curve=outside]").last
    was = kept(32)["form"]["outside"].last
    3.times { point.send_keys(:arrow_down) }
    section "Setting out"
    expect(page).to have_text("The last saved form is printed.")
    save
    expect(kept(32)["form"]["outside"].last).to eq([was[0], was[1] - 3])
    expect(find("a", text: "Template to print")["href"]).to end_with("as=template")
    click_button("Show the numbers")
    expect(find("[aria-label='Stations'] tbody tr:last-child").text).to include((2 * (was[1] - 3)).round.to_s)
  end

  it "finds no mount for the lamp base with no wood to spare, and one once it is slid along" do
    open_at(33, "turn")
    section "Workholding"
    expect(page).to have_text("Nothing holds it")
    station("Form")
    section "Placement"
    fill_in("Scale, %", with: "90\n")
    fill_in("From headstock end, mm", with: "14\n")
    expect(page).to have_field("From headstock end, mm", with: "14")
    station("Turn")
    expect(page).to have_no_text("Nothing holds it")
    click_button("Show steps")
    expect(find("[aria-label='Mounts, step by step']").text).to include("Tenon in jaws")
  end

  it "takes a curve from a drawing, looks at it in the round, and sees the whole cut before it is made" do
    open_at(38, "form")
    click_button("A curve from a drawing")
    fill_in("SVG drawing", with: "M0 20 A5 5 0 0 0 40 20")
    click_button("Use as the outside")
    expect(page).to have_text("has the command A")
    fill_in("SVG drawing", with: "M0 20 L50 32 L100 25")
    click_button("Use as the outside")
    expect(page).to have_field("Outside point 2, radius", with: "32")
    click_button("3-D view")
    expect(page).to have_css("[aria-label*='in 3-D'] canvas").or have_text("cannot draw in 3-D")
    click_button("Drawings")
    station("Turn")
    section "Cuts"
    click_button("Show the interrupted cut")
    expect(page).to have_css("[aria-label^='What the cut meets']")
    # From a square the edge begins in the air and ends in wood.
    within(find("tr", text: "Skin")) { expect(page).to have_text("air") }
    expect(page).to have_css("tr", text: "Form")
  end

  it "names what is wrong at its field, and keeps what was typed" do
    open_at(32, "form")
    click_button("Change form or measures")
    click_button("Bowl", exact: true)
    fill_in("Foot, mm", with: "900\n")
    expect(page).to have_text("no more than its diameter")
    section "Placement"
    fill_in("From headstock end, mm", with: "70\n")
    expect(page).to have_text("past the end of the wood")
    fill_in("On the headstock end, to 3 o’clock, mm", with: "−400\n")
    expect(page).to have_text("lie off the wood")
    click_button("Undo")
    expect(page).to have_no_text("lie off the wood")
  end
end
