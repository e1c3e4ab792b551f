# frozen_string_literal: true

RSpec.describe MossyAnvil::Report::MendReport do
  def report(
    steps = nil,
    climate: MossyAnvil::Report::ShopClimate.new,
    records: MossyAnvil::Model::ShopRecords.new,
    **changes
  )
    described_class.new(
      blank(**changes, **(steps ? { mend: { steps: steps } } : {})),
      climate: climate,
      records: records
    )
  end

  def plan(...) = report(...).to_h
  def said(step) = keys(step[:says])
  def stops(found) = found[:steps].flat_map { |step| keys(step[:says].select { |one| one[:tone] == "stop" }) }

  let(:soft) { body("soft_zone", id: "s", grade: "soft", r_mm: 90, z_mm: 30, size_mm: [40, 60, 40]) }
  let(:open) { crack(id: "k", z_mm: [5, 55], depth_mm: 30, width_mm: 1.5) }
  let(:loose) { body("loose_piece", id: "l", bonded_share: 0.5, r_mm: 112, size_mm: [12, 30, 30]) }

  describe "proposes" do
    it "an order in which nothing spoils what follows: dry, soak, glue, fill, level" do
      found = plan(defects: [open, loose, soft], material: material_data(moisture_pct: 16), form: BlankHelper::BOWL)
      expect(found[:proposed]).to be(true)
      expect(found[:steps].map { |step| step[:do] }).to eq(%w[dry soak glue fill sand])
      expect(found[:steps].sum { |step| step[:conflicts] }).to eq(0)
      expect(found[:left_out]).to eq([])
    end

    it "only what stays in the finished piece" do
      outside = crack(id: "gone", enters: "side", clock_deg: 200, z_mm: [57, 60], depth_mm: 4)
      expect(plan(defects: [outside], form: BlankHelper::BOWL)[:steps]).to eq([])
    end

    it "what tests alone show once it is put down in the survey, and says so before" do
      awl = ->(z_mm) { { kind: "awl", value: 8, at: { clock_deg: 90, z_mm: z_mm }, taken_at: "2030-05-01T09:00:00Z" } }
      readings = [20, 30, 40].map(&awl)
      before = plan(readings: readings)
      expect(before[:steps]).to eq([])
      expect(said(before)).to include("plan.tested")
      zone = blank(readings: readings).defects.first.to_document.merge(id: "s")
      after = plan(readings: readings, defects: [zone])
      expect(after[:steps].map { |step| [step[:do], step[:of]] }).to eq([["soak", ["s"]]])
      expect(said(after)).not_to include("plan.tested")
    end

    it "what the turner chose, and vacuum where much is soft" do
      expect(plan(defects: [open.merge(chosen: "leave")], form: BlankHelper::BOWL)[:steps]).to eq([])
      most = body("soft_zone", id: "s", grade: "soft", r_mm: 0, z_mm: 30, size_mm: [230, 230, 60])
      expect(plan(defects: [most])[:steps].map { |step| step[:do] }).to include("stabilise")
    end

    it "nothing for sound wood" do
      expect(said(plan)).to eq(["plan.nothing"])
    end
  end

  it "refuses at its place what is no defect, no such key, a name used twice" do
    expect { plan([{ id: "f", do: "fill", of: ["nobody"] }], defects: [open]) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/mend/steps/0/of/0: is "nobody"}
    )
    expect do
      plan(
        [{ id: "f", do: "fill", of: ["k"], mould: { type: "box", width_mm: 1, length_mm: 1, depth_mm: 1 } }],
        defects: [open]
      )
    end.to raise_error(MossyAnvil::InvalidInput, %r{/mend/steps/0/mould: does not belong})
    expect { plan([{ id: "f", do: "sand" }, { id: "f", do: "sand" }]) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/mend/steps/1/id: is used twice}
    )
    expect { plan([{ id: "f", do: "fill", of: ["k"], with: "chewing gum" }], defects: [open]) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/mend/steps/0/with}
    )
  end

  it "never lowers the splitting speed without saying so" do
    heavy = [{ id: "v", do: "stabilise", of: [] }]
    found = plan(heavy, defects: [soft], form: BlankHelper::BOWL, material: material_data(moisture_pct: 1))
    before, after = found[:before][:last], found[:after][:last]
    expect(after[:burst_rpm]).to be < before[:burst_rpm]
    expect(said(found[:steps][0])).to include("plan.splits_sooner_last")
    # Where nothing is said, nothing is slower.
    (31..42).each do |number|
      demo =
        MossyAnvil::Formats::BlankFile.read(
          File.read(Dir[File.expand_path("../../../demo/#{number}-*.json", __dir__)].first)
        )
      described_class.new(demo).to_h[:steps].each do |step|
        slower =
          %i[first last].any? do |stage|
            step[:after][stage][:burst_rpm].to_f < step[:before][stage][:burst_rpm].to_f * 0.99
          end
        if slower
          expect(said(step)).to include(a_string_matching(/\Aplan\.(splits_sooner|slower)_/)), "#{number} #{step[:id]}"
        end
      end
    end
  end

  it "lifts the limit by what it mends: a filled crack holds, a soaked zone is stronger" do
    found = plan([{ id: "f", do: "fill", of: ["k"] }], defects: [open], form: BlankHelper::BOWL)
    expect(found[:after][:last][:limit_rpm]).to be > found[:before][:last][:limit_rpm]
    spongy = body("soft_zone", id: "s", grade: "spongy", r_mm: 90, z_mm: 30, size_mm: [60, 90, 50])
    soaked =
      plan(
        [{ id: "v", do: "stabilise", of: ["s"] }],
        defects: [spongy],
        material: material_data(moisture_pct: 1),
        form: BlankHelper::BOWL
      )
    expect(soaked[:after][:last][:limit_rpm]).to be > soaked[:before][:last][:limit_rpm]
  end

  it "is ready the earlier the drier it starts, and the later the colder the shop" do
    days =
      [20, 17, 14, 12.5].map do |moisture|
        plan([{ id: "d", do: "dry", to_pct: 12, in: "room" }], material: material_data(moisture_pct: moisture))[
          :ready_h
        ]
      end
    expect(days).to eq(days.sort.reverse)
    fill = [{ id: "f", do: "fill", of: ["k"], with: "epoxy" }]
    cold, warm =
      [10, 22].map do |celsius|
        plan(fill, climate: MossyAnvil::Report::ShopClimate.new(temperature_c: celsius), defects: [open])
      end
    expect(cold[:ready_h] / warm[:ready_h]).to be_within(1e-6).of(2**1.2)
  end

  it "keeps working time, ready-to-turn and full cure three numbers" do
    step =
      plan(
        [{ id: "f", do: "fill", of: ["k"], with: "epoxy" }],
        climate: MossyAnvil::Report::ShopClimate.new(temperature_c: 20),
        defects: [open]
      )[
        :steps
      ].first
    expect(step[:working_min]).to be_within(0.1).of(30 * (2**0.5))
    expect(step[:ready_h]).to be_within(0.1).of((1440 + (240 * (step[:detail][:fill][:layers] - 1))) / 60.0)
    expect(step[:cure_h]).to be_within(1e-6).of(168)
  end

  it "dries where it is put: slower in a bag, cracks opening less; never in air too damp" do
    wet = { defects: [open], material: material_data(species: "hornbeam", moisture_pct: 25) }
    places =
      %w[room bag shavings].map { |place| plan([{ id: "d", do: "dry", to_pct: 15, in: place }], **wet)[:steps][0] }
    expect(places.map { |step| step[:ready_h] }).to eq(places.map { |step| step[:ready_h] }.sort)
    expect(places.map { |step| step[:detail][:dry][:opens].first[:mm] }).to eq(
      places.map { |step| step[:detail][:dry][:opens].first[:mm] }.sort.reverse
    )
    damp = plan([{ id: "d", do: "dry", to_pct: 6, in: "room" }], material: material_data(moisture_pct: 14))
    expect(damp[:ready_h]).to be_nil
    expect(stops(damp)).to include("steps.dry.says.never")
    expect(said(damp).first).to eq("plan.never_ends")
  end

  it "opens a crack by hand-worked shares: rings over rays, round the rim, over the way to go" do
    stock = MossyAnvil::Model::Stock.of("hornbeam")
    hearted = blank(defects: [open], material: material_data(pith: "in"))
    mm = MossyAnvil::Mend::CrackOpening.new(hearted, from_pct: 24, to_pct: 12).openings
    expect(mm).to eq([["k", Math::PI * 240 * (stock.tangential_pct - stock.radial_pct) / 100 * 12 / 30.0]])
  end

  it "fills with what heats only as deep as stays cool: narrow lips cool it, a wide mouth does not" do
    one =
      lambda do |width, depth|
        step = [{ id: "f", do: "fill", of: ["k"], with: "epoxy" }]
        plan(step, defects: [crack(id: "k", z_mm: [5, 55], depth_mm: depth, width_mm: width)])[:steps][0][:detail][
          :fill
        ][
          :fills
        ][
          0
        ]
      end
    expect(one[4, 30][:layers]).to eq(2)
    # By the exotherm against wood: 8 mm of it, workable 30 min, would come to some 100 C.
    expect(one[8, 30][:layers]).to be >= 5
    expect(one[8, 5][:layers]).to be <= 2
  end

  it "glues with a wall that bears a finishing cut over the joint" do
    found =
      plan([{ id: "g", do: "glue", of: ["k"] }], defects: [open], form: BlankHelper::BOWL)[:steps][0][:detail][:glue]
    expect(found[:joint_cm2]).to be_within(0.1).of(50 * 30 / 100.0)
    stress =
      MossyAnvil::Solid::WallForce.stress_mpa(60, radius_mm: 110, wall_mm: found[:wall_mm], height_mm: [42, 55].min)
    expect(stress).to be_within(0.01).of(1.0)
  end

  it "goes by the shop's own records, the further the more there are" do
    rows = Array.new(4) { { kind: "uptake_share", of: nil, value: 0.4 } }
    step = [{ id: "v", do: "stabilise", of: [] }]
    usual, own =
      [[], rows].map do |some|
        plan(step, records: MossyAnvil::Model::ShopRecords.new(some), material: material_data(moisture_pct: 1))[:steps][
          0
        ][
          :detail
        ][
          :stabilise
        ]
      end
    expect(usual).to include(expected_share: be_within(1e-9).of(0.6), records: 0)
    # The default counts as four: halfway on the logarithm between 0.6 and 0.4.
    expect(own).to include(expected_share: be_within(1e-9).of(Math.sqrt(0.6 * 0.4)), records: 4)
  end

  it "draws resin into all of the wood: heavier throughout, a soft place no lopsided lump of it" do
    step = [{ id: "v", do: "stabilise", of: ["s"] }]
    found = plan(step, defects: [soft], material: material_data(moisture_pct: 1))
    before, after = found[:before][:first], found[:after][:first]
    taken = found[:steps][0][:materials].first[:amount]
    expect(after[:mass_g] - before[:mass_g]).to be_within(0.03 * taken).of(taken)
    expect(after[:imbalance_g_mm]).to be < before[:imbalance_g_mm]
    made = report(step, defects: [soft], material: material_data(moisture_pct: 1))
    document =
      JSON.parse(
        JSON.generate(blank_data(defects: [soft], material: material_data(moisture_pct: 1), mend: { steps: step }))
      )
    cured =
      made.document_after(
        document,
        ["v"],
        measured: {
          "v" => {
            "dry_g" => 1600.0,
            "wet_g" => 2700.0,
            "cured_g" => 2500.0
          }
        }
      )
    expect(cured["material"]["resin_kg_m3"]).to be_within(1).of(900 / (Math::PI * (1.2**2) * 0.6))
    expect(cured["material"]["moisture_pct"]).to eq(1)
    expect(MossyAnvil::Formats::BlankFile.from_data(cured).material.dry_density_kg_m3).to be_within(0.1).of(600 / 1.01)
  end

  it "says by weight whether it goes back in, and by how much" do
    step =
      report(
        [{ id: "v", do: "stabilise", of: ["s"] }],
        defects: [soft],
        material: material_data(moisture_pct: 1)
      ).steps.first
    most = step.detail[:most_g]
    short = step.verdict("dry_g" => 1000.0, "wet_g" => 1000 + (0.3 * most))
    expect(short[:says].first).to include(tone: "stop", key: "steps.stabilise.says.not_full")
    expect(short[:lines].last[:measures]).to eq("wet_g")
    fine = step.verdict("dry_g" => 1000.0, "wet_g" => 1000 + (0.6 * most))
    expect(fine).to include(lines: [], records: [{ kind: "uptake_share", of: nil, value: be_within(1e-9).of(0.6) }])
    expect(step.mended("dry_g" => 1000.0, "wet_g" => 1000 + (0.5 * most)).first.soaked_share).to be_within(1e-9).of(0.5)
  end

  it "leaves the document as it is once done: defects mended, steps gone" do
    made =
      report(
        [{ id: "f", do: "fill", of: ["k"], with: "epoxy" }, { id: "v", do: "soak", of: ["s"], with: "hardener" }],
        defects: [open.merge(group: "rim"), soft]
      )
    document =
      JSON.parse(JSON.generate(blank_data(defects: [open.merge(group: "rim"), soft], mend: { steps: made.data })))
    after = made.document_after(document, ["f"])
    expect(after["defects"][0]).to include("mend" => "epoxy", "group" => "rim")
    expect(after["mend"]["steps"].map { |step| step["id"] }).to eq(["v"])
    both = made.document_after(document, %w[f v])
    expect(both).not_to have_key("mend")
    expect(both["defects"][1]["soaked_share"]).to be_within(1e-9).of(0.225 * 2 * 8 / 40)
    expect { MossyAnvil::Formats::BlankFile.from_data(both) }.not_to raise_error
  end
