# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # What an archive has of the shop itself: its air, people, lathes and stores, for a shop that is still empty, and
      # the patterns it lacks.
      class ArchivedShop
        include Store::Access

        # reader: ArchiveReader; now: Time.
        def initialize(db, reader, now:)
          @db = db
          @reader = reader
          @now = now
        end

        # Within a transaction. Raises InvalidInput with the entry's name in the path.
        def take_in
          furnish(@reader["shop.json"], @reader["stores.json"]) if shops.empty? && @reader.key?("shop.json")
          (@reader["patterns.json"] || { "patterns" => [] })["patterns"].each_with_index do |row, index|
            keep_pattern(row, index)
          end
        end

        private

        # Sets an empty shop up as the archive's; stores: nil where the archive is from before there were any.
        def furnish(shop, stores)
          shops.set_up(
            **shop.slice("name", "currency").transform_keys(&:to_sym),
            **shop["climate"].transform_keys(&:to_sym)
          )
          shop["lathes"].each { |name, lathe| shops.keep_lathe(name, lathe) }
          (shop["people"] || []).each { |person| people.add_missing(person) }
          shops.equip(shop["equipment"]) if shop["equipment"]
          shops.take_tools(shop["tools"]) if shop["tools"]
          shelve(stores) if stores
        end

        # Onto an empty shelf: each lot as bought, with what was left of it.
        def shelve(stores)
          stores["products"].each_with_index { |product, place| add_product(product, place) }
          stores["records"].each do |row|
            id = @db[:records].insert(**row.slice("kind", "of", "value").transform_keys(&:to_sym), recorded_at: @now)
            rates.leave_out(id, true, @now) if row["left_out"]
          end
          (stores["rates_off"] || []).each { |row| rates.turn_off(row["kind"], row["of"], true) }
        end

        def add_product(product, place)
          about = product.slice("name", "kind", "like", "sheet", "pack_g", "pack_price")
          id = stocks.add_product(**about.transform_keys(&:to_sym))
          product["lots"].each_with_index do |lot, index|
            key = Store::Stocks.key("archive-#{@now.to_f}-#{place}-#{index}")
            at = "/stores.json/products/#{place}/lots/#{index}/opened_on"
            opened_on = Store::Stocks.day(lot["opened_on"], at: at)
            stocks.add_lot(id, lot["left_g"], key, @now, part: lot["part"], code: lot["code"], opened_on: opened_on)
          end
        end

        def keep_pattern(row, index)
          patterns.add_missing(
            row["name"],
            Store::Patterns.pattern(row["form"], at: "/patterns.json/patterns/#{index}")
          )
        end
      end
    end
  end
end
