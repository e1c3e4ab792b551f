# frozen_string_literal: true

module Loft
  module Routes
    # The shop's lathes, and what stands on each.
    module Lathes
      def self.registered(app)
        app.get("/api/lathes") { answer(lathes: lathes.all) }
        app.post("/api/lathes") { Lathes.named(self) { |name, lathe| lathes.add(name, lathe) && answer({ lathes: lathes.all }, 201) } }
        app.put("/api/lathes/:id") do
          Lathes.named(self) do |name, lathe|
            lathes.change(lathe_id, name, lathe).each { |id| brief_again(id) }
            answer(lathes: lathes.all)
          end
        end
        app.delete("/api/lathes/:id") do
          lathes.remove(lathe_id)
          answer(lathes: lathes.all)
        rescue Sequel::ForeignKeyConstraintViolation
          problem(Problems.in_use("a blank stands on it: put that on another first"))
        end
      end

      # Yields name and lathe of what was sent.
      def self.named(app)
        body = app.body_as("NewLathe")
        faults = MossyAnvil::Lathe.faults(Reckon.symbols(body["lathe"]), at: "/lathe")
        raise MossyAnvil::InvalidInput, faults if faults.any?

        yield body["name"], body["lathe"]
      rescue Sequel::UniqueConstraintViolation
        app.problem(Problems.taken("a lathe of that name stands here already", "/name"))
      end
    end
  end
end
