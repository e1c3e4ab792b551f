# frozen_string_literal: true

require_relative "../random_blanks"

# The whole way of a piece, as a turner reads it.
RSpec.describe MossyAnvil::Report::RouteReport do
  maple = { species: "sugar_maple", density_kg_m3: 800, moisture_pct: 28, character: %w[cracked wet], pith: "out" }
  block = { type: "disc", diameter_mm: 260, length_mm: 102 }
  bowl = {
    kind: "bowl",
    opens: "tail",
    outside: [[4, 50], [30, 95], [96, 120]],
    inside: [[16, 0], [30, 80], [96, 112]],
    curve: "smooth"
  }.freeze

  def route(chosen: {}, climate: {}, **changes)
    described_class.new(blank(**changes), climate: MossyAnvil::Report::ShopClimate.new(**climate), chosen: chosen).to_h
  end

  # Wet, cracked maple; with changes.
  define_method(:wet_bowl) do |material: {}, form: bowl, **changes|
    {
      material: material_data(**maple, **material),
      shape: block,
      form: form,
      defects: [crack(depth_mm: 29)],
      **changes
    }
  end

  def way(found, key) = found[:alternatives].find { |one| one[:key] == key }
  def kinds(way) = way[:steps].map { |step| step[:kind] }
  def likely(way) = way[:finish_days][:likely]
  def dries(way) = way[:steps].select { |step| step[:kind] == "dry" }

  it "roughs wet maple out, dries it by its wall, glues it dry, trues it up and finishes it" do
    found = route(**wet_bowl)
    expect(found[:recommended]).to eq("rough_out")
    expect(kinds(way(found, "rough_out"))).to eq(
      %w[mount true_up outside seat turn_round rough_out dry fill level retrue hollow foot sand coat done]
    )
    expect(likely(way(found, "rough_out"))).to be_between(30, 90)
    expect(likely(way(found, "dry_whole"))).to be > 300
    expect(values(found[:reason])).to include(wall: 24.0)
  end

  it "roughs out a wood of no name in the tables too: it shrinks as wood usually does" do
    own = wet_bowl[:material].merge("species" => "harbour oak")
    found = route(**wet_bowl, material: own)
    expect(found[:recommended]).to eq("rough_out")
    expect(dries(way(found, "rough_out")).first[:safe_points_a_day]).to be_positive
    expect(MossyAnvil::Model::Material.new(**own.transform_keys(&:to_sym)).shrinking_stock.tangential_pct).to eq(8.3)
  end

  it "goes through the places in order, each as wet as the next one's air allows" do
    regimes = dries(way(route(**wet_bowl), "rough_out")).first[:regimes]
    expect(regimes.map { |one| one[:place] }).to eq(%w[shavings bag room])
    expect(regimes.map { |one| one[:from_pct] }.drop(1)).to eq(regimes.map { |one| one[:to_pct] }[0..-2])
    drier = MossyAnvil::Mend::SafeDrying::STRAIN_PCT / 9.9 * 30
    regimes.each_cons(2) { |one, next_one| expect(one[:to_pct] - next_one[:emc_pct]).to be <= drier + 1e-9 }
    # In its own shavings nothing but their wrapping holds it back: no faster than it may go.
    expect(regimes.first[:rate_bound]).to be(true)
  end

  it "lays out each answer as a whole way of its own, and takes the turner's" do
    found = route(**wet_bowl)
    expect(found[:alternatives].map { |one| one[:key] }).to include("rough_out", "dry_whole", "turn_wet")
    chosen = route(chosen: { "wet" => "turn_wet" }, **wet_bowl)
    expect(chosen[:alternatives].first[:key]).to eq("turn_wet")
    expect(chosen[:recommended]).to eq("rough_out")
    thin = way(chosen, "turn_wet")
    expect(kinds(thin)).not_to include("rough_out")
    expect(kinds(thin).index("hollow")).to be < kinds(thin).index("dry")
  end

  it "dries a thinner wall sooner" do
    walls =
      [8, 12, 20, 30].map do |wall|
        form = bowl.except(:inside).merge(follows: { wall_mm: wall, floor_mm: wall })
        dries(way(route(**wet_bowl(form: form)), "rough_out")).sum { |step| step[:wait_days][:likely] }
      end
    expect(walls).to eq(walls.sort)
    expect(walls.first).to be < walls.last
  end

  it "comes to a moisture no sooner in colder or damper air, and cures no sooner in a colder shop" do
    cast = { steps: [{ id: "dry", do: "dry", to_pct: 12 }, { id: "c", do: "fill", of: ["b"], with: "epoxy" }] }
    days =
      lambda do |**air|
        found = route(climate: air, **wet_bowl(material: { moisture_pct: 13.5 }, mend: cast))
        steps = found[:alternatives].first[:steps].select { |step| step[:stretch] == "mend" && step[:wait_days] }
        steps.to_h { |step| [step[:kind], step[:wait_days][:likely]] }
      end
    warm = days[temperature_c: 22, humidity: 0.5]
    expect(days[temperature_c: 22, humidity: 0.6]["dry"]).to be > warm["dry"]
    cold = days[temperature_c: 12, humidity: 0.5]
    expect(cold["dry"]).to be >= warm["dry"]
    expect(cold["fill"]).to be > warm["fill"]
  end

  it "never turns a stage faster than it may go as it is then" do
    found = route(**wet_bowl)
    limits = way(found, "rough_out")[:steps].filter_map { |step| step[:limit_rpm] }
    expect(limits).to all(be > 0)
    hollow = way(found, "rough_out")[:steps].find { |step| step[:kind] == "rough_out" }
    expect(hollow[:limit_rpm]).to be <= assess(**wet_bowl)[:stages][:outside][:limit_rpm]
    expect(keys(hollow[:says])).to include("route.says.hollowed_open")
  end

  it "names what never dries in this air, at the step" do
    found = route(climate: { humidity: 0.9 }, **wet_bowl(material: { moisture_pct: 60 }))
    way = found[:alternatives].first
    stuck = dries(way).select { |step| step[:wait_days][:likely].nil? }
    expect(way[:finish_days][:likely].nil?).to eq(stuck.any?)
  end

  it "mends before the lathe what opens the wall, and says what it fills" do
    open = crack(depth_mm: 115, z_mm: [30, 95])
    found = route(**wet_bowl(material: { moisture_pct: 10, character: ["cracked"] }, defects: [open]))
    expect(found[:recommended]).to eq("mend_first")
    steps = kinds(way(found, "mend_first"))
    expect(steps.index("fill")).to be < steps.index("mount")
    later = kinds(way(found, "turn_first"))
    expect(later.index("fill")).to be > later.index("hollow")
    expect(kinds(way(found, "turn_past"))).not_to include("fill")
  end

  it "takes out first what an edge must not meet, also where the form turns it away" do
    grit = body("void", r_mm: 20, z_mm: 50, size_mm: [20, 20, 20], contents: "dirt")
    stone = body("hard_inclusion", id: "s", r_mm: 100, z_mm: 50, size_mm: [15, 15, 15], of: "stone")
    steps = route(**wet_bowl(material: { moisture_pct: 10 }, defects: [grit, stone]))[:alternatives].first[:steps]
    expect(steps.first).to include(kind: "dig_out", of: %w[v s])
  end

  it "turns nothing first that comes apart, and calls it unsafe where one would" do
    demo = Dir[File.expand_path("../../../demo/40-*.anvil.json", __dir__)].first
    found = described_class.new(MossyAnvil::Formats::BlankFile.read(File.read(demo))).to_h
    expect(found[:recommended]).to eq("mend_first")
    lathe = way(found, "turn_first")[:steps].select { |step| step[:stretch] == "turn" }
    expect(lathe.first).to include(unsafe: true, limit_rpm: 0.0)
    expect(keys(lathe.first[:says])).to include("route.says.unsafe")
  end

  it "holds the piece as it is mended and dried by then, not as it was surveyed" do
    demo =
      MossyAnvil::Formats::BlankFile.read(
        File.read(Dir[File.expand_path("../../../demo/40-*.anvil.json", __dir__)].first)
      )
    route = described_class.new(demo, ways: :taken)
    mount = route.steps.find { |step| step.kind == "mount" }
    expect(mount.limit_rpm).to be > 0
    as_surveyed = MossyAnvil::Report::MountReport.new(demo).to_h[:steps].first
    expect(as_surveyed[:limit_rpm].to_f).to be < mount.limit_rpm
    # A block glued to wet wood comes off; once it is dry it may hold.
    wet = wet_bowl(material: { moisture_pct: 30 })
    judged = ->(water) do
      report = MossyAnvil::Report::MountReport.new(blank(**wet), moisture_pct: water).to_h
      report[:steps].first[:mounts].find { |one| one[:key] == "glue_block" }[:says].map { |one| one[:key] }
    end
    expect(judged.call(30)).to eq(["mounts.not.too_wet"])
    expect(judged.call(9)).not_to include("mounts.not.too_wet")
  end

  it "leaves a plan of the turner's own as it is, and lays the route round it" do
    own = { steps: [{ id: "mine", do: "fill", of: ["b"], with: "epoxy" }] }
    found = route(**wet_bowl(material: { moisture_pct: 10 }, mend: own))
    expect(found[:alternatives].size).to eq(1)
    expect(found[:alternatives].first[:steps].first).to include(id: "mine", kind: "fill", of: ["b"])
  end

  it "sends an unsurveyed difficult blank to its survey first" do
    found = route(**wet_bowl(material: { moisture_pct: 10, character: ["spalted"] }, defects: []))
    expect(kinds(found[:alternatives].first).first).to eq("look_over")
  end

  it "goes on from what is done: nothing of it lies ahead, and the wall that is there dries" do
    done = { choices: {}, done: [{ step: "rough_out", on: "2030-05-02", wall_mm: 20, moisture_pct: 22 }] }
    before, after = route(**wet_bowl), route(**wet_bowl(route: done))
    steps = way(after, "rough_out")[:steps]
    expect(steps.take_while { |step| step[:done] }.map { |step| step[:kind] }).to eq(
      %w[mount true_up outside seat turn_round rough_out]
    )
    expect(steps.drop(6).map { |step| step[:done] }.uniq).to eq([false])
    expect(way(after, "rough_out")[:hands_h]).to be < way(before, "rough_out")[:hands_h]
    dried = ->(found) { dries(way(found, "rough_out")).first }
    expect(dried[after][:regimes].first[:from_pct]).to eq(22)
    expect(dried[after][:wait_days][:likely]).to be < dried[before][:wait_days][:likely]
    # What is roughed out is not dried whole any more, nor turned thin while wet.
    expect(after[:alternatives].map { |one| one[:key] } & %w[dry_whole turn_wet]).to eq([])
    water = assess(**wet_bowl(route: done))[:drying]
    expect(water).to include(thickness_mm: 20.0, moisture_pct: 22.0)
  end

  it "tells the next move the same: rough it out while it is wet, then let it dry; whole where one decided so" do
    move = ->(**about) { assess(**wet_bowl(**about))[:next_move] }
    expect(move[]).to include(key: "move.rough_out", station: "turn", ready: true)
    expect(move[route: { choices: { wet: "dry_whole" } }]).to include(key: "move.dry", ready: false)
    roughed = { done: [{ step: "rough_out", on: "2030-05-02", wall_mm: 24, moisture_pct: 26 }] }
    expect(move[route: roughed]).to include(key: "move.dry")
    expect(move[route: { choices: { wet: "turn_wet" } }]).not_to include(action: "weigh")
  end

  it "takes the turner's own order, names what comes too early by it, and puts back what was moved" do
    ids = ->(found) { found[:alternatives].first[:steps].map { |step| step[:id] } }
    usual = ids[route(**wet_bowl)]
    early = route(**wet_bowl(route: { order: %w[mount rough_out outside] }))
    expect(ids[early].sort).to eq(usual.sort)
    expect(ids[early].index("rough_out")).to be < ids[early].index("outside")
    stopped = early[:alternatives].first[:steps].select { |step| keys(step[:says]).include?("route.says.too_early") }
    expect(stopped.map { |step| step[:id] }).to include("rough_out")
    expect(early[:alternatives].first[:conflicts]).to be > 0
    # An order that says what is so anyway changes nothing, to the last digit.
    same = route(**wet_bowl(route: { order: usual }))
    expect(same[:alternatives].first[:steps]).to eq(route(**wet_bowl)[:alternatives].first[:steps])
    expect(same[:alternatives].first[:finish_days]).to eq(route(**wet_bowl)[:alternatives].first[:finish_days])
  end

  it "leaves out and adds what the turner says, and counts it so" do
    plain = route(**wet_bowl)[:alternatives].first
    own = { id: "own-1", name: "Burn the mark", hands_min: 12, wait_h: 24 }
    changed = route(**wet_bowl(route: { left_out: ["sand"], own: [own], order: %w[coat own-1] }))[:alternatives].first
    sand = changed[:steps].find { |step| step[:id] == "sand" }
    expect(sand).to include(left_out: true)
    expect(changed[:hands_h]).to be_within(1e-9).of(plain[:hands_h] + ((12 - sand[:hands_min]) / 60.0))
    expect(changed[:finish_days][:likely]).to be_within(0.2).of(plain[:finish_days][:likely] + 1)
    expect(changed[:steps].map { |step| step[:id] }.each_cons(2)).to include(%w[coat own-1])
  end

  describe "by the scale" do
    define_method(:weighed) do |*grams|
      days = grams.size.times.map { |week| (Time.utc(2030, 4, 1) + (week * 7 * 86_400)).iso8601 }
      pins = { depth_mm: 10, at: { clock_deg: 0, z_mm: 50 } }
      metered = { kind: "moisture", value: 28, taken_at: days.first, **pins }
      readings = [metered, *grams.zip(days).map { |value, day| { kind: "mass", value: value, taken_at: day } }]
      route(**wet_bowl, readings: readings, chosen: { "wet" => "dry_whole" })[:alternatives].first
    end

    it "is dry where a week took less than 0.2 % of its weight, and not where it took more" do
      expect(kinds(weighed(4320, 3960, 3952.2))).not_to include("dry")
      expect(kinds(weighed(4320, 3960, 3951.9))).to include("dry")
      expect(kinds(weighed(4320, 3960))).to include("dry")
      expect(kinds(weighed(4320, 4315))).to include("dry")
    end

    it "is weighed every week, the last time at the likely end, and at most twelve times" do
      dries(route(**wet_bowl)[:alternatives].first).each do |step|
        days = step[:weigh_days]
        expect(days.last).to be_within(1e-9).of(step[:wait_days][:likely])
        gaps = [0, *days].each_cons(2).map { |from, to| to - from }
        expect(gaps.max - gaps.min).to be < 1e-6
        expect(days.size == 12 || gaps.max <= 7).to be(true)
      end
    end
  end

  describe "where something opens on the way" do
    late = { id: "Z", found_on: "2030-05-02", path: [{ clock_deg: 100, z_mm: 30 }, { clock_deg: 100, z_mm: 90 }] }
    dry = { species: "sugar_maple", density_kg_m3: 700, moisture_pct: 9, character: [] }

    define_method(:steps) do |marks|
      found =
        route(
          **wet_bowl(
            material: dry,
            defects: [crack(depth_mm: 29), crack(depth_mm: 20, **late)],
            route: {
              done: marks,
              choices: {
                cracks: "mend_first"
              }
            }
          )
        )
      found[:alternatives].first[:steps]
    end
    def mends(steps) =
      steps.select { |step| %w[glue fill].include?(step[:kind]) }.map { |step| step.slice(:id, :of, :done) }

    it "takes no mending for done because a later step is: it comes next, and levelling after it" do
      found = steps([{ step: "outside", on: "2030-05-02" }])
      expect(mends(found).map { |step| step.values_at(:of, :done) }).to eq([[%w[b Z], false]])
      expect(found.map { |step| step[:id] }.tally.values.max).to eq(1)
      expect(found.find { |step| !step[:done] }[:id]).to eq(mends(found).first[:id])
      expect(found.select { |step| step[:done] }.map { |step| step[:id] }).to end_with("mount", "true_up", "outside")
      expect(found.reject { |step| step[:done] }.map { |step| step[:kind] }).to include("level", "hollow")
    end

    it "mends what was found after the day its like was done, and not what was known then" do
      id = mends(steps([])).first[:id]
      marks = %w[2030-05-01 2030-05-02].map { |day| [{ step: id, on: day }, { step: "outside", on: "2030-05-03" }] }
      expect(marks.map { |list| mends(steps(list)).reject { |step| step[:done] }.flat_map { |step| step[:of] } }).to eq(
        [["Z"], []]
      )
    end

    it "mends what was found on the same day, where it was written down what the mending was for" do
      id = mends(steps([])).first[:id]
      marks = [{ step: id, on: "2030-05-02", of: ["b"] }, { step: "outside", on: "2030-05-02" }]
      expect(mends(steps(marks))).to eq(
        [{ id: id, of: ["b"], done: true }, { id: "#{id}-more", of: ["Z"], done: false }]
      )
      done = [*marks, { step: "#{id}-more", on: "2030-05-02", of: ["Z"] }]
      expect(mends(steps(done))).to eq([{ id: id, of: %w[b Z], done: true }])
    end
  end

  it "never moves what is done, whatever is put in or asked for" do
    done = [{ step: "outside", on: "2030-05-02" }]
    own = { id: "own-a", name: "Look at it", hands_min: 5 }
    found = route(**wet_bowl(route: { done: done, own: [own], order: %w[own-a seat sand outside mount] }))
    steps = found[:alternatives].first[:steps]
    expect(steps.take_while { |step| step[:done] }.map { |step| step[:id] }).to eq(%w[mount true_up outside])
    expect(steps.reject { |step| step[:done] }.first[:id]).to eq("own-a")
  end

  it "stops nothing of its own order, for any demo blank but where the lathe cannot hold or turn it" do
    reasons = %w[route.says.too_early]
    Dir[File.expand_path("../../../demo/*.anvil.json", __dir__)].each do |path|
      demo = MossyAnvil::Formats::BlankFile.read(File.read(path))
      next unless demo.form

      steps = described_class.new(demo).to_h[:alternatives].flat_map { |one| one[:steps] }
      expect(steps.flat_map { |step| keys(step[:says]) } & reasons).to eq([]), path
    end
  end

  it "is whole for blanks made up from a seed: in order, nothing negative, nothing too early, the advised among them" do
    made = RandomBlanks.new(2031)
    25.times do
      found = described_class.new(MossyAnvil::Formats::BlankFile.from_data(made.document)).to_h
      expect(found[:alternatives].map { |one| one[:key] }).to include(found[:recommended])
      found[:alternatives].each do |one|
        steps = one[:steps]
        expect(steps.map { |step| step[:id] }.uniq.size).to eq(steps.size)
        numbers = steps.flat_map { |step| [step[:hands_min], step[:limit_rpm], *step[:wait_days]&.values].compact }
        expect(numbers).to all(be >= 0)
        expect(one[:finish_days].values.compact).to eq(one[:finish_days].values.compact.sort)
        expect(steps.flat_map { |step| keys(step[:says]) }).not_to include("route.says.too_early")
      end
    end
  end

  it "goes on where the form was changed to one that is not roughed out any more" do
    done = { done: [{ step: "rough_out", on: "2030-05-02", wall_mm: 24, moisture_pct: 22 }] }
    solid = bowl.except(:inside)
    narrow = { kind: "bowl", opens: "tail", outside: [[4, 20], [96, 30]], inside: [[16, 0], [96, 24]], curve: "smooth" }
    [solid, narrow].each do |form|
      found = route(**wet_bowl(form: form, route: done))
      expect(found[:alternatives].flat_map { |one| kinds(one) }).not_to include("rough_out")
    end
  end

  it "tells the next move the same: what is turned first is not mended first, but what would come loose is" do
    key = ->(**about) { assess(**wet_bowl(material: { moisture_pct: 10 }, **about))[:next_move][:key] }
    expect(key[]).to eq("move.mend")
    expect(key[route: { choices: { cracks: "turn_first" } }]).to eq("move.mount")
  end

  it "oils wood and polishes what is none" do
    resin = { kind: "resin", species: "acrylic", density_kg_m3: 1180, moisture_pct: 0, grain: "none" }
    rod = { kind: "spindle", opens: "tail", outside: [[5, 15], [55, 18]], curve: "straight" }
    found = route(material: resin, shape: { type: "disc", diameter_mm: 40, length_mm: 60 }, form: rod)
    expect(kinds(found[:alternatives].first)).to include("buff")
    expect(kinds(found[:alternatives].first)).not_to include("coat")
  end

  it "asks for a form" do
    expect { route(material: material_data(**maple)) }.to raise_error(MossyAnvil::InvalidInput, %r{/form: is missing})
  end

  Dir[File.expand_path("../../../demo/*.anvil.json", __dir__)].each do |path|
    demo = MossyAnvil::Formats::BlankFile.read(File.read(path))
    next unless demo.form

    it "is whole for #{File.basename(path, ".anvil.json")}: ids once, days in order, hands and costs summed" do
      found = described_class.new(demo).to_h
      expect(found[:alternatives].map { |one| one[:key] }).to include(found[:recommended])
      found[:alternatives].each do |one|
        ids = one[:steps].map { |step| step[:id] }
        expect(ids.uniq).to eq(ids)
        starts = one[:steps].map { |step| step[:starts_days][:likely] }.compact
        expect(starts).to eq(starts.sort)
        expect(one[:hands_h]).to be_within(1e-9).of(one[:steps].sum { |step| step[:hands_min] } / 60.0)
        expect(one[:finish_days].values.compact).to eq(one[:finish_days].values.compact.sort)
      end
      expect(found[:alternatives].map { |one| kinds(one) + [one[:hands_h]] }.uniq.size).to eq(found[:alternatives].size)
    end
  end

  describe "the hours of" do
    def demo(number, **route)
      document = JSON.parse(File.read(Dir[File.expand_path("../../../demo/#{number}-*.json", __dir__)].first))
      document["route"] = { **document.fetch("route", {}), **route.transform_keys(&:to_s) }
      MossyAnvil::Formats::BlankFile.from_data(document)
    end

    def steps(blank, **about)
      MossyAnvil::Report::RouteReport.new(blank, ways: :taken, **about).steps.to_h { |step| [step.kind, step] }
    end

    it "a turning step are those of its cuts, beside what it takes to set it up" do
      found = steps(demo(33))
      cuts = MossyAnvil::Report::CutReport.new(demo(33)).to_h[:regions].group_by { |region| region[:step] }
      %w[true_up outside seat foot].each do |kind|
        minutes = cuts.fetch(kind).sum { |region| region[:minutes].sum / 2 }
        base = MossyAnvil::Table.row("route", kind)["base_min"]
        expect(found[kind].hands_min).to be_within(1e-6).of(base + minutes), kind
      end
      # What no speed is safe for is counted by the litre: it has no cuts.
      hollow = found["hollow"]
      expect([hollow.cuts, hollow.turns_not]).to eq([nil, hollow.turns_not])
      expect(hollow.hands_min).to be > MossyAnvil::Table.row("route", "hollow")["base_min"]
    end

    it "the finish are its plan's, with waits by its coats and grams by its millilitres" do
      found = steps(demo(33))
      plan = MossyAnvil::Report::FinishPlan.new(demo(33)).to_h[:parts]
      sanding = plan.sum { |part| part[:minutes].sum / 2 }
      papers = plan.first[:papers].size
      row = MossyAnvil::Table.row("route", "sand")
      expect(found["sand"].hands_min).to be_within(1e-6).of(row["base_min"] + sanding + (row["min_per_grit"] * papers))
      # Three coats of oil at 20 C: 24 h, 24 h, then 6 h until it may be handled.
      expect(found["coat"].wait.likely).to be_within(1e-9).of(54 / 24.0)
      ml = plan.sum { |part| part[:coats].sum { |coat| coat[:ml] } }
      expect(found["coat"].materials.map { |one| [one.key, one.amount] }).to match(
        [["drying_oil", be_within(1e-6).of(ml * 0.92)]]
      )
    end

    it "a piece left bare are none of coats" do
      bare = %w[outside inside foot].to_h { |side| ["#{side}_sound", "bare"] }
      coat = steps(demo(33, finish: bare))["coat"]
      expect([coat.hands_min, coat.wait, coat.materials, coat.name[:key]]).to eq([0, nil, [], "route.left_bare"])
    end

    it "cuts go by the shop's own records, step by step" do
      records = MossyAnvil::Model::ShopRecords.new([{ kind: "cutting_factor", of: "outside", value: 4.0 }] * 4)
      usual, own = [{}, { records: records }].map { |about| steps(demo(33), **about) }
      base = MossyAnvil::Table.row("route", "outside")["base_min"]
      expect(own["outside"].hands_min - base).to be_within(1e-6).of(2 * (usual["outside"].hands_min - base))
      expect(own["foot"].hands_min).to eq(usual["foot"].hands_min)
    end
  end
end
