# frozen_string_literal: true

require_relative "queue"

module MossyAnvil
  module Server
    module Jobs
      # Works one task to its end. Whatever it changes it changes in one transaction at the end, so that one which is
      # broken off begins again from nothing.
      class TaskJob < Que::Job
        KINDS = {
          "lathe" => "LatheChange",
          "air" => "AirChange",
          "import" => "ArchiveImport",
          "odds" => "OddsPlay",
          "practice" => "PracticeReveal"
        }.freeze
        TRIES = 3
        self.retry_interval = 2

        def run(id)
          row = tasks.to_work(id) or return tasks.end(id)
          work(id, row)
        rescue Stopped
          tasks.end(id)
        rescue MossyAnvil::InvalidInput => e
          tasks.end(id, problem: Problems.invalid(e))
        rescue NotFound => e
          tasks.end(id, problem: Problems.missing(e.message))
        rescue Sequel::UniqueConstraintViolation => e
          tasks.end(id, problem: DatabaseFault.new(e).problem)
        end

        def tasks = Store::Tasks.new(Queue.db)

        def work(id, row)
          step =
            lambda do |done, total, so_far = nil|
              tasks.progress?(id, done, total, so_far: so_far) || raise(Stopped, "it was cancelled")
            end
          work = Services.const_get(KINDS.fetch(row[:kind])).new(Queue.db, row, step)
          work.prepare
          Queue.db.transaction do
            tasks.last_chance(id)
            tasks.end(id, result: work.apply)
            destroy
          end
        end

        # Tried again a few times, since a broken connection may mend; then it is said. True: to the log as well.
        def handle_error(error)
          return super if error_count < TRIES

          Store::Tasks.new(Queue.db).end(*que_attrs[:args], problem: Problems.broken)
          destroy
          true
        end
      end
    end
  end
end
