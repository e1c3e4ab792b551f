# frozen_string_literal: true

require_relative "browser_helper"

RSpec.describe "A turner going round a blank", :browser do
  def open_survey(number) = visit("/blanks/#{db[:blanks].first(number: number)[:id]}/survey")
  def readings_of(number) = db[:readings].where(kind: "awl", blank_id: db[:blanks].first(number: number)[:id])

  it "puts down a crack of four points and a void in six strokes, and copies one" do
    open_survey(36)
    skin = find("[data-skin]")
    click_on "Crack"
    stroke(skin, [-0.3, -0.35], [-0.2, 0.35])
    find("[data-defect]", match: :first)
    # Two points drawn out of the places between.
    2.times { |index| stroke(all("[data-grip=between] circle", minimum: index + 1).last, [0, 0], [2, 0.2]) }
    click_on "Void"
    skin.click(x: 150, y: 5)
    expect(page).to have_css("li", text: /Void at/)
    find("li button", text: /Crack at/).click
    expect(page).to have_css("tbody th", text: "Point 3")
    choose_label "Different at each point"
    fill_in "Point 2, depth", with: "31\n"
    expect(page).to have_css("li", text: /Crack.*/)
    click_on "Copy"
    expect(page).to have_css("li button", text: /Crack at/, count: 2)
    click_on "Save"
    expect_saved
    paths =
      db[:defects].where(blank_id: db[:blanks].first(number: 36)[:id], type: "crack").map { |row| row[:path].to_a }
    expect(paths.map(&:size)).to eq([4, 4])
    expect(paths.first.map { |point| point["depth_mm"] }).to include(31)
  end

  it "draws a crack along its tip in the section: it is as deep there as it was drawn" do
    open_survey(36)
    click_on "Crack"
    expect(page).to have_text("along its tip in the section")
    # From near the head, a little under the skin, to near the tail, deeper; the hour is the hand's, two o'clock.
    stroke(find("[data-section]"), [-0.3, -0.47], [0.3, -0.4])
    find("li button", text: /Crack at 2 o’clock/)
    expect(page).to have_css("tbody tr", text: "From")
    deep = ["From, depth", "To, depth"].map { |label| find_field(label).value.to_f }
    expect(deep[1]).to be > deep[0] + 10
    expect(page).to have_button("Save")
  end

  it "tries it with an awl at two places: a soft zone stands on the map, with the draft left as it was" do
    open_survey(36)
    section "Tests"
    click_on "Add a test"
    within("section[aria-label=Tests]") do
      expect(page).to have_text("Press an awl in")
      [20, 40].each do |z_mm|
        fill_in "From headstock end, mm", with: "#{z_mm}\n"
        fill_in "Depth, mm", with: "9\n"
        click_on "Add test"
        expect(page).to have_css("li", text: /Awl.*#{z_mm} mm from the headstock end: 9 mm deep/)
      end
      fill_in "From headstock end, mm", with: "700\n"
      click_on "Add test"
      expect(page).to have_css("[role=alert]", text: "within the blank")
    end
    section "Defects"
    expect(page).to have_css("[aria-label='Shown by tests'] li", text: /Spongy zone.*by your tests/)
    expect(page).to have_text("tests show spongy wood")
    expect(page).to have_css("[data-defect=t1]")
    expect(readings_of(36).select_map(:value)).to eq([9.0, 9.0])
  end

  it "chooses another way than the advised one, says what it would fetch, and hears whether it is worth it" do
    open_survey(32)
    find("li button", text: /Crack at/).click
    find("label", text: /Leave and show/).click
    expect(page).to have_text("You chose: leave.")
    section "Value"
    click_on "Work out the value"
    fill_in "Expected price", with: "40\n"
    expect(page).to have_css("h2,li,p", text: "Not worth it.")
    fill_in "Expected price", with: "400\n"
    expect(page).to have_css("section[aria-label=Value]", text: "Profit")
    click_on "Save"
    expect_saved
    expect(db[:defects].first(blank_id: db[:blanks].first(number: 32)[:id], type: "crack")[:chosen]).to eq("leave")
  end

  it "surveys it again turned end for end: what is found goes down as it sits, is kept as it was first mounted, dated, and apart from the first survey" do
    open_survey(33)
    limits = -> do
      station("Turn").then { %w[Rounded Hollowed].map { |stage| shown_limit(stage) } }.tap { station "Survey" }
    end
    before = limits.call
    choose_label "Reversed"
    expect(page).to have_text("Ends and hours are shown as mounted now")
    expect(page).to have_css("h3, text", text: "End, seen from the tailstock", visible: :all)
    expect(limits.call).to eq(before)
    click_on "Crack"
    # Down the skin at three o'clock, near the end that is at the tailstock now.
    stroke(find("[data-skin]"), [-0.25, -0.45], [-0.25, -0.2])
    expect(page).to have_css("li button", text: /Crack at 3 o’clock.*found #{Date.today.strftime("%-d %b")}/)
    section "Tests"
    click_on "Add a test"
    within("section[aria-label=Tests]") do
      fill_in "Hour, o’clock", with: "3\n"
      fill_in "From headstock end, mm", with: "200\n"
      fill_in "Depth, mm", with: "1\n"
      click_on "Add test"
      expect(page).to have_css("li", text: /Awl at 3 o’clock, 200 mm from the headstock end/)
    end
    click_on "Save"
    expect_saved
    row = db[:defects].where(blank_id: db[:blanks].first(number: 33)[:id], type: "crack").order(:position).last
    expect(row[:path].to_a.map { |point| point["clock_deg"] }).to all(be_within(3).of(270))
    expect(row[:path].to_a.map { |point| point["z_mm"] }.max).to be < 90
    expect(row[:found_on]).to eq(Date.today)
    expect(readings_of(33).get(%i[clock_deg z_mm])).to eq([270.0, 60.0])
    visit page.current_path
    section "Defects"
    expect(page).to have_css("li button", text: /Crack at 3 o’clock/)
    choose_label "Original"
    expect(page).to have_css("li button", text: /Crack at 9 o’clock/)
    find("label", text: /\AFirst survey/).click
    expect(page).to have_no_css("li button", text: /Crack at 9 o’clock/)
  end
end
