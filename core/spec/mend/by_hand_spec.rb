# frozen_string_literal: true

# Drying and shrinking worked by hand, step by step.
RSpec.describe "Drying by hand" do
  it "50 mm of a specific gravity of 0.60: 5.668e-11 m2/s, 51.7 days to come within 1/e" do
    drying = MossyAnvil::Mend::Drying
    # 1.2e-10 * exp(-3 * 0.25); 0.05**2 / (pi**2 * D) = 4.4687e6 s.
    expect(drying.diffusion_m2_s(0.60)).to be_within(1e-15).of(5.66840e-11)
    expect(drying.tau_days(50, 0.60)).to be_within(0.001).of(51.721)
  end

  it "two open cracks share what the rings pull in" do
    one, other = %w[b c].map { |id| crack(id: id, clock_deg: id == "b" ? 0 : 180) }
    openings = ->(*defects) do
      hearted = blank(defects: defects, material: material_data(pith: "in"))
      MossyAnvil::Mend::CrackOpening.new(hearted, from_pct: 24, to_pct: 12).openings.map(&:last)
    end
    alone = openings[one].first
    expect(alone).to be > 0
    expect(openings[one, other]).to match([be_within(1e-9).of(alone / 2), be_within(1e-9).of(alone / 2)])
  end
end
