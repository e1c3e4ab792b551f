# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # Open cards on their way from one shop to another, string-keyed: in an archive, or with one blank.
      class CarriedCards
        def initialize(db)
          @db = db
        end

        # An open card to be carried elsewhere, string-keyed: as it stands, with what it still holds on the shelf.
        def pack(id)
          card = Cards.new(@db).find(id)
          {
            "key" => @db[:cards].where(id: id).get(:key),
            **Rows.data(card.slice(:document, :steps)),
            "started_at" => stamp(card[:started_at]),
            "marks" => card[:marks].map { |mark| packed(mark, %i[key line kind turn value found marked_at by]) },
            "waits" =>
              card[:waits].map do |wait|
                packed(wait, %i[line message unlocks working cure started_at earliest_at likely_at ended_at])
              end,
            "reserved" => still_held(id)
          }
        end

        # Was a card with that key ever opened here?
        def known?(key) = !@db[:cards].where(key: key).empty?

        # The same opened for a blank here that has no card yet; its id.
        def unpack(blank_id, parcel)
          key = known?(parcel["key"]) ? SecureRandom.uuid : parcel["key"]
          reserved = parcel["reserved"].map { |row| row.values_at("key", "part", "grams") }
          id =
            Cards.new(@db).insert(
              blank_id,
              key,
              parcel["document"],
              parcel["steps"],
              reserved,
              Time.parse(parcel["started_at"])
            )
          parcel["marks"].each { |row| unpack_mark(id, row) }
          parcel["waits"].each { |row| unpack_wait(id, blank_id, row) }
          id
        end

        private

        def stamp(time) = time.utc.iso8601(6)
        def packed(row, names) =
          row
            .slice(*names)
            .compact
            .to_h { |name, value| [name.to_s, value.is_a?(Time) ? stamp(value) : Rows.data(value)] }
        def unpacked(row) = row.to_h { |name, value| [name.to_sym, name.end_with?("_at") ? Time.parse(value) : value] }

        def unpack_mark(id, row) = @db[:card_marks].insert(card_id: id, **unpacked(row), found: Rows.json(row["found"]))

        def unpack_wait(id, blank_id, row) =
          @db[:waits].insert(blank_id: blank_id, card_id: id, **unpacked(row), message: Rows.json(row["message"]))

        # What it reserved less what it has drawn, by key and part.
        def still_held(id)
          drawn = Stocks.new(@db).drawn({ card_id: id }).transform_keys { |_, *of| of }
          @db[:reservations]
            .where(card_id: id)
            .map do |row|
              part = row[:part].empty? ? nil : row[:part]
              {
                "key" => row[:key],
                "part" => row[:part],
                "grams" => [row[:grams] - drawn.fetch([row[:key], part], 0.0), 0.0].max
              }
            end
        end
      end
    end
  end
end
