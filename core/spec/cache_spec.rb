# frozen_string_literal: true

RSpec.describe MossyAnvil::Cache do
  it "gives what it made of a value again for the same value, and makes it anew for another" do
    recall = described_class.new(3)
    made = 0
    make = ->(key) { recall.of(key) { "#{key}, #{made += 1}" } }
    expect([make[{ a: [1, 2.5] }], make[{ a: [1, 2.5] }], make[{ a: [1, 2] }]]).to eq(
      ["{:a=>[1, 2.5]}, 1", "{:a=>[1, 2.5]}, 1", "{:a=>[1, 2]}, 2"]
    )
  end

  it "holds no more than it may, and lets go of what was not asked for of late" do
    recall = described_class.new(6)
    %w[a b c].each { |key| recall.keep(key, key.upcase) }
    %w[d e].each { |key| recall.keep(key, key.upcase) }
    expect(recall.found("a")).to eq("A")
    recall.keep("f", "F")
    expect(%w[b c].map { |key| recall.found(key) }).to eq([nil, nil])
    expect(%w[a d e f].map { |key| recall.found(key) }).to eq(%w[A D E F])
    50.times { |number| recall.keep(number, true) && expect(recall.size).to(be <= 6) }
    recall.forget
    expect([recall.size, recall.found(49)]).to eq([0, nil])
  end

  it "tells values that are not plain data apart by themselves" do
    one, other = Array.new(2) { MossyAnvil::Model::Disc.new(diameter_mm: 100, length_mm: 50) }
    recall = described_class.new(9)
    recall.keep([one, 1], "held")
    expect([recall.found([one, 1]), recall.found([other, 1])]).to eq(["held", nil])
  end

  describe "in bytes" do
    before { described_class.forget }
    after { described_class.forget }

    let(:recall) { described_class.new(1000) }

    it "lets all go before they hold more than they may, whatever they hold: arrays, plain data, shapes" do
      outline = ->(turn) do
        MossyAnvil::Model::Outline.new(
          stations: Array.new(40) { |at| { z_mm: at * 5.0, radii_mm: Array.new(360) { 50.0 + turn } } }
        )
      end
      makers = {
        arrays: ->(_) { Numo::DFloat.zeros(100_000) },
        data: ->(turn) { { "a" => Array.new(20_000) { |at| at + turn } } },
        shapes: outline
      }
      makers.each_value do |make|
        400.times do |turn|
          recall.keep([make.call(turn), turn], "x") &&
            expect(described_class.bytes).to(be <= described_class::MOST_BYTES * 1.1)
        end
        expect(recall.size).to be_between(1, 399)
      end
    end

    it "counts what many keys have in common once, and what has gone no longer" do
      shape = MossyAnvil::Model::Outline.new(stations: Array.new(2) { |at| { z_mm: at * 50.0, radii_mm: [50.0] * 8 } })
      recall.keep([shape, 0], true)
      one = described_class.bytes
      recall.keep([shape, 1], true)
      expect(described_class.bytes - one).to be < 200
      few = described_class.new(4)
      before = described_class.bytes
      20.times { |turn| few.keep(turn, Numo::DFloat.zeros(1000)) }
      expect(described_class.bytes - before).to be <= 4 * 8200
    end
  end

  it "may be asked by several at once" do
    recall = described_class.new(5)
    threads =
      Array.new(4) do |seed|
        Thread.new do
          Array.new(2000) { |turn| recall.of((turn * seed) % 9) { (turn * seed) % 9 } == (turn * seed) % 9 }.all?
        end
      end
    expect(threads.map(&:value)).to all(be true)
    expect(recall.size).to be <= 5
  end
end

# What is kept from one blank to the next may change how long an answer takes, never the answer.
RSpec.describe "An assessment after others" do
  let(:now) { Time.utc(2030, 6, 1) }

  def answer(document) =
    JSON.generate(MossyAnvil::Report::Assessment.new(MossyAnvil::Formats::BlankFile.from_data(document), now: now).to_h)

  def anew(document)
    MossyAnvil::Cache.forget
    answer(document)
  end

  # The demo blank with one thing changed, another at each step.
  def edits(document)
    copies = Array.new(6) { JSON.parse(JSON.generate(document)) }
    copies[0]["material"]["density_kg_m3"] *= 1.1
    copies[1]["shape"]["length_mm"] += 3 if copies[1]["shape"].key?("length_mm")
    copies[2]["defects"].reverse!
    copies[3]["defects"]
      .first(1)
      .each { |defect| defect.key?("depth_mm") ? defect["depth_mm"] *= 0.8 : defect["size_mm"][1] *= 0.7 }
    copies[4]["defects"].pop
    copies[5]["form"]&.then { |form| form["outside"].each { |point| point[1] *= 0.97 } }
    copies
  end

  def rules_pass?(document)
    MossyAnvil::Formats::BlankFile.from_data(document) && true
  rescue MossyAnvil::InvalidInput
    false
  end

  Dir[File.expand_path("../../demo/*.anvil.json", __dir__)].each do |path|
    it "is what it is by itself: #{File.basename(path, ".anvil.json")}" do
      document = JSON.parse(File.read(path))
      steps = [document, *edits(document), document].select { |step| rules_pass?(step) }
      MossyAnvil::Cache.forget
      after_others = steps.map { |step| answer(step) }
      expect(steps.size).to be >= 6
      expect(after_others).to eq(steps.map { |step| anew(step) })
    end
  end
end
