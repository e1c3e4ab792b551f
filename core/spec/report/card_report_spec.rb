# frozen_string_literal: true

RSpec.describe MossyAnvil::Report::CardReport do
  root = File.expand_path("../../..", __dir__)

  def blank(number) =
    MossyAnvil::Formats::BlankFile.read(
      File.read(Dir[File.expand_path("../../../demo/#{number}-*.json", __dir__)].first)
    )
  def card(number, from) = described_class.new(blank(number), from: from)

  def lines(number, from, step = from)
    told = card(number, from).to_h[:steps].find { |one| one[:id] == step }
    told[:lines].to_h { |line| [line[:message][:key].delete_prefix("steps.work.line."), line] }
  end

  # A stretch that nothing can be turned at yet has no steps.
  def told_or_refused(number, from)
    card(number, from).to_h[:steps]
  rescue MossyAnvil::InvalidInput => e
    expect(e.faults.map(&:path)).to eq(["/from"])
    []
  end

  it "tells before a coat what harms, after it what burns, and has the foot signed before the last one" do
    keys =
      lambda do |number, families|
        document = JSON.parse(File.read(Dir[File.join(root, "demo/#{number}-*.json")].first))
        document["route"] = { **document.fetch("route", {}), "finish" => families }
        told = described_class.new(MossyAnvil::Formats::BlankFile.from_data(document), from: "sand").to_h[:steps]
        told.find { |step| step[:id] == "coat" }[:lines].map { |line| line[:message][:key].split(".").last }
      end
    sides = ->(family) { %w[outside inside foot].to_h { |side| ["#{side}_sound", family] } }
    oil = keys.call(33, sides.call("drying_oil"))
    expect(oil.last(5)).to eq(%w[coat_wait used dried rags cures])
    expect(oil.index("sign_foot")).to eq(oil.rindex("coat_of") - 1)
    expect(oil.count("sign_foot")).to eq(1)
    expect(keys.call(33, sides.call("ca_film"))).to start_with("fumes").and(include("towel", "level"))
    dyed = keys.call(33, { **sides.call("drying_oil"), "outside_sound" => "dye" })
    expect(dyed).to include("raise_grain", "mask_dye", "seal_dye")
    expect(dyed.count("sign_foot")).to eq(1)
  end

  # 20 m/s at 200 mm: 1,910 rpm; what is softer than wood 12 m/s: 1,146.
  it "tells the wheel's speed by what is buffed" do
    speed =
      lambda do |number|
        document = JSON.parse(File.read(Dir[File.join(root, "demo/#{number}-*.json")].first))
        document["route"] = { **document.fetch("route", {}), "finish" => { "outside_sound" => "buffed" } }
        blank = MossyAnvil::Formats::BlankFile.from_data(document)
        parts = MossyAnvil::Report::RouteReport.new(blank, ways: :taken).finish.in_order
        buffed = parts.select { |part| part.family == "buffed" }
        names = MossyAnvil::Report::PartNames.new(parts)
        MossyAnvil::Report::CoatLines.new(buffed, names: names).to_a.first[:target][:value]
      end
    expect(speed.call(33)).to be_within(1).of(1910)
    expect(speed.call(42)).to be_within(1).of(1146)
  end

  it "asks what a step took and what went on, and learns it against the tables, not against its own plan" do
    records =
      MossyAnvil::Model::ShopRecords.new(
        [
          *[{ kind: "cutting_factor", of: "outside", value: 4.0 }] * 4,
          *[{ kind: "soak_factor", of: "drying_oil", value: 0.25 }] * 4
        ]
      )
    usual, own =
      [{}, { records: records }].map do |about|
        told = %w[mount sand].flat_map { |from| described_class.new(blank(33), from: from, **about).to_h[:steps] }
        told.to_h { |step| [step[:id], JSON.parse(JSON.generate(step[:lines]))] }
      end
    asked = ->(steps, id, measure) { steps[id].find { |line| line["measures"] == measure } }
    [%w[outside took_min], %w[coat drying_oil_g]].zip([2.0, 0.5]) do |(id, measure), times|
      plain, changed = [usual, own].map { |steps| asked.call(steps, id, measure) }
      expect(changed["target"]["value"]).to be_within(1e-9).of(times * plain["target"]["value"])
      expect(changed["usual"]).to be_within(1e-9).of(plain["usual"])
    end
    line = asked.call(own, "outside", "took_min")
    step = MossyAnvil::Report::WorkedStep.new("outside", 800, own["outside"])
    found = step.verdict("took_min" => line["usual"] * 1.5)
    expect(found).to eq(says: [], lines: [], records: [{ kind: "cutting_factor", of: "outside", value: 1.5 }])
    expect { step.verdict("took_min" => line["usual"] * 11) }.to raise_error(MossyAnvil::InvalidInput) { |error|
      expect(error.faults.map(&:path)).to eq(["/value"])
    }
    coat = MossyAnvil::Report::WorkedStep.new("coat", nil, own["coat"])
    grams = asked.call(own, "coat", "drying_oil_g")
    expect(coat.verdict("drying_oil_g" => grams["usual"], "drying_oil_h" => 48)[:records]).to match(
      [
        { kind: "soak_factor", of: "drying_oil", value: be_within(1e-9).of(1) },
        { kind: "coat_time_factor", of: "drying_oil", value: be_within(1e-9).of(2) }
      ]
    )
    expect(grams["draws"]).to eq("key" => "drying_oil", "part" => nil)
  end

  it "credits no mending that is not done, and says what it is worked without" do
    open_jar = card(34, "hollow").to_h[:steps].first
    expect(open_jar[:lines].first[:message][:key]).to eq("steps.work.line.as_it_is")
    planned = MossyAnvil::Report::RouteReport.new(blank(34), ways: :taken).steps.find { |step| step.id == "hollow" }
    expect(open_jar[:limit_rpm]).to be < 0.5 * planned.limit_rpm
    # Once its mending is ticked, the plan's own speed.
    document = JSON.parse(File.read(Dir[File.join(root, "demo/34-*.json")].first))
    mended = MossyAnvil::Report::RouteReport.new(blank(34), ways: :taken).steps.take_while { |step| step.id != "mount" }
    done =
      mended.map { |step| { "step" => step.id, "on" => "2030-05-01", "of" => step.of }.reject { |_, of| of == [] } }
    document["route"] = { **document.fetch("route", {}), "done" => done }
    ticked =
      described_class.new(MossyAnvil::Formats::BlankFile.read(JSON.generate(document)), from: "hollow").to_h[:steps]
    expect(ticked.first[:lines].first[:message][:key]).not_to eq("steps.work.line.as_it_is")
    # Before anything is skipped the card is the route's own.
    expect(card(34, mended.first.id).to_h[:steps].first[:lines].first[:message][:key]).not_to end_with("as_it_is")
  end

  it "runs every stretch of every demo blank from its first step, each line with a key of its own" do
    numbers = Dir[File.join(root, "demo/*.anvil.json")].map { |path| File.basename(path)[0, 2].to_i } - [31]
    numbers.each do |number|
      steps = MossyAnvil::Report::RouteReport.new(blank(number), ways: :taken).steps
      steps
        .chunk_while { |one, other| one.stretch == other.stretch }
        .each do |stretch|
          told = told_or_refused(number, stretch.first.id)
          # What is not mended yet may stop it short; nothing else does.
          ids = stretch.map(&:id)
          expect(ids.first(told.size)).to eq(told.map { |one| one[:id] }), "#{number} #{stretch.first.id}"
          expect(told.size).to eq(ids.size) if stretch.first.equal?(steps.first) && stretch.none?(&:turns_not)
          keys = told.flat_map { |one| one[:lines].map { |line| line[:key] } }
          expect(keys.uniq).to eq(keys)
        end
    end
  end

  it "stops short of a step that nothing holds the piece for, and begins no card at one" do
    # 3 mm of spare wood at the foot: no tenon, and a crack through it.
    found = card(33, "mount").to_h[:steps]
    expect(found.map { |one| one[:id] }).to eq(%w[mount true_up outside seat])
    last = found.last[:lines].last[:message]
    expect(last[:key]).to eq("steps.work.line.stops_no_mount")
    expect(last[:amounts][:what][:value]).to include(key: "route.kinds.hollow")
    expect { card(33, "hollow").to_h }.to raise_error(MossyAnvil::InvalidInput, /something holds it for/)
    # A ring that is open all round, left as it is: no speed is safe.
    open_ring = JSON.parse(File.read(File.join(root, Dir.glob("demo/40-*.json", base: root).first)))
    ids = MossyAnvil::Report::RouteReport.new(blank(40), ways: :taken).steps.select(&:made).map(&:id)
    open_ring["route"] = { **open_ring.fetch("route", {}), "left_out" => ids }
    unmended = MossyAnvil::Formats::BlankFile.read(JSON.generate(open_ring))
    expect { described_class.new(unmended, from: "mount").to_h }.to raise_error(
      MossyAnvil::InvalidInput,
      /some speed of the lathe is safe/
    )
  end

  def told(number, from)
    step = card(number, from).to_h[:steps].find { |one| one[:id] == from }
    step[:lines].map { |line| [line[:message][:key].delete_prefix("steps.work.line."), line] }
  end

  # { stuff the paper is for => [papers] }
  def papers(number)
    told(number, "sand")
      .select { |line| line.first == "paper_on" }
      .map { |_, line| line[:message][:amounts] }
      .group_by do |amounts|
        amounts[:parts][:value].then { |parts| parts.is_a?(Array) ? parts[0][:amounts][:stuff][:value] : :all }
      end
      .transform_values { |list| list.map { |amounts| amounts[:paper][:value] } }
  end

  it "sands and finishes each part by its own papers and coats, those of the plan" do
    plan = MossyAnvil::Report::FinishPlan.new(blank(36)).to_h[:parts].to_h { |part| [part[:stuff], part] }
    found = papers(36)
    expect(found["finish_plan.stuff.wood"]).to eq(plan["sound"][:papers].map { |grit| "P#{grit}" })
    expect(found["finish_plan.stuff.resin"]).to eq(plan["resin"][:papers].map { |grit| "P#{grit}" })
    keys = told(36, "coat").map(&:first)
    expect(keys.count("coat_of")).to eq(plan["sound"][:coats].size)
    expect(keys.count("coat_rubbed")).to eq(plan["resin"][:coats].size)
    expect(keys.last).to eq("cures")
  end

  it "sands all over where all is of one stuff, never faster than the step may turn" do
    expect(papers(33).keys).to eq([:all])
    step = card(33, "sand").to_h[:steps].first
    step[:lines].filter_map { |line| line[:target] }.each { |target| expect(target[:value]).to be <= step[:limit_rpm] }
  end

  it "says of a gap in the middle of the hole that the bit comes to it, and of one under the floor" do
    jar = JSON.parse(File.read(Dir[File.join(root, "demo/34-*.json")].first)).except("mend", "route")
    gap =
      lambda do |z_mm|
        centre = { "clock_deg" => 0, "r_mm" => 0, "z_mm" => z_mm }
        { "id" => "Z", "type" => "void", "contents" => "air", "centre" => centre, "size_mm" => [6, 6, 6] }
      end
    drill =
      lambda do |defects|
        jar_so = MossyAnvil::Formats::BlankFile.read(JSON.generate({ **jar, "defects" => defects })).on_centres
        about = { deep_mm: jar_so.form.wall_depth_mm - 3, moisture_pct: 9, limit_rpm: 900 }
        lines = MossyAnvil::Report::DrillLines.new(jar_so, to_mm: 25.0, **about).lines
        lines.map { |line| line[:message][:key].split(".").last }
      end
    form = blank(34).form
    at_tail = form.opens == "tail"
    floor_mm = at_tail ? form.inside.first_z_mm : form.inside.last_z_mm
    inward = at_tail ? 1 : -1
    expect(drill.call([])).to eq(%w[drill drilled])
    expect(drill.call([gap.call(floor_mm + (inward * 60))])).to include("drill_meets")
    expect(drill.call([gap.call(floor_mm - (inward * 4))])).to include("drill_under")
  end

  it "levels a film of CA, and says how much of it is left" do
    document = JSON.parse(File.read(File.join(root, "demo/33-lamp-base.anvil.json")))
    parts = %w[outside inside foot].to_h { |side| ["#{side}_sound", "ca_film"] }
    document["route"] = { **document.fetch("route", {}), "finish" => parts }
    film = described_class.new(MossyAnvil::Formats::BlankFile.read(JSON.generate(document)), from: "coat").to_h
    keys = film[:steps][0][:lines].map { |line| line[:message][:key].split(".").last }
    # Nobody wipes a film off.
    expect(keys).to include("coat_film")
    expect(keys).not_to include("coat_of")
    level = film[:steps][0][:lines].find { |line| line[:message][:key].end_with?("level") }
    expect(level[:message][:amounts][:left][:value]).to be_within(0.001).of(
      MossyAnvil::Finish::Coats.ca_left_um(8) / 1000.0
    )
  end

  it "drills deep hollows first, short of the floor, at a torque that is said" do
    found = lines(34, "hollow")
    expect(found.keys).to include("drill", "drilled")
    form = blank(34).form
    expect(found["drill"][:target][:value]).to be_within(0.1).of(form.wall_depth_mm - 3)
    expect(found["drill"][:message][:amounts][:torque][:value]).to be_within(0.01).of(
      MossyAnvil::Turn::Drilling.torque_nm(25, 590, end_grain: true)
    )
    expect(lines(39, "hollow").keys).not_to include("drill")
  end

  it "comes down in speed to a neck that still holds, and saws the rest" do
    found = lines(37, "mount", "ends")
    expect(found.keys.last(5)).to eq(%w[slow_down neck part_off look took])
    expect(found["neck"][:target][:value]).to be_between(1, 20)
  end

  it "climbs by rungs after it was put on the lathe, and never over the limit of the step" do
    told = card(39, "mount").to_h[:steps]
    told.each do |step|
      speeds =
        step[:lines].filter_map { |line| line[:target] && line[:target][:unit] == "rpm" && line[:target][:value] }
      expect(speeds).to eq(speeds.sort)
      expect(speeds).to all(be <= step[:limit_rpm] + 1e-9) if step[:limit_rpm]
    end
    expect(
      told.find { |step| step[:id] == "hollow" }[:lines].count { |line| line[:target]&.fetch(:unit) == "rpm" }
    ).to be > 2
  end

  describe "what may happen" do
    worked = MossyAnvil::Report::WorkedStep
    rows = MossyAnvil::Table.rows("troubles").select { |row| row["then"] }

    it "has lines for everything, at every step it may happen at, the lathe's with what keeps it slower" do
      expect(rows.size).to be > 20
      rows.each do |row|
        row["of"].each do |kind|
          found = worked.new(kind, 500).trouble(row["key"], amount: 90)
          expect(found[:lines].map { |line| line[:message][:key].split(".").last }).to eq(row["then"])
          slower = found[:lines].filter_map { |line| line[:target] }
          expect(slower.map { |target| target[:value] }).to all(eq(400))
        end
      end
    end

    it "has a piece that flew found, glued, waited for, measured and begun again slower" do
      lines = worked.new("hollow", 500).trouble("flew")[:lines]
      wait = lines.find { |line| line[:kind] == "wait" }
      expect(wait[:minutes]).to eq([30, 1440])
      expect(lines.last[:message][:key]).to end_with("slower")
    end

    it "refuses what does not happen at such a step" do
      expect { worked.new("coat", nil).trouble("flew") }.to raise_error(MossyAnvil::InvalidInput, %r{\A/trouble})
    end
  end
end
