# frozen_string_literal: true

# What is left to do of a piece, and what the board says of all of them.
RSpec.describe MossyAnvil::Report::BoardReport do
  monday_eight = 480
  air = MossyAnvil::Report::ShopClimate.new(temperature_c: 18.5, humidity: 0.64)
  bowl = {
    kind: "bowl",
    opens: "tail",
    outside: [[4, 50], [30, 95], [96, 120]],
    inside: [[16, 0], [30, 80], [96, 112]],
    curve: "smooth"
  }

  define_method(:plan) { |**about| MossyAnvil::Report::WorkPlan.new(blank(**about), climate: air).to_h }
  def demo(number) =
    MossyAnvil::Formats::BlankFile.read(
      File.read(Dir[File.expand_path("../../../demo/#{number}-*.anvil.json", __dir__)].first)
    )
  def of_demo(number) = MossyAnvil::Report::WorkPlan.new(demo(number), now: Time.utc(2030, 5, 1)).to_h
  def ids(plan) = plan[:steps].map { |step| step[:id] }

  def piece(id, plan, **about) =
    MossyAnvil::Report::BoardPiece.new(id: id, plan: plan, made_min: 480, lathe: "Big Dot", **about)
  define_method(:board) do |*pieces, minutes: 40, **about|
    described_class.new(
      pieces,
      workers: [],
      counts: {
        "Big Dot" => 1,
        **about.fetch(:counts, {})
      },
      from_min: about.fetch(:from_min, monday_eight),
      minutes: minutes
    ).to_h
  end
  def steps_of(board, id) = board[:pieces].find { |one| one[:id] == id }[:steps]

  describe MossyAnvil::Report::WorkPlan do
    it "leads to a form where there is none" do
      found = plan(shape: { type: "disc", diameter_mm: 200, length_mm: 80 })
      expect(ids(found)).to eq(%w[place_form])
      expect(found[:stopped][:key]).to eq("board.stopped.form")
      unseen = plan(material: material_data(species: "sugar_maple", character: %w[cracked], moisture_pct: 10))
      expect(ids(unseen)).to eq(%w[look_over place_form])
    end

    it "names what a step takes up, and lets run on the shelf what was weighed, in the oven nothing" do
      found = [of_demo(34)[:steps].first(2), of_demo(39)[:steps].first(1)].flatten
      expect(found.map { |step| step.slice(:id, :equipment, :running) }).to eq(
        [
          { id: "dry", equipment: ["oven"], running: false },
          { id: "stabilise", equipment: %w[oven vacuum_vessel], running: false },
          { id: "dry", equipment: [], running: true }
        ]
      )
    end

    it "has the steps on the lathe go on the lathe" do
      on = of_demo(37)[:steps].to_h { |step| [step[:id], step[:on_lathe]] }
      expect(on.select { |_, lathe| lathe }.keys).to eq(%w[mount true_up outside seat turn_round ends sand])
    end

    it "stops before what nothing holds safely, and says why" do
      found = of_demo(33)
      expect(found[:stopped][:key]).to eq("route.says.no_mount")
      expect(ids(found)).not_to include("hollow")
    end

    it "goes on within hours with wet wood that is opened, until it is put away" do
      wet = {
        material: material_data(species: "sugar_maple", density_kg_m3: 800, moisture_pct: 45),
        shape: {
          type: "disc",
          diameter_mm: 260,
          length_mm: 102
        },
        form: bowl
      }
      found = plan(**wet)[:steps]
      rough = found.index { |step| step[:kind] == "rough_out" }
      expect(found[1..rough].map { |step| step[:within_min] }.uniq).to eq([12 * 60])
      expect([found[0], *found.drop(rough + 1)].map { |step| step[:within_min] }.uniq).to eq([nil])
    end
  end

  it "leaves out what is done on a card, and takes its equipment until its wait is over" do
    card = { done: %w[dry stabilise], waits: { from_min: 400, until_min: 1000, kind: "stabilise" } }
    jar = piece(34, of_demo(34), card: card)
    other = piece(35, of_demo(34).then { |plan| { **plan, steps: plan[:steps].drop(1) } })
    found = board(jar, other)
    expect(steps_of(found, 34).first[:id]).to eq("mount")
    expect(found[:pieces].first[:under_way]).to include(until_min: 1000, holding: %w[oven vacuum_vessel])
    expect(steps_of(found, 35).first).to include(id: "stabilise", held_up_by: "oven")
    expect(steps_of(found, 35).first[:parts].first.first).to be >= 1000
  end

  it "waits for the rest of a drying that runs, from when its plan was made" do
    platter = of_demo(39)
    found = board(piece(39, platter, weighed_min: 100))
    expect(found[:pieces].first[:under_way][:weigh_min]).to eq(100 + (7 * 1440))
    wait = platter[:steps].first[:wait_days][:likely] * 1440
    expect(found[:pieces].first[:under_way][:until_min]).to eq(480 + wait.ceil)
    expect(steps_of(found, 39).first[:id]).to eq(platter[:steps][1][:id])
  end

  it "says why each of what can be done now is worth doing" do
    pegs, knob = of_demo(35), of_demo(40)
    found =
      board(
        piece(1, pegs),
        piece(2, pegs, due_min: 1440),
        piece(3, knob),
        piece(4, { steps: [], stopped: nil }),
        minutes: 240
      )
    why = found[:now].to_h { |one| [one[:id], one[:why][:key]] }
    expect(why).to eq(2 => "board.why.late", 1 => "board.why.waits", 3 => "board.why.waits")
    expect(found[:now].first[:id]).to eq(2)
    done = { **knob, steps: knob[:steps].last(1) }
    expect(board(piece(5, done))[:now].first[:why][:key]).to eq("board.why.last")
  end

  it "says what decides the day, the longest first" do
    told = board(piece(1, of_demo(35), due_min: 1440))[:pieces].first
    expect(told[:late_min]).to eq(told[:finish_min] - 1440)
    expect(told[:decided_by].map { |share| share.values_at(:step, :what) }).to eq([["cast", :wait], ["coat", :wait]])
  end

  it "calls nothing late that stops on its way" do
    told = board(piece(1, of_demo(33), due_min: 0))[:pieces].first
    expect(told).to include(finish_min: nil, late_min: nil)
    expect(told[:stopped][:key]).to eq("route.says.no_mount")
  end

  it "gives no day where something is lacking" do
    jar = of_demo(34).then { |plan| { **plan, steps: plan[:steps].drop(1) } }
    told = board(piece(1, jar), counts: { "oven" => 0 })[:pieces].first
    expect([told[:finish_min], told[:stopped][:key]]).to eq([nil, "board.stopped.lacks"])
  end
end
