# frozen_string_literal: true

# The whole route of a piece: all its ways as never seen before, the way taken alone, and one edit of it. And the
# schedule of a shop that is full. Every cut of the way, and papers and coats by part.
class RouteBench
  ROUNDS = 15
  PIECES = 200
  STEPS = 25

  # documents: { name => blank document }.
  def initialize(documents)
    @documents = documents
    @touches = Touches.new
  end

  def run
    @documents.each do |name, document|
      puts "Route, #{name}"
      work = work(document)
      work.keys.zip(Times.of_new(ROUNDS, *work.values)) { |name, times| Times.say name, Times.spread(times) }
    end
    schedule
  end

  private

  def work(document)
    {
      "all ways, one defect changed" => -> { routed(@touches.one(document), :all) },
      "the way taken alone, one defect changed" => -> { routed(@touches.one(document), :taken) },
      "the way taken, one step moved and nothing else" => -> { routed(edited(document), :taken) },
      "every cut of it, one defect changed" => -> { reported(MossyAnvil::Report::CutReport, @touches.one(document)) },
      "papers and coats by part, one defect changed" => -> do
        reported(MossyAnvil::Report::FinishPlan, @touches.one(document))
      end
    }
  end

  # Three people, two lathes and one of each sort of equipment.
  def schedule
    shop = MossyAnvil::Shop
    jobs, workers =
      full_shop(Random.new(5)),
      hours.each_with_index.map { |own, id| shop::Worker.new(id: id, hours: own) }
    counts = { "Big Dot" => 1, "The Cricket" => 1, **MossyAnvil::Report::BoardReport.usual_counts }
    Times.say "schedule of #{PIECES} pieces of #{STEPS} steps",
              Times.spread(Times.taken(6, warm_up: 1) { shop::Schedule.new(jobs, workers, counts, 480) })
  end

  def hours
    [[1..5, 480, 960], [1..4, 780, 1080], [1..5, 480, 720]].map do |days, from, to|
      MossyAnvil::Shop::WorkingHours.new(days.map { |weekday| [weekday, from, to] })
    end
  end

  def full_shop(random)
    equipment = MossyAnvil::Report::BoardReport.usual_counts.keys
    Array.new(PIECES) do |id|
      steps = Array.new(STEPS) { |index| any_step(index, ["Big Dot", "The Cricket"][id % 2], equipment, random) }
      due = random.rand < 0.3 ? random.rand(90_000) : nil
      MossyAnvil::Shop::Job.new(id: id, steps: steps, ready_min: random.rand(600), due_min: due)
    end
  end

  def any_step(id, lathe, equipment, random)
    MossyAnvil::Shop::JobStep.new(
      id: id,
      hands_min: random.rand(5..64),
      wait_min: random.rand < 0.3 ? random.rand(20_000) : 0,
      lathe: random.rand < 0.5 ? lathe : nil,
      equipment: random.rand < 0.15 ? [equipment.sample(random: random)] : []
    )
  end

  # Work on a blank that is made beforehand.
  def routed(document, ways) = reported(MossyAnvil::Report::RouteReport, document, ways: ways)

  def reported(report, document, **about)
    blank = MossyAnvil::Formats::BlankFile.from_data(document)
    -> { report.new(blank, **about).to_h }
  end

  def edited(document) = document.merge("route" => { "order" => %w[mount sand].rotate(@turn = @turn.to_i + 1) })
end
