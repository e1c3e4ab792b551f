# frozen_string_literal: true

require "open3"
require "tempfile"

RSpec.describe MossyAnvil::Turn::SetOuts do
  it("E23: a 25 mm bit at 15 m/min turns at 191 rpm") do
    expect(described_class.drill_rpm(15, 25)).to be_within(0.5).of(191)
  end

  it "E24: M8 at three quarters of the thread wants 6.99 mm, M6 5.19, and the hole goes three pitches and a point deeper" do
    expect(described_class.tapping_drill_mm(8, 1.25, 0.75)).to be_within(0.01).of(6.99)
    expect(described_class.tapping_drill_mm(6, 1.0, 0.75)).to be_within(0.01).of(5.19)
    expect(described_class.tapping_depth_mm(12, 1.25, 2)).to be_within(1e-9).of(17.75)
  end

  it("E26: a sphere of 80 has its flat from 23.43 mm, 33.14 long") do
    expect(described_class.sphere_facet_mm(80)).to match([be_within(0.005).of(23.43), be_within(0.005).of(33.14)])
  end
  it("E27: three feet on a radius of 38 are 65.82 apart") do
    expect(described_class.feet_chord_mm(38, 3)).to be_within(0.005).of(65.82)
  end
  it("a ring of size 54 has a bore of 17.19 mm") do
    expect(described_class.ring_bore_mm(54)).to be_within(0.005).of(17.19)
  end
end

RSpec.describe MossyAnvil::Report::SetOutReport do
  def numbers(form, asked = {}, **changes) = described_class.new(blank(form: form, **changes), asked).to_h

  it "gives a station every so often, from the foot, and the far end itself" do
    found = numbers(BlankHelper::BOWL, { every_mm: 20.0 })
    expect(found[:stations].map { |row| row[:from_foot_mm] }).to eq([0, 20, 40, 52])
    expect(found[:stations].first).to include(z_mm: 4, diameter_mm: 90.0, inside_mm: nil)
    expect(found[:stations].last).to include(diameter_mm: 220.0, inside_mm: be_within(1e-9).of(200))
    expect(found[:depths]).to include(hollow_mm: 42.0, floor_mm: 10.0, bit_mark_mm: 52 - 10 - 3.0)
  end

  it "speaks of a sphere's flats, a ring's core and a lid's fit only where there is one" do
    made = ->(kind) do
      JSON.parse(JSON.generate(MossyAnvil::Model::FormMaker.new(blank, kind).form), symbolize_names: true)
    end
    expect(numbers(BlankHelper::BOWL).values_at(:sphere, :ring, :lid, :insert)).to eq([nil, nil, nil, nil])
    expect(numbers(made["sphere"])[:sphere][:diameter_mm]).to be_within(0.1).of(55.2)
    expect(numbers(ring(30, 20, 40))[:ring]).to include(bore_mm: 40.0, core_mm: be_within(1e-9).of(39.9))
    lid = numbers(made["box"])[:lid]
    expect(lid[:fits].map { |fit| (lid[:mouth_mm] - fit[:spigot_mm]).round(2) }).to eq([0.15, 0.05, 0.0])
    expect(numbers(made["knob"], { thread: "m8" })[:insert]).to include(
      thread: "M8",
      drill_mm: be_within(0.01).of(6.99)
    )
  end

  it "glues an insert in with room for the glue, and says what the hole leaves round it and under it" do
    ask = ->(**hole) do
      numbers(BlankHelper::BOWL, { bit_mm: 20.0, hole: { takes: "insert", from: "foot", deep_mm: 4.0, **hole } })[:hole]
    end
    keys = ->(found) { found[:lines].map { |line| line[:message][:key].split(".").last } }
    found = ask.call
    # A floor of 10 mm; the foot is 90 across.
    expect(found).to include(across_mm: be_within(1e-9).of(20.1), left_mm: 6.0, says: [])
    expect(found[:wall_mm]).to be_within(1e-9).of(45 - 10.05)
    expect(keys.call(found)).to eq(%w[drill drilled hollow_face try_insert scratch_insert glue_insert glued])
    expect(found[:lines].last[:minutes]).to eq([30, 1440])
    expect(ask.call(deep_mm: 7.0)[:says].map { |one| one[:key] }).to eq(["steps.hole.under_thin"])
    through = ask.call(deep_mm: 11.0)
    expect(through).to include(left_mm: 0.0, says: [])
    expect(keys.call(through).first).to eq("back_exit")
    wide = numbers(BlankHelper::BOWL, { bit_mm: 86.0, hole: { takes: "nothing", from: "foot", deep_mm: 4.0 } })[:hole]
    expect(wide[:says].map { |one| one[:key] }).to eq(["steps.hole.wall_thin"])
    wider = numbers(BlankHelper::BOWL, { bit_mm: 96.0, hole: { takes: "nothing", from: "foot", deep_mm: 4.0 } })[:hole]
    expect(wider).to include(wall_mm: 0.0)
    expect(wider[:says].map { |one| one[:key] }).to eq(["steps.hole.as_wide"])
  end

  it "taps a thread with the tailstock free, and drills no faster than the piece may turn" do
    found =
      numbers(
        BlankHelper::BOWL,
        { thread: "m6", engaged_mm: 3.0, hole: { takes: "thread", from: "foot", deep_mm: 4.0 } },
        defects: [crack(id: "A", depth_mm: 60)]
      )[
        :hole
      ]
    expect(found[:lines].map { |line| line[:message][:key].split(".").last }).to include(
      "relieve_edge",
      "tap",
      "harden_thread"
    )
    drill = found[:lines].find { |line| line[:message][:key].end_with?(".drill") }
    # 20 m/min at 5.2 mm would be 1,224.
    expect(drill[:message][:amounts][:rpm][:value]).to be < 1100
    expect(found[:across_mm]).to be_within(0.01).of(5.19)
  end

  it "drills plastic slower, and clears wet wood sooner" do
    plastic =
      numbers(
        BlankHelper::BOWL,
        {},
        material: {
          kind: "non_wood",
          species: "acrylic",
          density_kg_m3: 1180,
          moisture_pct: 0,
          grain: "none"
        }
      )[
        :drill
      ]
    expect(plastic[:from_rpm]).to be_within(0.5).of(127)
    expect(numbers(BlankHelper::BOWL, { bit_mm: 30.0 }, material: material_data(moisture_pct: 30))[:drill]).to include(
      clear_mm: 15.0,
      pilot: true
    )
  end

  it "refuses so many stations, a thread there is none of, and a blank without a form" do
    expect { numbers(BlankHelper::BOWL, { every_mm: 0.1 }) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/every_mm: is 0.1: 1 mm or more}
    )
    expect { numbers(BlankHelper::BOWL, { thread: "m99" }) }.to raise_error(
      MossyAnvil::InvalidInput,
      %r{/thread: is .*: m4, m5}
    )
    expect { described_class.new(blank) }.to raise_error(MossyAnvil::InvalidInput, %r{/document/form: is missing})
  end
