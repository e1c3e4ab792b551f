# frozen_string_literal: true

require_relative "browser_helper"

# Every text of every view in brackets and two fifths longer: what stands outside of them is in no catalogue, and what
# does not fit is cut off.
RSpec.describe "The language of the screens", :browser do
  script = File.read(File.join(__dir__, "support/shown_texts.js"))
  # What no language changes: letters of defects, papers, threads, axes, keys, a symbol's unit on the switch.
  same =
    /\A(?:[A-Za-z]?\d*|P\d+|M\d+|[xyz]|mm|in|EUR|SEK|CA|rpm|⌀.*|Esc|Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sept?|Oct|Nov|Dec|(?:Mon|Tue|Wed|Thu|Fri|Sat|Sun)|Ctrl-\w|\S+@\S+|https?:\S+|\.\w[\w.]*)\z/

  def id(number) = db[:blanks].where(number: number).get(:id)

  # What people have typed: names, notes, captions.
  def typed
    @typed ||=
      begin
        columns = {
          blanks: %i[name species origin asked_for],
          lathes: %i[name],
          products: %i[name],
          lots: %i[code],
          journal: %i[note],
          photographs: %i[caption],
          patterns: %i[name],
          shop: %i[name],
          people: %i[name],
          defects: %i[group]
        }
        found = columns.flat_map { |table, names| names.flat_map { |name| db[table].select_map(name) } }
        (found + ["Mossy Anvil", "Mossy", "Anvil"]).compact.reject(&:empty?).uniq.sort_by { |text| -text.size }
      end
  end

  # What of a line is in no brackets, and was not typed by anybody.
  def outside(line)
    line = line.gsub(/⟦[^⟦⟧]*⟧/, " ") while line.match?(/⟦[^⟦⟧]*⟧/)
    typed.inject(line) { |text, words| text.gsub(words, " ") }
  end

  def stretched(path)
    visit "/mark.svg"
    page.execute_script("localStorage.setItem('locale', 'stretched')")
    visit path
    expect(page).to have_css("h1, h2, h3, [role=tab]", text: "⟦", match: :first)
    yield if block_given?
    sleep 1
  end

  # Number of a blank whose station has much to show, and how many sections that has.
  stations = {
    route: [39, 7],
    survey: [31, 4],
    form: [33, 4],
    mend: [39, 3],
    turn: [33, 4],
    finish: [32, 0],
    log: [32, 0]
  }

  stations.each do |station, (number, sections)|
    it "is the catalogue's at #{station}, in every section, whole, and fits" do
      stretched("/blanks/#{id(number)}/#{station}")
      check(script, same)
      names = all("[role=tabpanel] [role=tab]", count: sections)
      names.drop(1).each { |name| name.click && sleep(0.5) && check(script, same) }
    end
  end

  %w[board stores shop ledger practice new pair].each do |room|
    it "is the catalogue's in the room #{room}, whole, and fits" do
      stretched("/#{room}")
      check(script, same)
    end
  end

  it "is the catalogue's at the screen lathe and on a blank to practise on, whole, and fits" do
    stretched("/blanks/#{id(33)}/route") { find("[role=tab]", text: "Rehearse").click }
    click_on "⟦Rehearse it"
    expect(page).to have_css("main > footer button").and have_css(".lathe canvas")
    until page.has_css?(".lathe output", text: "rpm", wait: 0)
      before = db[:rehearsal_acts].count
      find("main > footer button").click
      wait_until { db[:rehearsal_acts].count > before }
    end
    sleep 1
    check(script, same)
    visit "/practice"
    find("button", text: "1.1").click
    expect(page).to have_css("[data-skin]")
    # Its name and its wood are written down like any blank's.
    @typed = nil
    check(script, same)
  end

  def check(script, same)
    shown = page.evaluate_script("(() => { #{script} })()")
    strange =
      shown["lines"]
        .flat_map { |line| outside(line).split(%r{[\s·,;:()/×–—-]+}) }
        .reject { |word| word.match?(same) || !word.match?(/[A-Za-z]{2,}/) }
    expect(strange.uniq).to eq([])
    expect(shown["cut"]).to eq([])
    expect(shown["over"]).to eq([])
  end
end
