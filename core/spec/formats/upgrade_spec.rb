# frozen_string_literal: true

RSpec.describe MossyAnvil::Formats::Upgrade do
  let(:old) { kept(1) }

  def kept(version) = File.read(File.expand_path("../fixtures/lamp-base-#{version}.anvil.json", __dir__))

  [1, 2, 3, 4, 5, 6].each do |version|
    it "still reads a file of version #{version}, as the same blank in the present version" do
      document = MossyAnvil::Formats::BlankFile.document(kept(version))
      expect(document).to eq(JSON.parse(kept(version)).merge("version" => MossyAnvil::Formats::BlankFile::VERSION))
      expect(MossyAnvil::Report::Assessment.new(MossyAnvil::Formats::BlankFile.read(kept(version))).to_h).to eq(
        MossyAnvil::Report::Assessment.new(MossyAnvil::Formats::BlankFile.from_data(document)).to_h
      )
    end
  end

  it "reads how far off the middle the wood lay in a mould of version 5 as a place in it" do
    mould = { "type" => "box", "width_mm" => 200, "length_mm" => 200, "depth_mm" => 270 }
    cast, dry = { "id" => "cast", "do" => "cast", "mould" => mould }, { "id" => "dry", "do" => "dry", "to_pct" => 12 }
    five = JSON.parse(kept(5)).merge("mend" => { "steps" => [cast.merge("offset_mm" => 4), dry] })
    steps = MossyAnvil::Formats::BlankFile.document(JSON.generate(five))["mend"]["steps"]
    expect(steps).to eq([cast.merge("placed" => { "x_mm" => 4 }), dry])
  end

  it "holds an old file to its own version: what came later is unknown in it" do
    later = JSON.parse(old).merge("intake" => { "origin" => "the avenue" })
    expect { MossyAnvil::Formats::BlankFile.from_data(later) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/intake: is not a known key}
    )
    expect(MossyAnvil::Formats::BlankFile.from_data(later.merge("version" => 2)).intake).to eq(origin: "the avenue")
  end

  it "refuses a version nobody has written yet" do
    expect { MossyAnvil::Formats::BlankFile.from_data(JSON.parse(old).merge("version" => 9)) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/version: is 9: must be 7}
    )
  end
end

RSpec.describe "What is in doubt" do
  def ranged(most, **more) = crack(z_mm: [80, 200], depth_mm: 4, found_by: "guessed", depth_range_mm: [3, most], **more)
  def hollowed(*defects) = assess(defects: defects, **BlankHelper::TALL)[:stages][:hollowed]

  it "shows the worst beside the likely, and says when it matters" do
    found = assess(defects: [ranged(9)], **BlankHelper::TALL)
    stage = found[:stages][:hollowed]
    expect(stage[:worst][:limit_rpm]).to be < stage[:limit_rpm]
    expect(stage[:limit_rpm]).to be_within(1e-6).of(hollowed(crack(z_mm: [80, 200], depth_mm: 4))[:limit_rpm])
    worst = found[:advice][:turn].find { |advice| advice[:key] == "advice.turn.worst" }
    expect(values(worst)[:stage]).to eq("stages.hollowed")
    expect(hollowed(crack(z_mm: [80, 200], depth_mm: 4))[:worst]).to be_nil
    expect(hollowed(ranged(4))[:worst]).to be_nil
  end

  it "gets no better at its worst when a range is widened" do
    [10, 60, 200].each do |clock_deg|
      soft = body("soft_zone", id: "s", clock_deg: 70, r_mm: 110, z_mm: 120, size_mm: [40, 40, 60], grade: "soft")
      worst = [4.5, 5, 5.7, 7, 12].map { |most| hollowed(ranged(most, clock_deg: clock_deg), soft)[:worst][:limit_rpm] }
      worst.each_cons(2) { |less, more| expect(more).to be <= less * 1.0001 }
    end
  end

  it "must hold the likely depth" do
    expect { blank(defects: [ranged(3.5)]) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/defects/0/depth_range_mm: is 3 to 3.5: from no more to no less than the likely depth}
    )
  end
end

RSpec.describe "Cast and laminated stock" do
  it "loses by its bubbles what they take of the volume, and is filled by that much" do
    pocket = body("bubble_pocket", r_mm: 112, size_mm: [20, 40, 40], bubble_diameter_mm: 3, bubbles_per_cm3: 20)
    share = Math::PI / 6 * 27 * 20 / 1000
    report = assess(defects: [pocket])
    expect(report[:defects].first[:open_volume_mm3]).to be_within(1e-6).of(
      report[:defects].first[:occupied_mm3] * share
    )
    expect(MossyAnvil::Model::Defects.from(pocket)).to have_attributes(
      strength_factor: be_within(1e-9).of(1 - (2 * share)),
      open?: true
    )
  end

  it "takes an opened glue line for the crack it is" do
    line = crack(id: "d", type: "delamination", width_mm: 0.1)
    opened, cracked =
      [line, crack(id: "d", width_mm: 0.1)].map do |defect|
        assess(defects: [defect])[:stages][:blank].slice(:burst_rpm, :crack_runs_rpm, :limit_rpm)
      end
    expect(opened).to eq(cracked)
    expect(assess(defects: [line.merge(mend: "thin_ca")])[:defects].first).to include(verdict: "leave")
  end
end
