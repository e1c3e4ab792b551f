# frozen_string_literal: true

# Two thousand spoilt files with a fixed seed: each is read or refused with a reason, never anything else.
RSpec.describe "Spoilt blank files" do
  let(:random) { Random.new(20_300_501) }
  let(:nonsense) do
    [
      nil,
      -1,
      0,
      1e300,
      2**70,
      "",
      "x" * 400,
      "\u0000",
      [],
      {},
      true,
      [[]],
      { "a" => nil },
      1e-300,
      -0.0,
      "<script>",
      "1e400"
    ]
  end

  def whole
    JSON.parse(
      JSON.generate(
        blank_data(
          number: 3,
          form: BlankHelper::BOWL,
          intake: {
            origin: "quay",
            cost: 3,
            got_on: "2030-05-01",
            bark: "on"
          },
          defects: [
            crack(found_by: "seen", depth_range_mm: [20, 30], found_on: "2030-05-02"),
            body("void", contents: "air"),
            body("soft_zone", id: "s", grade: "soft"),
            body("bubble_pocket", id: "p", bubble_diameter_mm: 2, bubbles_per_cm3: 9)
          ],
          worth: {
            outcome: 90,
            hours: 4,
            rate: 20
          },
          readings: [
            { kind: "mass", value: 900, taken_at: "2030-05-01T09:00:00Z" },
            { kind: "awl", value: 6, at: { clock_deg: 9, z_mm: 20 }, taken_at: "2030-05-01T09:00:00Z" },
            { kind: "tap", found: "dull", at: { clock_deg: 9, z_mm: 60, r_mm: 30 }, taken_at: "2030-05-01T09:00:00Z" }
          ]
        )
      )
    )
  end

  # Every place in a document, as [container, key].
  def places(node, found = [])
    pairs = node.is_a?(Hash) ? node.to_a : node.each_with_index.map { |child, index| [index, child] }
    pairs.each do |key, child|
      found << [node, key]
      places(child, found) if child.is_a?(Hash) || child.is_a?(Array)
    end
    found
  end

  def spoil(document)
    node, key = places(document).sample(random: random)
    case random.rand(5)
    when 0
      node.is_a?(Hash) ? node.delete(key) : node.delete_at(key)
    when 1
      node[key] = nonsense.sample(random: random)
    when 2
      node.is_a?(Hash) ? node["#{key}x"] = 1 : node.push(node[key])
    when 3
      node[key] = (
        if node[key].is_a?(Numeric)
          node[key] * [-1, 1e6, 1e-6, 25.4].sample(random: random)
        else
          nonsense.sample(random: random)
        end
      )
    else
      node[key] = node[key].is_a?(Array) ? node[key].reverse : [node[key]]
    end
    document
  end

  def broken_text(text)
    at = random.rand(text.size)
    case random.rand(4)
    when 0
      text[0, at]
    when 1
      text.dup.tap { |copy| copy[at] = "\xfe".dup.force_encoding("BINARY").force_encoding("UTF-8") }
    when 2
      text.sub(/\d+/, %w[NaN Infinity 1e400 -1e400 0x1F].sample(random: random))
    else
      text.dup.insert(at, ["{", "[", "\"", ",", ":", "}"].sample(random: random))
    end
  end

  it "are read, or refused with a path and a reason" do
    refused = 0
    2000.times do |index|
      text =
        (
          if index.odd?
            JSON.generate((1 + random.rand(3)).times.inject(whole) { |document, _| spoil(document) })
          else
            broken_text(JSON.generate(whole))
          end
        )
      MossyAnvil::Formats::BlankFile.read(text)
    rescue MossyAnvil::InvalidInput => e
      refused += 1
      expect(e.faults).to all(have_attributes(path: a_string_matching(%r{\A(/.*)?\z}m), problem: be_a(String)))
      expect(e.faults.map(&:to_s)).to all(satisfy { |line| line.bytesize < 2000 })
    end
    expect(refused).to be_between(1200, 1999)
  end

  it "are refused part by part where the whole is, and only there" do
    check = MossyAnvil::Formats::BlankFile.schema
    answers =
      Array.new(1200) do
        document = (1 + random.rand(2)).times.inject(whole) { |spoilt, _| spoil(spoilt) }
        [check.passes?(document), check.errors(document).none?]
      end
    expect(answers.count([true, true])).to be_between(80, 900)
    expect(answers.uniq).to contain_exactly([true, true], [false, false])
  end

  it "that can be read can be reckoned" do
    read = 0
    until read == 12
      piece =
        begin
          MossyAnvil::Formats::BlankFile.read(JSON.generate(spoil(whole)))
        rescue MossyAnvil::InvalidInput
          next
        end
      read += 1
      expect(MossyAnvil::Report::Assessment.new(piece).to_h[:stages][:blank][:mass_g]).to be_positive
    end
  end
end
