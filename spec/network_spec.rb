# frozen_string_literal: true

require_relative "browser_helper"

# The shop on its network: people log in, devices are paired, and two at one piece see what the other does.
RSpec.describe "The shop on its network", :browser do
  let(:password) { "sea wall and lime" }
  let(:network) { MossyAnvil::Server::Network.new(secret: "n" * 64, hosts: [], address: "https://192.168.1.20:4381") }
  let(:served) { MossyAnvil::Server::App.serve(db: db, log: File.open(File::NULL, "w"), network: network) }
  let(:devices) { MossyAnvil::Server::Store::Devices.new(db) }
  let(:desk) { Capybara::Session.new(:chromium, served) }
  let(:phone) { Capybara::Session.new(:chromium, served) }

  after { [desk, phone].each { |screen| screen.driver.quit } }

  def blank_id(number) = db[:blanks].where(number: number).get(:id)
  def person(name) = db[:people].where(Sequel.like(:name, "#{name}%")).get(:id)

  # A screen that is paired for somebody, at a page.
  def at(screen, who, path)
    code = devices.code(person(who), Time.now.utc)
    screen.visit "/pair#code=#{code.tr(" ", "-")}"
    screen.fill_in "What to call this device", with: "screen of #{who}"
    screen.click_on "Join"
    expect(screen).to have_text("Tern Quay")
    screen.visit path
  end

  it "pairs a phone for the apprentice, who logs a weight but is refused what is held for a card" do
    at(desk, "Ines", "/shop")
    desk.find("section[aria-label='Devices and who is in'] button[aria-haspopup=listbox]").click
    desk.find("[role=option]", text: "Wren Haldorsen").click
    desk.click_on "Pair a phone or tablet"
    words = desk.find("[aria-label='Pairing code'] strong").text
    expect(desk.find("[aria-label='Pairing code'] img")[:alt]).to eq(
      "https://192.168.1.20:4381/pair#code=#{words.tr(" ", "-")}"
    )
    phone.visit "/"
    expect(phone).to have_css("h1", text: "Who are you?")
    phone.visit "/pair"
    phone.fill_in "Code shown at the desk", with: "acorn acorn acorn"
    phone.fill_in "What to call this device", with: "Apron"
    phone.click_on "Join"
    expect(phone).to have_text(/is no code, is used, or is over/)
    phone.fill_in "Code shown at the desk", with: words
    phone.click_on "Join"
    expect(phone).to have_text("Tern Quay")
    expect(desk).to have_text("Apron of Wren Haldorsen has joined.")
    phone.visit "/stores"
    lot = phone.find("tr", text: "Correct amount", match: :first)
    lot.find("input").set("1\n")
    lot.click_on "Correct amount"
    expect(phone).to have_text("A maker or an owner may count stock anew")
    expect(db[:stock_moves].where(reason: "counted").count).to eq(0)
    phone.visit "/blanks/#{blank_id(37)}/log"
    phone.find("textarea", match: :first).set("Bark still tight all round.")
    phone.click_on "Add entry"
    expect(phone).to have_css("li", text: /Wren Haldorsen.*Bark still tight/m)
  end

  it "lets in by name, password and a one-time code, and out again" do
    MossyAnvil::Server::Store::LogIns.new(db).set_password(person("Bram"), password, Time.now.utc)
    desk.visit "/blanks/#{blank_id(33)}"
    desk.fill_in "Name", with: "Bram Castellane"
    desk.fill_in "Password", with: "not this"
    desk.click_on "Log in"
    expect(desk).to have_text("There is nobody of that name with that password.")
    secret = ROTP::Base32.random
    MossyAnvil::Server::Store::LogIns.new(db).use_codes(person("Bram"), secret)
    db[:account_otp_keys].update(last_use: Time.now - 60)
    desk.fill_in "Password", with: password
    desk.click_on "Log in"
    desk.fill_in "One-time code, from the app", with: "123"
    desk.click_on "Let me in"
    expect(desk).to have_text("That is not the code.")
    desk.fill_in "One-time code, from the app", with: ROTP::TOTP.new(secret).now
    desk.click_on "Let me in"
    expect(desk).to have_css("h2", text: "33")
    desk.visit "/shop"
    expect(desk).to have_text("You are in as Bram Castellane, maker.")
    desk.click_on "Log out", exact: true
    expect(desk).to have_css("h1", text: "Who are you?")
    desk.visit "/stores"
    expect(desk).to have_css("h1", text: "Who are you?")
  end

  it "shows two people at one piece what the other does, within two seconds, and loses no word of either" do
    path = "/blanks/#{blank_id(37)}/log"
    at(desk, "Ines", path)
    at(phone, "Bram", path)
    expect(desk).to have_text("with Bram")
    expect(phone).to have_text("with Ines")
    phone.find("textarea", match: :first).set("Ring of bark lifts at four.")
    phone.click_on "Add entry"
    expect(desk).to have_css("li", text: /Bram Castellane.*Ring of bark lifts at four/m, wait: 2)
    # Two fields of one blank, one of them not saved yet.
    path = "/blanks/#{blank_id(32)}/survey"
    [desk, phone].each { |screen| screen.visit path }
    desk.find("button", text: "Spongy zone").click
    desk.find("label", text: "Soft", exact_text: true).click
    phone.find("button", text: "Crack at 2").click
    phone.fill_in "Depth, mm", with: "31\n"
    phone.click_on "Save"
    expect_saved(phone)
    expect(desk).to have_css("li", text: "31 mm deep", wait: 2)
    expect(desk).to have_css("li", text: "Soft zone at half past 7")
    desk.click_on "Save"
    expect(phone).to have_css("li", text: "Soft zone at half past 7", wait: 2)
    expect(db[:defects].where(blank_id: blank_id(32), ref: %w[A B]).select_hash(:ref, %i[grade depth_mm])).to eq(
      "A" => ["soft", nil],
      "B" => [nil, 31.0]
    )
    desk.visit "/"
    expect(phone).to have_no_text("with Ines")
  end

  def offline(screen, is)
    screen.driver.browser.network_conditions = { offline: is, latency: 0, throughput: 1_000_000 }
  end

  it "makes one truth of a tick made on a phone out of reach and of one at the desk, whatever the phone's clock shows" do
    at(desk, "Ines", "/blanks/#{blank_id(35)}/mend")
    desk.click_on "Start a card"
    at(phone, "Bram", "/blanks/#{blank_id(35)}/card")
    [desk, phone].each { |screen| expect(screen).to have_text("line 1 of") }
    phone.execute_script("const own = Date.now.bind(Date); Date.now = () => own() + 86400000")
    offline(phone, true)
    first, second = [1, 2].map { |turn| phone.click_on("Done ✓") && phone.has_text?("line #{turn + 1} of") && Time.now }
    expect(phone).to have_text("2 things done here wait on this device")
    desk.click_on "Done ✓"
    expect(desk).to have_text("line 2 of")
    sleep 4
    offline(phone, false)
    expect(phone).to have_no_text("wait on this device")
    expect(phone).to have_text("line 3 of")
    expect(desk).to have_css("section p", text: /✓.*Bram Castellane/)
    marks = db[:card_marks].where(kind: "done").order(:id).select_map(%i[by marked_at])
    expect(marks.map(&:first)).to eq(["Ines Okoro-Vale", "Bram Castellane"])
    expect(marks.last.last).to be_within(2).of(second)
    expect(first).to be < second
  end
end