end

RSpec.describe MossyAnvil::Formats::FormMesh do
  # What Debian's own mesh tool says of it: [open edges, volume in mm3].
  def looked_at(piece)
    Tempfile.create(%w[piece .stl], binmode: true) do |file|
      file.write(described_class.new(piece).stl)
      file.flush
      said, = Open3.capture2e("/usr/bin/admesh", file.path)
      [
        said[/Total disconnected facets\s*:\s*(\d+)/, 1].to_i,
        said[/Volume\s*:\s*([-\d.]+)/, 1].to_f,
        said[/Facets reversed\s*:\s*(\d+)/, 1].to_i
      ]
    end
  end

  def ours(piece) = MossyAnvil::Report::Assessment.new(piece, fineness: :fine).to_h[:stages].values.last[:volume_mm3]

  it "is closed, the right way out, and holds as much as the piece within half a part in a hundred" do
    made = ->(kind) do
      JSON.parse(JSON.generate(MossyAnvil::Model::FormMaker.new(blank, kind).form), symbolize_names: true)
    end
    pieces = [
      blank(form: BlankHelper::BOWL),
      blank(form: ring(60, 50, 40)),
      *%w[sphere hollow_form stem_cup].map { |kind| blank(form: made[kind]) },
      blank(
        form:
          BlankHelper::BOWL.merge(
            opens: "head",
            outside: [[4, 110], [40, 85], [56, 45]],
            inside: [[4, 100], [42, 50], [46, 0]]
          )
      ),
      blank(shape: { type: "block", width_mm: 170, height_mm: 200, length_mm: 60 }, form: BlankHelper::BOWL)
    ]
    pieces.each do |piece|
      open, volume, reversed = looked_at(piece)
      expect([open, reversed]).to eq([0, 0])
      expect(volume).to be_within(0.005 * ours(piece)).of(ours(piece))
    end
  end
end

RSpec.describe MossyAnvil::Formats::FormTemplate do
  it "draws the outside where it is, and the gauge's dashes half a mm off it" do
    svg = described_class.new(blank(form: BlankHelper::BOWL.merge(curve: "straight"))).svg
    places = ->(id) { svg[/id="#{id}"[^>]* d="M([^"Z]+)/, 1].split("L").map { |place| place.split.map(&:to_f) } }
    expect(places["outside"].first).to eq([0.0, 45.0])
    expect(places["outside"].last).to eq([52.0, 110.0])
    expect(svg).to include(">90<", ">140<", 'id="scale"')
    edge, dashes = places["gauge"], places["no-go"]
    middle = dashes.size / 4
    apart = edge.first(dashes.size).map { |x, y| Math.hypot(x - dashes[middle][0], y - dashes[middle][1]) }.min
    expect(apart).to be_within(0.05).of(0.5)
  end
end
