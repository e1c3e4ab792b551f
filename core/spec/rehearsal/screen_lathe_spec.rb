# frozen_string_literal: true

require_relative "../held_objects"

RSpec.describe MossyAnvil::Rehearsal::ScreenLathe do
  include BlankHelper

  demo =
    lambda do |number|
      MossyAnvil::Formats::BlankFile.read(
        File.read(Dir[File.expand_path("../../../demo/#{number}-*.json", __dir__)].first)
      )
    end
  # What a rehearsal is played on, once for the whole file: it takes a second.
  settings =
    Hash.new do |all, (number, seed)|
      all[[number, seed]] = MossyAnvil::Rehearsal::Setting.new(demo.call(number), seed: seed)
    end
  setting = ->(number, seed = nil) { settings[[number, seed]] }
  report = ->(lathe) { MossyAnvil::Rehearsal::RehearsalReport.new(lathe).to_h }

  # Does what the plan does, up to a step of that kind or to the end; the acts.
  by_plan =
    lambda do |lathe, upto = nil|
      until lathe.ended || lathe.step&.kind == upto
        lathe.play([{ "act" => "speed", "rpm" => lathe.step.rpm }]) if lathe.step.rpm.positive?
        lathe.regions.each_index { |index| lathe.play([{ "act" => "cut", "region" => index }]) unless lathe.ended }
        lathe.play([{ "act" => "go_on" }]) unless lathe.ended
      end
      lathe
    end

  it "comes to exactly the plan's own numbers where the truth is the survey and the turner keeps to the plan" do
    [32, 33, 36].each do |number|
      on = setting.call(number)
      told = report.call(by_plan.call(described_class.new(on)))
      expect(told).to include(events: [], at: on.plan.steps.size)
      expect(told[:ended]).to include(sound: true, event: nil)
      likely = on.plan.alternative.finish.to_h[:likely]
      expect(told[:minutes]).to be_within(1e-6).of(on.plan.steps.sum(&:hands_min))
      expect(told[:days]).to be_within(1e-9).of(likely)
      expect(told[:cost]).to be_within(1e-6).of(on.tally.cost([]))
      expect(told[:steps].map { |step| step[:limit_rpm] }).to eq(on.plan.steps.map(&:rpm))
    end
  end

  it "keeps none of the solids that its speeds were worked out from: they are large" do
    [33, 39].each do |number|
      on = setting.call(number, 3)
      expect(HeldObjects.of(on, MossyAnvil::Rehearsal::Plan)).to eq([on.plan])
      expect(HeldObjects.of(on, MossyAnvil::Report::SolidAnalysis).size).to eq(0)
    end
  end

  it "meets on a truth what the odds' own play of it meets, at the same steps" do
    met =
      [[41, 1], [41, 2], [32, 1], [39, 3]].sum do |number, seed|
        on = setting.call(number, seed)
        lathe = by_plan.call(described_class.new(on))
        meets =
          MossyAnvil::Rehearsal::Meets.new(
            on.plan,
            on.truth,
            climate: MossyAnvil::Report::ShopClimate.new,
            fineness: :default,
            wall_n: {
            }
          )
        played = MossyAnvil::Rehearsal::Play.new(meets.to_a).events
        expect(lathe.events.map { |one| [one.step, one.key, one.of] }).to eq(
          played.map { |one| [one.step, one.key, one.of] }
        )
        played.size
      end
    expect(met).to be > 2
  end

  describe "a speed that is too much" do
    on = -> { setting.call(32) }

    it "ends it with what gave way, its energy and the sign that was there on the way up" do
      lathe = by_plan.call(described_class.new(on.call), "hollow")
      bears = lathe.met.runs_rpm
      lathe.play([0.5, 0.8, 0.95].map { |share| { "act" => "speed", "rpm" => share * bears } })
      expect(lathe.ended).to be_nil
      expect(report.call(lathe)[:senses][:signs]).to include(a_hash_including(level: "clear"))
      lathe.play([{ "act" => "speed", "rpm" => 1.02 * bears }])
      told = report.call(lathe)[:ended]
      expect(told[:event]).to include(key: "crack_runs", step: lathe.step.id, then: "lost")
      expect(told[:bears_rpm]).to be_within(1e-9).of(bears)
      step = lathe.step
      thrown =
        MossyAnvil::Turn::LoosePiece.throw_energy_j(
          step.mass_g / 2,
          step.blank.form.outside.largest_mm * Math.sqrt(0.5),
          1.02 * bears
        )
      expect(told[:event][:energy_j]).to be_within(1e-9).of(thrown)
      expect(told[:signs].map { |sign| [sign[:key], sign[:level]] }).to eq([%w[ticks faint], %w[ticks clear]])
      expect { lathe.play([{ "act" => "look" }], at: "/act") }.to raise_error(MossyAnvil::InvalidInput, %r{/act/0/act})
    end

    it "gives no sign to who goes there in one go" do
      lathe = by_plan.call(described_class.new(on.call), "hollow")
      lathe.play([{ "act" => "speed", "rpm" => 1.2 * lathe.met.runs_rpm }])
      expect(lathe.ended.event.key).to eq("crack_runs")
      expect(lathe.ended.signs).to be_empty
    end
  end

  it "bears more with a thicker wall, less with a thinner one, and a mended crack runs no more" do
    on = setting.call(32)
    hollow = on.plan.steps.find { |step| step.kind == "hollow" }
    wall = ->(mm) { on.met(hollow, MossyAnvil::Rehearsal::Setting::Situation.new([], mm)).wall_share }
    planned = on.met(hollow, MossyAnvil::Rehearsal::Setting::AS_PLANNED).wall_share
    expect(wall.call(on.wall_mm - 2)).to be < planned
    expect(wall.call(on.wall_mm + 3)).to be > planned

    cracked = setting.call(41, 1)
    turned = cracked.plan.steps.find { |step| step.rpm.positive? }
    crack = turned.blank.defects.find { |defect| defect.crack? && defect.parts? }
    mended = MossyAnvil::Rehearsal::Setting::Situation.new([crack.id], nil)
    expect(cracked.met(turned, MossyAnvil::Rehearsal::Setting::AS_PLANNED).runs_rpm).to be_positive
    expect(cracked.met(turned, mended).runs_rpm).to be_nil
  end

  it "cuts the outline down to the form, share by share" do
    lathe = by_plan.call(described_class.new(setting.call(33)), "outside")
    form = lathe.blank.form.outside
    middle = (form.first_z_mm + form.last_z_mm) / 2
    lathe.play([{ "act" => "speed", "rpm" => lathe.step.rpm }])
    before = lathe.outline.skin_mm(middle)
    lathe.regions.each_index { |index| lathe.play([{ "act" => "cut", "region" => index, "share" => 0.5 }]) }
    half = lathe.outline.skin_mm(middle)
    lathe.regions.each_index { |index| lathe.play([{ "act" => "cut", "region" => index }]) }
    expect(lathe.outline.skin_mm(middle)).to be_within(1.0).of(form.radius_mm(middle))
    expect(half).to be_within(0.6).of((before + form.radius_mm(middle)) / 2)
  end

  it "says at its field what cannot be done" do
    lathe = by_plan.call(described_class.new(setting.call(32)), "outside")
    refused = ->(act, at) do
      expect { lathe.play([act]) }.to raise_error(MossyAnvil::InvalidInput) { |error|
        expect(error.faults.first.path).to eq("/0#{at}")
      }
    end
    refused.call({ "act" => "cut", "region" => 0 }, "/act")
    refused.call({ "act" => "go_on" }, "/act")
    refused.call({ "act" => "fly" }, "/act")
    refused.call({ "act" => "speed" }, "/rpm")
    refused.call({ "act" => "speed", "rpm" => Float::NAN }, "/rpm")
    refused.call({ "act" => "speed", "rpm" => -1 }, "/rpm")
    refused.call({ "act" => "speed", "rpm" => 1e9 }, "/rpm")
    refused.call({ "act" => "tap", "clock_deg" => 0, "z_mm" => 1e6 }, "/z_mm")
    refused.call({ "act" => "feel", "of" => "nobody" }, "/of")
    refused.call({ "act" => "mend" }, "/of")
    lathe.play([{ "act" => "speed", "rpm" => 100 }])
    refused.call({ "act" => "look" }, "/act")
    refused.call({ "act" => "cut", "region" => 99 }, "/region")
    refused.call({ "act" => "cut", "region" => 0, "tool" => "spoon" }, "/tool")
    refused.call({ "act" => "cut", "region" => 0, "share" => 2 }, "/share")
    refused.call({ "act" => "cut", "region" => 0, "chip" => "huge" }, "/chip")
  end

  describe MossyAnvil::Rehearsal::HandTests do
    void = ->(clock, r) do
      MossyAnvil::Model::BodyDefect.new(
        id: "v",
        type: "void",
        centre: {
          clock_deg: clock,
          r_mm: r,
          z_mm: 40
        },
        size_mm: [10, 10, 10],
        detail: {
          contents: "air"
        }
      )
    end
    tests = ->(*defects) { described_class.new(defects, ->(_, _) { 100.0 }) }

    it "sounds dull over a hollow that lies near, and clear elsewhere" do
      near = tests.call(void.call(90, 80))
      expect(near.tap(90, 40)).to eq(dull: true)
      expect(near.tap(270, 40)).to eq(dull: false)
      expect(tests.call(void.call(90, 40)).tap(90, 40)).to eq(dull: false)
    end

    it "goes in with an awl only where there is something to go into" do
      expect(tests.call(void.call(90, 95)).awl(90, 40)[:depth_mm]).to eq(12.0)
      expect(tests.call(void.call(90, 60)).awl(90, 40)[:depth_mm]).to eq(0.0)
    end

    it "feels a crack's true depth, and nothing where there is none" do
      deep = crack(id: "A", depth_mm: 17)
      surveyed = blank(defects: [deep])
      own = described_class.new(surveyed.defects, ->(_, _) { 100.0 })
      expect(own.feel("A")).to eq(depth_mm: 17.0)
      expect([own.feel("B"), own.pry("B")]).to eq([nil, nil])
      expect(own.pry("A")).to eq(moves: false)
    end
  end
end
