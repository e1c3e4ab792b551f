# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # Plans of mending, the cards they are worked by, and their waits.
      module Mending
        def self.registered(app)
          app.post("/api/reckon/mend") do
            answer(Mending.with_shelf(calculate("mend", **own_numbers.given).data, stocks))
          end
          app.post("/api/reckon/route") do
            ways = Mending.ways(params["ways"] || "all")
            answer(calculate("route", **own_numbers.given, ways: ways).data)
          end
          %w[finish cuts].each do |asked|
            app.post("/api/reckon/#{asked}") { answer(calculate(asked, **own_numbers.given).data) }
          end
          cards(app)
          work_on_cards(app)
          waits(app)
        end

        # all or taken; raises InvalidInput for any other.
        def self.ways(given)
          return given if %w[all taken].include?(given)

          problem = MossyAnvil::Fault.t("is", given: MossyAnvil::Fault.shown(given))
          raise MossyAnvil::InvalidInput.at("/ways", problem, MossyAnvil::Fault.t("all_taken"))
        end

        def self.cards(app)
          app.post("/api/blanks/:id/card") { answer(Mending.open(self, blank_id), 201) }
          app.get("/api/blanks/:id/card") { answer(card: at_one_moment { Mending.open_card(self, blank_id) }) }
          app.get("/api/cards/:id") { answer(card_work.show(card_id)) }
        end

        def self.work_on_cards(app)
          app.post("/api/cards/:id/marks") { answer(card_work.mark(card_id, body_as("NewMark")), 201) }
          app.post("/api/cards/:id/troubles") { answer(card_work.trouble(card_id, body_as("NewTrouble")), 201) }
          app.post("/api/cards/:id/end") { answer(card_work.close(card_id, body_as("NewCard")["key"])) }
        end

        # Opens one as it is asked for, of the blank as it is kept.
        def self.open(app, id)
          asked = app.body_as("NewCard")
          document = app.blanks.find(id)[:document]
          about = { kept: document, from: asked["from"], **app.own_numbers.given }
          app.card_work.open(id, asked["key"], document, app.calculate("card", bytes: "", **about).data)
        end

        # The open card of a blank, or nil; raises NotFound where there is no such blank.
        def self.open_card(app, id)
          app.blanks.find(id)
          app.cards.open_of(id)&.then { |open| app.card_work.show(open[:id]) }
        end

        def self.waits(app)
          app.get("/api/waits") do
            answer(now: now.iso8601(3), waits: Mending.open_waits(*at_one_moment { [waits.open, blanks.drying(now)] }))
          end
          app.get("/api/waits.ics") do
            carded, drying, due, shop =
              at_one_moment { [waits.open, blanks.drying(now), blanks.due, shops.current[:name]] }
            calendar = Prints::Calendar.new(carded, drying, due, shop: shop, now: now)
            hand_over("waits.ics", "text/calendar;charset=utf-8", calendar.text)
          end
        end

        # What waits, on a card or to dry, soonest first.
        def self.open_waits(carded, drying)
          carded = carded.map { |wait| plain(wait) }
          drying =
            drying.map do |row|
              {
                blank_id: row[:id],
                number: row[:number],
                name: row[:name],
                card_id: nil,
                line: nil,
                working: false,
                message: MossyAnvil::Message.of("board.drying"),
                unlocks: "dry_enough",
                started_at: row[:wait_started_at].utc.iso8601,
                earliest_at: (row[:wait_earliest_at] || row[:wait_ends_at]).utc.iso8601,
                likely_at: row[:wait_ends_at].utc.iso8601
              }
            end
          (carded + drying).sort_by { |wait| wait[:likely_at] }
        end

        def self.plain(wait)
          times = wait.slice(:started_at, :earliest_at, :likely_at).transform_values { |time| time.utc.iso8601 }
          {
            **wait.slice(:blank_id, :number, :name, :card_id, :line, :working, :unlocks),
            message: Store::Rows.data(wait[:message]),
            **times
          }
        end

        # What stands on the shelf beside what the plan takes.
        def self.with_shelf(report, stocks)
          products, reserved = stocks.whole
          materials =
            report["materials"].map do |row|
              {
                **row,
                "shelf" =>
                  shelf(row["amount"], stocks.shelf(row["key"], row["part"], products: products, reserved: reserved))
              }
            end
          { **report, "materials" => materials }
        end

        def self.shelf(asked_g, found)
          return unless found

          own = MossyAnvil::Model::Shelf.new(**found.slice(:left_g, :reserved_g, :pack_g), asked_g: asked_g)
          {
            product: found[:product],
            left_g: found[:left_g],
            reserved_g: found[:reserved_g],
            enough: own.enough?,
            packs: own.packs,
            pack_g: found[:pack_g]
          }
        end
        private_class_method :shelf
      end
    end
  end
end
