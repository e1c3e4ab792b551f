# frozen_string_literal: true

require_relative "server_helper"

RSpec.describe "A plan of mending", :server do
  def demo(number) = JSON.parse(File.read(Dir[File.join(Loft::ROOT, "demo", "#{number}-*.anvil.json")].first))
  def key = SecureRandom.uuid

  def opened(number, **changes)
    ask("POST", "/api/blanks", { document: demo(number).merge(changes.transform_keys(&:to_s)) })
    ask("POST", "/api/blanks/#{answer_as('KeptBlank')['id']}/card", { key: key })
    expect(last_response.status).to eq(201), last_response.body
    answer_as("Card")
  end

  def lines(card) = card["steps"].flat_map { |step| step["lines"] }
  def line(card, text) = lines(card).find { |one| one["text"].include?(text) } || raise("no line with #{text}: #{lines(card).map { |one| one['text'] }}")

  def mark(card, line, kind = "done", value: nil, key: self.key)
    ask("POST", "/api/cards/#{card['id']}/marks", { key: key, line: line["key"], kind: kind, value: value }.compact)
    expect(last_response.status).to eq(201), last_response.body
    answer_as("Card")
  end

  it "is reckoned for every blank of the demo as the contract has it" do
    (31..42).each do |number|
      ask("POST", "/api/reckon/mend", { document: demo(number) })
      expect(last_response.status).to eq(200), log.string
      answer_as("MendPlan")
    end
  end

  it "is kept with its blank, and comes back as it was" do
    kept = demo(35)
    ask("POST", "/api/blanks", { document: kept })
    expect(answer_as("KeptBlank")["document"]["mend"]).to eq(kept["mend"])
  end

  it "refuses a data sheet that cannot be, at its field" do
    { { working_min: 0 } => "working_min", { density_g_ml: [11, 1] } => "density_g_ml/0", { parts: [2, 0] } => "parts/1", { peak_c: 19 } => "peak_c" }.each do |sheet, field|
      wrong = demo(35)
      wrong["mend"]["steps"][0]["sheet"] = sheet
      ask("POST", "/api/reckon/mend", { document: wrong })
      expect(problem(422)["errors"].map { |one| one["pointer"] }).to include("/document/mend/steps/0/sheet/#{field}")
    end
  end

  describe "worked by a card" do
    it "is ticked once however many hands tick it, and runs on the server's clock" do
      card = opened(35)
      first = lines(card).first
      same = key
      2.times { mark(card, first, key: same) }
      card = mark(card, first)
      expect(db[:card_marks].count).to eq(1)
      expect(card["next_line"]).to eq(lines(card)[1]["key"])

      pour = line(card, "Mixed, scraped, poured: layer 1")
      card = mark(card, pour, "started")
      expect(line(card, "Mixed, scraped, poured: layer 1")["wait"]).to include("started_at" => "2030-05-01T12:00:00Z")
      clock.now += 3600 * 5
      mark(card, pour, "started")
      again = mark(card, pour)
      expect(line(again, "Mixed, scraped, poured: layer 1")).to include("done_at" => "2030-05-01T17:00:00Z")
      expect(line(again, "Mixed, scraped, poured: layer 1")["wait"]).to include("started_at" => "2030-05-01T12:00:00Z", "ended_at" => "2030-05-01T17:00:00Z")
    end
  end
end
