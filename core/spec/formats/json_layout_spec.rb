# frozen_string_literal: true

RSpec.describe MossyAnvil::Formats::JsonLayout do
  it "orders keys by the job, drops points from whole numbers, and loses nothing" do
    text =
      described_class.text(
        "shape" => {
          "length_mm" => 60.0,
          "type" => "disc",
          "diameter_mm" => 240.25
        },
        "name" => "Bowl",
        "format" => "f"
      )
    expect(text).to eq(<<~JSON)
      {
        "format": "f",
        "name": "Bowl",
        "shape": {"type": "disc", "diameter_mm": 240.25, "length_mm": 60}
      }
    JSON
  end

  it "opens what is too long for a line, and only that" do
    text =
      described_class.text(
        "defects" => Array.new(3) { |index| { "id" => index.to_s, "note" => "x" * 70 } },
        "empty" => []
      )
    expect(text.lines.map(&:length)).to all(be <= described_class::WIDTH + 2)
    expect(text.lines.size).to eq(8)
    expect(text).to include('"empty": []')
  end

  Dir[File.expand_path("../../../demo/*.anvil.json", __dir__)].each do |path|
    it "gives #{File.basename(path)} back the same, and the same again" do
      document = JSON.parse(File.read(path))
      once = MossyAnvil::Formats::BlankFile.write(document)
      expect(JSON.parse(once)).to eq(document)
      expect(MossyAnvil::Formats::BlankFile.write(MossyAnvil::Formats::BlankFile.document(once))).to eq(once)
    end
  end
end
