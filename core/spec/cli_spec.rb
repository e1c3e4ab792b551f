# frozen_string_literal: true

require "csv"
require "open3"
require "tmpdir"

RSpec.describe "bin/anvil" do
  root = File.expand_path("../..", __dir__)

  def anvil(*arguments, input: "")
    Bundler.with_unbundled_env do
      Open3.capture3(File.expand_path("../../bin/anvil", __dir__), *arguments, stdin_data: input)
    end
  end

  it "prints the assessment of a file, of standard input the same" do
    path = File.join(root, "demo", "32-donation-bowl.anvil.json")
    from_file, faults, status = anvil("assess", path)
    expect([status.exitstatus, faults]).to eq([0, ""])
    expect(JSON.parse(from_file)["stages"].keys).to eq(%w[blank rounded outside hollowed])
    expect(anvil("assess", "-", input: File.read(path))[0]).to eq(from_file)
  end

  it "refuses a bad file with one line per fault and exit 2" do
    out, faults, status =
      anvil(
        "assess",
        "-",
        input: JSON.generate(blank_data(colour: 1, shape: { type: "disc", diameter_mm: -1, length_mm: 4 }))
      )
    expect([status.exitstatus, out]).to eq([2, ""])
    expect(faults.lines.map(&:chomp)).to contain_exactly(
      a_string_starting_with("/colour: is not a known key"),
      "/shape/diameter_mm: is -1: more than 0"
    )
  end

  it "validates many files at once and names each fault by its file" do
    good, = Dir[File.join(root, "demo", "*.anvil.json")]
    out, faults, status = anvil("validate", good, "-", good, input: "{}")
    expect([status.exitstatus, out]).to eq([2, "#{good}: fits\n" * 2])
    expect(faults.lines).to all(start_with("-: /"))
    expect(anvil("validate", *Dir[File.join(root, "demo", "*.anvil.json")])[2].exitstatus).to eq(0)
  end

  it "converts a blank to the same blank in one settled layout, and its survey to a table" do
    source = File.read(File.join(root, "demo", "33-lamp-base.anvil.json"))
    once, = anvil("convert", "-", input: source)
    shuffled = JSON.generate(JSON.parse(source).to_a.reverse.to_h)
    expect(anvil("convert", "-", input: shuffled)[0]).to eq(once)
    expect(JSON.parse(once)).to eq(JSON.parse(source))
    table = CSV.parse(anvil("convert", "-", "--to", "csv", input: source)[0], headers: true)
    defects = JSON.parse(source)["defects"]
    expect(table.map { |row| row["id"] }.uniq).to eq(defects.map { |defect| defect["id"] })
    first = table.select { |row| row["id"] == defects.first["id"] }
    expect(first.map { |row| row["clock_deg"].to_f }).to eq(
      defects.first["path"].map { |point| point["clock_deg"].to_f }
    )
    expect(anvil("convert", "-", "--to", "paper", input: source)).to match(
      ["", /invalid argument: --to paper/, have_attributes(exitstatus: 2)]
    )
  end

  it "tells every mount judged, the one proposed first" do
    out, faults, status = anvil("mounts", File.join(root, "demo", "33-lamp-base.anvil.json"))
    expect([status.exitstatus, faults]).to eq([0, ""])
    # It has no wood for a tenon, nor for anything else that would hold it free.
    told = JSON.parse(out)["steps"].map { |step| [step["proposed"], step["mounts"].first["key"]] }
    expect(told).to eq([%w[screw screw], [nil, "tenon"], %w[cone cone]])
  end

  it "prints every cut, with what it pushes and what that may be" do
    out, faults, status = anvil("cuts", File.join(root, "demo", "33-lamp-base.anvil.json"))
    expect([status.exitstatus, faults]).to eq([0, ""])
    cuts = JSON.parse(out)
    expect(cuts["regions"].first.keys).to include(
      *%w[step side z_mm direction tool second force_n allowed_n torque_nm belt_torque_nm air_share minutes],
      *%w[sharpen_every_min overhang_mm]
    )
    expect(cuts["refused"]).to include("step" => "hollow", "why" => { "key" => "cuts.why.no_mount", "amounts" => {} })
  end

  it "tells the heavy side of four runs, and the tone of a tap" do
    out, = anvil("balance", "--amplitudes", "4.00,3.09,6.97,4.10", "--trial-g-mm", "300")
    expect(JSON.parse(out)).to include("heavy_clock_deg" => be_within(0.5).of(130))
    samples = Array.new(22_050) { |at| (20_000 * Math.exp(-at / 1367.0) * Math.sin(at * 0.11683)).round }
    format = [
      "RIFF",
      36 + (2 * samples.size),
      "WAVE",
      "fmt ",
      16,
      1,
      1,
      44_100,
      88_200,
      2,
      16,
      "data",
      2 * samples.size
    ]
    wave = format.pack("a4L<a4a4L<S<S<L<L<S<S<a4L<") + samples.pack("s<*")
    found = JSON.parse(anvil("tap", "-", input: wave)[0])
    expect(found["frequency_hz"]).to be_within(1).of(820)
    expect(found["decay_ms"]).to be_within(0.3).of(31)
  end

  it "says how it is used, what it cannot read, and what option is off" do
    [
      [[], /usage/],
      [%w[weigh x], /usage/],
      [%w[assess /not/there], /cannot be read/],
      [%w[assess - --humidity 7], %r{/options/humidity: is 7.0: 0.02 to 0.98}],
      [%w[assess - --colour], /invalid option/],
      [%w[balance --amplitudes a,1,2,3 --trial-g-mm 3], /invalid value/],
      [%w[balance --amplitudes 1,2 --trial-g-mm 3], %r{/amplitudes}],
      [%w[tap -], %r{/sound: is not a WAV file}]
    ].each do |arguments, message|
      out, faults, status = anvil(*arguments, input: JSON.generate(blank_data))
      expect([status.exitstatus, out]).to eq([2, ""])
      expect(faults).to match(message)
    end
  end

  it "loads nothing of the server" do
    Bundler.with_unbundled_env do
      loaded, = Open3.capture2("ruby", "-e", <<~RUBY, stdin_data: "")
        require "#{root}/vendor/bundle/bundler/setup"
        require "#{root}/core/lib/mossy_anvil"
        puts $LOADED_FEATURES.grep(%r{gems/(sinatra|sequel|rack|puma|pg)})
      RUBY
      expect(loaded).to eq("")
    end
  end

  it "prints the odds of a way of the work, the same from one process and from two" do
    path = Dir[File.join(root, "demo", "34-*.anvil.json")].first
    out, faults, status = anvil("odds", path, "--truths", "6", "--seed", "2")
    expect([status.exitstatus, faults]).to eq([0, ""])
    told = JSON.parse(out)
    expect(told.keys).to include("truths", "sound", "injury", "finish_days", "cost", "causes", "best_improvement")
    expect(told["sound"].keys).to eq(%w[share low high])
    expect(anvil("odds", path, "--truths", "6", "--seed", "2", "--processes", "2")[0]).to eq(out)
    out, faults, status = anvil("odds", path, "--truths", "0")
    expect([status.exitstatus, out, faults.lines.first]).to eq([2, "", "--truths is 0: 1 to 20000\n"])
  end

  it "writes a blank to practise on and its sealed truth, and holds a survey against it" do
    Dir.mktmpdir do |folder|
      Dir.chdir(folder) do
        out, = anvil("practice", "--seed", "5", "--level", "3")
        expect(out.lines.map(&:chomp)).to eq(%w[practice-3-5.anvil.json practice-3-5.truth.json])
        expect(anvil("validate", "practice-3-5.anvil.json")[0]).to eq("practice-3-5.anvil.json: fits\n")
        told = JSON.parse(anvil("reveal", "practice-3-5.anvil.json", "practice-3-5.truth.json")[0])
        expect(told["score"]).to be < 100
        expect(told["missed"].first.keys).to eq(%w[id type test clock_deg z_mm])
        _, faults, status = anvil("reveal", "practice-3-5.anvil.json", "practice-3-5.anvil.json")
        expect([status.exitstatus, faults]).to eq([2, "/sealed: is missing: the sealed truth of a practice blank\n"])
        expect(anvil("practice", "--seed", "5")[2].exitstatus).to eq(2)
      end
    end
  end
end
