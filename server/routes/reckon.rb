# frozen_string_literal: true

module Loft
  module Routes
    # Works out unsaved drafts; keeps nothing.
    module Reckon
      def self.registered(app)
        app.post("/api/reckon") { answer(reckoner.assess(body_as("Draft")["document"], at: "/document")) }
        app.post("/api/reckon/peel") do
          body = body_as("PeelAsked")
          answer(MossyAnvil::Peel.new(reckoner.blank(body["document"], at: "/document"), body["depth_mm"]).to_h(body["rpm"]))
        end
        app.post("/api/reckon/casting") do
          body = body_as("CastingAsked")
          pour = JSON.parse(JSON.generate(body["pour"]), symbolize_names: true)
          answer(MossyAnvil::CastingReport.new(reckoner.blank(body["document"], at: "/document"), pour, at: "/pour").to_h)
        end
      end
    end
  end
end
