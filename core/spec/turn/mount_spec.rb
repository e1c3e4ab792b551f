# frozen_string_literal: true

RSpec.describe MossyAnvil::Turn::MountHold do
  def load(**about) = MossyAnvil::Turn::MountLoad.new(**about)

  it "E8: a sound tenon of 55 mm bears 10.9 N m, less than a roughing cut 120 mm out" do
    expect(described_class.modulus_mm3(55)).to be_within(1).of(16_334)
    expect(described_class.tenon_nm(55, 4.0)).to be_within(0.05).of(10.9)
    still = { mass_g: 0, imbalance_g_mm: 0, rpm: 0, centre_mm: 0 }
    expect(load(force_n: 150, overhang_mm: 120, **still).nm).to be_within(1e-9).of(18.0)
    expect(load(force_n: 150, overhang_mm: 120, **still).nm(tailstock: true)).to be_within(1e-9).of(5.4)
  end

  it "E9: one screw of 8 x 22 mm draws out at 6,859 N, and bears a fifth of that" do
    pull = described_class.withdrawal_n(0.6, 8, 22)
    expect(pull).to be_within(1).of(6859)
    # 1,372 N over half a seat of 70 mm.
    expect(described_class.screw_nm(pull, 70)).to be_within(0.05).of(48.0)
    expect(described_class.withdrawal_n(0.6, 8, 22, end_grain: true)).to be_within(1).of(5144)
  end

  it "counts what spins and what weighs: 1 kg 60 mm out, 500 g mm off at 1,000 rpm" do
    own = (5e-4 * ((1000 / 60.0 * 2 * Math::PI)**2)) + 9.81
    expect(
      load(force_n: 0, overhang_mm: 0, mass_g: 1000, imbalance_g_mm: 500, rpm: 1000, centre_mm: 60).nm
    ).to be_within(1e-6).of(own * 0.06)
  end

  it "says up to which speed a seat bears its load" do
    body = { force_n: 60, overhang_mm: 100, mass_g: 2000, imbalance_g_mm: 3000, centre_mm: 50 }
    limit = load(**body).borne_to_rpm(12.0)
    expect(load(**body, rpm: limit).nm).to be_within(1e-9).of(12.0)
    expect(load(**body).borne_to_rpm(12.0, tailstock: true)).to be > limit
    expect(load(**body).borne_to_rpm(6.0)).to eq(0)
    expect(load(**body, imbalance_g_mm: 0).borne_to_rpm(12.0)).to be_nil
  end

  it "hot melt holds by its bead, a block by its whole face, the air by a quarter of what it might" do
    # By hand, 100 mm across: a face of 98,175 mm3 at 2 MPa over 8; a bead of 8 mm, 98,175 - pi/32 84^4/100, at 0.8 over
    # 8.
    expect(described_class.glued_nm("glue_block", 100, 4.0)).to be_within(0.01).of(24.54)
    expect(described_class.glued_nm("hot_melt", 100, 4.0)).to be_within(0.01).of(4.93)
    expect(described_class.glued_nm("hot_melt", 100, 0.4)).to be_within(0.01).of(2.46)
    # 7,854 mm2 at 0.056 MPa are 440 N, at 50 mm, over 4.
    expect(described_class.vacuum_nm(100)).to be_within(0.01).of(5.50)
  end

  it "a plate bears as its screws do, tipped the worst way" do
    # Six alike: half of them count, whichever way it tips.
    expect(described_class.plate_nm([1000.0] * 6, 70)).to be_within(1e-6).of(1000 / 5.0 * 3 * 0.035)
    expect(described_class.plate_nm([1000.0, 1000, 1000, 0, 0, 0], 70)).to be <
      described_class.plate_nm([1000.0] * 6, 70) / 2 + 1e-9
  end
end

