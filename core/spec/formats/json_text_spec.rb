# frozen_string_literal: true

RSpec.describe MossyAnvil::Formats::JsonText do
  def pointers(text)
    described_class.parse(text)
    []
  rescue MossyAnvil::InvalidInput => e
    e.faults.map(&:path)
  end

  it "takes texts with line ends and tabs, and numbers as small as arithmetic leaves them" do
    expect(described_class.parse('{"a": "b\n\tc", "d": [1e-16, -0.0, 0, 1e14, 999999]}')).to eq(
      "a" => "b\n\tc",
      "d" => [1e-16, -0.0, 0, 1e14, 999_999]
    )
  end

  ['"\u0000"', '"a\u001Fb"', '"\u007F"', '"\u0085"', "\"\u0090\"", '"\u2028"', '"\uFFFE"', '"\uFDD0"'].each do |text|
    it("refuses #{text.dump} at its place") { expect(pointers("{\"a\": [1, #{text}]}")).to eq(["/a/1"]) }
  end

  it "refuses numbers that nothing measures, and keys that cannot be read" do
    expect(pointers('{"a": 1e400, "b": -1e400, "c": 1e-320, "d": 99999999999999999999, "e": 1e15}')).to eq(
      %w[/a /b /c /d]
    )
    expect(pointers('{"a": {"b\u0007": 1}}')).to eq(["/a"])
  end

  it "refuses half a character" do
    expect(pointers('{"a": "\ud800"}')).to eq([""])
  end
end
