# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # The shop's own curves.
      module Patterns
        def self.registered(app)
          app.get("/api/patterns") { answer(Patterns.shown(patterns)) }
          app.post("/api/patterns") do
            body = body_as("NewPattern")
            patterns.add(body["name"], Store::Patterns.pattern(body["form"]))
            answer(Patterns.shown(patterns), 201)
          end
          app.delete("/api/patterns/:id") do
            patterns.remove(number_in_path("id", "pattern"))
            answer(Patterns.shown(patterns))
          end
        end

        def self.shown(patterns)
          {
            patterns:
              patterns.all.map do |row|
                Store::Patterns
                  .pattern(row[:form])
                  .then do |pattern|
                    {
                      **row,
                      height_mm: pattern.height_mm,
                      diameter_mm: pattern.diameter_mm,
                      outline: pattern.form.outside.polyline
                    }
                  end
              end
          }
        end
      end
    end
  end
end