RSpec.describe MossyAnvil::Report::MountReport do
  def told(key, *ids) = MossyAnvil::Message.of("mounts.#{key}", ids: MossyAnvil::Message.ids(ids))

  def plan(**changes)
    described_class.new(
      blank(
        form: BlankHelper::BOWL.merge(outside: [[10, 45], [20, 85], [56, 110]], inside: [[20, 0], [24, 50], [56, 100]]),
        **changes
      )
    ).to_h
  end

  def mount(found, step, key) = found[:steps].find { |one| one[:key] == step }[:mounts].find { |one| one[:key] == key }

  it "plans a sound bowl from the first cut to the last" do
    found = plan
    expect(found[:steps].map { |step| step[:proposed] }).to eq(%w[screw tenon vacuum])
    expect(found[:says]).to include(tone: "go", key: "mount_plan.order_slow")
    expect(keys(values(found[:says])[:mounts])).to eq(
      %w[tables.mounts.screw.name tables.mounts.tenon.name tables.mounts.vacuum.name]
    )
    expect(values(found[:says])[:slowest][:key]).to eq("tables.mounts.vacuum.name")
    expect(mount(found, "hollow", "tenon")).to include(verdict: "holds", size_mm: 75)
    expect(found[:jaws_are_own]).to be(false)
  end

  it "takes the lathe's own jaws" do
    found = plan(lathe: BlankHelper::LATHE.merge("jaws_mm" => [45]))
    expect(mount(found, "hollow", "tenon")[:size_mm]).to eq(45)
    expect(found).to include(jaws_are_own: true, jaws_mm: [45.0])
    expect(mount(plan(lathe: BlankHelper::LATHE.merge("jaws_mm" => [200])), "hollow", "tenon")).to include(
      verdict: "no"
    )
  end

  it "caps the speed by the mount where that bears less than the piece would take" do
    lopsided = {
      defects: [body("resin_body", id: "r", density_kg_m3: 2900, r_mm: 60, z_mm: 30, size_mm: [100, 160, 58])],
      lathe: BlankHelper::LATHE.merge("mass_kg" => 9000, "stand" => "bolted", "jaws_mm" => [48])
    }
    tenon = mount(plan(**lopsided), "hollow", "tenon")
    expect(tenon).to include(verdict: "slower")
    slow = plan(**lopsided)[:steps].find { |step| step[:key] == "hollow" }
    expect(tenon[:limit_rpm]).to be < slow[:rpm]
    expect(keys(tenon[:says])).to include("mounts.bearing.light_cuts", "mounts.no_faster")
  end

  it "finds no stub on an end that runs to a point" do
    egg = {
      "kind" => "egg",
      "opens" => "tail",
      "curve" => "smooth",
      "outside" => [[20, 0], [24, 12], [38, 20], [52, 15], [60, 0]]
    }
    found =
      described_class.new(blank(form: egg, shape: { "type" => "disc", "diameter_mm" => 60, "length_mm" => 90 })).to_h
    collets = found[:steps].flat_map { |step| step[:mounts].select { |one| one[:key] == "collet" } }
    expect(collets.flat_map { |one| keys(one[:says]) }).to include("mounts.not.stub_too_thin")
    expect(collets.map { |one| one[:hold_nm] }.compact).to all(be_finite)
  end

  it "says so when nothing is left to hold it by" do
    found =
      described_class.new(
        blank(
          material: material_data(grain: "end", moisture_pct: 20),
          form: BlankHelper::BOWL.merge(outside: [[1, 45], [20, 85], [60, 110]], inside: [[12, 0], [18, 50], [60, 100]])
        )
      ).to_h
    expect(found[:says][:tone]).to eq("stop")
    expect(found[:says][:key]).to eq("mount_plan.nothing_holds")
    expect(keys_within(found[:says])).to include("mount_steps.hollow", "seats.foot", "mount_plan.instead.hollow")
  end

  it "never a recess across a crack, no tenon over one, no point in one" do
    cracked =
      plan(
        defects: [
          {
            id: "k",
            type: "crack",
            enters: "head_face",
            depth_mm: 24,
            width_mm: 1,
            path: [{ clock_deg: 0, z_mm: 0, r_mm: 2 }, { clock_deg: 0, z_mm: 0, r_mm: 40 }]
          }
        ]
      )
    expect(mount(cracked, "hollow", "recess")[:says].first).to eq(told("not.recess_across_defect", "k"))
    expect(mount(cracked, "hollow", "tenon")[:says].first).to eq(told("not.defect_under_tenon", "k"))
    expect(mount(cracked, "outside", "centres")[:says].first).to eq(told("not.point_into_defect", "k"))
    glued =
      plan(
        defects: [
          {
            id: "k",
            type: "crack",
            enters: "head_face",
            depth_mm: 24,
            width_mm: 1,
            mend: "epoxy",
            path: [{ clock_deg: 0, z_mm: 0, r_mm: 2 }, { clock_deg: 0, z_mm: 0, r_mm: 40 }]
          }
        ]
      )
    expect(mount(glued, "hollow", "tenon")[:verdict]).to eq("holds")
  end

  it "turns the plate so that its screws are clear, leaves out those that are not, and refuses it where too few are left" do
    pocket = ->(across) do
      body("void", id: "v", contents: "air", clock_deg: 60, r_mm: 35, z_mm: 52, size_mm: [26, across, 40])
    end
    narrow, wide = [16, 60].map { |across| mount(plan(defects: [pocket[across]]), "outside", "faceplate") }
    expect(narrow).to include(verdict: "holds", hold_nm: mount(plan, "outside", "faceplate")[:hold_nm])
    expect(narrow[:says].first).to include(
      key: "mounts.faceplate",
      amounts: a_hash_including(first: { value: be_between(10, 40), unit: "clock" })
    )
    expect(wide[:says].first).to include(
      key: "mounts.faceplate_without",
      amounts: a_hash_including(ids: { value: ["v"], unit: "ids" })
    )
    expect(wide[:hold_nm]).to be < narrow[:hold_nm]
    half = body("soft_zone", id: "s", grade: "soft", clock_deg: 60, r_mm: 40, z_mm: 50, size_mm: [90, 300, 60])
    expect(mount(plan(defects: [half]), "outside", "faceplate")[:says].first).to eq(told("not.too_few_screws", "s"))
  end

  it "puts no screw and no point into a crack across the middle, and nothing in soft wood" do
    middle = plan(defects: [crack(id: "m", clock_deg: 0, z_mm: [0, 60], depth_mm: 118)])
    expect(%w[screw centres].map { |key| mount(middle, "outside", key)[:verdict] }).to eq(%w[no no])
    soft = plan(defects: [body("soft_zone", id: "s", grade: "soft", r_mm: 3, z_mm: 50, size_mm: [20, 20, 40])])
    expect(mount(soft, "outside", "screw")[:says].first).to eq(told("not.screw_into_defect", "s"))
  end

  it "turns a piece on a jam chuck, hot melt, tape, a cone or a vacuum no faster than such a hold is turned at, slower the wider it is" do
    ring_of = ->(radius) do
      described_class.new(
        blank(
          shape: {
            type: "disc",
            diameter_mm: (2 * radius) + 10,
            length_mm: 40
          },
          form: ring(radius, radius - 8, 36)
        )
      ).to_h
    end
    small, wide = [40, 115].map { |radius| ring_of[radius][:steps].last }
    expect(small).to include(proposed: "jam", limit_rpm: 1000)
    expect(wide[:limit_rpm]).to be_within(1e-6).of(6 / (Math::PI * 0.230) * 60)
  end

  it "does not hollow with the tailstock up" do
    found = plan(material: material_data(density_kg_m3: 300))[:steps].find { |step| step[:key] == "hollow" }
    expect(found[:mounts].map { |one| one[:verdict] }).not_to include("tailstock")
    expect(found[:mounts].find { |one| one[:key] == "hot_melt" }).to include(
      verdict: "no",
      says: include(a_hash_including(key: "mounts.bearing.not_without_tailstock"))
    )
  end

  it "wants a longer tenon for a wider piece that it holds by itself" do
    short = described_class.new(blank(form: BlankHelper::BOWL.merge(outside: [[4, 45], [20, 85], [56, 110]]))).to_h
    expect(mount(short, "hollow", "tenon")).to include(
      verdict: "no",
      says: [a_hash_including(key: "mounts.not.tenon_too_short")]
    )
  end

  it "asks for a braced bar where a hand-held one would turn over" do
    ok =
      [60, 150, 400].map do |depth|
        form = ring(60, 50, depth + 10).merge(kind: "hollow_form", inside: [[10, 50], [depth + 10, 50]])
        described_class.new(blank(shape: { type: "disc", diameter_mm: 130, length_mm: depth + 20 }, form: form)).to_h[
          :clearances
        ].find { |one| one[:key] == "reach" }
      end
    expect(ok.map { |one| one[:ok] }).to eq([true, false, false])
    expect(keys(ok.drop(1).map { |one| one[:advice] })).to eq(
      %w[clearances.advice.reach_braced clearances.advice.reach_too_far]
    )
  end

  it "lets no screw into the piece itself, no glue on wet wood, no vacuum on a wall that leaks" do
    thick = plan(form: BlankHelper::BOWL.merge(inside: [[40, 0], [44, 50], [56, 100]]))
    expect(mount(thick, "outside", "screw")[:says].first[:key]).to eq("mounts.not.screw_too_long")
    expect(mount(plan(material: material_data(moisture_pct: 25)), "outside", "glue_block")[:says].first[:key]).to eq(
      "mounts.not.too_wet"
    )
    through = plan(defects: [crack(id: "t", z_mm: [20, 50], depth_mm: 60)])
    expect(mount(through, "foot", "vacuum")[:says].first).to eq(told("not.leaks", "t"))
    expect(mount(through, "foot", "jam")[:says].first).to eq(told("not.presses_open", "t"))
    expect(mount(through, "foot", "cone")[:says]).to include(told("wrap", "t"))
  end

  it "holds softer wood less, and punky wood not at all" do
    firm, soft =
      %w[firm soft].map do |grade|
        plan(defects: [body("soft_zone", id: "s", grade: grade, r_mm: 0, z_mm: 5, size_mm: [170, 170, 60])])
      end
    expect(mount(firm, "hollow", "tenon")[:hold_nm]).to be_within(0.05).of(
      mount(plan, "hollow", "tenon")[:hold_nm] * 0.6
    )
    expect(mount(soft, "hollow", "tenon")).to include(verdict: "no", says: [told("not.defect_under_tenon", "s")])
  end

  it "holds a natural edge by a cone, a ring by a jam or mandrel, a sphere in cups" do
    wings =
      described_class.new(
        blank(
          shape: {
            type: "block",
            width_mm: 200,
            height_mm: 200,
            length_mm: 60
          },
          form: BlankHelper::BOWL.merge(outside: [[8, 45], [20, 85], [56, 125]], inside: [[20, 0], [24, 50], [56, 117]])
        )
      ).to_h
    expect(wings[:steps].last[:proposed]).to eq("cone")
    expect(mount(wings, "foot", "jam")[:says].first[:key]).to eq("mounts.not.rim_not_true")
    ring = described_class.new(blank(form: ring(60, 50, 40))).to_h
    expect(ring[:steps].last[:mounts].first[:key]).to eq("jam")
    ball =
      described_class.new(
        blank(
          form: JSON.parse(JSON.generate(MossyAnvil::Model::FormMaker.new(blank, "sphere").form), symbolize_names: true)
        )
      ).to_h
    expect(ball[:steps].last[:proposed]).to eq("cups")
  end

  it "says what does not go over the bed, and wants a form" do
    wide = plan(lathe: BlankHelper::LATHE.merge("swing_mm" => 200))
    expect(wide[:clearances].first).to include(key: "over_bed", ok: false, value_mm: -20.0)
    expect { described_class.new(blank, at: "/document") }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/document/form: is missing}
    )
  end

  describe "drawn to scale" do
    drawing = MossyAnvil::Turn::MountDrawing
    seat = Struct.new(:z_mm, :inward)

    it "lies on its seat, what holds outside the wood and screws and points within" do
      MossyAnvil::Table["mounts"]["rows"].each do |row|
        [[0, 1], [110, -1]].each do |z_mm, inward|
          parts = drawing.parts(row["key"], 80, seat.new(z_mm, inward))
          expect(parts).not_to be_empty, row["key"]
          into = parts.map { |part| part[:z_mm].map { |z| (z - z_mm) * inward }.minmax }
          expect(into.map(&:first).min).to be < 0, row["key"]
          expect(into).to all(satisfy { |from, to| from < to && to <= 40 })
          expect(parts.map { |part| part[:r_mm] }).to all(satisfy { |inner, outer| inner >= 0 && inner < outer })
        end
      end
    end

    it "is not drawn where its size is not known, but for a centre" do
      expect(drawing.parts("tenon", nil, seat.new(0, 1))).to eq([])
      expect(drawing.parts("centres", nil, seat.new(0, 1))).not_to be_empty
    end
  end
end
