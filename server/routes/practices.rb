# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # Blanks to practise on: begun, tested within their minutes, answered, revealed.
      module Practices
        # What its routes ask of the application besides.
        module Helpers
          def practices = Store::Practices.new(settings.db, by: asking.name)
        end

        FORMAT = { "format" => "mossy-anvil/practice", "version" => 1 }.freeze

        def self.registered(app)
          app.helpers Helpers
          app.get("/api/practices") do
            answer(graded: Services::Practising.graded, practices: practices.all.map { |row| Practices.in_short(row) })
          end
          app.get("/api/blanks/:id/practice") do
            row = practices.of_blank(blank_id)
            answer(practice: row && Practices.plain(row))
          end
          begin_one(app)
          tests(app)
          verdict(app)
          carry(app)
        end

        def self.carry(app)
          app.get("/api/blanks/:id/practice/file") do
            row = practices.find(blank_id)
            text = MossyAnvil::Formats::JsonLayout.text({ **FORMAT, **Practices.carried(row) })
            hand_over("practice-#{row[:level]}-#{row[:seed]}.json", "application/json", text)
          end
        end

        def self.begin_one(app)
          app.post("/api/practices") do
            found = calculate("practice").data
            pictures = calculate("painted", bytes: JSON.generate(found.slice("seed", "level"))).data["pictures"]
            id = settings.db.transaction { Practices.take_in(self, found, pictures) }
            answer(Practices.plain(practices.find(id)), 201)
          end
        end

        # Its id.
        def self.take_in(app, found, pictures)
          id = app.blanks.take_in(*found.values_at("document", "brief"))[:id]
          app.practices.begin(id, found["seed"], found["level"], app.now)
          pictures.each { |one| app.photographs.add(id, picture(one), one["about"]) }
          id
        end

        def self.tests(app)
          app.post("/api/blanks/:id/practice/tests") do
            row, kept = practices.find(blank_id), blanks.find(blank_id)
            practices.refuse_ended(row)
            found = calculate("practice_test", kept: kept[:document], practice: row.slice(:seed, :level)).data
            settings.db.transaction do
              practices.spend(kept[:id], found["minutes"], Services::Practising.budget_min(row[:level]))
              Practices.keep(blanks, kept, found)
            end
            answer(told: found["told"], **Practices.as_it_is(self, kept[:id]))
          end
        end

        def self.as_it_is(app, id) = { practice: plain(app.practices.find(id)), kept: app.blanks.find(id) }

        def self.verdict(app)
          app.post("/api/blanks/:id/practice/verdict") do
            row = practices.find(blank_id)
            practices.refuse_ended(row)
            asked = { blank_id: row[:blank_id], verdict: body_as("PracticeVerdict")["verdict"], now: now.iso8601(6) }
            answer(Tasks.plain(tasks.find(ask_task("practice", asked))), 202)
          end
        end
        private_class_method :begin_one, :carry, :tests, :verdict

        def self.picture(one)
          Services::KeptPicture.new(one["jpeg"].unpack1("m0"), Prints::PaintedWood::WIDE, Prints::PaintedWood::TALL)
        end

        # What a test told goes into the learner's own papers, as if it had been written down.
        def self.keep(blanks, kept, found)
          if found["reading"]
            blanks.add_reading(kept[:id], found["reading"], found["brief"])
          elsif found["document"] != kept[:document]
            blanks.save(kept[:id], kept[:version], found["document"], found["brief"])
          end
        end

        def self.in_short(row)
          times = %i[begun_at ended_at].to_h { |key| [key, row[key]&.utc&.iso8601] }
          { **row.slice(:blank_id, :seed, :level, :by, :score, :verdict), **times }
        end

        def self.plain(row)
          budget = Services::Practising.budget_min(row[:level])
          {
            **in_short(row),
            minutes: row[:minutes],
            budget_min: budget,
            test_min: Services::Practising.minutes,
            told: row[:told]
          }
        end

        # What a friend gets: the blank, and what it was done with here.
        def self.carried(row) =
          { "seed" => row[:seed], "level" => row[:level], "by" => row[:by], "score" => row[:score] }.compact
      end
    end
  end
end
