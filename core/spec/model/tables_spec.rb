# frozen_string_literal: true

RSpec.describe "The tables" do
  it "holds forty woods and twenty other materials, each within what such stock can be" do
    woods, other = %w[woods other_stock].map { |name| MossyAnvil::Model::Stock.rows(name).values.uniq }
    expect([woods.size, other.size]).to match([be >= 40, be >= 20])
    woods.each do |row|
      expect(row["density_kg_m3"]).to be_between(120, 1300), row["key"]
      expect(row["tangential_pct"]).to be_between(row["radial_pct"], 14), row["key"]
      expect(MossyAnvil::Model::Stock.of(row["key"])).to have_attributes(
        wood?: true,
        caution: [a_string_starting_with("tables.woods.dust."), "term"],
        source: be_a(String)
      )
    end
    other.each do |row|
      expect(MossyAnvil::Model::Stock.of(row["name"])).to have_attributes(
        wood?: false,
        density_kg_m3: be_between(100, 9000),
        caution: ["tables.other_stock.#{row["key"]}.caution", "term"]
      )
    end
  end

  it "finds a row by key or name, in any case, and none for a name of one's own" do
    expect(MossyAnvil::Model::Stock.of(" Hornbeam ").density_kg_m3).to eq(735)
    expect(MossyAnvil::Model::Stock.of("European ash").name).to eq("European ash")
    expect(MossyAnvil::Model::Stock.of("the old gate post")).to be_nil
  end

  it "repeats no key" do
    %w[resins fillers mounts gates pigments supplies].each do |name|
      keys = MossyAnvil::Table[name]["rows"].map { |row| row.fetch("key") }
      expect(keys).to eq(keys.uniq)
    end
    %w[woods other_stock].each { |name| expect(MossyAnvil::Table[name]["rows"].map(&:first).tally.values.max).to eq(1) }
  end

  it "asks of every resin what the cup and the mould need to know" do
    MossyAnvil::Table["resins"]["rows"].each do |row|
      expect(row).to include("working_min", "layer_mm", "dry_to_pct", "cup_limit_g", "demould_h")
      expect(MossyAnvil::Mend::Resin.new(row).density_g_ml).to be_between(0.9, 1.4)
    end
  end
end
