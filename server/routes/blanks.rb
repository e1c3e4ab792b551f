# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # Blanks, their readings and their journal.
      module Blanks
        def self.registered(app)
          app.get("/api/blanks/:id") { answer(blanks.find(blank_id)) }
          app.put("/api/blanks/:id/place") do
            away = body_as("Place")["put_away"]
            answer(away ? blanks.place(blank_id, true, now) : Ledger.closing(self).reopen(blank_id))
          end
          take_in(app)
          save(app)
          append(app)
        end

        def self.take_in(app)
          app.post("/api/blanks") do
            answer(blanks.take_in(*calculate_to_keep("taken_in").data.values_at("document", "brief")), 201)
          end
        end

        def self.save(app)
          app.put("/api/blanks/:id") do
            kept = blanks.find(blank_id)
            found =
              calculate_to_keep("saved", records: own_numbers.drying, kept: kept[:document].slice("readings")).data
            answer(blanks.save(blank_id, *found.values_at("version", "document", "brief")))
          end
        end

        def self.append(app)
          app.post("/api/blanks/:id/journal") do
            entry = body_as("NewEntry")
            at = entry.key?("ago_s") ? { logged_at: now - entry.delete("ago_s") } : {}
            answer(journal.log(blank_id, entry, **at), 201)
          end
          app.post("/api/blanks/:id/readings") do
            kept = blanks.find(blank_id)
            found =
              calculate_to_keep(
                "read_of",
                records: own_numbers.drying,
                kept: kept[:document],
                taken_at: now.iso8601
              ).data
            answer(blanks.add_reading(blank_id, *found.values_at("reading", "brief"), key: found["key"]), 201)
          end
        end
      end
    end
  end
end
