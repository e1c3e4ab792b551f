# frozen_string_literal: true

module MossyAnvil
  module Shop
    # The best Scheduling there is: by the first one of the team, by the first two, and so on. List scheduling with one
    # more pair of hands can come out later; with the team it had before among those compared, it never does.
    class Schedule
      # workers: list of Worker, those who were there first come first. jobs, counts, from_min: as Scheduling takes
      # them.
      def initialize(jobs, workers, counts, from_min)
        teams = workers.reject { |worker| worker.hours.none? }
        teams = teams.each_index.map { |index| teams.first(index + 1) }
        teams = [[]] if teams.empty?
        ranks = StepOrder.ranks(jobs)
        @best = teams.map { |team| Scheduling.new(jobs, team, counts, from_min, ranks: ranks) }.min_by(&:worth)
      end

      # See Scheduling.
      def placed = @best.placed
      def last_min = @best.worth[1]
    end
  end
end
