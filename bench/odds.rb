# frozen_string_literal: true

# The odds of No. 33's way on 200 truths: on one core, until the first band, on two processes, and what betters them.
class OddsBench
  TRUTHS = 200
  FIRST = 10
  ROUNDS = 3

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
    two, apart = together
    Times.say "two processes over one", format("%.2f x", two)
    Times.say "two that share nothing over one", format("%.2f x", apart)
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

  # How much sooner two processes are done than one, and two that play the whole each than one that plays it twice: the
  # middle of ROUNDS, each taken together, since the machine's own speed wanders.
  def together
    rounds =
      Array.new(ROUNDS) do
        one, two, apart = [[0], 1], [[0, 1], 2], [[0, 0], 1]
        times = [one, two, apart].map { |parts, of| shared(parts, of) }
        [times[0] / times[1], 2 * times[0] / times[2]]
      end
    rounds.transpose.map { |list| list.sort[ROUNDS / 2] }
  end

  # Seconds in which processes play those parts of so many.
  def shared(parts, of)
    made = odds(@document).tap(&:plan)
    Times.seconds do
      parts.map { |part| fork { made.outcomes(part: part, parts: of) && exit!(0) } }.each { |pid| Process.wait(pid) }
    end
  end
end
