# frozen_string_literal: true

RSpec.describe MossyAnvil::Mend::Triage do
  def answer(defect, form: BlankHelper::BOWL)
    assess(defects: [defect], form: form)[:defects].first
  end

  let(:thick) { { kind: "disc", opens: "tail", outside: [[2, 118], [58, 118]], curve: "straight" } }

  it "follows the place, not the type: the same crack is cut away, filled, or goes through" do
    low, mid, deep =
      [[0, 3, 6], [30, 55, 16], [30, 55, 40]].map do |from, to, depth_mm|
        answer(crack(z_mm: [from, to], depth_mm: depth_mm))
      end
    expect([low, mid, deep].map { |report| report[:verdict] }).to eq(%w[cut_away fill fill])
    expect(mid[:reason]).to include(
      key: "triage.stays",
      amounts: a_hash_including(left: { value: be_positive, unit: "mm" })
    )
    expect(deep[:reason][:key]).to eq("triage.through_wall")
  end

  it "counts what stays of a crack from a face along the way it goes in" do
    from_top =
      crack(enters: "tail_face", path: [20, 24].map { |r_mm| { clock_deg: 60, r_mm: r_mm, z_mm: 60 } }, depth_mm: 56)
    # By hand: its tip is 4 mm from the head, the bowl's floor 14 mm: 10 mm stay, to one of twelve steps of depth.
    expect(answer(from_top)[:remaining_depth_mm]).to be_within(56.0 / 12).of(10)
    expect(
      answer(from_top, form: { kind: "disc", opens: "tail", outside: [[0, 118], [60, 118]], curve: "straight" })[
        :remaining_depth_mm
      ]
    ).to be_within(1e-9).of(56)
  end

  it "tells how much to fill with what, working time and ready time apart" do
    filler = answer(crack(z_mm: [30, 55], depth_mm: 40, width_mm: 4))[:filler]
    expect(filler).to include(key: "epoxy", working_min: 30, ready_min: 1440, dry_to_pct: 12)
    expect(answer(crack(z_mm: [30, 55], depth_mm: 40, width_mm: 0.2))[:filler]).to include(key: "thin_ca")
    expect(answer(crack(z_mm: [30, 55], depth_mm: 40, mend: "epoxy"))).to include(
      filler: nil,
      fill_volume_mm3: 0.0,
      verdict: "leave"
    )
  end

  it "leaves a closed pocket, fills one that opens, and says which goes both ways" do
    expect(answer(body("void", r_mm: 60, size_mm: [20, 20, 20], contents: "air"), form: thick)).to include(
      verdict: "leave",
      fill_volume_mm3: 0.0
    )
    opened = answer(body("void", r_mm: 116, size_mm: [20, 20, 20], contents: "air"), form: thick)
    expect(opened).to include(verdict: "fill", breaks_through: false)
    through = answer(body("void", r_mm: 96, z_mm: 40, size_mm: [60, 20, 20], contents: "air"))
    expect(through).to include(
      verdict: "fill",
      breaks_through: true,
      reason: a_hash_including(key: "triage.both_ways_fill")
    )
  end

  it "draws resin into galleries, counted by their holes alone" do
    field = body("galleries", r_mm: 112, size_mm: [20, 40, 40], hole_diameter_mm: 2, holes_per_cm2: 3)
    report = answer(field, form: thick)
    share = Math::PI / 4 * 4 * 3 / 100
    expect(report).to include(verdict: "soak", filler: a_hash_including(key: "thin_resin"))
    expect(report[:open_volume_mm3]).to be_within(1e-6).of(report[:occupied_mm3] * share)
  end

  it "holds bark and loose pieces, soaks soft wood, stops for stone and metal, lets knots be" do
    answers = {
      "hold" => [
        body("loose_piece", r_mm: 105, z_mm: 45, bonded_share: 0.3),
        {
          id: "k",
          type: "bark_inclusion",
          enters: "side",
          path: [{ clock_deg: 9, z_mm: 30 }, { clock_deg: 9, z_mm: 55 }],
          depth_mm: 40,
          width_mm: 4
        }
      ],
      "soak" => [body("soft_zone", r_mm: 100, z_mm: 40, grade: "soft")],
      "stop" => %w[stone metal].map { |of| body("hard_inclusion", r_mm: 100, z_mm: 45, of: of) },
      "leave" => [
        body("hard_inclusion", r_mm: 100, z_mm: 45, of: "knot"),
        body("resin_body", r_mm: 100, z_mm: 45, density_kg_m3: 1100)
      ]
    }
    answers.each { |verdict, defects| expect(defects.map { |defect| answer(defect)[:verdict] }).to all(eq(verdict)) }
  end

  it "stops for stone that an edge would strike, though the form turns it all away, and lets be what lies whole inside" do
    on_the_way = body("hard_inclusion", r_mm: 114, z_mm: 8, size_mm: [8, 8, 8], of: "stone")
    hidden = body("hard_inclusion", r_mm: 60, size_mm: [12, 12, 12], of: "metal")
    expect(answer(on_the_way)).to include(
      verdict: "stop",
      removed_share: 1.0,
      reason: {
        key: "triage.strikes",
        amounts: {
          what: {
            value: "hard_things.stone",
            unit: "term"
          },
          from: {
            value: 118.0,
            unit: "mm"
          },
          z: {
            value: 8.0,
            unit: "mm"
          }
        }
      }
    )
    expect(answer(hidden, form: thick)).to include(
      verdict: "leave",
      reason: a_hash_including(key: "triage.whole_inside")
    )
    expect(answer(body("void", r_mm: 105, z_mm: 45, size_mm: [20, 20, 20], contents: "stone"))).to include(
      verdict: "stop"
    )
  end

  it "holds a loose piece even where the form would turn it away: it flies off before" do
    expect(answer(body("loose_piece", r_mm: 116, z_mm: 4, size_mm: [6, 10, 4], bonded_share: 0.2))).to include(
      verdict: "hold",
      removed_share: 1.0
    )
  end

  it "says of a blank without a form only what can be known" do
    reports =
      assess(
        defects: [
          body("void", r_mm: 60, size_mm: [20, 20, 20], contents: "air"),
          crack(id: "k", type: "bark_inclusion").except(:through)
        ]
      )[
        :defects
      ]
    expect(reports.map { |report| report[:verdict] }).to eq(%w[leave hold])
    expect(keys(reports.map { |report| report[:reason] })).to eq(%w[triage.closed triage.bark])
  end

  it "counts a bark inclusion that crosses the wall as a way through" do
    bark = {
      id: "k",
      type: "bark_inclusion",
      enters: "side",
      path: [{ clock_deg: 9, z_mm: 30 }, { clock_deg: 9, z_mm: 55 }],
      depth_mm: 60,
      width_mm: 4
    }
    expect(assess(defects: [bark], form: BlankHelper::BOWL)[:form][:breaks_through]).to eq(["k"])
    spongy = body("soft_zone", r_mm: 96, z_mm: 40, size_mm: [60, 60, 30], grade: "spongy")
    expect(assess(defects: [spongy], form: BlankHelper::BOWL)[:form][:breaks_through]).to eq([])
  end
end
