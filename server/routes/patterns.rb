# frozen_string_literal: true

module Loft
  module Routes
    # The shop's own curves, and how one lies in a draft.
    module Patterns
      def self.registered(app)
        app.get("/api/patterns") { answer(Patterns.shown(patterns)) }
        app.post("/api/patterns") do
          body = body_as("NewPattern")
          patterns.add(body["name"], Store::Patterns.pattern(body["form"]))
          answer(Patterns.shown(patterns), 201)
        rescue Sequel::UniqueConstraintViolation
          problem(Problems.taken("a curve of that name is kept already", "/name"))
        end
        app.delete("/api/patterns/:id") do
          patterns.remove(number_in_path("id", "pattern"))
          answer(Patterns.shown(patterns))
        end
        app.post("/api/reckon/pattern") do
          body = body_as("PatternAsked")
          answer(Store::Patterns.pattern(body["form"]).laid_in(reckoner.blank(body["document"], at: "/document").on_centres, scale: body["scale"]))
        end
      end

      def self.shown(patterns)
        { patterns: patterns.all.map do |row|
          Store::Patterns.pattern(row[:form]).then { |pattern| { **row, height_mm: pattern.height_mm, diameter_mm: pattern.diameter_mm, outline: pattern.form.outside.polyline } }
        end }
      end
    end
  end
end
