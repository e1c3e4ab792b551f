# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # The record of a piece, what became of it, and all that are closed.
      module Ledger
        # So many pieces at once; the sums are over all of them.
        AT_ONCE = 200

        def self.registered(app)
          app.get("/api/blanks/:id/record") { answer(Ledger.story(self, blank_id).to_h) }
          app.get("/api/blanks/:id/record.pdf") do
            document = blanks.find(blank_id)[:document]
            hand_over(
              "#{Services::Archive.stem(document)}.pdf",
              "application/pdf",
              Ledger.sheet(self, blank_id, document, cost: params["cost"] == "yes").pdf
            )
          end
          ending(app)
          app.get("/api/ledger") { answer(Ledger.shown(self)) }
          app.get("/api/ledger.csv") do
            hand_over(
              "ledger.csv",
              "text/csv;charset=utf-8",
              MossyAnvil::Formats::LedgerCsv.write(Ledger.report(self)[:pieces])
            )
          end
        end

        def self.ending(app)
          app.put("/api/blanks/:id/ending") do
            body = body_as("NewEnding")
            Ledger.closing(self).close(blank_id, body, Ledger.story(self, blank_id).columns)
            answer(Ledger.story(self, blank_id).to_h)
          end
          app.delete("/api/blanks/:id/ending") do
            Ledger.closing(self).reopen(blank_id)
            answer(Ledger.story(self, blank_id).to_h)
          end
        end

        def self.closing(app) = Services::Closing.new(app.settings.db, now: app.now)

        def self.story(app, id)
          told = app.calculate("story", bytes: "", kept: app.blanks.find(id)[:document], **app.own_numbers.given).data
          Services::Story.new(app.settings.db, id, told, now: app.now)
        end

        def self.sheet(app, id, document, cost:)
          story = JSON.parse(JSON.generate(story(app, id).to_h))
          pictures = Services::BeforeAndAfter.new(app.photographs, id).to_a
          Prints::StorySheet.new(
            Services::Reckoner.blank(document),
            story,
            pictures: pictures,
            shop: app.shops.current,
            cost: cost,
            now: app.now
          )
        end

        def self.report(app)
          asked = Store::Ledger::ASKED.to_h { |name| [name, asked_text(app, name.to_s)] }
          year = asked_text(app, "year")
          rows = app.ledger.rows(**asked, text: asked_text(app, "text"), year: year && Integer(year, 10))
          MossyAnvil::Report::LedgerReport.new(
            rows,
            records: app.rates.counted,
            chances: Store::Odds.new(app.settings.db).pairs
          ).to_h
        rescue ArgumentError
          raise MossyAnvil::InvalidInput.at(
                  "/year",
                  MossyAnvil::Fault.t("is_not_a_number"),
                  MossyAnvil::Fault.t("a_year")
                )
        end

        def self.asked_text(app, name) =
          app.params[name]
            &.then { |value| value.to_s.delete("\u0000")[0, 200] }
            &.then { |value| value.empty? ? nil : value }

        def self.shown(app)
          found = report(app)
          from = [app.params["from"].to_i, 0].max
          { **found, pieces: found[:pieces][from, AT_ONCE] || [], from: from, choices: app.ledger.choices }
        end
      end
    end
  end
end
