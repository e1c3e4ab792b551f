# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # What stands on the shelf, and the shop's own air.
      module Stores
        def self.registered(app)
          app.get("/api/stores") { answer(Stores.shown(stocks, now)) }
          products(app)
          lots(app)
          app.post("/api/stores/moves") do
            body = body_as("NewMove")
            Stores.check_right(self, body)
            stocks.move(body["lot_id"], body["grams"], body["reason"], body["key"], now)
            answer(Stores.shown(stocks, now), 201)
          end
          air(app)
        end

        def self.lots(app)
          app.post("/api/stores/lots") do
            body = body_as("NewLot")
            about = {
              part: body["part"],
              code: body["code"],
              opened_on: Store::Stocks.day(body["opened_on"], at: "/opened_on")
            }
            stocks.add_lot(body["product_id"], body["grams"], body["key"], now, **about)
            answer(Stores.shown(stocks, now), 201)
          end
        end

        def self.products(app)
          app.post("/api/stores/products") do
            body = body_as("NewProduct")
            Stores.check(body)
            stocks.add_product(
              **body.slice("name", "kind", "like", "pack_g").transform_keys(&:to_sym),
              pack_price: body["pack_price"] || 0,
              sheet: body["sheet"] || {}
            )
            answer(Stores.shown(stocks, now), 201)
          end
        end

        # A learner writes nothing off, counts nothing anew, and takes nothing that is held for a card.
        def self.check_right(app, move)
          return if app.asking.may?("maker")
          return if move["reason"] == "bought" && move["grams"].positive?
          return if move["reason"] == "used" && -move["grams"] <= app.stocks.free_g(move["lot_id"])

          raise NotAllowed, Problems.text("not_allowed.a_reserve")
        end

        # The air everything dries and cures in: waits under way move with it, and everything on the rack is calculated
        # in it.
        def self.air(app)
          app.put("/api/shop/air") do
            given = body_as("Air")
            MossyAnvil::Report::ShopClimate.new(**given.transform_keys(&:to_sym), at: "")
            answer(Tasks.plain(tasks.find(ask_task("air", { **given, now: now.iso8601(6) }))), 202)
          end
        end

        # A sheet of numbers that can be: also together.
        def self.check(body)
          MossyAnvil::Table.row(body["kind"], body["like"], at: "/like")
          return unless body["kind"] == "resins"
          MossyAnvil::Mend::Resin.of(body["like"], sheet: body["sheet"] || {}, at: "/like").kinetics(at: "/sheet")
        end

        # { goes_off_on:, goes_off: } of a lot on a day.
        def self.keeps(product, lot, today)
          opened = lot[:opened_on] && Date.iso8601(lot[:opened_on])
          day = MossyAnvil::Shop::ShelfLife.goes_off_on(product[:kind], product[:like], opened)
          { goes_off_on: day&.iso8601, goes_off: MossyAnvil::Shop::ShelfLife.state(day, today) }
        end

        NOTHING_MOVED = { bought_g: 0.0, used_g: 0.0, thrown_out_g: 0.0 }.freeze

        # What is left of a product is worth.
        def self.value(product)
          left_g = product[:lots].sum { |lot| lot[:left_g] }
          MossyAnvil::Shop::ShelfValue.of(left_g, **product.slice(:pack_g, :pack_price))
        end

        def self.shown(stocks, now)
          products, reserved = stocks.whole
          moved = stocks.moved
          {
            products:
              products.map do |product|
                {
                  **product,
                  **moved.fetch(product[:id], NOTHING_MOVED),
                  value: Stores.value(product),
                  lots: product[:lots].map { |lot| { **lot, **Stores.keeps(product, lot, now.to_date) } },
                  reserved_g: reserved.select { |(key, _), _| key == product[:like] }.sum { |_, grams| grams }
                }
              end
          }
        end
      end
    end
  end
end
