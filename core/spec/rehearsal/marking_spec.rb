# frozen_string_literal: true

RSpec.describe MossyAnvil::Rehearsal::Marking do
  blank_of = ->(document) { MossyAnvil::Formats::BlankFile.from_data(document) }
  made = ->(level, seed) { MossyAnvil::Rehearsal::BlindBlank.new(seed: seed, level: level) }
  form_on =
    lambda do |blank|
      form = MossyAnvil::Model::FormMaker.new(blank.on_centres, "bowl").to_h[:form]
      blank.with_form(MossyAnvil::Model::Form.new(**JSON.parse(JSON.generate(form), symbolize_names: true)))
    end

  it "gives most to who found everything and says what is right, least to who looked at nothing" do
    practice = made.call(1, 3)
    truth = blank_of.call(practice.truth_document)
    right = described_class.new(form_on.call(truth), truth, "turn").to_h
    expect(right).to include(right: "turn", score: be > 95)
    expect(right[:marks].values.sum).to eq(right[:score])
    nothing = described_class.new(blank_of.call(practice.document.merge("defects" => [])), truth, "leave").to_h
    expect(nothing).to include(score: 0.0, yours: nil)
    expect(nothing[:survey][:missed].map { |one| one[:id] }).to eq(truth.defects.map(&:id))
  end

  it "plays the learner's way on the truth, exactly as the core's limits on that truth have it" do
    practice = made.call(3, 3)
    truth = blank_of.call(practice.truth_document)
    surveyed = form_on.call(blank_of.call(practice.document))
    told = described_class.new(surveyed, truth, "care").to_h
    route = MossyAnvil::Report::RouteReport.new(surveyed, ways: :taken)
    plan = MossyAnvil::Rehearsal::Plan.new(route, MossyAnvil::Report::CutReport.new(surveyed, route: route))
    known = MossyAnvil::Rehearsal::RevealedTruth.new(surveyed, truth)
    climate = MossyAnvil::Report::ShopClimate.new
    meets = MossyAnvil::Rehearsal::Meets.new(plan, known, climate: climate, fineness: :default, wall_n: {})
    events = MossyAnvil::Rehearsal::Play.new(meets.to_a).events
    expect(told[:yours][:events].map { |one| one.slice(:key, :step) }).to eq(
      events.map { |one| { key: one.key, step: one.step } }
    )
    expect(events).not_to be_empty
    expect(told[:best][:sound]).to be(true)
    expect(told[:marks][:way]).to eq(0)
  end

  describe MossyAnvil::Rehearsal::RevealedTruth do
    it "is as deep as it is, mended where it was mended, without what was feared, with what nobody wrote down" do
      practice = made.call(3, 2)
      truth = blank_of.call(practice.truth_document)
      feared =
        MossyAnvil::Model::BodyDefect.new(
          id: "F",
          type: "void",
          centre: {
            clock_deg: 100,
            r_mm: 5,
            z_mm: 50
          },
          size_mm: [5, 5, 5],
          detail: {
            contents: "air"
          }
        )
      seen = blank_of.call(practice.document)
      surveyed = seen.with_defects([*seen.defects.map { |one| one.id == "A" ? one.mended_with("epoxy") : one }, feared])
      known = described_class.new(surveyed, truth)
      found = known.of(surveyed).defects
      expect(found.map(&:id).sort).to eq(truth.defects.map(&:id).sort)
      first = found.find { |one| one.id == "A" }
      expect(first.depth_mm).to eq(truth.defects.find { |one| one.id == "A" }.depth_mm)
      expect(first.mended?).to be(true)
      expect(known.hidden.map(&:id)).to eq(truth.defects.reject(&:path?).map(&:id))
    end
  end

  it "names the test that reaches a thing, and none for what lies too deep" do
    base = made.call(1, 2)
    seen = blank_of.call(base.document)
    body = ->(id, r_mm) do
      MossyAnvil::Model::BodyDefect.new(
        id: id,
        type: "void",
        centre: {
          clock_deg: 90,
          r_mm: r_mm,
          z_mm: seen.shape.length_mm / 2
        },
        size_mm: [6, 6, 6],
        detail: {
          contents: "air"
        }
      )
    end
    radius = seen.shape.max_radius_mm
    truth = seen.with_defects([body.call("near", radius - 15)])
    deep = seen.with_defects([body.call("deep", 5)])
    tests = [truth, deep].map { |one| MossyAnvil::Rehearsal::Reveal.new(seen, one).to_h[:missed].first[:test] }
    expect(tests).to eq(%w[tap none])
  end
end