end

RSpec.describe "A plan done to the end" do
  it "leaves a blank file that can be read, with nothing of it asked for again, for every blank of the demo and every kind of defect" do
    demos =
      (31..42).map do |number|
        JSON.parse(File.read(Dir[File.expand_path("../../../demo/#{number}-*.json", __dir__)].first))
      end
    bark = {
      id: "b",
      type: "bark_inclusion",
      enters: "side",
      depth_mm: 15,
      width_mm: 5,
      path: [{ clock_deg: 90, z_mm: 10 }, { clock_deg: 95, z_mm: 50 }]
    }
    line = crack(id: "d", type: "delamination", clock_deg: 180)
    made =
      blank_data(
        defects: [
          bark,
          line,
          body("loose_piece", id: "l", bonded_share: 0.4, r_mm: 112),
          body("galleries", id: "g", hole_diameter_mm: 2, holes_per_cm2: 4, r_mm: 100)
        ],
        form: BlankHelper::BOWL
      )
    [*demos, JSON.parse(JSON.generate(made))].each do |document|
      report = MossyAnvil::Report::MendReport.new(MossyAnvil::Formats::BlankFile.from_data(document))
      after = report.document_after(document, report.data.map { |step| step[:id] })
      expect(after).not_to have_key("mend")
      left = MossyAnvil::Report::MendReport.new(MossyAnvil::Formats::BlankFile.from_data(after)).data
      expect(left.reject { |step| step[:do] == "dry" }).to eq([]), "#{document["name"]}: #{left}"
    end
  end
end
