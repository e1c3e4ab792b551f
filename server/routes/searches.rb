# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # Searches for placements: asked for, looked at on the way, stopped.
      module Searches
        # What its routes ask of the application besides.
        module Helpers
          def searches = Store::Searches.new(settings.db)
          def search_id = number_in_path("id", "search")

          # A search kept and its parts put on the queue; its id.
          def ask_search(found) =
            searches.ask(found["asked"], climbs: found["climbs"]) { |id, part| Jobs::SearchJob.enqueue(id, part) }
        end

        def self.registered(app)
          app.helpers Helpers
          app.post("/api/searches") do
            id = calculate("search").data.then { |found| ask_search(found) }
            answer(Searches.plain(searches.find(id)), 202)
          end
          app.get("/api/searches/:id") { answer(Searches.plain(searches.find(search_id))) }
          app.delete("/api/searches/:id") do
            searches.stop(search_id)
            answer(Searches.plain(searches.find(search_id)))
          end
        end

        def self.plain(search)
          parts = search[:parts]
          {
            id: search[:id],
            state: state(search, parts),
            done: parts.sum { |part| part[:done] },
            of: parts.sum { |part| part[:climbs] },
            problem: parts.filter_map { |part| part[:problem] }.first,
            **Services::Placing.answers(search[:asked], parts)
          }
        end

        def self.state(search, parts)
          if parts.all? { |part| part[:ended] }
            "ended"
          elsif search[:stopped]
            "stopped"
          else
            parts.all? { |part| part[:rows].empty? } ? "waiting" : "running"
          end
        end
        private_class_method :state
      end
    end
  end
end
