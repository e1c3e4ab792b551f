# frozen_string_literal: true

require_relative "browser_helper"

# Sanding and finishing by part of the skin.
RSpec.describe "The finish", :browser do
  def blank_id(number) = db[:blanks].where(number: number).get(:id)

  def part(name) = find("li[aria-label=\"#{name}\"]")

  def look_at(number)
    visit "/blanks/#{blank_id(number)}/finish"
  end

  it "brings No. 32 with its spongy patch to an even look: softer papers by hand, and more to drink" do
    look_at(32)
    expect(part("Outside, soft")).to have_css(".papers", text: /\AP100/)
    expect(part("Outside, soft")).to have_text("by hand")
    ml =
      lambda do |name|
        said = part(name).text
        Float(said[/([\d.]+) ml/, 1]) / Float(said[/([\d.,]+) cm²/, 1].delete(","))
      end
    expect(ml.call("Outside, soft")).to be > 3 * ml.call("Outside, sound")
  end

  it "seals the wood of No. 36 and polishes its resin, and says what keeps off which" do
    look_at(36)
    expect(part("Outside, resin")).to have_css(".papers", text: /P2000\z/)
    expect(part("Outside, resin")).to have_no_text("oil")
    expect(part("Outside, sound")).to have_text(/oil/i)
    expect(page).to have_text(/Keep .* off each other/)
  end

  it "finds that a film of CA on a small piece would be sanded through, and has it mended before it is" do
    look_at(35)
    row = part("Outside, sound")
    row.find("button[aria-expanded]").click
    through = /go through at the edges/
    row.find("label", text: /\ACA film\z/i).click
    expect(part("Outside, sound")).to have_css("button[aria-expanded]", text: /CA film/i)
    expect(page).to have_no_text(through)
    coats = ->(count) { part("Outside, sound").fill_in("Coats", with: count).send_keys(:tab) }
    coats.call(3)
    expect(page).to have_text(through)
    needed = Integer(page.text[/Put on (\d+) coats/, 1])
    coats.call(needed)
    expect(page).to have_no_text(through)
    coats.call(200)
    expect(part("Outside, sound")).to have_text(/at most 20/)
  end

  it "starts with a paper for the mark that was measured, and goes back to the plan's own" do
    look_at(33)
    papers = -> { part("Outside, sound").find(".papers").text }
    planned = papers.call
    part("Outside, sound").find("button[aria-expanded]").click
    part("Outside, sound").fill_in("Worst mark, measured, mm", with: "0.8").send_keys(:tab)
    expect(part("Outside, sound")).to have_css(".papers", text: /\AP(40|60) /)
    part("Outside, sound").click_on("As the plan has it")
    expect(part("Outside, sound")).to have_css(".papers", text: planned)
  end

  it "waxes a wet platter, where oil would not harden, and has it weighed again" do
    look_at(39)
    too_wet = /wants wood of .* at most; it is at/
    expect(page).to have_text(too_wet)
    ["Outside", "Inside", "Ends and foot"].each do |side|
      row = part("#{side}, sound")
      row.find("button[aria-expanded]").click
      row.find("label", text: /\AWax\z/).click
      expect(part("#{side}, sound")).to have_css("button[aria-expanded]", text: /wax/i)
    end
    expect(page).to have_no_text(too_wet)
    click_on "Add a weight"
    expect(page).to have_field("Weight, g")
  end
end
