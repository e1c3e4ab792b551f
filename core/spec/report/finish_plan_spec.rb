# frozen_string_literal: true

require_relative "../random_blanks"

RSpec.describe MossyAnvil::Report::FinishPlan do
  def demo(number) =
    MossyAnvil::Formats::BlankFile.read(
      File.read(Dir[File.expand_path("../../../demo/#{number}-*.json", __dir__)].first)
    )

  def climate(humidity) = MossyAnvil::Report::ShopClimate.new(temperature_c: 18, humidity: humidity)
  def notes(blank, humidity: 0.55) =
    described_class.new(blank, climate: climate(humidity)).to_h[:notes].to_h do |note|
      [note[:key].delete_prefix("finish_plan."), note[:amounts].transform_values { |amount| amount[:value] }]
    end

  it "says how much more soft parts drink, and what sealing them takes" do
    drinks = notes(demo(32))["drinks"]
    # Thin oil: 2.0 mm into spongy wood, 0.3 into medium.
    expect(drinks[:times]).to eq(6.7)
    expect(drinks[:sealer]).to be > 5
    expect(notes(demo(33))).not_to have_key("drinks")
  end

  it "says where soft and hard part ways under a pad: removal × (1 − slower / faster)" do
    lost =
      described_class.new(demo(36)).to_h[:parts]
        .select { |part| part[:stuff] == "sound" }
        .map { |part| part[:wall_lost_mm] }
        .max
    expect(notes(demo(36))["step"][:step]).to be_within(1e-9).of(lost * 0.4)
    expect(notes(demo(33))).not_to have_key("step")
  end

  it "compares another pass of a sharp edge where marks are deep" do
    part = MossyAnvil::Report::FinishPart.allocate
    scraped = Struct.new(:total_min, :wall_lost_mm)
    allow(part).to receive_messages(
      kind: "wood",
      stuff: "sound",
      mark_mm: 0.8,
      area_cm2: 1218.0,
      family: "drying_oil",
      wall_lost_mm: 1.0
    )
    allow(part).to receive(:sanded_from).with(0.3).and_return(scraped.new(32.5, 0.44))
    allow(part).to receive(:sanded_from).with(0.8).and_return(scraped.new(75.0, 0.94))
    note = MossyAnvil::Report::FinishNotes.new([part], dry_kg_m3: 580, climate: climate(0.5), form: nil).to_a.first
    # 12.18 dm2 at 2 minutes each, then from 0.3 mm.
    expect(note[:key]).to eq("finish_plan.recut")
    expect(note[:amounts][:minutes][:value]).to be_within(0.01).of(32.5 + 24.36)
    expect(note[:amounts][:wall][:value]).to be_within(1e-9).of(0.54)
  end

  it "keeps a film off what is near the dew point" do
    expect(MossyAnvil::Report::FinishNotes.dew_point_c(20, 0.5)).to be_within(0.05).of(9.3)
    film = JSON.parse(File.read(Dir[File.expand_path("../../../demo/33-*.json", __dir__)].first))
    film["route"] = { **film.fetch("route", {}), "finish" => { "outside_sound" => "varnish" } }
    varnished = MossyAnvil::Formats::BlankFile.read(JSON.generate(film))
    expect(notes(varnished, humidity: 0.9)).to have_key("dew")
    expect(notes(varnished, humidity: 0.6)).not_to have_key("dew")
    expect(notes(demo(33), humidity: 0.9)).not_to have_key("dew")
  end

  # The bowl of No. 32, buffed inside: a wheel 10 mm smaller than its mouth, an arm as long as its wall is deep.
  it "says what wheel reaches an inside that is buffed" do
    bowl = JSON.parse(File.read(Dir[File.expand_path("../../../demo/32-*.json", __dir__)].first))
    bowl["route"] = { "finish" => { "inside_sound" => "buffed", "outside_sound" => "buffed" } }
    blank = MossyAnvil::Formats::BlankFile.from_data(bowl)
    mouth = [blank.form.inside.points.first, blank.form.inside.points.last].map(&:last).max
    expect(notes(blank)["buff_inside"]).to eq(wheel: (2 * mouth) - 10, deep: blank.form.wall_depth_mm)
    expect(notes(demo(32))).not_to have_key("buff_inside")
  end

  it "is the same whether the speeds of the way are worked out or not" do
    [32, 34, 36, 39, 40, 41].each do |number|
      blank = demo(number)
      whole = MossyAnvil::Report::RouteReport.new(blank, ways: :taken)
      expect(described_class.new(blank).to_h).to eq(whole.finish.to_h), number.to_s
      expect(whole.steps.map(&:id)).to eq(
        MossyAnvil::Report::RouteReport.new(blank, ways: :taken, speeds: false).steps.map(&:id)
      )
    end
  end

  it "says which of its numbers are the shop's own" do
    rows = [{ kind: "soak_factor", of: "drying_oil", value: 1.44 }] * 4 + [{ kind: "soak_factor", of: "wax", value: 2 }]
    records = MossyAnvil::Model::ShopRecords.new(rows)
    told = described_class.new(demo(33), climate: climate(0.55), records: records).to_h[:notes]
    own = told.select { |note| note[:key].include?("own_") }
    expect(own.map { |note| note[:key] }).to eq(%w[finish_plan.own_soak])
    expect(own.first[:amounts].slice(:times, :records).transform_values { |amount| amount[:value] }).to eq(
      times: 1.2,
      records: 4
    )
  end

  it "warns of a finish that sets before it is spread, where there is too much skin for it" do
    pegs = JSON.parse(File.read(Dir[File.expand_path("../../../demo/35-*.json", __dir__)].first))
    plan =
      lambda do |families|
        pegs["route"] = { **pegs.fetch("route", {}), "finish" => families }
        described_class.new(MossyAnvil::Formats::BlankFile.from_data(pegs)).to_h[:conflicts].map { |one| one[:key] }
      end
    # 274 cm2 outside, 36 at the foot; CA is for 120.
    expect(plan.call("outside_sound" => "ca_film")).to include("finish_plan.large")
    expect(plan.call("foot_sound" => "ca_film")).not_to include("finish_plan.large")
  end

  it "holds the limits of speed, wall and film in plans made up from a seed" do
    made = RandomBlanks.new(19)
    lathe = BlankHelper::LATHE.merge("swing_mm" => 900, "between_centres_mm" => 900)
    Integer(ENV.fetch("PROOF_PLANS", "40")).times do |index|
      document = JSON.parse(JSON.generate(made.document.merge("lathe" => lathe)))
      blank = MossyAnvil::Formats::BlankFile.from_data(document)
      plan = described_class.new(blank).to_h
      assessed = MossyAnvil::Report::Assessment.new(blank).to_h
      route = MossyAnvil::Report::RouteReport.new(blank, ways: :taken)
      sanded = route.steps.find { |step| step.kind == "sand" }.after
      limit = route.reading(sanded, MossyAnvil::Solid::Stage.names_for(blank).last)[:limit_rpm]
      keys = plan[:conflicts].map { |note| note[:key] }
      plan[:parts].each do |part|
        expect(part[:rpm] || 0).to be <= limit + 1e-9, "seed 19, plan #{index}"
        expect(part[:minutes][0]).to be_between(0, part[:minutes][1])
        too_much = part[:wall_lost_mm] > assessed[:form][:least_wall_mm] * 0.15
        expect(keys).to include("finish_plan.wall") if too_much
      end
      expect(plan[:order]).to match_array(plan[:parts].map { |part| part[:key] })
    end
  end
end
