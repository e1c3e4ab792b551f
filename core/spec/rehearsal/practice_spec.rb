# frozen_string_literal: true

RSpec.describe MossyAnvil::Rehearsal::BlindBlank do
  blank_of = ->(document) { MossyAnvil::Formats::BlankFile.from_data(document) }

  it "makes 500 valid blanks, each with a valid truth that agrees with what can be seen" do
    hidden =
      (1..100).sum do |seed|
        described_class::LEVELS.sum do |level|
          made = described_class.new(seed: seed, level: level)
          seen, truth = blank_of.call(made.document), blank_of.call(made.truth_document)
          expect(made.document.slice("shape", "material")).to eq(made.truth_document.slice("shape", "material"))
          cracks = truth.defects.select(&:path?)
          looks = ->(list) do
            list.map { |one| [one.id, one.type, one.path.map { |at| at.except(:depth_mm) }, one.width_mm] }
          end
          expect(looks.call(seen.defects)).to eq(looks.call(cracks))
          expect(cracks.size).to eq(level)
          truth.defects.count { |one| !one.path? }
        end
      end
    expect(hidden).to be > 500
  end

  it "is harder the higher its level, the same for the same seed, and sealed so that nobody reads it by chance" do
    count = ->(level) do
      (1..40).sum { |seed| described_class.new(seed: seed, level: level).truth_document["defects"].size }
    end
    expect([1, 3, 5].map(&count)).to eq([1, 3, 5].map(&count).sort)
    one = described_class.new(seed: 7, level: 4)
    expect(described_class.new(seed: 7, level: 4).sealed).to eq(one.sealed)
    expect(described_class.new(seed: 8, level: 4).document).not_to eq(one.document)
    expect(one.sealed["sealed"]).not_to include("depth_mm")
    expect(described_class.unseal(one.sealed)).to eq(JSON.parse(JSON.generate(one.truth_document)))
    [{}, { "sealed" => "?" }, [], { "sealed" => 3 }].each do |bad|
      expect { described_class.unseal(bad) }.to raise_error(MossyAnvil::InvalidInput, /sealed truth/)
    end
    expect { described_class.new(seed: 1, level: 6) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/level: is 6: 1, 2, 3, 4, 5}
    )
  end

  describe MossyAnvil::Rehearsal::Reveal do
    made = MossyAnvil::Rehearsal::BlindBlank.new(seed: 3, level: 4)
    truth = blank_of.call(made.truth_document)

    it "gives full marks to a survey that found everything, and the least to one that found nothing" do
      expect(described_class.new(truth, truth).to_h).to include(missed: [], feared: [], score: 100.0)
      nothing = described_class.new(blank_of.call(made.document.merge("defects" => [])), truth).to_h
      expect(nothing).to include(found: [], score: 0.0)
      expect(nothing[:missed].map { |one| one[:id] }).to eq(truth.defects.map(&:id))
    end

    it "says where one test would have found what was missed, and what was feared for nothing" do
      crack = truth.defects.find(&:path?)
      missed = described_class.new(truth.with_defects(truth.defects - [crack]), truth).to_h[:missed]
      expect(missed).to eq(
        [{ id: crack.id, type: crack.type, test: "feeler", **crack.path.first.slice(:clock_deg, :z_mm) }]
      )
      body =
        MossyAnvil::Model::BodyDefect.new(
          id: "x",
          type: "void",
          centre: {
            clock_deg: 10,
            r_mm: 1,
            z_mm: 2
          },
          size_mm: [4, 4, 4],
          detail: {
            contents: "air"
          }
        )
      found = described_class.new(truth.with_defects(truth.defects + [body]), truth).to_h
      expect(found[:feared]).to eq(["x"])
      expect(found[:score]).to be < 100
      deep = crack.at_depth(crack.depth_mm * 1.6)
      expect(described_class.new(truth.with_defects(truth.defects - [crack] + [deep]), truth).to_h[:feared]).to eq(
        [crack.id]
      )
    end
  end
end
