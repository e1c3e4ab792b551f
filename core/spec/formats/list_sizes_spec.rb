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

  it "follows what a schema leads to, and only that" do
    parts = {
      "asked" => {
        "properties" => {
          "lines" => {
            "type" => "array",
            "maxItems" => 2,
            "items" => {
              "$ref" => "#/parts/line"
            }
          }
        }
      },
      "line" => {
        "properties" => {
          "points" => {
            "type" => "array",
            "maxItems" => 3
          },
          "within" => {
            "$ref" => "#/parts/line"
          }
        }
      },
      "told" => {
        "properties" => {
          "lines" => {
            "type" => "array"
          }
        }
      }
    }
    asked = described_class.new(parts["asked"], definitions: parts)
    expect(asked.fit?({ "lines" => entries })).to be(false)
    expect(asked.fit?({ "lines" => [{ "points" => entries }] })).to be(false)
    expect(described_class.new(parts, definitions: parts).fit?({ "lines" => entries })).to be(true)
  end

  it "tells a list that is too long as it is, though less of it was checked" do
    seen = nil
    errors =
      sizes.errors({ "few" => [{ "deep" => entries }] }) do |shortened|
        seen = shortened["few"][0]["deep"].size
        [{ "type" => "maxItems", "data_pointer" => "/few/0/deep" }, { "type" => "minimum", "data" => 1 }]
      end
    expect(errors.to_a.map { |error| error["data"] }).to eq([entries, 1])
    expect(seen).to eq(4)
  end
end
