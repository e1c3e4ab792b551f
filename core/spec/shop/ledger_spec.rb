# frozen_string_literal: true

require "csv"

RSpec.describe "The ledger, by hand" do
  def row(**about)
    {
      id: 1,
      number: 1,
      name: "bowl",
      outcome: "sold",
      price: 100.0,
      hours: {
        "survey" => 1.0,
        "mend" => 2.0,
        "turn" => 3.0,
        "finish" => 4.0
      },
      rate: 5.0,
      blank_cost: 20.0,
      materials_cost: 10.0,
      ended_on: Date.new(2030, 5, 1),
      started_on: Date.new(2030, 3, 2),
      planned_h: 8.0,
      stuff: "ash",
      form_kind: "bowl",
      trouble: "none",
      **about
    }
  end

  describe MossyAnvil::Shop::Ending do
    def ending(**about) =
      described_class.new(**row(**about).slice(:outcome, :price, :hours, :rate, :blank_cost, :materials_cost))

    # 20 + 10 + 10 h at 5 = 80; sold for 100: 20 over. An hour brought (100 − 30) / 10 = 7.
    it "costs its blank, its materials and its hours" do
      expect(ending.cost).to eq(80)
      expect(ending.margin).to eq(20)
      expect(ending.earned_an_hour).to eq(7)
      expect(ending(price: nil).margin).to be_nil
      expect(ending(hours: { "turn" => 0.0 }).earned_an_hour).to be_nil
    end

    it "counts hours of the steps that are done, as planned or as measured, by kind of work" do
      steps = [
        { id: "a", stretch: "form", hands_min: 30, done: true },
        { id: "b", stretch: "turn", hands_min: 60, done: true },
        { id: "c", stretch: "turn", hands_min: 60, done: false },
        { id: "d", stretch: "close", hands_min: 12, done: true }
      ]
      expect(described_class.hours(steps)).to eq("survey" => 0.5, "mend" => 0.0, "turn" => 1.0, "finish" => 0.2)
      expect(described_class.hours(steps, { "b" => 90 })["turn"]).to eq(1.5)
    end
  end

  describe MossyAnvil::Shop::PriceHelp do
    # Of 80, 100, 120, 200: a quarter in lies at 95, half at 110, three quarters at 140.
    it "asks no less than it cost, and tells what similar ones fetched, three at least" do
      expect(described_class.new(90, [200, 80, 120, 100]).to_h).to eq(
        cost: 90,
        similar: 4,
        least: 95.0,
        middle: 110.0,
        most: 140.0,
        ask: 110.0,
        below: false,
        sound: nil,
        expected: nil
      )
      expect(described_class.new(150, [200, 80, 120, 100]).to_h).to include(ask: 150, below: true)
      expect(described_class.new(90, [100, 120]).to_h).to include(similar: 2, middle: nil, ask: 90, below: false)
    end
  end

  describe MossyAnvil::Shop::Calibration do
    # 1.25, 0.5, 1, 2 times: two of four within 0.7 to 1.5; the middle between 1 and 1.25.
    it "counts what was right within the band" do
      told = described_class.new([[8, 10], [10, 5], [3, 3], [2, 4], [0, 4], [4, 0]]).to_h
      expect(told).to include(count: 4, right: 2, middle: 1.125)
      expect(told[:bars].sum { |bar| bar[:count] }).to eq(4)
      expect(told[:bars].select { |bar| bar[:from] <= 2 && bar[:to] > 2 }.map { |bar| bar[:count] }).to eq([1])
      expect(described_class.new([[1, 100]]).to_h[:bars].last[:count]).to eq(1)
      expect(described_class.new([]).to_h).to include(count: 0, middle: nil)
    end
  end

  describe MossyAnvil::Report::LedgerReport do
    it "sums all, and the margin of what was sold alone" do
      told =
        described_class.new(
          [
            row,
            row(trouble: "mended", price: 50.0),
            row(outcome: "given_up", price: nil, failed_at: "hollow"),
            row(outcome: "given_up", price: nil, failed_at: nil),
            row(outcome: "given_up", price: nil, failed_at: "hollow", planned_h: nil)
          ]
        ).to_h
      expect(told[:sums]).to include(count: 5, cost: 400.0, hands_h: 50.0, sold: 2, price: 150.0, margin: -10.0)
      expect(told[:failed]).to eq([{ at: "hollow", count: 2 }, { at: "unsaid", count: 1 }])
      expect(told[:trouble].map { |one| one.values_at(:count, :earned_an_hour) }).to eq([[1, 7.0], [0, nil], [1, 2.0]])
      # What was given up took less than it was planned to: it says nothing of plans.
      expect(told[:forecasts]).to include(count: 2, right: 2, middle: 1.25)
      expect(told[:forecasts][:kinds]).to eq([])
      expect(told[:pieces].first).to include(days: 60, cost: 80.0, margin: 20.0, ended_on: "2030-05-01")
    end
  end

  # Drying took 1.2, 2 and 1 times what was worked out: two of three within the band. A loss is no forecast.
  it "says of each kind of record how good what was worked out was" do
    records = [["drying_factor", 1.2], ["loss_share", 0.1], ["drying_factor", 2.0], ["drying_factor", 1.0]]
    told = MossyAnvil::Report::LedgerReport.new([], records: records.map { |kind, value| { kind: kind, value: value } })
    expect(told.to_h[:forecasts][:kinds]).to eq([{ kind: "drying_factor", count: 3, right: 2, middle: 1.2 }])
  end

  it "goes into a table with its numbers as numbers and no text taken for a formula" do
    piece = { number: 7, name: "=HYPERLINK(1)", cost: 12.345, ended_on: "2030-05-01", why: "−1", lessons: "a \"b\", c" }
    table = CSV.parse(MossyAnvil::Formats::LedgerCsv.write([piece]), headers: true)
    expect(table[0].to_h.values_at("number", "name", "cost", "ended_on", "why", "lessons", "price")).to eq(
      ["7", "'=HYPERLINK(1)", "12.35", "2030-05-01", "−1", "a \"b\", c", nil]
    )
  end
end
