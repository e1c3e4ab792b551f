# frozen_string_literal: true

module Loft
  module Routes
    # Blanks, their readings and their journal.
    module Blanks
      def self.registered(app)
        app.get("/api/blanks/:id") { answer(blanks.find(blank_id)) }
        app.put("/api/blanks/:id/place") { answer(blanks.place(blank_id, body_as("Place")["put_away"], now)) }
        take_in(app)
        save(app)
        append(app)
      end

      def self.take_in(app)
        app.post("/api/blanks") do
          document = body_as("NewBlank")["document"]
          answer(blanks.take_in(document, Brief.new(reckoner.assess(document, at: "/document"), now: now).to_h), 201)
        end
      end

      def self.save(app)
        app.put("/api/blanks/:id") do
          body = body_as("SavedBlank")
          document = body["document"]
          kept = blanks.find(blank_id)
          Blanks.refuse_changed_readings(document, kept)
          whole = document.merge(kept[:document].slice("readings"))
          brief = Brief.new(reckoner.assess(whole, at: "/document"), now: now, started_at: Blanks.wait_start(kept))
          answer(blanks.save(blank_id, body["version"], document, brief.to_h))
        end
      end

      def self.append(app)
        app.post("/api/blanks/:id/journal") { answer(blanks.log(blank_id, body_as("NewEntry")), 201) }
        app.post("/api/blanks/:id/readings") do
          kept = blanks.find(blank_id)
          reading = body_as("NewReading")["reading"].merge("taken_at" => now.iso8601)
          whole = kept[:document].merge("readings" => [*kept[:document]["readings"], reading])
          assessed = reckoner.assess(whole, at: "/document")
          answer(blanks.add_reading(blank_id, reading, Brief.new(assessed, now: now, started_at: Blanks.wait_start(kept)).to_h), 201)
        end
      end

      # A save carries no readings, or the very ones that are kept.
      def self.refuse_changed_readings(document, kept)
        return unless document.key?("readings") && document["readings"] != (kept[:document]["readings"] || [])

        raise MossyAnvil::InvalidInput, [MossyAnvil::Fault.new(path: "/document/readings", problem: "differ from what was read",
          allowed: "readings are added one by one and never changed; leave them out of a save")]
      end

      # A wait for drying is counted from the first reading.
      def self.wait_start(kept)
        first = kept[:document]["readings"]&.first
        first && Time.parse(first["taken_at"])
      end
    end
  end
end
