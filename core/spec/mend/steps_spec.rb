# frozen_string_literal: true

# Each kind of step against numbers worked by hand.
RSpec.describe MossyAnvil::Mend::MendStep do
  def steps(list, climate: MossyAnvil::Report::ShopClimate.new(temperature_c: 20), **changes)
    MossyAnvil::Report::MendReport.new(blank(**changes, mend: { steps: list }), climate: climate).to_h[:steps]
  end

  def one(step, **more) = steps([{ id: "s", **step }], **more).first
  def said(step) = keys(step[:says])

  let(:seam) { crack(id: "k", z_mm: [5, 55], depth_mm: 30, width_mm: 1.5) }
  let(:zone) { body("soft_zone", id: "z", grade: "soft", r_mm: 80, z_mm: 30, size_mm: [20, 60, 40]) }

  describe "gluing" do
    it "spreads both faces of run times depth, and presses on it" do
      glue = one({ do: "glue", of: ["k"], with: "pva" }, defects: [seam])[:detail][:glue]
      # 50 x 30 mm are 15 cm2; two faces at 0.02 g; 0.3 MPa on 1,500 mm2.
      expect(glue).to include(
        joint_cm2: be_within(0.05).of(15),
        g: be_within(0.005).of(0.6),
        clamp_n: be_within(2).of(450),
        clamp_min: be_within(1e-9).of(60)
      )
    end

    it "takes a loose piece by its back, and holds it again by most of that" do
      loose = body("loose_piece", id: "l", bonded_share: 0.4, r_mm: 112, size_mm: [12, 40, 30])
      glued = one({ do: "glue", of: ["l"] }, defects: [loose])
      expect(glued[:detail][:glue][:joint_cm2]).to be_within(1e-9).of(12)
      expect(glued[:after][:first][:limit_rpm]).to be >= glued[:before][:first][:limit_rpm]
    end

    it "is in the clamps, then off the lathe, and never in less than its working time" do
      glued = one({ do: "glue", of: ["k"], with: "thick_epoxy" }, defects: [seam])
      waits = glued[:lines].select { |line| line[:kind] == "wait" }.map { |line| line[:minutes].last }
      expect(waits).to match([be_within(1e-6).of(480), be_within(1e-6).of(1440 - 480)])
      expect(glued[:lines].find { |line| line[:working] }[:minutes]).to all(be_within(0.1).of(30 * (2**0.5)))
    end

    it "asks for no wall where nothing is hollow" do
      expect(one({ do: "glue", of: ["k"] }, defects: [seam])[:detail][:glue][:wall_mm]).to be_nil
    end
  end

  describe "a product of one's own" do
    let(:soft) { body("soft_zone", id: "z", clock_deg: 0, r_mm: 100, size_mm: [30, 40, 40], grade: "soft") }

    # What is said on its sheet in place of what its class has, for each kind of step that takes one.
    {
      "soak" => [{ with: "hardener", of: ["z"] }, :soft],
      "glue" => [{ with: "medium_ca", of: ["a"] }, :split],
      "fill" => [{ with: "epoxy", of: ["a"] }, :split],
      "inlay" => [
        {
          with: "epoxy",
          grooves: [{ width_mm: 3, depth_mm: 4, path: [{ clock_deg: 0, z_mm: 30 }, { clock_deg: 360, z_mm: 30 }] }]
        },
        :split
      ]
    }.each do |kind, (data, defect)|
      it "speaks by its own sheet when it is to #{kind}" do
        defects = defect == :soft ? [soft] : [crack(id: "a", z_mm: [0, 60], depth_mm: 20, width_mm: 2)]
        own = { name: "blue tin", dry_to_pct: 7, soft_from_c: 91, ready_min: 600, cure_d: 3, price_per_g: 0.5 }
        usual, mine = [{}, { sheet: own }].map { |more| one({ do: kind, **data, **more }, defects: defects) }
        expect(mine[:materials].first).to include(name: MossyAnvil::Message.named("blue tin"))
        expect(mine[:materials].first[:cost]).to be_within(0.01).of(0.5 * mine[:materials].first[:amount])
        expect(mine[:materials].first[:amount]).to be_within(1e-9).of(usual[:materials].first[:amount])
        expect([mine[:gate_pct], mine[:ready_h]]).to match([7, be >= 10])
      end
    end
  end

  describe "hardening" do
    it "counts thin CA by the skin of the zone: 0.08 ml a square centimetre" do
      soak = one({ do: "soak", of: ["z"], with: "thin_ca" }, defects: [zone])[:detail][:soak]
      # An ellipse of 60 x 40 mm is 18.85 cm2; 0.08 ml at 1.05 g/ml.
      expect(soak[:g]).to be_within(0.01).of(18.85 * 0.08 * 1.05)
    end

    it "speaks of what it reaches, and lends no strength to what it does not" do
      soaked = one({ do: "soak", of: ["z"], with: "thin_ca" }, defects: [zone], form: BlankHelper::BOWL)
      expect(soaked[:says].first).to include(key: "steps.soak.says.amount", amounts: a_hash_including(deep: be_a(Hash)))
      expect(soaked[:after][:last][:burst_rpm]).to be <= soaked[:before][:last][:burst_rpm] * 1.001
    end

    it "puts the four ways on one footing, dearest where the whole blank drinks" do
      ways = one({ do: "soak", of: ["z"], with: "sealer" }, defects: [zone])[:detail][:soak][:ways]
      expect(ways.map { |way| way[:key] }).to eq(%w[stabilising hardener thin_ca sealer])
      expect(ways.max_by { |way| way[:cost] }[:key]).to eq("stabilising")
      expect(ways.find { |way| way[:key] == "stabilising" }).to include(through: true)
      expect(ways.find { |way| way[:key] == "thin_ca" }).to include(through: false, deep_mm: 3)
    end
  end

  describe "stabilising" do
    def stabilised(**step)
      shape = { type: "disc", diameter_mm: 100, length_mm: 140 }
      one({ do: "stabilise", of: [], **step }, material: material_data(moisture_pct: 1), shape: shape)[:detail][
        :stabilise
      ]
    end

    it "goes in upright, else lying, else not; resin to 25 mm over it and what it drinks" do
      upright = stabilised(vessel: { diameter_mm: 120, depth_mm: 170 })
      volume = Math::PI / 4 * 100 * 100 * 140
      expect(upright[:fits]).to eq("upright")
      expect(upright[:resin_ml]).to be_within(10).of(
        (((Math::PI / 4 * 120 * 120 * 165) - volume) / 1000) + (upright[:most_g] * 0.6 / 1.05)
      )
      expect(stabilised(vessel: { diameter_mm: 200, depth_mm: 130 })[:fits]).to eq("lying")
      expect(stabilised(vessel: { diameter_mm: 104, depth_mm: 400 })).to include(fits: "no", resin_ml: nil)
      expect(stabilised).to include(fits: nil, resin_ml: nil)
    end

    it "is held down by what Archimedes says, less where the wood is heavy" do
      found = stabilised
      volume = Math::PI / 4 * 0.1 * 0.1 * 0.14
      expect(found[:lift_n]).to be_within(0.02).of((1050 - (600 / 1.01)) * volume * 9.81)
      expect(found[:ballast_g]).to be_within(2).of((1050 - (600 / 1.01)) * volume * 1000)
    end

    it "soaks twice as long as it was pumped, and reads the gauge by the day's air" do
      expect(stabilised).to include(pump_min: 240.0, soak_min: 480.0, gauge_hpa: be_within(0.1).of(1013.25 * 0.98))
      expect(stabilised(air_hpa: 970)[:gauge_hpa]).to be_within(1e-6).of(970 * 0.98)
    end

    it "refuses a wet weight under the dry one" do
      step =
        MossyAnvil::Report::MendReport.new(blank(mend: { steps: [{ id: "s", do: "stabilise", of: [] }] })).steps.first
      expect { step.verdict("dry_g" => 900.0, "wet_g" => 890.0) }.to raise_error(
        MossyAnvil::InvalidInput,
        %r{/value: is 890.0 g: more than it weighed dry}
      )
      expect(step.verdict("wet_g" => 890.0)).to eq(says: [], records: [], lines: [])
    end
  end

  describe "drying" do
    let(:weighed) do
      [
        { kind: "mass", value: 1840, taken_at: "2030-05-01T09:00:00Z" },
        { kind: "moisture", value: 24, depth_mm: 10, at: { clock_deg: 0, z_mm: 30 }, taken_at: "2030-05-01T09:00:00Z" }
      ]
    end

    it "E12: says what it weighs then" do
      dry = one({ do: "dry", to_pct: 12, in: "room" }, readings: weighed, material: material_data(moisture_pct: 24))
      expect(dry[:detail][:dry][:target_g]).to be_within(0.5).of(1662)
      expect(dry[:lines].find { |line| line[:kind] == "wait" }[:message][:amounts]).to include(:weight)
    end

    it "is over where it is dry enough, and has nothing on its card" do
      done = one({ do: "dry", to_pct: 14, in: "room" }, material: material_data(moisture_pct: 11))
      expect(done).to include(ready_h: 0.0, lines: [])
      expect(said(done).first).to eq("steps.dry.says.dry_enough")
    end

    it "keeps a thick wet piece out of the oven" do
      wet =
        one(
          { do: "dry", to_pct: 1, in: "oven" },
          material: material_data(moisture_pct: 22),
          shape: {
            type: "disc",
            diameter_mm: 240,
            length_mm: 90
          }
        )
      expect(said(wet)).to include("steps.dry.says.too_thick")
      thin =
        one(
          { do: "dry", to_pct: 1, in: "oven" },
          material: material_data(moisture_pct: 22),
          shape: {
            type: "disc",
            diameter_mm: 240,
            length_mm: 40
          }
        )
      expect(said(thin)).not_to include("steps.dry.says.too_thick")
    end
  end

  describe "filling" do
    it "mixes what is open and a share more; CA leaves nothing in a cup" do
      thick = one({ do: "fill", of: ["k"], with: "thick_ca" }, defects: [seam])[:detail][:fill]
      # A wedge of 50 x 30 x 1.5 mm is 1.125 ml.
      expect(thick[:ml]).to be_within(0.012).of(1.125)
      expect(thick[:g]).to be_within(0.02).of(1.125 * 1.15 * 1.10)
      epoxy = one({ do: "fill", of: ["k"], with: "epoxy" }, defects: [seam])[:detail][:fill]
      expect(epoxy[:g]).to be_within(0.02).of(((1.125 * 1.15) + 1) * 1.15)
    end

    it "takes what bonds over what only fills where the piece is held" do
      wide = {
        id: "h",
        type: "crack",
        enters: "head_face",
        depth_mm: 20,
        width_mm: 9,
        path: [{ clock_deg: 0, z_mm: 0, r_mm: 0 }, { clock_deg: 0, z_mm: 0, r_mm: 30 }]
      }
      expect(one({ do: "fill", of: ["h"] }, defects: [wide], form: BlankHelper::BOWL)[:detail][:fill][:with]).to eq(
        "epoxy"
      )
      expect(one({ do: "fill", of: ["h"] }, defects: [wide])[:detail][:fill][:with]).to eq("resin")
    end

    it "dams what goes right through, and tops up what ran short" do
      through = crack(id: "t", z_mm: [5, 55], depth_mm: 30, width_mm: 2, through: true)
      expect(one({ do: "fill", of: ["t"] }, defects: [through])[:detail][:fill][:dams]).to eq(["t"])
      step =
        MossyAnvil::Report::MendReport
          .new(blank(defects: [through], mend: { steps: [{ id: "f", do: "fill", of: ["t"] }] }))
          .steps
          .first
      more = step.trouble("short", amount: 10)[:lines].first[:message][:amounts][:ml][:value]
      expect(more).to be_within(0.02).of(50 * 30 * 2 / 1000.0 / 3)
    end
  end
end
