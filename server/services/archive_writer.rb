# frozen_string_literal: true

require "zip"

module MossyAnvil
  module Server
    module Services
      # Writes an Archive, or a parcel.
      class ArchiveWriter
        include Store::Access

        # Of a journal, in one file.
        ENTRIES_A_PART = 5000

        def initialize(db)
          @db = db
        end

        # Writes the archive to a file at that path, all of it as it was at one moment.
        def write(path)
          Store::Connection.snapshot(@db) do
            Zip::OutputStream.open(path) do |zip|
              put(zip, "shop.json", MossyAnvil::Formats::JsonLayout.text(shop))
              put(zip, "stores.json", MossyAnvil::Formats::JsonLayout.text(stores))
              put(
                zip,
                "patterns.json",
                MossyAnvil::Formats::JsonLayout.text(
                  "patterns" => patterns.all.map { |row| { "name" => row[:name], "form" => row[:form] } }
                )
              )
              blanks.ids.each { |id| put_blank(zip, id, blanks.find(id)) }
            end
          end
        end

        # The same of the parcel of one blank. Whoever gets it has it on the rack. Gives back the blank as the store has
        # it.
        def write_parcel(path, id)
          Store::Connection.snapshot(@db) do
            blanks
              .find(id)
              .tap do |kept|
                Zip::OutputStream.open(path) do |zip|
                  put(zip, "parcel.json", MossyAnvil::Formats::JsonLayout.text(Archive::PARCEL))
                  put_blank(zip, id, { **kept, put_away: false })
                end
              end
          end
        end

        private

        def put(zip, name, text)
          zip.put_next_entry(name)
          zip.write(text)
        end

        def put_blank(zip, id, kept)
          stem = "#{Archive.stem(kept[:document])}-#{id}"
          put(zip, "blanks/#{stem}.anvil.json", MossyAnvil::Formats::BlankFile.write(kept[:document]))
          put_journal(zip, stem, kept)
          put_photographs(zip, stem, id)
          cards
            .open_of(id)
            &.then do |card|
              put(zip, "cards/#{stem}.json", MossyAnvil::Formats::JsonLayout.text(carried_cards.pack(card[:id])))
            end
        end

        # In parts of ENTRIES_A_PART, the first of them there even where it is empty.
        def put_journal(zip, stem, kept)
          entries = kept[:journal].map { |entry| entry.except(:id).transform_keys(&:to_s) }
          (entries.empty? ? [[]] : entries.each_slice(ENTRIES_A_PART)).each_with_index do |part, index|
            about = { **(index.zero? ? placed(kept) : {}), "entries" => part }
            put(
              zip,
              "journals/#{stem}#{".#{index + 1}" if index.positive?}.json",
              MossyAnvil::Formats::JsonLayout.text(about)
            )
          end
        end

        # Whether it is off the rack, and what became of it.
        def placed(kept)
          return {} unless kept[:put_away]

          { "put_away" => true, "ending" => ledger.packed(kept[:id]) }.compact
        end

        # What is said of each, and the pictures themselves by their sums.
        def put_photographs(zip, stem, id)
          kept = photographs.of(id)
          return if kept.empty?

          said =
            kept.map { |one| one.slice(:sha256, :view, :caption, :hidden, :scale, :taken_at).transform_keys(&:to_s) }
          put(zip, "photographs/#{stem}.json", MossyAnvil::Formats::JsonLayout.text("photographs" => said))
          kept.each { |one| put(zip, "photographs/#{stem}/#{one[:sha256]}.jpg", photographs.bytes(id, one[:id])) }
        end

        def shop
          shop = shops.current
          Archive::FORMAT.merge(
            "name" => shop[:name],
            "currency" => shop[:currency],
            "climate" => {
              "temperature_c" => shop[:temperature_c],
              "humidity" => shop[:humidity]
            },
            "lathes" => shops.lathes,
            "people" => people.all.map { |person| person.except(:id).transform_keys(&:to_s) },
            "equipment" => shops.equipment,
            "tools" => shops.tools
          )
        end

        def record(row) =
          row.slice(:kind, :of, :value).compact.merge(row[:left_out] ? { left_out: true } : {}).transform_keys(&:to_s)

        def stores
          {
            "products" =>
              stocks.products.map do |product|
                Store::Rows.data(product.except(:id).merge(lots: product[:lots].map { |lot| lot.except(:id) }))
              end,
            "records" => rates.all.map { |row| record(row) },
            "rates_off" => rates.off.map { |kind, of| { "kind" => kind, "of" => of }.compact }
          }
        end
      end
    end
  end
end
