# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # Is the server up, and does its database answer?
      module Health
        def self.registered(app)
          app.get("/healthz") { answer(status: "ok") }
          app.get("/readyz") do
            settings.db.get(1)
            answer(status: "ok")
          end
        end
      end
    end
  end
end
