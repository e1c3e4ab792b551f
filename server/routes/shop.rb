# frozen_string_literal: true

module Loft
  module Routes
    # The shop and its rack.
    module Shop
      def self.registered(app)
        app.get("/api/shop") do
          shop = shops.current
          waits = Store::Cards.new(settings.db).waits.group_by { |wait| wait[:blank_id] }
          answer(name: shop[:name], currency: shop[:currency], climate: shop.slice(:temperature_c, :humidity), lathes: shops.lathes, next_number: blanks.next_number,
            put_away: blanks.put_away, rack: blanks.rack.map { |row| RackPlace.new(row, now, waits: waits.fetch(row[:id], [])).to_h })
        end
        app.put("/api/shop") do
          about = body_as("ShopName")
          shops.name_it(**about.transform_keys(&:to_sym))
          answer(about)
        end
      end
    end
  end
end
