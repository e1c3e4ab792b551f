# frozen_string_literal: true

# What a working says is in the catalogue: its formula, what goes into it, and its source unless a table gives that.
RSpec.describe MossyAnvil::Report::Workings do
  root = File.expand_path("../../..", __dir__)
  catalogue = YAML.safe_load_file(File.join(root, "core/data/locales/en.yml"))["en"]
  texts = catalogue["workings"]
  tables = Dir[File.join(root, "core/data/*.yaml")].sum("") { |path| File.read(path) }.gsub(/\s+/, " ").delete('"\'')
  reports = %i[Assessment MendReport RouteReport MountReport].map { |name| MossyAnvil::Report.const_get(name) }
  blanks = Dir[File.join(root, "demo/*.anvil.json")].map { |path| MossyAnvil::Formats::BlankFile.read(File.read(path)) }
  # How it is held follows what it is to become.
  asked = blanks.product(reports).reject { |blank, report| reports.last(2).include?(report) && blank.form.nil? }
  workings = asked.flat_map { |blank, report| report.new(blank).to_h[:workings].to_a }

  it "has its formula in the catalogue" do
    expect(workings.size).to be > 900
    expect(workings.map { |_, working| working[:formula] }.uniq - texts["formulas"].keys).to eq([])
  end

  it "names what goes into it by the catalogue" do
    names = workings.flat_map { |_, working| working[:inputs].map { |input| input[:name].split(":").first } }.uniq
    expect(names - texts["inputs"].keys - catalogue["caps"].keys).to eq([])
  end

  it "gives a source of the catalogue, or one that stands in a table" do
    sources = workings.map { |_, working| working[:source] }.uniq - texts["sources"].keys
    expect(sources.reject { |source| tables.include?(source.gsub(/\s+/, " ").delete('"\'')) }).to eq([])
  end
end
