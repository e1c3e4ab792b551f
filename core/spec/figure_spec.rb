# frozen_string_literal: true

RSpec.describe MossyAnvil::Figure do
  def figure(**changes)
    described_class.new(
      value: 4.2,
      unit: "ml",
      formula: "half of it",
      source: "geometry",
      certainty: :derived,
      **changes
    )
  end

  it "shows its working as plain data" do
    whole = figure(value: 8.4, inputs: { "half" => figure, "parts" => [2, ""] })
    expect(whole.to_h).to eq(
      value: 8.4,
      unit: "ml",
      formula: "half of it",
      source: "geometry",
      certainty: "derived",
      inputs: [{ name: "half", value: 4.2, unit: "ml" }, { name: "parts", value: 2, unit: "" }]
    )
  end

  it "refuses what is no number and what nobody is sure of" do
    [Float::NAN, Float::INFINITY].each do |value|
      expect { figure(value: value) }.to raise_error(MossyAnvil::ReckoningError, /not finite/)
    end
    expect { figure(certainty: :hearsay) }.to raise_error(MossyAnvil::ReckoningError, /hearsay/)
  end

  it "cannot be changed" do
    expect(figure).to be_frozen
    expect(figure(inputs: { "a" => [1, "mm"] }).inputs).to be_frozen
  end
end

RSpec.describe MossyAnvil::ClockAngle do
  it "turns the short way" do
    expect([[350, 10], [10, 350], [90, 270], [0, 90]].map { |from, to| described_class.turn(from, to) }).to eq(
      [20, -20, -180, 90]
    )
  end

  it "goes to a point and back" do
    (0...360).step(23) do |deg|
      expect(described_class.of_point(*described_class.point(deg, 40))).to be_within(1e-9).of(deg)
    end
    expect(described_class.point(90, 10).map { |part| part.round(9) }).to eq([10, 0])
  end
end

RSpec.describe MossyAnvil::Table do
  names = Dir[File.join(MossyAnvil::DATA_DIR, "*.yaml")].map { |path| File.basename(path, ".yaml") }

  names.each do |name|
    it "says where the rows of #{name} come from" do
      expect(File.read(File.join(MossyAnvil::DATA_DIR, "#{name}.yaml"))).to match(/source: "/)
      expect(described_class[name]).to be_frozen
    end
  end

  it "has finer grains for higher grits" do
    sizes = described_class["grits"]["median_um"]
    expect(sizes.keys).to eq(sizes.keys.sort)
    expect(sizes.values).to eq(sizes.values.sort.reverse)
  end

  it "leaves no mouth without a filler, nor one with two" do
    rows = described_class["fillers"]["rows"].reject { |row| row["by_vacuum"] }
    expect(rows.first["mouth_from_mm"]).to eq(0)
    rows.each_cons(2) { |thin, wide| expect(thin["mouth_to_mm"]).to eq(wide["mouth_from_mm"]) }
    expect(rows).to all(satisfy { |row| row["ready_min"] > row["working_min"] })
    expect([0, 0.3, 0.9, 2, 5, 40].map { |mouth| MossyAnvil::Mend::Filling.filler_for(mouth)["key"] }).to eq(
      %w[thin_ca packed_dust packed_dust thick_ca epoxy resin]
    )
  end
end
