# frozen_string_literal: true

# The work of the whole shop laid out over hands, lathes and equipment. Minutes are counted from a Monday's midnight.
RSpec.describe MossyAnvil::Shop::Schedule do
  day = 1440
  eight, twelve, four = 480, 720, 960

  def hours(*spans) = MossyAnvil::Shop::WorkingHours.new(spans)
  def worker(id, *spans) = MossyAnvil::Shop::Worker.new(id: id, hours: hours(*spans))
  def step(id, hands, wait = 0, **about) =
    MossyAnvil::Shop::JobStep.new(id: id, hands_min: hands, wait_min: wait, **about)
  def job(id, *steps, **about) = MossyAnvil::Shop::Job.new(id: id, steps: steps, **about)
  def schedule(jobs, workers, counts = {}, from = 480) = described_class.new(jobs, workers, counts, from)
  def begins(found, id) = found.placed.fetch(id).map(&:from_min)

  weekdays = (1..5).map { |weekday| [weekday, eight, four] }
  define_method(:ines) { worker("Ines", *weekdays) }
  define_method(:wren) { worker("Wren", *(1..5).map { |weekday| [weekday, eight, twelve] }) }

  it "begins what waits longest first, where nothing is due" do
    found = schedule([job("quick", step("sand", 60)), job("slow", step("pour", 30, 4320), step("turn", 60))], [ines])
    expect(begins(found, "slow").first).to eq(eight)
    expect(begins(found, "quick")).to eq([eight + 30])
    expect(found.placed["slow"].map(&:until_min)).to eq([eight + 30 + 4320, eight + 30 + 4320 + 60])
  end

  it "begins what is due first before what waits longer" do
    due = job("due", step("sand", 60), due_min: 2 * day)
    found = schedule([job("slow", step("pour", 30, 4320)), due], [ines])
    expect(begins(found, "due")).to eq([eight])
  end

  it "begins what spoils before what waits longer" do
    found = schedule([job("slow", step("pour", 30, 4320)), job("cup", step("fill", 20, 60, within_min: 30))], [ines])
    expect(begins(found, "cup")).to eq([eight])
    expect(found.placed["cup"].first).not_to be_spoilt
  end

  it "says of what is begun too late that it spoils" do
    found = schedule([job("cup", step("pour", 20, 600), step("next layer", 20, within_min: 240))], [ines])
    expect(found.placed["cup"].map(&:spoilt?)).to eq([false, true])
  end

  it "works in somebody's hours alone, and does in one go what fits into a day" do
    found = schedule([job("bowl", step("hollow", 300)), job("knob", step("drill", 400))], [ines])
    expect(found.placed["bowl"].first.parts).to eq([[eight, eight + 300]])
    expect(found.placed["knob"].first.parts).to eq([[day + eight, day + eight + 400]])
  end

  it "goes on from day to day with what fits into none, over the weekend too" do
    found = schedule([job("vessel", step("hollow", 600))], [ines], {}, (4 * day) + eight)
    expect(found.placed["vessel"].first.parts).to eq(
      [[(4 * day) + eight, (4 * day) + four], [(7 * day) + eight, (7 * day) + eight + 120]]
    )
  end

  it "leaves a piece on the lathe from step to step, and the lathe with it" do
    on = { lathe: "Big Dot" }
    turned = job("bowl", step("mount", 10, **on), step("outside", 50, **on), step("sand", 30, **on))
    found = schedule([turned, job("dish", step("mount", 10, **on))], [ines, wren], { "Big Dot" => 1 })
    expect(begins(found, "bowl")).to eq([eight, eight + 10, eight + 60])
    expect(begins(found, "dish")).to eq([eight + 90])
    expect(found.placed["dish"].first.held_up_by).to eq("Big Dot")
  end

  it "takes the oven until what is in it has waited, and leaves alone what is under way" do
    bake = -> { step("bake", 10, 600, equipment: ["oven"]) }
    running = job("jar", step("trim", 10), ready_min: eight + 60, holding: ["oven"])
    found = schedule([running, job("cup", bake.call), job("box", bake.call)], [ines], { "oven" => 1 })
    expect([begins(found, "cup"), begins(found, "jar")]).to eq([[eight + 60], [eight + 70]])
    expect(begins(found, "box")).to eq([day + eight])
  end

  it "places nothing that needs what the shop has not, and all that comes before it" do
    found = schedule([job("jar", step("trim", 10), step("bake", 10, equipment: ["oven"]))], [ines], { "oven" => 0 })
    expect(found.placed["jar"].map { |one| one.step.id }).to eq(["trim"])
  end

  it "places nothing where nobody works" do
    expect(schedule([job("jar", step("trim", 10))], [worker("Nobody")]).placed["jar"]).to be_empty
  end

  describe "for one piece" do
    define_method(:forecast) do |piece|
      MossyAnvil::Shop::Forecast.new(piece, schedule([piece], [ines]).placed[piece.id])
    end

    it "says how late it is and what takes longest of it" do
      found = forecast(job("jar", step("glue", 30, 3000), step("sand", 60), due_min: day))
      expect(found.finish_min).to eq(eight + 30 + 3000 + 60)
      expect(found.late_min).to eq(found.finish_min - day)
      expect(found.shares.first(2).map { |one| [one.step, one.what] }).to eq([["glue", :wait], ["sand", :hands]])
    end

    it "says nothing of a day where it can never be done" do
      found = forecast(job("jar", step("bake", 10, equipment: ["oven"]), due_min: day))
      expect([found.finish_min, found.late_min]).to eq([nil, nil])
    end
  end

  describe "with some time to spare" do
    define_method(:now) do |jobs, minutes, counts = { "Big Dot" => 1, "oven" => 1 }|
      MossyAnvil::Shop::WhatNow.new(jobs, counts, eight, minutes).choices
    end

    it "takes as many steps as fit, up to the first that starts a wait" do
      pour = job("pegs", step("mix", 10), step("pour", 20, 3000), step("turn", 10))
      expect(now([pour], 40).map { |one| [one.steps.map(&:id), one.hands_min, one.wait_min] }).to eq(
        [[%w[mix pour], 30, 3000]]
      )
      expect(now([pour], 20).map { |one| [one.steps.map(&:id), one.wait_min] }).to eq([[%w[mix], 0]])
      expect(now([pour], 5)).to eq([])
    end

    it "names what spoils, then what is due, then what starts the longest wait" do
      jobs = [
        job("bowl", step("sand", 30)),
        job("day", step("glue", 10, day)),
        job("week", step("pour", 10, 7 * day)),
        job("due", step("sand", 30), due_min: 2 * day),
        job("cup", step("fill", 10, within_min: 20))
      ]
      expect(now(jobs, 40).map { |one| one.job.id }).to eq(%w[cup due week day bowl])
    end

    it "leaves out what waits, and what needs an oven that is in use" do
      busy = job("jar", step("trim", 10), ready_min: eight + 60, holding: ["oven"])
      expect(now([busy, job("box", step("bake", 10, equipment: ["oven"]))], 40)).to eq([])
    end
  end

  describe "in five hundred shops made up from a seed" do
    # Pieces, people, lathes and equipment as they come.
    define_method(:shop) do |seed|
      random = Random.new(seed)
      counts = {
        "Big Dot" => 1,
        "The Cricket" => 1,
        "oven" => random.rand(0..2),
        "vessel" => 1,
        "clamps" => random.rand(1..3)
      }
      workers =
        Array.new(random.rand(1..4)) do |index|
          spans =
            (1..7).filter_map do |weekday|
              [weekday, from = random.rand(1380), random.rand((from + 10)..1440)] if random.rand < 0.6
            end
          worker(index, *spans)
        end
      {
        jobs: Array.new(random.rand(1..10)) { |id| any_job(id, random) },
        workers: workers,
        counts: counts,
        from: random.rand(20_000)
      }
    end

    def any_job(id, random)
      steps =
        Array.new(random.rand(0..8)) do |index|
          step(
            index,
            random.rand(1..400),
            random.rand < 0.4 ? random.rand(0..9000) : 0,
            lathe: random.rand < 0.5 ? ["Big Dot", "The Cricket"][random.rand(2)] : nil,
            equipment: random.rand < 0.3 ? [%w[oven vessel clamps].sample(random: random)] : [],
            within_min: random.rand < 0.1 ? 120 : nil
          )
        end
      job(
        id,
        *steps,
        ready_min: random.rand(25_000),
        due_min: random.rand < 0.4 ? random.rand(60_000) : nil,
        holding: random.rand < 0.2 ? ["oven"] : []
      )
    end

    def scheduled(shop) = schedule(*shop.values_at(:jobs, :workers, :counts, :from))

    # Most at one time of [from, to) stretches.
    def most_at_once(stretches)
      ends = stretches.flat_map { |from, to| from < to ? [[from, 1], [to, -1]] : [] }
      ends.sort.inject([0, 0]) { |(now, most), (_, by)| [now + by, [most, now + by].max] }.last
    end

    # What one of a kind is taken for, of everything placed; what runs already too.
    def taken(shop, placed, key)
      running =
        shop[:jobs]
          .select { |job| job.holding.include?(key) && job.ready_min > shop[:from] }
          .map { |job| [shop[:from], job.ready_min] }
      running.first(shop[:counts].fetch(key)) +
        placed.filter_map do |one|
          next one.from_min, one.to_min if one.step.lathe == key
          [one.from_min, one.until_min] if one.step.equipment.include?(key)
        end
    end

    500
      .times
      .each_slice(50) do |seeds|
        it "overlaps nothing, loses nothing and cuts no wait short, seeds #{seeds.first} to #{seeds.last}" do
          seeds.each do |seed|
            shop = shop(seed)
            found = scheduled(shop)
            placed = found.placed.values.flatten
            shop[:counts].each { |key, count| expect(most_at_once(taken(shop, placed, key))).to be <= count }
            shop[:workers].each { |one| expect_in_hours(one, placed.select { |step| step.worker == one.id }) }
            shop[:jobs].each { |one| expect_in_order(one, found.placed[one.id], shop) }
          end
        end
      end

    def expect_in_hours(worker, placed)
      parts = placed.flat_map(&:parts)
      expect(most_at_once(parts)).to be <= 1
      parts.each { |from, to| expect(worker.hours.left_min(from)).to be >= to - from if to > from }
    end

    # Every step in its order, none missing but what can never be done; each after the wait of the one before.
    def expect_in_order(job, placed, shop)
      expect(placed.map(&:step)).to eq(job.steps.first(placed.size))
      left = job.steps[placed.size]
      nobody = shop[:workers].all? { |worker| worker.hours.none? }
      expect(nobody || left.equipment.any? { |key| shop[:counts][key].zero? }).to be(true) if left
      ready = [job.ready_min, shop[:from]].max
      placed.each do |one|
        expect(one.from_min).to be >= ready
        expect(one.parts.sum { |from, to| to - from }).to eq(one.step.hands_min)
        expect(one.until_min - one.to_min).to eq(one.step.wait_min)
        ready = one.until_min
      end
    end

    it "is never done later with one more to work, and leaves the same schedule to the same shop" do
      100.times do |seed|
        shop = shop(seed)
        last = scheduled(shop).last_min
        expect(scheduled(shop).placed).to eq(scheduled(shop).placed)
        more = shop.merge(workers: [*shop[:workers], worker("one more", *weekdays)])
        next if shop[:workers].all? { |one| one.hours.none? }

        expect(scheduled(more).last_min).to be <= last
      end
    end
  end
end
