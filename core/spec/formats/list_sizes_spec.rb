# frozen_string_literal: true

RSpec.describe MossyAnvil::Formats::ListSizes do
  let(:schema) do
    {
      "$defs" => {
        "long" => {
          "type" => "array",
          "maxItems" => 5
        }
      },
      "properties" => {
        "few" => {
          "type" => "array",
          "maxItems" => 2,
          "items" => {
            "properties" => {
              "deep" => {
                "type" => "array",
                "maxItems" => 3
              },
              "any" => {
                "type" => "array"
              }
            }
          }
        },
        "named" => {
          "$ref" => "#/$defs/long"
        }
      },
      "anyOf" => [{ "properties" => { "few" => { "type" => "array", "maxItems" => 4 } } }]
    }
  end
  let(:sizes) { described_class.new(schema) }
  let(:entries) { Array.new(10) { |index| index } }

  it "takes the longest that a list of a name may be, wherever it stands" do
    expect(sizes.fit?({ "few" => entries.first(4) })).to be(true)
    expect(sizes.fit?({ "few" => entries.first(5) })).to be(false)
    expect(sizes.fit?({ "few" => [{ "deep" => entries.first(4) }] })).to be(false)
    expect(sizes.fit?({ "named" => entries.first(6) })).to be(false)
    expect(sizes.fit?(entries.first(3), "deep")).to be(true)
  end

  it "lets a list be of which nothing is said" do
    whole = { "few" => [{ "any" => entries }], "other" => entries }
    expect(sizes.fit?(whole)).to be(true)
    expect(sizes.shortened(whole)).to eq(whole)
  end

  it "leaves one more than may be, so that it is still seen to be too long" do
    expect(sizes.shortened({ "few" => [{ "deep" => entries }], "named" => entries })).to eq(
      "few" => [{ "deep" => [0, 1, 2, 3] }],
      "named" => [0, 1, 2, 3, 4, 5]
    )
  end
end
