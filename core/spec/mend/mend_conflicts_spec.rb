# frozen_string_literal: true

RSpec.describe MossyAnvil::Mend::MendConflicts do
  def plan(steps, **changes) = MossyAnvil::Report::MendReport.new(blank(**changes, mend: { steps: steps })).to_h
  def said(step) = keys(step[:says])
  def stops(found) = found[:steps].flat_map { |step| keys(step[:says].select { |one| one[:tone] == "stop" }) }

  let(:soft) { body("soft_zone", id: "s", grade: "soft", r_mm: 90, z_mm: 30, size_mm: [40, 60, 40]) }
  let(:open) { crack(id: "k", z_mm: [5, 55], depth_mm: 30, width_mm: 1.5) }
  let(:wet) { { defects: [open, soft], form: BlankHelper::BOWL } }

  it "names soaking after filling" do
    found = plan([{ id: "f", do: "fill", of: ["k"] }, { id: "v", do: "stabilise", of: ["s"] }], **wet)
    expect(stops(found)).to include("conflicts.pores_closed")
    expect(
      stops(plan([{ id: "v", do: "stabilise", of: ["s"] }, { id: "f", do: "fill", of: ["k"] }], **wet))
    ).not_to include("conflicts.pores_closed")
  end

  it "names moisture above the gate, and none after drying to it" do
    damp = { **wet, material: material_data(moisture_pct: 18) }
    expect(stops(plan([{ id: "f", do: "fill", of: ["k"] }], **damp))).to include("conflicts.too_wet")
    expect(
      stops(plan([{ id: "d", do: "dry", to_pct: 11, in: "room" }, { id: "f", do: "fill", of: ["k"] }], **damp))
    ).to eq([])
  end

  it "names a hot oven over a filler that softens" do
    found = plan([{ id: "f", do: "fill", of: ["k"], with: "epoxy" }, { id: "v", do: "stabilise", of: ["s"] }], **wet)
    expect(stops(found)).to include("conflicts.softens")
    oven =
      plan([{ id: "f", do: "fill", of: ["k"], with: "epoxy" }, { id: "d", do: "dry", to_pct: 2, in: "oven" }], **wet)
    expect(stops(oven)).to include("conflicts.softens")
  end

  it "names sealer under a bond" do
    found = plan([{ id: "s", do: "soak", of: ["k"], with: "sealer" }, { id: "g", do: "glue", of: ["k"] }], **wet)
    expect(stops(found)).to include("conflicts.no_bond")
  end

  it "names levelling before what is under it is hard" do
    early = [{ id: "f", do: "fill", of: ["k"], after_h: 0.2 }, { id: "n", do: "sand", of: [] }]
    expect(stops(plan(early, **wet))).to include("conflicts.hurried")
    expect(stops(plan([early[0].except(:after_h), early[1]], **wet))).to eq([])
    # Nothing after it but the lathe: named all the same.
    expect(stops(plan(early.first(1), **wet))).to include("conflicts.hurried")
    expect(stops(plan([early[0].merge(after_h: 900)], **wet))).to eq([])
  end

  it "names a hot oven over what was glued long before the plan" do
    glued = { **wet, defects: [crack(id: "old", clock_deg: 300, mend: "epoxy"), soft] }
    found = plan([{ id: "v", do: "stabilise", of: ["s"] }], **glued, material: material_data(moisture_pct: 1))
    expect(stops(found)).to eq(["conflicts.softens"])
    what = found[:steps].first[:says].find { |advice| advice[:tone] == "stop" }[:amounts][:what][:value]
    expect(values(what)).to eq(id: "old", filler: "tables.fillers.epoxy.name")
  end

  it "names the same defect mended twice, a step that mends nothing, a defect in no step" do
    found =
      plan(
        [{ id: "f", do: "fill", of: ["k"] }, { id: "g", do: "fill", of: ["k"] }, { id: "h", do: "glue", of: [] }],
        **wet
      )
    expect(said(found[:steps][1])).to include("conflicts.twice")
    expect(said(found[:steps][2])).to include("conflicts.nothing_named")
    expect(found[:left_out]).to eq(["s"])
  end
end
