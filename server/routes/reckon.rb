# frozen_string_literal: true

module Loft
  module Routes
    # Works out unsaved drafts; keeps nothing.
    module Reckon
      def self.symbols(data) = JSON.parse(JSON.generate(data), symbolize_names: true)

      def self.registered(app)
        app.post("/api/reckon") { answer(reckoner.assess(body_as("Draft")["document"], at: "/document")) }
        app.post("/api/reckon/peel") do
          body = body_as("PeelAsked")
          answer(MossyAnvil::Peel.new(reckoner.blank(body["document"], at: "/document"), body["depth_mm"]).to_h(body["rpm"]))
        end
        app.post("/api/reckon/casting") do
          body = body_as("CastingAsked")
          answer(MossyAnvil::CastingReport.new(reckoner.blank(body["document"], at: "/document"), Reckon.symbols(body["pour"]), at: "/pour").to_h)
        end
        app.post("/api/reckon/tests") { answer(tests: reckoner.next_tests(body_as("Draft")["document"], at: "/document")) }
        app.post("/api/reckon/intake") { answer(MossyAnvil::IntakeReport.new(Reckon.symbols(body_as("IntakeAsked"))).to_h) }
      end
    end
  end
end
