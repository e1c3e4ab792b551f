# frozen_string_literal: true

RSpec.describe "Sanding and finish, hand-checked" do
  coats = MossyAnvil::Finish::Coats

  def search(**about)
    usual = { area_cm2: 1218, density_kg_m3: 650, mark_mm: 0.3, last: 320, k: 3.0, ratio: 1.6 }
    MossyAnvil::Finish::PaperSearch.new(**usual, **about)
  end

  describe "papers" do
    it "E43: the least time from a mark to the last grit" do
      expect(search.papers).to eq([100, 120, 180, 240, 320])
      expect(search.minutes.map { |one| one.round(1) }).to eq([16.4, 3.8, 4.5, 4.1, 3.7])
      expect(search.total_min).to be_within(0.05).of(32.5)
      expect(search.cost([150, 220, 320])).to be_within(0.05).of(35.2)
      expect(search.wall_lost_mm).to be_within(0.005).of(0.44)
      deep = search(mark_mm: 0.8)
      expect([deep.papers.first, deep.total_min.round]).to eq([40, 45])
    end

    it "is as quick as the quickest of all sequences there are" do
      random = Random.new(43)
      grits = MossyAnvil::Table["grits"]["median_um"].keys
      200.times do
        one =
          search(
            mark_mm: 0.02 + random.rand,
            last: grits[random.rand(4..13)],
            ratio: [1.35, 1.6, 2.2].sample(random: random),
            coarsest: [nil, 60, 100].sample(random: random)
          )
        expect(one.total_min).to be_within(1e-9).of(one.every.map { |papers| one.cost(papers) }.min)
      end
    end

    it "never takes less for more area, denser stock or a deeper mark, and no coarser paper than it may" do
      expect(search(area_cm2: 2000).total_min).to be > search.total_min
      expect(search(density_kg_m3: 900).total_min).to be > search.total_min
      expect([0.02, 0.1, 0.3, 0.5, 0.8].map { |mark| search(mark_mm: mark).total_min }.each_cons(2)).to all(
        satisfy { |less, more| more > less }
      )
      expect(search(mark_mm: 0.8, coarsest: 100).papers.first).to eq(100)
      expect(search(mark_mm: 9).papers.first).to eq(40)
      expect(search(mark_mm: 0.01).papers).to eq([320])
    end

    it "says which of what was given is no use" do
      { area_cm2: -1, density_kg_m3: Float::NAN, mark_mm: 0, last: 333, k: 0, ratio: 1 }.each do |name, value|
        expect { search(name => value) }.to raise_error(MossyAnvil::InvalidInput, %r{\A/#{name}: is })
      end
    end
  end

  it "E44: what a first coat soaks in" do
    depths = MossyAnvil::Table.row("finishes", "drying_oil")["into"]
    expect(depths).to eq([0.15, 0.3, 0.6, 2.0])
    expect(coats.soak_ml("drying_oil", 100, 580)).to be_within(0.05).of(1.8)
    expect(coats.soak_ml("drying_oil", 100, 580, spongy: true)).to be_within(0.05).of(12.3)
    expect(coats.soak_ml("drying_oil", 100, 470)).to be_within(0.05).of(100 * 0.06 * (1 - (470 / 1500.0)))
    first, second, third = coats.ml("drying_oil", 100, 580)
    expect([second, third]).to eq([first / 2, first / 4])
    expect(coats.ml("varnish", 100, nil)).to all(be_within(1e-9).of(0.4))
  end

  it "E45: what polishing leaves of a film of CA" do
    expect(coats.ca_left_um(8)).to be_within(0.5).of(154)
    expect(coats.ca_left_um(coats.ca_coats)).to be >= 60
    expect(coats.ca_left_um(coats.ca_coats - 1)).to be < 60
  end

  it "E46: the rim of a wheel" do
    expect(coats.wheel_m_s(200, 1200)).to be_within(0.05).of(12.6)
    expect(MossyAnvil::RimSpeed.rpm(12, 200)).to be_within(1.5).of(1145)
  end

  it "takes longer in the cold, and twice as long again where it is slow there" do
    varnish, lacquer = %w[varnish lacquer].map { |family| coats.row(family) }
    expect(coats.hours(varnish, "recoat", 20)).to eq(24)
    expect(coats.hours(varnish, "recoat", 30)).to eq(12)
    expect(coats.hours(varnish, "recoat", 10)).to eq(96)
    expect(coats.hours(lacquer, "recoat", 10)).to eq(2)
  end

  # 100 cm2 at 580 kg/m3 dry: 1.84 ml first (E44), then halves: 3.22 of three coats. Four records of 1.44 count as much
  # as the table: 1.2 times.
  it "takes what the tin says over the class's number, and own records over both" do
    rows = %w[soak_factor coat_time_factor].flat_map { |kind| [{ kind: kind, of: "drying_oil", value: 1.44 }] * 4 }
    own = MossyAnvil::Model::ShopRecords.new(rows)
    usual, tin, both =
      [{}, { sheet: { "recoat_h" => 6.0 } }, { sheet: { "recoat_h" => 6.0 }, records: own }].map do |about|
        MossyAnvil::Finish::Product.new("drying_oil", **about)
      end
    expect([usual, tin, both].map { |one| one.hours("recoat", 20).round(3) }).to eq([24, 6, 7.2])
    expect([usual, tin, both].map { |one| one.ml(100, 580).sum.round(2) }).to eq([3.22, 3.22, 3.86])
    expect(both.usual_hours("recoat", 20)).to eq(6)
    expect(both.usual_ml(100, 580)).to eq(usual.ml(100, 580))
    expect(MossyAnvil::Finish::Product.new("varnish", records: own).hours("cure", 20)).to eq(336)
  end

  it "puts on as many coats as are asked for, of what is coated at all" do
    expect(coats.ml("ca_film", 100, nil, coats: 3)).to eq([0.4] * 3)
    expect(coats.ml("bare", 100, 580, coats: 3)).to eq([])
  end

  it "says of every pair of families whether one holds over the other" do
    keys = MossyAnvil::Table.rows("finishes").map { |row| row["key"] }
    expect(keys.size).to be >= 14
    verdicts = keys.product(keys).to_h { |pair| [pair, coats.over(*pair)[0]] }
    expect(verdicts.values.uniq).to contain_exactly("yes", "wait", "no")
    expect(verdicts).to include(
      %w[wax varnish] => "no",
      %w[drying_oil ca_film] => "no",
      %w[drying_oil lacquer] => "wait",
      %w[shellac_sealer lacquer] => "yes",
      %w[varnish wax] => "yes",
      %w[non_drying_oil epoxy_film] => "no"
    )
  end

  describe MossyAnvil::Report::FinishPlan do
    demos =
      Dir[File.expand_path("../../../demo/*.anvil.json", __dir__)]
        .map { |path| MossyAnvil::Formats::BlankFile.read(File.read(path)) }
        .select(&:form)
    let(:wet) { MossyAnvil::Report::ShopClimate.new(humidity: 0.8) }

    it "has a plan for every part of every demo blank, whose areas add up to the skin" do
      demos.each do |blank|
        plan = described_class.new(blank).to_h
        area = MossyAnvil::Solid::SkinArea.new(blank.on_centres.form, blank.shape)
        whole = (area.outside_mm2 + area.inside_mm2) / 100
        expect(plan[:parts].sum { |part| part[:area_cm2] }).to be_within(0.01 * whole).of(whole), blank.name
        expect(plan[:order]).to match_array(plan[:parts].map { |part| part[:key] })
        plan[:parts].each do |part|
          expect(part[:minutes][0]).to be <= part[:minutes][1]
          expect(part[:papers]).to eq(part[:papers].sort)
        end
      end
    end

    # Shares of the outside that are resin and soft, from the painted grid: each place by its own cell under the skin.
    def painted_shares(blank)
      grid = MossyAnvil::Solid::Grid.over(blank.shape, fineness: :fine)
      painter = MossyAnvil::Solid::FieldRasterizer.new(grid, blank)
      low, high = blank.form.z_span_mm
      clock = Numo::DFloat.new(180).seq * 2
      found =
        Array.new(150) do |index|
          z_mm = low + ((high - low) * (index + 0.5) / 150)
          radius = blank.form.outside.radius_mm(z_mm)
          slope = (blank.form.outside.radius_mm([z_mm + 0.05, high].min) - radius) / 0.05
          rods = (grid.columns_at(clock) * grid.axial) + grid.layers_at((clock * 0) + z_mm)
          at = [rods, grid.cells_at((clock * 0) + radius - 0.2)]
          resin = painter.own_strength ? painter.own_strength.at(*at).gt(0) : Numo::Bit.zeros(180)
          soft = painter.strength.at(*at).lt(0.999) & ~resin
          Numo::DFloat[1, resin.count_true / 180.0, soft.count_true / 180.0] * (radius * Math.hypot(1, slope))
        end
      found.inject(:+).to_a.then { |area, resin, soft| { resin: resin / area, soft: soft / area } }
    end

    it "sees resin and soft wood on as much of the outside as the painted solid has, within 2 %" do
      [32, 34, 36].each do |number|
        blank = demos.find { |one| one.number == number }.on_centres
        outside = MossyAnvil::Finish::SkinParts.new(blank).areas.select { |(side, _), _| side == "outside" }
        %i[resin soft].each do |stuff|
          share = outside.fetch(["outside", stuff.to_s], 0) / outside.values.sum
          expect(share).to be_within(0.02).of(painted_shares(blank)[stuff]), "#{number} #{stuff}"
        end
      end
      expect(painted_shares(demos.find { |one| one.number == 32 }.on_centres)[:soft]).to be > 0.1
    end

    it "treats soft wood and cast resin apart: soft drinks more, resin takes no oil and is polished last" do
      bowl = described_class.new(demos.find { |blank| blank.number == 32 }).to_h[:parts].to_h { |one| [one[:key], one] }
      drinks = ->(part) { part[:coats].sum { |coat| coat[:ml] } / part[:area_cm2] }
      expect(drinks[bowl["outside_soft"]]).to be > 5 * drinks[bowl["outside_sound"]]
      expect(bowl["outside_soft"][:papers].first).to eq(100)
      table = described_class.new(demos.find { |blank| blank.number == 36 }).to_h
      expect(table[:order].last(3)).to all(end_with("_resin"))
      expect(table[:conflicts].map { |one| one[:key] }).to include("finish_plan.keep_off")
      resin = table[:parts].find { |part| part[:key] == "inside_resin" }
      expect(resin[:coats].sum { |coat| coat[:ml] }).to eq(0)
      expect(resin[:papers].last).to eq(2000)
    end

    it "refuses what the wood, the air or the use does not stand" do
      data = JSON.parse(File.read(Dir[File.expand_path("../../../demo/39-*.json", __dir__)].first))
      said =
        lambda do |family, climate|
          own = data.merge("route" => { "finish" => { "outside_sound" => family } })
          blank = MossyAnvil::Formats::BlankFile.from_data(own)
          described_class.new(blank, climate: climate).to_h[:conflicts].map { |one| one[:key] }
        end
      expect(said.call("ca_film", wet)).to include("finish_plan.too_wet")
      expect(said.call("lacquer", wet)).to include("finish_plan.blushes")
      expect(said.call("lacquer", MossyAnvil::Report::ShopClimate.new)).not_to include("finish_plan.blushes")
      expect { said.call("tar", wet) }.to raise_error(MossyAnvil::InvalidInput, %r{\A/route/finish/outside_sound: is })
    end

    it "has a row for every family a file may name" do
      named = JSON.parse(File.read(File.expand_path("../../data/blank-7.schema.json", __dir__)))
      families = named["properties"]["route"]["properties"]["finish"]["additionalProperties"]["enum"]
      expect(families).to eq(MossyAnvil::Table.rows("finishes").map { |row| row["key"] })
    end
  end
end
