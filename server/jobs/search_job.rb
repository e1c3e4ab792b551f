# frozen_string_literal: true

require_relative "queue"

module MossyAnvil
  module Server
    module Jobs
      # Works one part of a search. What it finds is kept climb by climb, so that it can be seen on the way; a part that
      # is broken off begins again.
      class SearchJob < Que::Job
        TRIES = 3
        self.retry_interval = 2

        def run(search_id, part)
          searches = Store::Searches.new(Queue.db)
          asked = searches.to_work(search_id) or return destroy
          search_part(searches, search_id, part, asked)
        rescue MossyAnvil::InvalidInput => e
          # The same would be found again.
          searches.end_part(search_id, part, problem: e.message)
        end

        # Tried again a few times, since a broken connection may mend; then it is said. True: to the log as well.
        def handle_error(error)
          return super if error_count < TRIES

          Store::Searches.new(Queue.db).end_part(*que_attrs[:args], problem: Problems.text("broken.search"))
          destroy
          true
        end

        private

        def search_part(searches, search_id, part, asked)
          search = Services::Placing.search(asked)
          report = MossyAnvil::Report::PlacementReport.new(search, climate: Store::Shops.new(Queue.db).climate)
          first = part.zero? ? [report.row(search.present)] : []
          known = {}.compare_by_identity
          search.run(part: part, parts: Services::Placing::PARTS) do |done, _, found|
            rows = first + found.map { |answer| known[answer] ||= report.row(answer) }
            searches.progress?(search_id, part, done, rows) ? nil : :stop
          end
          searches.end_part(search_id, part)
        end
      end
    end
  end
end
