# frozen_string_literal: true

# A search for the best placements of No. 33's form, all five freedoms and either end, as the queue works it.
class SearchBench
  # The screen looks every 0.7 s and sees the first answers by so much later at most.
  LOOK_EVERY_S = 0.1
  GIVE_UP_S = 120

  WISHES = [{ key: "lose_cracks", weight: 1 }, { key: "largest", weight: 1 }].freeze

  # By how much two processes that share nothing outdo one on this machine now, each with half of the climbs: more than
  # that no queue can.
  def self.bare(document)
    half =
      lambda do
        fork do
          MossyAnvil::Placing::PlacementSearch
            .new(MossyAnvil::Formats::BlankFile.from_data(document), WISHES)
            .run(part: 0, parts: 2)
            .then { exit!(0) }
        end
      end
    alone, together =
      [1, 2].map { |count| Times.seconds { Array.new(count) { half.call }.each { |pid| Process.wait(pid) } } }
    2 * alone / together
  end

  # run: LaunchRun that is ready; workers: how many processes work its queue.
  def initialize(run, document, workers)
    @run = run
    @workers = workers
    @asked = { document: document, wishes: WISHES }
  end

  # Seconds until it had ended.
  def run
    puts "Search for placements, #{@workers} #{@workers == 1 ? "process" : "processes"} at the queue"
    Net::HTTP.start("127.0.0.1", @run.port) do |http|
      # The processes of the queue may not be up yet: a small one first.
      searched(http, may_change: ["slide"])
      first, ended = searched(http)
      Times.say "first answers · ended", format("%.1f s · %.1f s", first, ended)
      ended
    end
  end

  private

  # [seconds to the first answers, to its end].
  def searched(http, **changes)
    first = ended = nil
    began = now
    id =
      JSON.parse(
        http.post("/api/searches", JSON.generate(**@asked, **changes), "Content-Type" => "application/json").body
      ).fetch("id")
    until ended || now - began > GIVE_UP_S
      sleep LOOK_EVERY_S
      search = JSON.parse(http.get("/api/searches/#{id}").body)
      first ||= now - began if search["answers"].size > 1
      ended = now - began if search["state"] == "ended"
    end
    [first || GIVE_UP_S, ended || GIVE_UP_S]
  end

  def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
end
