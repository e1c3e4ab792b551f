# frozen_string_literal: true

# The odds of No. 33's way on 200 truths: on one core, until the first band, on two processes, and what betters them.
class OddsBench
  TRUTHS = 200
  FIRST = 10

  # document: No. 33's; risky: one of which some truths are lost.
  def initialize(document, risky)
    @document = document
    @risky = risky
  end

  def run
    puts "Odds, 200 truths of No. 33, #{odds(@document).plan.steps.size} steps"
    first, alone = alone_s
    Times.say "on one core", format("%.1f s", alone)
    Times.say "until the first #{FIRST} are told", format("%.1f s", first)
    half, two = [1, 2].map { |count| shared(count) }
    Times.say "two processes over one", format("%.2f x", alone / two)
    Times.say "two that share nothing over one", format("%.2f x", 2 * half / two)
    Times.say "what betters No. 39's, found in", format("%.1f s", betters_s)
  end

  private

  def betters_s
    made = odds(@risky)
    played = made.outcomes
    Times.seconds { made.told(played) }
  end

  def odds(document) =
    MossyAnvil::Rehearsal::Odds.new(MossyAnvil::Formats::BlankFile.from_data(document), truths: TRUTHS)

  # Seconds until the first are told, and all.
  def alone_s
    first = nil
    begun = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    since = -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) - begun }
    odds(@document).outcomes { |done| first = since.call if done == FIRST }
    [first, since.call]
  end

  # Seconds in which so many processes each play a half.
  def shared(count)
    made = odds(@document).tap(&:plan)
    Times.seconds do
      Array
        .new(count) { |part| fork { made.outcomes(part: part, parts: 2) && exit!(0) } }
        .each { |pid| Process.wait(pid) }
    end
  end
end
