# frozen_string_literal: true

RSpec.describe MossyAnvil::Formats::Days do
  it "knows the days there are" do
    yes = %w[2030-05-01 2028-02-29 0001-01-01 9999-12-31]
    no = ["2030-02-29", "2026-02-31", "0000-01-01", "2030-13-01", "", "2030"]
    expect((yes + no).select { |text| described_class.day?(text) }).to eq(yes)
  end

  it "knows the times there are, with or without seconds, in any zone" do
    yes = %w[2030-05-01T09:30:00Z 2030-05-01T09:30Z 2030-05-01T09:30:00.25+05:30]
    no = %w[
      2026-99-99T99:99:99Z
      2030-05-01T25:00:00Z
      2030-02-30T09:30:00Z
      0000-01-01T00:00:00Z
      0001-01-01T00:00:00+12:00
    ]
    expect((yes + no).select { |text| described_class.time?(text) }).to eq(yes)
  end
end
