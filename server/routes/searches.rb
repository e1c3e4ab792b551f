# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # Searches for placements: asked for, looked at on the way, stopped.
      module Searches
        def self.registered(app)
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
