# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # Who works in the shop, and when.
      module People
        def self.registered(app)
          app.get("/api/people") { answer(people: people.all) }
          app.post("/api/people") do
            people.add(People.asked(self))
            answer({ people: people.all }, 201)
          end
          app.put("/api/people/:id") do
            people.change(person_id, People.asked(self))
            answer(people: people.all)
          end
          app.delete("/api/people/:id") do
            people.remove(person_id)
            answer(people: people.all)
          end
        end

        # Raises InvalidInput where somebody's day ends before it begins.
        def self.asked(app)
          person = app.body_as("NewPerson")
          faults =
            MossyAnvil::Shop::WorkingHours.faults(
              person["hours"].map { |span| span.transform_keys(&:to_sym) },
              at: "/hours"
            )
          raise MossyAnvil::InvalidInput, faults if faults.any?

          person
        end
      end
    end
  end
end
