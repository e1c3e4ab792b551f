# frozen_string_literal: true

require_relative "../random_blanks"

RSpec.describe MossyAnvil::Report::CutReport do
  root = File.expand_path("../../..", __dir__)
  demos =
    Dir[File.join(root, "demo/*.anvil.json")]
      .map { |path| MossyAnvil::Formats::BlankFile.read(File.read(path)) }
      .select(&:form)

  def read(document) = MossyAnvil::Formats::BlankFile.from_data(JSON.parse(JSON.generate(document)))

  # Nothing it says is more than what is borne, all at once, dull edge and all.
  def expect_borne(blank, report, which)
    limits = MossyAnvil::Report::RouteReport.new(blank, ways: :taken).steps.to_h { |step| [step.id, step.limit_rpm] }
    report[:regions].each do |one|
      expect(one[:tool]).not_to be_nil, which
      expect(one[:force_n]).to be <= one[:allowed_n] + 1e-9, "#{which} #{one}" if one[:allowed_n]
      expect(one[:torque_nm] * 1.5).to be <= one[:belt_torque_nm] + 1e-9, "#{which} #{one}" if one[:belt_torque_nm]
      expect(one[:rpm]).to be_between(1e-9, limits.fetch(one[:step]) + 1e-9), which
      expect(one[:minutes][0]).to be_between(0, one[:minutes][1])
      expect(one[:swath].map { |at| at[:z_mm] }).to all(be_between(*one[:z_mm]))
    end
  end

  it "has a tool for every cut of every demo blank, or says why none" do
    demos.each do |blank|
      report = described_class.new(blank).to_h
      told = [*report[:regions], *report[:refused]].map { |one| one[:step] }.uniq
      expect(told).to include("true_up", "outside"), blank.name
      expect(report[:refused].map { |one| one[:why][:key] }).to all(start_with("cuts.why."))
      expect_borne(blank, report, blank.name)
    end
  end

  it "recommends nothing over a limit on blanks made up from a seed" do
    made = RandomBlanks.new(18)
    tools = Hash.new(0)
    Integer(ENV.fetch("PROOF_BLANKS", "40")).times do |index|
      blank =
        read(made.document.merge("lathe" => BlankHelper::LATHE.merge("swing_mm" => 900, "between_centres_mm" => 900)))
      report = described_class.new(blank).to_h
      report[:regions].each { |one| tools[one[:tool]] += 1 }
      expect_borne(blank, report, "seed 18, blank #{index}")
    end
    expect(tools.size).to be > 4
  end

  it "takes in all what lies between the surfaces, and cuts with the grain" do
    disc =
      read(
        blank_data(
          material: material_data(grain: "face", grain_clock_deg: 0),
          form: MossyAnvil::Model::FormMaker.new(read(blank_data), "bowl", {}).to_h[:form]
        )
      )
    report = described_class.new(disc).to_h
    rounded = report[:regions].select { |one| one[:step] == "outside" && one[:side] == "outside" }
    expect(rounded.map { |one| one[:direction] }.uniq).to eq(%w[foot_to_rim])
    form = disc.form
    low, high = form.z_span_mm
    whole =
      (0...4000).sum do |at|
        z = low + ((high - low) * (at + 0.5) / 4000)
        Math::PI * ((form.outside.largest_mm**2) - (form.outside.radius_mm(z)**2)) * (high - low) / 4000
      end
    expect(rounded.sum { |one| one[:volume_ml] }).to be_within(0.01 * whole / 1000).of(whole / 1000)
    inside = report[:regions].select { |one| one[:side] == "inside" }
    expect(inside.map { |one| one[:direction] }.uniq).to eq(%w[rim_to_bottom])
    expect(inside.map { |one| one[:wall_mm] }).to all(be_positive)
  end

  it "hollows straight in first, and leaves to a tool that gets round only what lies behind the rim" do
    neck = [[8, 40], [60, 75], [120, 75], [150, 30]]
    vessel =
      BlankHelper.instance_method(:blank).bind_call(
        Object.new.extend(BlankHelper),
        shape: {
          "type" => "disc",
          "diameter_mm" => 170,
          "length_mm" => 160
        },
        material: {
          "kind" => "wood",
          "species" => "hornbeam",
          "density_kg_m3" => 600,
          "moisture_pct" => 12,
          "grain" => "end"
        },
        form: {
          "kind" => "hollow_form",
          "opens" => "tail",
          "curve" => "straight",
          "outside" => neck,
          "follows" => {
            "wall_mm" => 8,
            "floor_mm" => 10
          }
        }
      )
    cuts = MossyAnvil::Turn::StepCuts.new(vessel).of("hollow")
    expect(cuts.map(&:finished)).to eq([false, true])
    straight, behind = cuts
    expect(straight.to_mm.max).to be_within(1).of(straight.to_mm[-1])
    expect((behind.from_mm - straight.to_mm).abs.max).to be < 1e-9
    whole = ->(cut) { ((cut.to_mm**2) - (cut.from_mm**2)).sum }
    expect(whole.call(straight) + whole.call(behind)).to be_within(1e-6).of((behind.to_mm**2).sum)
    inside = described_class.new(vessel).to_h[:regions].select { |one| one[:step] == "hollow" }
    under_rim = inside.map { |one| one[:out].any? { |out| out[:why] == "rim" } }
    expect(under_rim.first).to be(false)
    expect(under_rim).to include(true)
  end

  it "stops at a stone, and looks at a crack where it is cut" do
    stone = {
      "id" => "S",
      "type" => "hard_inclusion",
      "of" => "metal",
      "centre" => {
        "clock_deg" => 90,
        "r_mm" => 115,
        "z_mm" => 30
      },
      "size_mm" => [14, 14, 14]
    }
    form = MossyAnvil::Model::FormMaker.new(read(blank_data), "bowl", {}).to_h[:form]
    report =
      described_class.new(
        read(blank_data(defects: [stone], form: form, route: { "choices" => {}, "left_out" => ["dig_out"] }))
      ).to_h
    expect(report[:refused].map { |one| one[:why][:key] }).to include("cuts.why.stone")
  end
end
