# frozen_string_literal: true

module MossyAnvil
  module Shop
    # What can be begun now and is done in the time there is: of each piece its next steps, as many as fit, up to the
    # first that starts a wait. First what spoils, then what is due, then what starts the longest wait.
    class WhatNow
      # steps: list of JobStep, done one after another. wait_min: that the last of them starts, 0 where none.
      Choice = Struct.new(:job, :steps, :wait_min, keyword_init: true) { def hands_min = steps.sum(&:hands_min) }

      # jobs, counts: as Scheduling takes them. now_min, minutes: now, and how long there is.
      def initialize(jobs, counts, now_min, minutes)
        @jobs = jobs
        @capacity = Capacity.new(counts)
        @now_min = now_min
        @minutes = minutes
        jobs.each { |job| hold(job) if job.ready_min > now_min }
      end

      # List of Choice.
      def choices
        @jobs
          .select { |job| job.ready_min <= @now_min }
          .filter_map { |job| choice(job) }
          .each_with_index
          .sort_by { |one, place| [*weight(one), place] }
          .map(&:first)
      end

      private

      def hold(job)
        held = @capacity.of(job.holding.select { |key| free?(key) })
        @capacity.take(held, job, @now_min, job.ready_min)
      end

      def free?(key) = @capacity.any?(key) && !@capacity.for_whom(@capacity.of([key]), @now_min).nil?

      def choice(job)
        steps = []
        job.steps.each do |step|
          break unless (steps.sum(&:hands_min) + step.hands_min) <= @minutes && step.needs.all? { |key| free?(key) }

          steps << step
          break if step.wait_min.positive?
        end
        Choice.new(job: job, steps: steps, wait_min: steps.last.wait_min) if steps.any?
      end

      def weight(one)
        [
          one.steps.first.within_min ? 0 : 1,
          one.job.due_min || StepOrder::NEVER,
          one.wait_min.positive? ? 0 : 1,
          -one.wait_min,
          one.hands_min
        ]
      end
    end
  end
end
