# frozen_string_literal: true

require_relative "browser_helper"

# The day of the whole shop, as those who work in it look at it.
RSpec.describe "The board", :browser do
  def blank_id(number) = db[:blanks].where(number: number).get(:id)
  def now_list = find("section[aria-label='What can I do now?'] ol")

  # With all pieces planned.
  def open_board
    visit "/board"
    expect(page).to have_css("table[aria-label='The days ahead']")
    expect(page).to have_no_text("being planned", wait: 60)
  end

  # A day or a time as the picker of any language gives it.
  def enter(field, value)
    page.execute_script(<<~JS, field, value)
      const [field, value] = arguments;
      field.focus();
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(field, value);
      field.dispatchEvent(new Event("input", { bubbles: true }));
      field.blur();
    JS
  end

  def row(number) = find("tr", text: /\A#{number} /)

  # What the timeline says in words of the piece, day by day.
  def told(number) = row(number).all("td", visible: :all).map { |cell| cell.text(:all) }

  it "says what fits into forty minutes, and leads to it" do
    open_board
    find("label", text: "20 min", exact_text: true).click
    expect(now_list).to have_css("li", minimum: 3)
    minutes = -> { now_list.text.scan(/· (\d+) min/).flatten.map(&:to_i) }
    wait_until { minutes.call.max <= 20 }
    find("label", text: "40 min", exact_text: true).click
    wait_until { minutes.call.max.between?(21, 40) }
    first = now_list.first("a")
    number = first.text[/\A\d+/].to_i
    first.click
    expect(page).to have_css("[data-skin]")
    expect(page.current_path).to start_with("/blanks/#{blank_id(number)}/")
  end

  it "moves with a piece that opens on the lathe: the mending comes next, and the day of it later" do
    visit "/blanks/#{blank_id(40)}/route"
    section "Steps"
    # Up to the outside it is done.
    find("[role=tabpanel] button[aria-expanded]", text: "Turn the outside").click
    click_on "Done"
    expect(page).to have_css("nav[aria-label=Route] [aria-current=step]", text: "Cut the seat")
    click_on "Save"
    expect_saved
    open_board
    expect(told(40).join).to include("Cut the seat")
    before = told(40)

    visit "/blanks/#{blank_id(40)}/survey"
    click_on "Crack"
    stroke(find("[data-skin]"), [0.1, -0.3], [0.12, 0.3])
    expect(page).to have_css("li button", text: /Crack at/)
    fill_in "Depth, mm", with: "18\n"
    station "Route"
    expect(page).to have_css("nav[aria-label=Route] [aria-current=step]", text: /Glue|Fill/)
    click_on "Save"
    expect_saved
    open_board
    expect(told(40).join[/\d\d:\d\d to \d\d:\d\d ([A-Z]\w+)/, 1]).to match(/Glue|Fill/)
    expect(told(40)).not_to eq(before)
  end

  it "is read by the keyboard alone, each cell in words" do
    open_board
    cell = row(39).first("td")
    cell.click
    says = -> { find("#timeline-says").text }
    expect(says.call).to match(/\A39 Hall platter, \w{3},? \d+ \w+: Dry to 13.8 %: waits/)
    cell.send_keys(:down)
    expect(says.call).to start_with("40 Latch knob")
    page.active_element.send_keys(:right)
    expect(page.active_element.tag_name).to eq("td")
    expect(page.active_element.text(:all)).not_to be_empty
  end

  it "works by the hours of whoever is written down" do
    visit "/shop"
    within("section[aria-label=People]") do
      all("button", text: "Change").first.click
      click_on "Works here no longer"
      expect(page).to have_css("[role=alert]", text: "leaves the shop without an owner")
      click_on "Hide"
      all("button", text: "Change")[1].click
      click_on "Works here no longer"
      expect(page).to have_no_text("Bram Castellane")
      click_on "Add a person"
      fill_in "Name", with: "Ada Quill"
      click_on "Mon off"
      enter(find("input[aria-label='Tue from']"), "10:30")
      enter(find("input[aria-label='Tue to']"), "09:30")
      click_on "Save"
      expect(page).to have_css("[role=alert]", text: "is not after its beginning")
      enter(find("input[aria-label='Tue to']"), "15:00")
      click_on "Save"
      expect(page).to have_css("article", text: "Ada Quill · maker · Tue 10:30 to 15:00, Wed–Fri 08:00 to 16:00")
    end
    open_board
    expect(page).to have_css("tbody.shop th", text: "Ada Quill")
    expect(page).to have_no_css("tbody.shop th", text: "Bram")
  end

  it "puts what is due first, and says how late it comes" do
    visit "/blanks/#{blank_id(36)}/route"
    section "Promised"
    enter(find_field("Due on"), (Date.today + 1).iso8601)
    fill_in "For whom, and what was asked", with: "Ferry house, table by the window\n"
    click_on "Save"
    wait_until { db[:blanks].where(number: 36).get(:asked_for) == "Ferry house, table by the window" }
    open_board
    late = find("section[aria-label=Late] li", text: "36 Turntable")
    expect(late).to have_text(/\d+ days? late: .*Finish, 3 coats \(waits 3 days\)/)
    expect(late).to have_text("Ferry house, table by the window")
    expect(now_list.first("li")).to have_text("36")
  end
end
