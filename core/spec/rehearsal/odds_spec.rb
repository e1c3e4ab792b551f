# frozen_string_literal: true

RSpec.describe MossyAnvil::Rehearsal do
  include BlankHelper

  draws = MossyAnvil::Rehearsal::Draws
  truth = MossyAnvil::Rehearsal::Truth
  troubles = MossyAnvil::Rehearsal::HiddenTroubles

  demo =
    lambda do |number|
      MossyAnvil::Formats::BlankFile.read(
        File.read(Dir[File.expand_path("../../../demo/#{number}-*.json", __dir__)].first)
      )
    end
  # A truth of nothing but the survey.
  plain = ->(blank) { truth.new(blank, nil, nil) }

  describe MossyAnvil::Rehearsal::Draws do
    it "draws the same for a name whatever else is drawn, and another for another seed, truth or name" do
      one = described_class.new(7, 3)
      first = one.share("depth A")
      one.share("depth B")
      expect(one.share("depth A")).to eq(first)
      expect(described_class.new(7, 3).share("depth A")).to eq(first)
      others = [described_class.new(8, 3), described_class.new(7, 4)].map { |other| other.share("depth A") }
      expect([*others, one.share("depth B")]).not_to include(first)
    end

    it "keeps to the mean and spread of what it draws" do
      many = (0...4000).map { |index| described_class.new(1, index) }
      triangles = many.map { |one| one.triangular("t", 10, 20, 30) }
      expect(triangles.sum / 4000).to be_within(0.2).of(20)
      expect(triangles.minmax).to all(be_between(10, 30))
      expect(many.sum { |one| one.poisson("p", 0.7) } / 4000.0).to be_within(0.05).of(0.7)
      normals = many.map { |one| one.normal("n") }
      expect(normals.sum / 4000).to be_within(0.05).of(0)
      expect(normals.sum { |one| one**2 } / 4000).to be_within(0.06).of(1)
      expect(many.map { |one| one.lognormal("s", 12, 0.6) }.sort[2000]).to be_within(0.6).of(12)
    end

    it "never draws fewer of what is likelier" do
      200.times do |index|
        one = described_class.new(2, index)
        expect([0.1, 0.5, 2.0, 6.0].map { |mean| one.poisson("p", mean) }.each_cons(2)).to all(
          satisfy { |few, more| few <= more }
        )
      end
    end
  end

  describe MossyAnvil::Rehearsal::Truth do
    it "E48: a crack 10 to 30 mm deep, most likely 20, is deeper than 25 in one of eight" do
      ranged = blank(defects: [crack(id: "A", depth_mm: 20, depth_range_mm: [10, 30])])
      hidden = troubles.new(ranged)
      depths =
        (0...20_000).map do |index|
          described_class.new(ranged, draws.new(5, index), hidden).depth_mm(ranged.defects.first)
        end
      expect(depths.count { |mm| mm > 25 } / 20_000.0).to be_within(0.007).of(0.125)
      expect(depths.minmax).to all(be_between(10, 30))
    end

    it "agrees with what was surveyed: seen, felt and guessed cracks by their own ranges, nothing where an awl was" do
      depths =
        { "feeler" => [18, 25], "guessed" => [10, 40] }.map do |found_by, (least, most)|
          one = blank(defects: [crack(id: "A", depth_mm: 20, found_by: found_by)])
          found =
            (0...300).map do |index|
              described_class.new(one, draws.new(1, index), troubles.new(one)).depth_mm(one.defects.first)
            end
          expect(found.minmax).to all(be_between(least, most))
          found.max - found.min
        end
      expect(depths[1]).to be > 3 * depths[0]
    end

    it "has more hidden the more there may be, and leaves the wood it lies in" do
      burl = blank(material: material_data(character: ["burl"]))
      sound = blank
      counts =
        [sound, burl].map do |one|
          found = (0...200).flat_map { |index| described_class.new(one, draws.new(3, index), troubles.new(one)).hidden }
          expect(found).to all(
            satisfy { |body| body.z_mm.between?(0, one.shape.length_mm) && body.radius_mm <= one.shape.max_radius_mm }
          )
          found.size
        end
      litres = Math::PI * (120**2) * 60 / 1e6
      expect(counts[1] / 200.0).to be_within(0.35 * litres).of(1.05 * litres)
      expect(counts[0]).to be < counts[1] / 4
    end

    it "loses by taps all round only what lies near the skin" do
      log =
        blank(shape: { type: "disc", diameter_mm: 300, length_mm: 300 }, material: material_data(character: ["burl"]))
      inner = ->(body) { body.radius_mm < 100 && body.z_mm.between?(50, 250) }
      before, after =
        (0...30)
          .map { |index| described_class.new(log, draws.new(3, index), troubles.new(log)) }
          .map { |one| [one.hidden, one.tapped(log.shape).hidden] }
          .transpose
          .map(&:flatten)
      expect(after.count(&inner)).to eq(before.count(&inner)).and be > 20
      expect(after.size - after.count(&inner)).to be < 0.7 * (before.size - before.count(&inner))
    end

    it "hides less where it was tapped all round and rang clear" do
      taps =
        (0...12).flat_map do |hour|
          [20, 60].map do |z|
            { kind: "tap", found: "clear", at: { clock_deg: hour * 30, z_mm: z }, taken_at: "2030-05-01T09:30:00Z" }
          end
        end
      burl = { material: material_data(character: ["burl"]) }
      count =
        lambda do |one|
          (0...150).sum { |index| described_class.new(one, draws.new(3, index), troubles.new(one)).hidden.size }
        end
      expect(count.call(blank(**burl, readings: taps))).to be < 0.85 * count.call(blank(**burl))
    end
  end

  describe MossyAnvil::Rehearsal::Odds do
    it "E47: with nothing left to chance the truth is the survey, and each step takes the plan's own numbers" do
      [32, 34].each do |number|
        one = demo.call(number)
        plan = described_class.new(one).plan
        about = { climate: MossyAnvil::Report::ShopClimate.new, fineness: :default, wall_n: {} }
        met = MossyAnvil::Rehearsal::Meets.new(plan, plain.call(one), **about).to_a
        route = MossyAnvil::Report::RouteReport.new(one, ways: :taken)
        met.each do |meets|
          step = route.steps.find { |other| other.id == meets.step.id }
          next unless step.stretch == "turn"

          solid =
            MossyAnvil::Report::SolidAnalysis.new(
              step.after.blank.on_centres,
              MossyAnvil::Report::ShopClimate.new,
              :default
            )
          stages =
            meets.step.stages.map do |stage|
              MossyAnvil::Report::StageReport.new(stage, solid, MossyAnvil::Report::Workings.new).to_h
            end
          expect(meets.splits_rpm).to eq(stages.filter_map { |stage| stage[:burst_rpm] }.min), "#{number} #{step.id}"
          expect(meets.runs_rpm).to eq(stages.filter_map { |stage| stage[:crack_runs_rpm] }.min)
          expect(meets.step.rpm).to eq(step.limit_rpm)
        end
        expect(met.filter_map(&:wall_share)).to all(eq(1.0))
        expect(MossyAnvil::Rehearsal::Play.new(met).events).to eq([])
      end
    end

    it "gives the same for the same seed, in one process or in parts" do
      one = demo.call(32)
      whole = described_class.new(one, truths: 12, seed: 4)
      told = whole.to_h
      parts = (0...3).flat_map { |part| described_class.new(one, truths: 12, seed: 4).outcomes(part: part, parts: 3) }
      expect(described_class.new(one, truths: 12, seed: 4).told(parts)).to eq(told)
      expect(described_class.new(one, truths: 12, seed: 5).to_h[:finish_days]).not_to eq(told[:finish_days])
      expect(told).to include(truths: 12, seed: 4)
      %i[sound injury].each { |key| expect(told[key][:share]).to be_between(told[key][:low], told[key][:high]) }
      days = told[:finish_days]
      expect(days.values_at(:p10, :p50, :p90)).to eq(days.values_at(:p10, :p50, :p90).sort)
    end

    # A hollow with a crack in its rim that is turned without mending it.
    def cracked(most_mm, wall_mm: 8)
      bowl = { **BlankHelper::BOWL, follows: { wall_mm: wall_mm, floor_mm: 10 } }.except(:inside)
      blank(
        form: bowl,
        material: material_data(moisture_pct: 9),
        defects: [crack(id: "A", depth_mm: 20, depth_range_mm: [10, most_mm])],
        route: {
          choices: {
            cracks: "turn_past"
          }
        }
      )
    end

    it "never gets better by a deeper range, a thinner wall or a higher speed" do
      about = { climate: MossyAnvil::Report::ShopClimate.new, fineness: :default }
      lost =
        lambda do |one, faster = 1.0|
          plan, hidden = described_class.new(one).plan, troubles.new(one)
          pace = plan.steps.to_h { |step| [step.id, faster] }
          (0...40).select do |index|
            drawn = truth.new(one, draws.new(2, index), hidden)
            met = MossyAnvil::Rehearsal::Meets.new(plan, drawn, **about, wall_n: {}).to_a
            MossyAnvil::Rehearsal::Play.new(met).events(pace: pace).any?(&:lost?)
          end
        end
      shallow, deep = lost.call(cracked(30), 3.0), lost.call(cracked(80), 3.0)
      expect(deep.size).to be >= shallow.size
      expect(shallow - deep).to be_empty
      thin = lost.call(cracked(80, wall_mm: 4), 3.0)
      expect(thin.size).to be >= deep.size
      slow = lost.call(cracked(80))
      expect(slow - deep).to be_empty
      fastest = lost.call(cracked(80), 6.0)
      expect(deep - fastest).to be_empty
      expect(fastest).not_to be_empty
    end

    it "names what takes most, and an act that betters it by what it plays" do
      thin = { **BlankHelper::BOWL, follows: { wall_mm: 4, floor_mm: 8 } }.except(:inside)
      burl =
        blank(
          form: thin,
          material: material_data(moisture_pct: 9, character: %w[burl spalted]),
          defects: [crack(id: "A", depth_mm: 10)]
        )
      found = described_class.new(burl, truths: 40).to_h
      first = found[:causes].first
      expect(first).to include(event: "wall_breaks", step: "hollow", then: "lost")
      expect(found[:sound][:share]).to be_within(1e-9).of(1 - first[:share])
      better = found[:best_improvement]
      expect(better).to include(act: "thicker_wall", mm: 2.0)
      expect(better[:gain]).to be_between(1 / 40.0, first[:share])
      expect(better[:per_hour]).to be_within(1e-9).of(better[:gain] / better[:hours])
      # It is proved by playing: with that wall so many more come out sound.
      thicker = { **thin, follows: { wall_mm: 6, floor_mm: 8 } }
      again =
        described_class.new(
          burl.with_form(MossyAnvil::Model::Form.new(**blank(form: thicker).form.to_document.except(:inside))),
          truths: 40
        )
      expect(again.to_h[:sound][:share]).to be_within(1e-9).of(found[:sound][:share] + better[:gain])
    end

    it "says what cannot be done yet, and plays what can" do
      found = described_class.new(demo.call(33), truths: 4).to_h
      expect(found[:not_yet]).to eq([{ step: "hollow", why: "no_mount" }])
    end
  end

  describe "a pour" do
    step = MossyAnvil::Rehearsal::Plan::Step
    events =
      lambda do |pour, **truth|
        planned = step.new(id: "cast", kind: "cast", stages: [], rpm: 0.0, glues: [], pour: pour)
        known = Struct.new(:strength, :resin_pace, :moisture_points, keyword_init: true)
        truth = known.new(strength: 1.0, resin_pace: 1.0, moisture_points: 0.0, **truth)
        meets = MossyAnvil::Rehearsal::Meets.new(nil, truth, climate: nil, fineness: nil, wall_n: {})
        MossyAnvil::Rehearsal::Hazards.new(meets.of(planned), 0.0).all.map(&:key)
      end

    it "overheats where the resin is so much quicker that its peak passes what is taken with care" do
      pour = { peak_c: 55.0, start_c: 20.0, over_gate_points: -1.0 }
      # 20 + 35 / sqrt(pace) is 70 at a pace of 0.49.
      expect(events.call(pour, resin_pace: 0.50)).to eq([])
      expect(events.call(pour, resin_pace: 0.48)).to eq(["overheats"])
    end

    it "foams where the wood is wetter than the resin takes, by more than is let pass" do
      pour = { peak_c: 30.0, start_c: 20.0, over_gate_points: 1.0 }
      expect(events.call(pour, moisture_points: 0.9)).to eq([])
      expect(events.call(pour, moisture_points: 1.1)).to eq(["foams"])
      expect(events.call({ **pour, over_gate_points: nil }, moisture_points: 1.5)).to eq([])
    end
  end
end
