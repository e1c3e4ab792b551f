# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # What stands on the shelf: products with their own sheets, lots of them, and every gram in or out. What moved is
      # appended, never changed.
      class Stocks
        # by: name of whoever moves it, nil where nobody is known.
        def initialize(db, by: nil)
          @db = db
          @by = by
        end

        # Products by name, each with its lots and what is left of them.
        def products
          lots = all_lots.group_by { |lot| lot[:product_id] }
          @db[:products]
            .order(:name)
            .map do |row|
              own = lots.fetch(row[:id], []).map { |lot| lot.except(:product_id) }
              { **row.slice(:id, :name, :kind, :like, :pack_g, :pack_price), sheet: Rows.data(row[:sheet]), lots: own }
            end
        end

        # { product id => { bought_g:, used_g:, thrown_out_g: } } since the shop keeps its book.
        def moved
          sums =
            @db[:stock_moves]
              .join(:lots, id: :lot_id)
              .select_group(:product_id, :reason)
              .select_append { sum(:grams).as(:grams) }
              .to_hash(%i[product_id reason], :grams)
          sums
            .keys
            .map(&:first)
            .uniq
            .to_h do |id|
              of = ->(*reasons) { reasons.sum { |reason| sums.fetch([id, reason], 0.0) } }
              [id, { bought_g: of["bought"], used_g: -of["used", "put_back"], thrown_out_g: -of["thrown_out"] }]
            end
        end

        # { like => sheet } of a kind, of the product opened last of each.
        def sheets(kind)
          opened = @db[:products].where(kind: kind).left_join(:lots, product_id: :id)
          opened
            .order(Sequel.asc(:opened_on, nulls: :first), Sequel[:products][:id])
            .select(:like, :sheet)
            .to_hash(:like, :sheet)
            .transform_values { |sheet| Rows.data(sheet) }
        end

        # [#products, #reserved] as they were at one moment.
        def whole = Connection.snapshot(@db) { [products, reserved] }

        def add_product(row) = @db[:products].insert(**row, sheet: Sequel.pg_jsonb_wrap(row[:sheet]))

        # A new lot with so many grams bought; the same key adds it once.
        def add_lot(product_id, grams, key, now, **lot)
          @db[:products][id: product_id] or raise NotFound, Problems.text("refused.there_is_no_product", id: product_id)
          @db.transaction do
            added = @db[:lots].insert_conflict(target: :key).insert(product_id: product_id, key: key, **lot)
            added && !grams.zero? && move(added, grams, "bought", key, now)
          end
        end

        # What may be taken of a lot without touching what open cards hold of its like and part, g; raises NotFound.
        def free_g(lot_id)
          lot =
            @db[:lots]
              .where(Sequel[:lots][:id] => lot_id)
              .join(:products, id: :product_id)
              .select(:like, :part)
              .first or raise NotFound, Problems.text("refused.there_is_no_lot", id: lot_id)
          shelf(lot[:like], lot[:part]).then { |found| found[:left_g] - found[:reserved_g] }
        end

        # Grams in (over 0) or out; the same key moves once.
        def move(lot_id, grams, reason, key, now, card_id: nil)
          @db[:lots][id: lot_id] or raise NotFound, Problems.text("refused.there_is_no_lot", id: lot_id)
          @db[:stock_moves].insert_conflict(target: :key).insert(
            lot_id: lot_id,
            grams: grams,
            reason: reason,
            key: key,
            moved_at: now,
            card_id: card_id,
            by: @by
          )
        end

        # Draws so much of what is like that key and part from the lots, oldest opened first; nothing where the shop
        # keeps none of it.
        # seed: tells this draw from every other, so that it counts once.
        def draw(key, part, grams, seed, now, card_id)
          lots =
            @db[:lots]
              .join(:products, id: :product_id)
              .where(like: key, part: part)
              .select_all(:lots)
              .order(Sequel.asc(:opened_on, nulls: :last), Sequel[:lots][:id])
              .all
          rest = grams
          lots.each_with_index do |lot, index|
            # The last lot is drawn on whatever the book says is left of it: it says so until it is counted.
            take = index == lots.size - 1 ? rest : left(lot[:id]).clamp(0, rest)
            next unless take.positive?

            move(lot[:id], -take, "used", Stocks.key("#{seed}-#{lot[:id]}"), now, card_id: card_id)
            rest -= take
          end
        end

        # Puts back what a draw with that seed took.
        def put_back(seed, now, card_id)
          @db[:stock_moves]
            .where(card_id: card_id, reason: "used")
            .all
            .each do |row|
              next unless row[:key] == Stocks.key("#{seed}-#{row[:lot_id]}")

              move(
                row[:lot_id],
                -row[:grams],
                "put_back",
                Stocks.key("#{seed}-#{row[:lot_id]}-back"),
                now,
                card_id: card_id
              )
            end
        end

        # { [card, key, part] => g } that cards have drawn; of: a condition, where not of all cards.
        def drawn(of = Sequel.~(card_id: nil))
          @db[:stock_moves]
            .where(of)
            .join(:lots, id: :lot_id)
            .join(:products, id: Sequel[:lots][:product_id])
            .select_group(:card_id, :like, :part)
            .select_append { (sum(:grams) * -1).as(:grams) }
            .to_hash(%i[card_id like part], :grams)
        end

        # { [key, part or nil] => g } that open cards hold and have not drawn yet; part "" is none.
        def reserved
          drawn = self.drawn
          open = @db[:reservations].join(:cards, id: :card_id).where(ended_at: nil).select_all(:reservations).all
          open.each_with_object(Hash.new(0.0)) do |row, sums|
            part = row[:part].empty? ? nil : row[:part]
            sums[[row[:key], part]] += [row[:grams] - drawn.fetch([row[:card_id], row[:key], part], 0.0), 0].max
          end
        end

        # What it says of the shelf for a key and part: { left_g:, reserved_g:, pack_g: }, or nil where the shop keeps
        # none of it.
        def shelf(key, part, products: self.products, reserved: self.reserved)
          like = products.select { |product| product[:like] == key }
          return if like.empty?

          {
            left_g:
              like.flat_map { |product| product[:lots] }.select { |lot| lot[:part] == part }.sum { |lot| lot[:left_g] },
            reserved_g: reserved[[key, part]],
            pack_g: like.first[:pack_g],
            product: like.first[:name]
          }
        end

        # The Date of a text, nil without one; raises InvalidInput at a path where there is no such day.
        def self.day(text, at:)
          return unless text
          return Date.iso8601(text) if text.match?(/\A\d{4}-\d\d-\d\d\z/) && MossyAnvil::Formats::Days.day?(text)

          raise MossyAnvil::InvalidInput.at(
                  at,
                  MossyAnvil::Fault.t("is", given: text[0, 40]),
                  MossyAnvil::Fault.t("a_day_there_is_like")
                )
        end

        # A UUID made of a text, the same every time.
        def self.key(text) = Digest::MD5.hexdigest(text).unpack("a8a4a4a4a12").join("-")

        private

        # Each lot with its product and what is left of it, the one opened first before the others.
        def all_lots
          left =
            @db[:stock_moves].select_group(:lot_id).select_append { sum(:grams).as(:grams) }.to_hash(:lot_id, :grams)
          @db[:lots]
            .order(Sequel.asc(:opened_on, nulls: :last), :id)
            .map do |lot|
              about = { opened_on: lot[:opened_on]&.iso8601, left_g: left.fetch(lot[:id], 0.0) }
              { **lot.slice(:id, :product_id, :part, :code), **about }
            end
        end

        def left(lot_id) = @db[:stock_moves].where(lot_id: lot_id).sum(:grams) || 0.0
      end
    end
  end
end
