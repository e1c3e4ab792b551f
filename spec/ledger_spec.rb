# frozen_string_literal: true

require_relative "browser_helper"

# What became of pieces, and what the shop learns of it.
RSpec.describe "The ledger", :browser do
  def blank_id(number) = db[:blanks].where(number: number).get(:id)

  # Its own weights would count before any record.
  def platter_without_weights
    document = JSON.parse(File.read(Dir[File.join(MossyAnvil::Server::ROOT, "demo", "39-*.anvil.json")].first))
    readings = document["readings"].reject { |reading| reading["kind"] == "mass" }
    brief = MossyAnvil::Server::Services::Brief::UNKNOWN
    MossyAnvil::Server::Store::Blanks.new(db).take_in({ **document, "number" => 99, "readings" => readings }, brief)[
      :id
    ]
  end

  it "takes a piece that was sold: off the rack, with its story to print, and back again" do
    visit "/blanks/#{blank_id(42)}/log"
    click_on "Its story, and what became of it"
    expect(page).to have_css("h2", text: "42 Pull-cord end")
    click_on "Into the ledger"
    expect(page).to have_text(/is missing: what it fetched/)
    fill_in "Sold for", with: "30"
    fill_in "Turning", with: "1.5"
    fill_in "What was learnt", with: "Keep horn wet while it is cut."
    click_on "Into the ledger"
    expect(page).to have_text(/Sold on .* 2\d{3}/)
    expect(page).to have_link("Story to print", href: "/api/blanks/#{blank_id(42)}/record.pdf")
    click_on "Ledger"
    expect(page).to have_css("tbody th", text: "42 Pull-cord end")
    expect(page).to have_css("tbody td", text: "sold")
    fill_in "Words or number", with: "horn wet"
    expect(page).to have_css("tbody tr", count: 1)
    fill_in "Words or number", with: "nobody wrote this"
    expect(page).to have_text("No closed piece is like that.")
    find_field("Words or number").send_keys(:escape)
    click_on "42 Pull-cord end"
    expect(page).to have_text("Keep horn wet while it is cut.")
    click_on "Return to the rack"
    expect(page).to have_text("What became of it?")
    click_on "To the bench"
    expect(page).to have_text(/Back on the rack. It had been closed on .*: sold. Keep horn wet/)
  end

  it "finds that apple dries slower here than the rule says, and plans the next piece by it" do
    id = platter_without_weights
    days =
      lambda do
        visit "/blanks/#{id}/route"
        expect(page).to have_text(/Dry to/)
        Float(page.text[/Dry to[^\n]*\n[^\n]*?([\d,]+) days/, 1].delete(","))
      end
    before = days.call
    8.times { db[:records].insert(kind: "drying_factor", of: "apple", value: 1.8, recorded_at: clock.now) }
    visit "/shop"
    rate = find("article", text: "Time to dry: apple")
    expect(rate).to have_text("1.48 × the usual, from 8 records.")
    expect(days.call).to be > 1.2 * before
    visit "/shop"
    find("article", text: "Time to dry: apple").click_on("Go by the usual value")
    expect(find("article", text: "Time to dry: apple")).to have_text("As usual.")
    expect(days.call).to eq(before)
  end
end
