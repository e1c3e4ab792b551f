# frozen_string_literal: true

require_relative "browser_helper"

RSpec.describe "A turner with No. 32", :browser do
  it "adds a check by pointing, sees what it does, saves, logs the first cut, and finds it all again" do
    visit "/"
    click_on "32 Donation bowl", match: :first
    expect(page).to have_css("h2", text: "32 Donation bowl")

    station "Turn"
    before = shown_growth("As it stands")
    station "Survey"
    expect(page).to have_no_css("[data-defect=C]")

    # A second check, drawn down the skin from the tail at half past 10.
    click_on "Crack"
    stroke(find("[data-skin]"), [0.375, -0.42], [0.375, 0.2])
    expect(page).to have_css("[data-defect=C]")
    expect(page).to have_field("Depth, mm")
    fill_in "Depth, mm", with: "1 3/4\"\n"
    expect(page).to have_field("Depth, mm", with: "44.45")
    fill_in "Mouth, mm", with: "4\n"

    # The fill appears beside it, and the speed falls at which something grows.
    expect(page).to have_css("li", text: /C\s*Crack at half past 10.*Goes through the finished wall.*ml/m)
    station "Turn"
    expect(page).to have_css("section[aria-label='As it stands']", text: /C would grow at about/)
    expect(shown_growth("As it stands")).to be < before

    # A working unfolds.
    within("section[aria-label='Hollowed']") do
      click_on "rule of thumb", match: :first
      expect(page).to have_text("the lowest of all caps on this stage")
      expect(page).to have_text("Each cap shows its own")
    end

    click_on "Save"
    expect_saved

    station "Log"
    choose_label "Rounded"
    fill_in "Speed, rpm", with: "260"
    fill_in "Note", with: "Trued the rim. Check C is there all right."
    click_on "Add entry"
    expect(page).to have_css("[aria-label=Journal] li", text: "Trued the rim")

    visit page.current_path
    expect(page).to have_css("[data-defect=C]")
    expect(page).to have_css("[aria-label=Journal] li", text: /Cut · rounded · 260 rpm\s*Trued the rim/)
    expect(db[:journal].where(speed_rpm: 260).count).to eq(1)
    expect(db[:defects].first(ref: "C", blank_id: db[:blanks].where(number: 32).get(:id))).to include(
      type: "crack",
      width_mm: 4.0,
      depth_mm: be_within(0.01).of(44.45)
    )
  end

  it "is brought by the next move to the very place where that is done, also from the same station" do
    {
      39 => ["Add a weight", -> { find_field("Weight, g") }],
      41 => ["Open Survey", -> { first("[aria-label='Defects'] button") }],
      37 => ["Open Log", -> { find_field("Cut", visible: :all) }],
      31 => ["Open Form", -> { find("[aria-label='Kinds of form'] button", text: "Bowl") }]
    }.each do |number, (word, place)|
      # Its kinds are fetched: without them the place itself has the hands on it.
      visit "/blanks/#{db[:blanks].where(number: number).get(:id)}/form"
      expect(page).to have_css("[aria-label='Kinds of form'] button", text: "Bowl") if number == 31
      2.times do
        click_on word
        wait_until { page.active_element == place.call }
        expect(page.evaluate_script("arguments[0].getBoundingClientRect().top", place.call)).to be_between(
          0,
          page.evaluate_script("innerHeight")
        )
        page.execute_script("document.activeElement.blur(); document.querySelector('[role=tabpanel]').scrollTop = 0")
      end
    end
  end

  it "undoes, keeps what was typed wrongly at its field, and keeps the draft over a reload" do
    visit "/blanks/#{db[:blanks].first(number: 32)[:id]}"
    find("button", text: "Spongy zone").click
    fill_in "From axis, mm", with: "a lot\n"
    expect(page).to have_css("[slot=errorMessage]", text: "A length")
    fill_in "From axis, mm", with: "900\n"
    expect(page).to have_css("[slot=errorMessage]", text: "in the wood, at most")
    expect(page).to have_css("[role=alert]", text: "Not calculated")
    click_on "Undo"
    expect(page).to have_field("From axis, mm", with: "88")
    find_field("From axis, mm").send_keys(:end, :backspace, "2", :enter)
    expect(page).to have_button("Save")
    visit page.current_path
    expect(page).to have_button("Save")
    find("button", text: "Spongy zone").click
    expect(page).to have_field("From axis, mm", with: "82")
  end

  it "drags a defect on the end and everything follows" do
    visit "/blanks/#{db[:blanks].first(number: 36)[:id]}"
    expect(page).to have_text("half past 2")
    body = find("[data-defect=A] ellipse.halo", match: :first)
    stroke(body, [0.2, 0.2], [0.2, 0.45])
    expect(page).to have_css("li", text: /Resin body at (?!half past 2)/)
    expect(page).to have_button("Undo")
  end
end
