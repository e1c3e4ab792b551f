# frozen_string_literal: true

# Taking times and saying them.
module Times
  module_function

  def seconds
    start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    yield
    Process.clock_gettime(Process::CLOCK_MONOTONIC) - start
  end

  # Sorted milliseconds of so many rounds, after three to warm up.
  def taken(rounds, warm_up: 3, &block)
    warm_up.times(&block)
    Array.new(rounds) { seconds(&block) * 1000 }.sort
  end

  # Works in turn, so that a noisy neighbour falls on all alike, each made anew by a call of its maker, which is not
  # counted; sorted milliseconds of each.
  def of_new(rounds, *makers, warm_up: 3)
    Array
      .new(warm_up + rounds) { makers.map(&:call).map { |work| seconds(&work) * 1000 } }
      .drop(warm_up)
      .transpose
      .map(&:sort)
  end

  def at(sorted, share) = sorted[(share * (sorted.size - 1)).round]
  def median(sorted) = at(sorted, 0.5)
  def spread(sorted) = format("p50 %.1f ms, p95 %.1f ms", at(sorted, 0.5), at(sorted, 0.95))
  def say(name, value) = puts(format("  %-60s %s", name, value))
end
