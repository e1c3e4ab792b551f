# frozen_string_literal: true

require "que"

module MossyAnvil
  module Server
    module Jobs
      # The queue of work that takes longer than a request should: kept in the same database, worked by processes of its
      # own (server/entry/work.rb).
      module Queue
        module_function

        # Puts jobs through that database from now on.
        def open(db)
          @db = db
          Que.connection = db
        end

        # The database jobs are worked on.
        def db = @db || raise(MossyAnvil::ReckoningError, "the queue is not open")

        # What goes wrong with a job goes to the log as the rest does, and nothing else of the queue's own.
        def log_to(log, clock)
          Que.logger = nil
          Que.error_notifier =
            lambda do |error, job|
              RequestLog.fault(log, clock, { "PATH_INFO" => (job && job[:job_class]).to_s }, error, event: "job_fault")
            end
        end
      end
    end
  end
end
