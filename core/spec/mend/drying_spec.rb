# frozen_string_literal: true

RSpec.describe MossyAnvil::Mend::Drying do
  let(:drying) { described_class.new(emc_pct: 10, tau_days: 20) }

  it "needs no time for wood that is dry enough" do
    expect(drying.days(11, 12)).to eq(0)
  end

  it "says that air this damp never gets it there" do
    expect(drying.days(14, 9)).to be_nil
  end

  it "adds time for free water above saturation" do
    expect(drying.free_water_days(36)).to be_within(1e-9).of(6 * 20 / 20.0)
    expect(drying.days(36, 12)).to be_within(1e-9).of(drying.days(30, 12) + 6)
  end

  it "refits its pace from weights that follow the curve" do
    points = [0, 4, 9, 15, 22].map { |day| [day, 10 + (14 * Math.exp(-day / 17.0))] }
    tau, error = described_class.refit(points, 10)
    expect(tau).to be_within(1e-6).of(17)
    expect(error).to be_within(1e-6).of(0)
  end

  it "refuses to refit from weights that do not fall" do
    expect(described_class.refit([[0, 14], [5, 15], [9, 16]], 10)).to be_nil
  end

  it "dries ten times quicker along the grain" do
    expect(described_class.tau_days(30, 0.5) / described_class.tau_days(30, 0.5, along_grain: true)).to be_within(
      1e-9
    ).of(10)
  end

  describe "in an assessment" do
    def reading(kind, value, day, **more)
      { kind: kind, value: value, taken_at: format("2030-05-%02dT09:00:00Z", day) }.merge(more)
    end

    it "follows the weights of the piece itself" do
      readings = [reading("moisture", 24, 1, at: { clock_deg: 0, z_mm: 30 }, depth_mm: 10)]
      readings +=
        [[1, 24.0], [8, 20.0], [15, 17.2], [22, 15.2]].map do |day, moisture|
          reading("mass", 1000 * (1 + (moisture / 100)), day)
        end
      water = assess(readings: readings)[:drying]
      expect(water[:oven_dry_mass_g]).to be_within(0.01).of(1000)
      expect(water[:moisture_pct]).to be_within(0.01).of(15.2)
      expect(water[:tau_from_records]).to be true
      expect(water[:tau_days]).to be_between(15, 25)
    end

    it "carries the last reading on to today" do
      readings = [reading("moisture", 20, 1, at: { clock_deg: 0, z_mm: 30 }, depth_mm: 10)]
      later = MossyAnvil::Report::Assessment.new(blank(readings: readings), now: Time.utc(2030, 6, 1)).to_h[:drying]
      expect(later[:moisture_pct]).to be_between(later[:emc_pct], 20)
    end

    it "holds no water in plastic" do
      expect(assess(material: material_data(kind: "non_wood", grain: "none", moisture_pct: 0))[:drying]).to be_nil
    end
  end
end
