# frozen_string_literal: true

module MossyAnvil
  module Shop
    # One way through all that is to be done, by a given team: list scheduling. Whenever somebody is free, the first by
    # StepOrder of the steps that can be begun then is given to them.
    #
    # A step that fits into somebody's hours is done in one go, a longer one goes on from day to day. A piece keeps the
    # lathe from step to step. Equipment is taken until the step's wait is over.
    class Scheduling
      # Steps that can be begun and need the same: kinds as Capacity has them; list: [[rank, job, ready_min], ...].
      Group = Struct.new(:kinds, :list)
      private_constant :Group

      # jobs: list of Job; team: list of Worker; counts: as Capacity takes them; from_min: now. ranks: StepOrder's of
      # those jobs.
      def initialize(jobs, team, counts, from_min, ranks: StepOrder.ranks(jobs))
        @jobs = jobs
        @team = team.reject { |worker| worker.hours.none? }
        @capacity = Capacity.new(counts)
        @from_min = from_min
        @one_go_min = @team.map { |worker| worker.hours.longest_min }.max || 0
        @placed = jobs.to_h { |job| [job.id, []] }
        @ranks = ranks
        run if @team.any?
      end

      # { id of job => list of PlacedStep }; shorter than its steps where nobody works, or what it needs is not there.
      attr_reader :placed

      # The fewer the better: steps left over, the last date, days late and dates all together.
      def worth
        ends = @jobs.map { |job| [job, @placed[job.id].last&.until_min || job.ready_min] }
        [
          @jobs.sum { |job| job.steps.size - @placed[job.id].size },
          ends.map(&:last).max || 0,
          ends.sum { |job, time| job.due_min ? [time - job.due_min, 0].max : 0 },
          ends.sum(&:last)
        ]
      end

      private

      def run
        begin_with_what_runs
        time = @from_min
        while time
          release(time)
          @too_short_min = 0
          @busy.each_key { |worker| give_work(worker, time) if @busy[worker] <= time }
          time = next_moment(time)
        end
      end

      # Equipment that is in use, and every piece by when it is ready.
      def begin_with_what_runs
        @busy = by_object(@team) { @from_min }
        @next = by_object(@jobs) { 0 }
        @waiting = by_object([])
        @ready = {}
        @jobs.each do |job|
          held = @capacity.of(job.holding.select { |key| @capacity.any?(key) })
          @capacity.take(held.select { |units| @capacity.for_whom([units], @from_min) }, job, @from_min, job.ready_min)
          wait(job, [job.ready_min, @from_min].max)
        end
      end

      # A hash of those very objects: comparing what is in them takes long.
      def by_object(objects) = objects.each_with_object({}.compare_by_identity) { |one, hash| hash[one] = yield }

      # Until then it waits; nothing where none of its steps is left, or can ever be begun.
      def wait(job, time)
        @waiting[job] = time if possible?(job.steps[@next[job]])
      end

      # Is there one, and all it needs in the shop?
      def possible?(step) = !step.nil? && step.needs.all? { |key| @capacity.any?(key) }

      def release(time)
        @waiting
          .select { |_, ready| ready <= time }
          .each do |job, ready|
            @waiting.delete(job)
            needs = job.steps[@next[job]].needs
            list = (@ready[needs] ||= Group.new(@capacity.of(needs), [])).list
            rank = @ranks[[job.id, @next[job]]]
            list.insert(list.bsearch_index { |one| one.first > rank } || list.size, [rank, job, ready])
          end
      end

      def give_work(worker, time)
        left = worker.hours.left_min(time)
        return if left <= @too_short_min

        found = first_that_fits(left, time)
        found ? place(worker, time, *found) : @too_short_min = left
      end

      # [needs, [rank, job, ready]] of the first that can be begun now.
      def first_that_fits(left, time)
        best = nil
        @ready.each do |needs, group|
          list = group.list
          next if list.empty? || (best && best.last.first < list.first.first)

          one = first_of(list, @capacity.for_whom(group.kinds, time), left)
          best = [needs, one] if one && (best.nil? || one.first < best.last.first)
        end
        best
      end

      # whom: :anyone, or the one job that may have what these need, or nil.
      def first_of(list, whom, left)
        return unless whom

        list.find { |_, job, _| (whom.equal?(:anyone) || whom.equal?(job)) && in_time?(job.steps[@next[job]], left) }
      end

      def in_time?(step, left) = step.hands_min <= left || step.hands_min > @one_go_min

      def place(worker, time, needs, entry)
        _, job, ready = entry
        @ready[needs].list.delete(entry)
        index = @next[job]
        step = job.steps[index]
        placed = placed_step(step, worker, worker.hours.parts(time, step.hands_min), ready, needs)
        take(job, index, placed, time)
        @placed[job.id] << placed
        @busy[worker] = placed.to_min
        @next[job] += 1
        wait(job, placed.until_min)
      end

      def placed_step(step, worker, parts, ready, needs)
        done = parts.last.last
        PlacedStep.new(
          step: step,
          worker: worker.id,
          parts: parts,
          ready_min: ready,
          until_min: done + step.wait_min,
          held_up_by: (needs.find { |key| @capacity.free_from(key) > ready } || :hands if parts.first.first > ready)
        )
      end

      def take(job, index, placed, time)
        step = placed.step
        @capacity.take(@capacity.of([*step.lathe]), job, time, placed.to_min, kept: (job if stays?(job, index)))
        @capacity.take(@capacity.of(step.equipment), job, time, placed.until_min)
      end

      # The lathe is given back where what comes next can never be begun.
      def stays?(job, index) = job.stays?(index) && possible?(job.steps[index + 1])

      # When the next thing happens while somebody works: a piece is ready, somebody is free again or comes to work,
      # something is given back. nil where nothing is left to do.
      def next_moment(time)
        return if @waiting.empty? && @ready.each_value.all? { |group| group.list.empty? }

        moments = @waiting.values + @capacity.returns(time)
        @busy.each { |worker, free| moments << comes_back(worker, [free, time].max, time) }
        soonest = moments.select { |moment| moment > time }.min or return
        @busy.map { |worker, free| worker.hours.next_start([free, soonest].max) }.min
      end

      # The end of what somebody does, or the beginning of the next stretch of work.
      def comes_back(worker, free, time)
        start = worker.hours.next_start(free)
        start > time ? start : worker.hours.next_start(time + worker.hours.left_min(time))
      end
    end
  end
end
