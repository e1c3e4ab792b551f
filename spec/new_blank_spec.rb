# frozen_string_literal: true

require_relative "browser_helper"

RSpec.describe "A lump in the hand", :browser do
  def pick(text) = find("label", text: text, exact_text: true).click

  it "gets a number, a shape and a density, and stands on the rack at its survey" do
    visit "/blanks/#{db[:blanks].where(number: 31).get(:id)}"
    find("a[aria-label='New blank']").click
    fill_in "Name", with: "Quay post cap"
    fill_in "Species or material", with: "hornb"
    find("[role=option]", text: "hornbeam").click
    pick "Spalted"
    pick "Log"
    fill_in "Diameter at headstock end, mm", with: "20 cm\n"
    fill_in "Diameter at tailstock end, mm", with: "7 1/2\"\n"
    fill_in "Length, mm", with: "240\n"
    pick "Along the axis (end grain)"
    fill_in "Moisture, %", with: "22\n"
    expect(page).to have_css("aside", text: "Hornbeam: fine hardwood dust")
    fill_in "Weight (0: not weighed), g", with: "3900\n"
    expect(page).to have_css("aside", text: %r{5\d\d kg/m³ by weight.*rot, holes})
    pick "The Cricket"
    click_on "Add to the rack"

    expect(page).to have_css("h2", text: "43 Quay post cap")
    find("button", text: /\d more/).click
    expect(page).to have_css("li", text: "Weighs 3.9 kg on the scale, as its measures say")
    kept = MossyAnvil::Server::Store::Blanks.new(db).find(db[:blanks].where(number: 43).get(:id))[:document]
    expect(kept["material"]).to include(
      "species" => "hornbeam",
      "character" => ["spalted"],
      "grain" => "end",
      "moisture_pct" => 22.0
    )
    expect(kept["shape"]["stations"].map { |station| station["radii_mm"].first.round(2) }).to eq([100.0, 95.25])
    expect(kept["lathe"]["mass_kg"]).to eq(46)
    expect(kept["readings"].map { |reading| reading["value"] }).to eq([3900.0])
  end

  # Points at a place of a photograph, in shares of its width.
  def point_at(sheet, x, y)
    size = sheet.native.rect
    page
      .driver
      .browser
      .action
      .move_to(sheet.native, ((x - 0.5) * size.width).round, ((y * size.width) - (size.height / 2.0)).round)
      .click
      .perform
  end

  it "goes from a photograph of its end to a verdict, the picture with it" do
    # The demo's own painted picture of No. 33: 150 mm across, 240.25 mm from side to side, its middle at 0.5 and 0.43.
    visit "/new"
    fill_in "Name", with: "Seen post"
    fill_in "Species or material", with: "yew"
    find("body").send_keys(:escape)
    pick "Photograph"
    attach_file(File.join(MossyAnvil::Server::ROOT, "demo/photographs/33-lamp-base.jpg")) do
      click_on "Choose a photograph of one end"
    end
    fill_in "Length, mm", with: "260\n"
    sheet = find("[data-trace]")
    sleep 0.5
    [0.06, 0.06 + (100 / 240.25)].each { |x| point_at(sheet, x, 0.74) }
    16.times do |step|
      (step * Math::PI / 8).then do |angle|
        point_at(sheet, 0.5 + (75 / 240.25 * Math.sin(angle)), 0.43 - (75 / 240.25 * Math.cos(angle)))
      end
    end
    pick "Crack"
    [[0.64, 0.24], [0.6, 0.3], [0.56, 0.36]].each { |x, y| point_at(sheet, x, y) }
    expect(page).to have_css("[role=status]", text: /1 defect, depth guessed/)
    refresh
    expect(page).to have_css("[data-trace][aria-label*='2 of 2 scale marks, 16 on the outline, 1 defects']")
    expect(page).to have_css("[role=status]", text: /1 defect, depth guessed/)
    across = find("[role=status]", text: "across at least").text.scan(/\d+(?:\.\d+)?/).first(2).map(&:to_f)
    expect(across).to all(be_within(1.5).of(150))
    click_on "Add to the rack"
    expect(page).to have_css("h2", text: "43 Seen post")
    expect(page).to have_css("[aria-label='Defects'] li", text: /Crack .*guessed/)
    expect(page).to have_css(
      "[role=tabpanel] li",
      text: /Go with care|Mend first|Unsafe as planned|Dry first/,
      match: :first
    )
    section "Photographs"
    click_on "Show behind the drawing"
    expect(page).to have_css("image[href*='/photographs/']")
    expect(db[:photographs].where(blank_id: db[:blanks].where(number: 43).get(:id)).get(:mm_per_share)).to be_within(
      2
    ).of(240.25)
  end

  # A made-up scan: a square post, 80 x 80 x 120, lying along x.
  def post_scan
    corner = ->(at) { [at[0] * 120, at[1] * 80, at[2] * 80] }
    sides = [
      [[0, 0, 0], [0, 1, 0], [0, 1, 1], [0, 0, 1]],
      [[1, 0, 0], [1, 0, 1], [1, 1, 1], [1, 1, 0]],
      [[0, 0, 0], [0, 0, 1], [1, 0, 1], [1, 0, 0]],
      [[0, 1, 0], [1, 1, 0], [1, 1, 1], [0, 1, 1]],
      [[0, 0, 0], [1, 0, 0], [1, 1, 0], [0, 1, 0]],
      [[0, 0, 1], [0, 1, 1], [1, 1, 1], [1, 0, 1]]
    ]
    faces = sides.flat_map { |four| [four.values_at(0, 1, 2), four.values_at(0, 2, 3)] }
    ["post".ljust(80), faces.size].pack("a80V") +
      faces.map { |three| [0, 0, 0, *three.flat_map(&corner), 0].pack("e12v") }.join
  end

  it "comes in as a scan, turned onto its axis, and goes on the rack with as much wood as it has" do
    file = File.join(Dir.mktmpdir, "post.stl")
    File.binwrite(file, post_scan)
    visit "/new"
    fill_in "Name", with: "Scanned post"
    fill_in "Species or material", with: "larch"
    find("body").send_keys(:escape)
    pick "Scan"
    attach_file(file) { click_on "Choose a scan, STL or OBJ" }
    expect(page).to have_css("[role=status]", text: /12 triangles, 80 mm × 80 mm × 120 mm|12 triangles/)
    pick "x"
    expect(page).to have_css("[role=status]", text: "80 mm × 80 mm × 120 mm")
    expect(page).to have_css("aside", text: /Volume 76\d|Volume 77\d/)
    click_on "Add to the rack"
    expect(page).to have_css("h2", text: "43 Scanned post")
    shape = MossyAnvil::Server::Store::Blanks.new(db).find(db[:blanks].where(number: 43).get(:id))[:document]["shape"]
    expect(shape["stations"].last["z_mm"]).to be_within(1e-6).of(120)
    expect(shape["stations"][20]["radii_mm"].minmax).to match([be_within(0.1).of(40), be_within(0.3).of(56.6)])
  end

  it "is offered the maples for a bare maple, and a burl's fibres run every way" do
    visit "/new"
    fill_in "Species or material", with: "maple"
    find("body").send_keys(:escape)
    within("[aria-label='Which one?']") do
      expect(all("button").map(&:text)).to include("bigleaf maple", "red maple", "sugar maple")
      click_on "sugar maple"
    end
    expect(page).to have_field("Species or material", with: "sugar maple")
    expect(page).to have_no_css("[aria-label='Which one?']")
    pick "Burl"
    expect(page).to have_css("label[data-selected]", text: "Every way (burl)")
    pick "Burl"
    expect(page).to have_css("label[data-selected]", text: "Across (face grain)")
    find("body").send_keys("u")
    fill_in "Weight (0: not weighed), lb", with: "9 lb 4 oz\n"
    expect(page).to have_css("aside", text: "lb/ft³")
    find("body").send_keys("u")
    expect(page).to have_field("Weight (0: not weighed), g", with: "4195.729")
  end

  it "is refused at the field that is wrong, and nothing typed is lost" do
    visit "/new"
    fill_in "Number", with: "33\n"
    fill_in "Name", with: "Another lamp"
    fill_in "Species or material", with: "driftwood"
    find("body").send_keys(:escape)
    fill_in "Thickness, mm", with: "-4\n"
    expect(page).to have_css("[slot=errorMessage]", text: "A length")
    fill_in "Thickness, mm", with: "1\n"
    expect(page).to have_css("aside [role=alert]", text: "100 times longer")
    fill_in "Thickness, mm", with: "60\n"
    expect(page).to have_field("Density, kg/m³")
    # A reload half way loses nothing that was typed.
    visit page.current_path
    expect(page).to have_field("Thickness, mm", with: "60")
    expect(page).to have_field("Species or material", with: "driftwood")
    expect(page).to have_field("Density, kg/m³")
    click_on "Add to the rack"
    expect(page).to have_css("[slot=errorMessage]", text: "on another blank already")
    expect(page).to have_field("Name", with: "Another lamp")
    fill_in "Number", with: "70\n"
    click_on "Add to the rack"
    expect(page).to have_css("h2", text: "70 Another lamp")
  end
end
