# frozen_string_literal: true

RSpec.describe MossyAnvil::Report::Assessment do
  let(:pieces) { { defects: [crack, body("void", r_mm: 105, z_mm: 45, contents: "air")], form: BlankHelper::BOWL } }

  it "is made of plain, finite data all through" do
    walk =
      lambda do |node|
        case node
        when Hash
          node.each_value(&walk)
        when Array
          node.each(&walk)
        when Float
          expect(node).to be_finite
        else
          expect(node).to be_nil.or be_a(String).or be_a(Integer).or be(true).or be(false)
        end
      end
    walk.call(assess(**pieces))
  end

  it "gives each stage and each defect what the file format promises" do
    report = assess(**pieces)
    keys = %i[
      volume_mm3
      mass_g
      centre_of_mass_mm
      imbalance_g_mm
      heavy_clock_deg
      swing_mm
      burst_rpm
      weak_plane_clock_deg
      crack_runs_rpm
      allowed_side_force_n
      limit_rpm
      governed_by
    ]
    expect(report[:stages].values).to all(include(*keys))
    expect(report[:defects]).to all(include(:open_volume_mm3, :removed_share, :reaches_surface, :verdict, :reason))
    expect(report[:form]).to include(:least_wall_mm, :least_wall_at, :floor_mm, :breaks_through, :skin_area_mm2)
    expect(report[:stages][:hollowed][:allowed_side_force_n]).to be_positive
    expect(report[:stages][:outside][:allowed_side_force_n]).to be_nil
  end

  it "loses wood from stage to stage" do
    volumes = assess(**pieces)[:stages].values.map { |stage| stage[:volume_mm3] }
    expect(volumes).to eq(volumes.sort.reverse)
  end

  it "says nothing of a form that is not there" do
    report = assess
    expect(report[:stages].keys).to eq(%i[blank])
    expect(report).to include(form: nil)
  end

  it "does without a lathe, and says less" do
    report =
      MossyAnvil::Report::Assessment.new(
        MossyAnvil::Formats::BlankFile.from_data(JSON.parse(JSON.generate(blank_data.except("lathe"))))
      ).to_h
    expect(report[:stages][:blank]).to include(speed_steps_rpm: [], belt: nil, unsafe: false, governed_by: "rim")
  end

  it "keeps a more cautious shop slower" do
    thin = blank(form: BlankHelper::BOWL, defects: [crack(through: true, depth_mm: 60, z_mm: [0, 60])])
    eight, fifty =
      [8, 50].map do |reserve|
        described_class.new(thin, climate: MossyAnvil::Report::ShopClimate.new(burst_reserve: reserve)).to_h[:stages][
          :hollowed
        ]
      end
    expect(fifty[:burst_rpm]).to eq(eight[:burst_rpm])
    expect(fifty[:burst_work_rpm]).to be_within(1e-6).of(eight[:burst_work_rpm] * Math.sqrt(8 / 50.0))
  end

  it "turns the heavy side to a resin body heavier than the wood" do
    resin = body("resin_body", clock_deg: 120, size_mm: [60, 70, 50], density_kg_m3: 1150)
    expect(assess(defects: [resin])[:stages][:blank][:heavy_clock_deg]).to be_within(0.5).of(120)
  end

  it "stands up to sixty defects" do
    many =
      Array.new(60) do |index|
        if index.even?
          crack(id: "c#{index}", clock_deg: index * 6, depth_mm: 5 + (index % 7))
        else
          body("void", id: "v#{index}", clock_deg: index * 6, r_mm: 70, size_mm: [9, 9, 9], contents: "air")
        end
      end
    report = assess(defects: many, form: BlankHelper::BOWL)
    expect(report[:defects].size).to eq(60)
    expect(report[:stages][:hollowed][:burst_rpm]).to be_positive
  end
end

RSpec.describe MossyAnvil::Turn::CracksAtStage do
  def runs(**changes) = assess(**changes)[:stages][:blank][:crack_runs_rpm]

  it "runs sooner the deeper it is" do
    speeds = [4, 10, 25, 60, 100].map { |depth_mm| runs(defects: [crack(depth_mm: depth_mm, z_mm: [0, 60])]) }
    expect(speeds).to eq(speeds.sort.reverse)
  end

  it "runs sooner from end to end than over a short run" do
    expect(runs(defects: [crack(z_mm: [0, 60])])).to be < runs(defects: [crack(z_mm: [20, 40])])
  end

  it "runs sooner in spongy wood" do
    spongy = body("soft_zone", clock_deg: 60, r_mm: 95, size_mm: [80, 80, 100], grade: "spongy")
    ratio = runs(defects: [crack, spongy]) / runs(defects: [crack])
    expect(ratio).to be_within(0.06).of(Math.sqrt(0.1))
  end

  it "does not run once it is glued, or once it is turned away" do
    expect(runs(defects: [crack(mend: "epoxy")])).to be_nil
    stages = assess(defects: [crack(z_mm: [0, 3], depth_mm: 6)], form: BlankHelper::BOWL)[:stages]
    expect(stages[:blank][:crack_runs_rpm]).to be_positive
    expect(stages[:hollowed][:crack_runs_rpm]).to be_nil
  end

  it "runs from a face as well" do
    face =
      crack(depth_mm: 30).merge(
        enters: "tail_face",
        path: [{ clock_deg: 60, z_mm: 60, r_mm: 10 }, { clock_deg: 60, z_mm: 60, r_mm: 100 }]
      )
    shallow = face.merge(depth_mm: 8)
    expect(runs(defects: [face])).to be < runs(defects: [shallow])
  end
end
