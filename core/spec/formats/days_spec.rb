# frozen_string_literal: true

RSpec.describe MossyAnvil::Days do
  it "knows the days there are" do
    { "2030-05-01" => true, "2028-02-29" => true, "2030-02-29" => false, "2026-02-31" => false, "0000-01-01" => false, "0001-01-01" => true, "9999-12-31" => true, "2030-13-01" => false,
      "" => false, "2030" => false }.each { |text, known| expect([text, described_class.day?(text)]).to eq([text, known]) }
  end

  it "knows the times there are, with or without seconds, in any zone" do
    { "2030-05-01T09:30:00Z" => true, "2030-05-01T09:30Z" => true, "2030-05-01T09:30:00.25+05:30" => true, "2026-99-99T99:99:99Z" => false, "2030-05-01T25:00:00Z" => false,
      "2030-02-30T09:30:00Z" => false, "0000-01-01T00:00:00Z" => false, "0001-01-01T00:00:00+12:00" => false }.each { |text, known| expect([text, described_class.time?(text)]).to eq([text, known]) }
  end
end
