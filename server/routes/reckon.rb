# frozen_string_literal: true

module Loft
  module Routes
    # Works out unsaved drafts; keeps nothing.
    module Reckon
      def self.registered(app)
        app.post("/api/reckon") { answer(reckoner.assess(body_as("Draft")["document"], at: "/document")) }
      end
    end
  end
end
