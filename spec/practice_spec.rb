# frozen_string_literal: true

require_relative "browser_helper"

# A blank that hurts nobody, from its survey to its marks.
RSpec.describe "Practice", :browser do
  def strip = find("section[aria-label='Practice 1.2']")

  it "goes from a survey within its minutes over a form and a verdict to the truth and the marks", :worker do
    visit "/practice"
    click_on "Begin 1.2"
    expect(page).to have_css("[data-skin]")
    expect(strip).to have_text("12 of 12 min left for tests")
    strip.click_on "Tap (0.5 min)"
    expect(strip).to have_text(/Rings clear|Dull/)
    expect(strip).to have_text("11.5 of 12 min")
    find("li button", text: /Crack at/).click
    strip.click_on "Feel A (2 min)"
    expect(strip).to have_text(/A is [\d.]+ mm deep/)
    expect(page).to have_text("by feeler")

    station "Form"
    find("[aria-label='Kinds of form'] button", text: "Bowl").click
    expect(page).to have_button("Save")
    click_on "Save"
    expect_saved
    choose_label "Turn it"
    strip.click_on "Show me the truth"
    expect(strip).to have_text(/\d+ of 100/, wait: 120)
    row = db[:practices].first
    expect(row[:score]).to be > 70
    expect(strip).to have_text("Your verdict was right: Turn it.")
    strip.click_on "Show the truth"
    expect(strip).to have_button("Show my survey")

    visit "/practice"
    expect(page).to have_button("Open 1.2", text: row[:score].round.to_s)
    expect(db[:blanks].count).to eq(db[:practices].count + MossyAnvil::Server::Store::Blanks.new(db).ids.size)
  end

  it "says of a file that is none, and opens a friend's" do
    visit "/practice"
    Tempfile.create(%w[practice .json]) do |file|
      file.write("no practice")
      file.flush
      find("input[type=file]", visible: :all).attach_file(file.path)
      expect(page).to have_css("[role=alert]", text: "That file is no practice blank.")
      File.write(file.path, JSON.generate(format: "mossy-anvil/practice", version: 1, level: 2, seed: 7))
      find("input[type=file]", visible: :all).attach_file(file.path)
      expect(page).to have_css("h2", text: "Practice 2.7")
    end
  end
end
