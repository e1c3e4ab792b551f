# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # The shop's lathes, and what stands on each.
      module Lathes
        def self.registered(app)
          app.get("/api/lathes") { answer(lathes: lathes.all) }
          app.post("/api/lathes") do
            Lathes.named(self) { |name, lathe| lathes.add(name, lathe) && answer({ lathes: lathes.all }, 201) }
          end
          app.put("/api/lathes/:id") { Lathes.named(self) { |name, lathe| Lathes.change(self, name, lathe) } }
          app.delete("/api/lathes/:id") do
            lathes.remove(lathe_id)
            answer(lathes: lathes.all)
          rescue Sequel::ForeignKeyConstraintViolation
            problem(Problems.in_use(Problems.text("refused.a_blank_stands_on_it_put_that")))
          end
        end

        def self.change(app, name, lathe)
          app.lathes.check(app.lathe_id, name)
          id = app.ask_task("lathe", { id: app.lathe_id, name: name, lathe: lathe, now: app.now.iso8601(6) })
          app.answer(Tasks.plain(app.tasks.find(id)), 202)
        end

        # Yields name and lathe of what was sent.
        def self.named(app)
          body = app.body_as("NewLathe")
          faults =
            MossyAnvil::Model::Lathe.faults(
              JSON.parse(JSON.generate(body["lathe"]), symbolize_names: true),
              at: "/lathe"
            )
          raise MossyAnvil::InvalidInput, faults if faults.any?

          yield body["name"], body["lathe"]
        end
      end
    end
  end
end
