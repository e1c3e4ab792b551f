# frozen_string_literal: true

module MossyAnvil
  module Shop
    # Which of the steps that can be begun goes first: of the piece that is due first; what spoils; what is on the lathe
    # already; what waits longest from there on; as they are given.
    module StepOrder
      NEVER = Float::INFINITY

      module_function

      # { [id of job, index of step] => place in that order }.
      def ranks(jobs)
        keyed =
          jobs.each_with_index.flat_map do |job, place|
            keys(job).map { |key, index| [[*key, place, index], job, index] }
          end
        keyed.sort_by(&:first).each_with_index.to_h { |(_, job, index), rank| [[job.id, index], rank] }
      end

      # [[what it is weighed by, index], ...] of the steps of a job.
      def keys(job)
        waits = job.steps.sum(&:wait_min)
        job.steps.each_with_index.map do |step, index|
          key = [job.due_min || NEVER, urgency(job, index), -waits]
          waits -= step.wait_min
          [key, index]
        end
      end

      def urgency(job, index)
        return 0 if job.steps[index].within_min

        index.positive? && job.stays?(index - 1) ? 1 : 2
      end
      private_class_method :keys, :urgency
    end
  end
end
