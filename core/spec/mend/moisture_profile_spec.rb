# frozen_string_literal: true

RSpec.describe MossyAnvil::Mend::MoistureProfile do
  # By hand, half of 60 mm: x is 0.1289 at 2 mm and 0.9722 at 25 mm, so 12 and 22 % give 10.47 at the skin and 22.33 in
  # the heart, 18.38 on the average.
  it "draws a parabola through pins at two depths" do
    found = described_class.of([[2, 12], [25, 22]], 30.0)
    expect(found).to have_attributes(
      skin_pct: be_within(0.01).of(10.47),
      heart_pct: be_within(0.01).of(22.33),
      mean_pct: be_within(0.01).of(18.38),
      wet_heart?: true
    )
  end

  it "says nothing of pins at one depth, and goes by least squares where there are more" do
    expect(described_class.of([[5, 12], [5, 14]], 30.0)).to be_nil
    expect(described_class.of([], 30.0)).to be_nil
    even = described_class.of([[2, 12], [10, 12], [25, 12]], 30.0)
    expect(even).to have_attributes(
      skin_pct: be_within(1e-9).of(12),
      heart_pct: be_within(1e-9).of(12),
      wet_heart?: false
    )
  end

  it "is told in the report, with a word of care where the heart is wet" do
    readings =
      [[2, 12], [25, 22]].map do |depth_mm, value|
        {
          kind: "moisture",
          value: value,
          at: {
            clock_deg: 0,
            z_mm: 30
          },
          depth_mm: depth_mm,
          taken_at: "2030-05-01T09:00:00Z"
        }
      end
    found = assess(readings: readings)
    expect(found[:drying][:profile]).to include(heart_pct: be_within(0.01).of(22.33), wet_heart: true)
    expect(keys(found[:advice][:mend])).to include("advice.mend.wet_heart")
  end
end
