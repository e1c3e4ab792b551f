# frozen_string_literal: true

require "zip"

module Loft
  # The whole shop as one zip: shop.json, stores.json with what stands on the shelf and what the shop's work has shown, patterns.json with its own curves,
  # a blank file for every blank, its journal, its photographs and the card it is worked by beside it. A parcel is the same of one blank, without the shop.
  class Archive
    FORMAT = { "format" => "mossy-anvil/shop", "version" => 1 }.freeze
    PARCEL = { "format" => "mossy-anvil/parcel", "version" => 1 }.freeze

    # now: Time.
    def initialize(db, now:)
      @db = db
      @shops = Store::Shops.new(db)
      @blanks = Store::Blanks.new(db)
      @photographs = Store::Photographs.new(db)
      @stocks = Store::Stocks.new(db)
      @patterns = Store::Patterns.new(db)
      @cards = Store::Cards.new(db)
      @now = now
    end

    # Bytes of the archive.
    def write
      Zip::OutputStream.write_buffer do |zip|
        put(zip, "shop.json", MossyAnvil::JsonLayout.text(shop))
        put(zip, "stores.json", MossyAnvil::JsonLayout.text(stores))
        put(zip, "patterns.json", MossyAnvil::JsonLayout.text("patterns" => @patterns.all.map { |row| { "name" => row[:name], "form" => row[:form] } }))
        @blanks.ids.each { |id| put_blank(zip, id, @blanks.find(id)) }
      end.string
    end

    # Bytes of the parcel of one blank, `kept` as the store has it. Whoever gets it has it on the rack.
    def parcel(kept)
      Zip::OutputStream.write_buffer do |zip|
        put(zip, "parcel.json", MossyAnvil::JsonLayout.text(PARCEL))
        put_blank(zip, kept[:id], { **kept, put_away: false })
      end.string
    end

    # Takes in what the archive has and this shop has not, all or nothing. A blank of the same number and name is the same blank:
    # it stays as it is here, gets the journal entries and readings it lacks, and is named where it differs; with `copies` its other version is
    # taken in as a blank of its own. A number that another blank has is replaced by the next free one.
    # Returns { taken_in: [{ id:, number:, name: }], already_here:, differ: [names], cards_left: [names], renumbered: [{ name:, from:, to: }] };
    # raises InvalidInput with the entry's name in the path.
    def take_in(bytes, copies: false)
      entries = ArchiveReader.new(bytes).entries
      report = { taken_in: [], already_here: 0, differ: [], cards_left: [], renumbered: [] }
      @db.transaction do
        furnish(entries["shop.json"], entries["stores.json"]) if @shops.empty? && entries.key?("shop.json")
        entries.fetch("patterns.json", { "patterns" => [] })["patterns"].each_with_index { |row, index| keep_pattern(row, index) }
        entries.keys.grep(%r{\Ablanks/}).sort.each { |name| add(name, entries, report, copies) }
      end
      report
    end

    # "31-clock-surround" of a blank document.
    def self.stem(document) = [document["number"], slug(document["name"])].compact.join("-")
    def self.slug(text) = text.downcase.gsub(/[^a-z0-9]+/, "-").gsub(/\A-|-\z/, "").then { |slug| slug.empty? ? "blank" : slug[0, 60] }

    private

    def put(zip, name, text)
      zip.put_next_entry(name)
      zip.write(text)
    end

    def put_blank(zip, id, kept)
      stem = "#{Archive.stem(kept[:document])}-#{id}"
      put(zip, "blanks/#{stem}.anvil.json", MossyAnvil::BlankFile.write(kept[:document]))
      entries = kept[:journal].map { |entry| entry.except(:id).transform_keys(&:to_s) }
      put(zip, "journals/#{stem}.json", MossyAnvil::JsonLayout.text({ "put_away" => kept[:put_away] || nil, "entries" => entries }.compact))
      put_photographs(zip, stem, id)
      @cards.open_of(id)&.then { |card| put(zip, "cards/#{stem}.json", MossyAnvil::JsonLayout.text(@cards.parcel(card[:id]))) }
    end

    # What is said of each, and the pictures themselves by their sums.
    def put_photographs(zip, stem, id)
      kept = @photographs.of(id)
      return if kept.empty?

      said = kept.map { |one| one.slice(:sha256, :view, :caption, :hidden, :scale, :taken_at).transform_keys(&:to_s) }
      put(zip, "photographs/#{stem}.json", MossyAnvil::JsonLayout.text("photographs" => said))
      kept.each { |one| put(zip, "photographs/#{stem}/#{one[:sha256]}.jpg", @photographs.bytes(id, one[:id])) }
    end

    def shop
      shop = @shops.current
      FORMAT.merge("name" => shop[:name], "currency" => shop[:currency], "climate" => { "temperature_c" => shop[:temperature_c], "humidity" => shop[:humidity] },
        "lathes" => @shops.lathes)
    end

    def stores
      { "products" => @stocks.products.map { |product| Store::Rows.data(product.except(:id).merge(lots: product[:lots].map { |lot| lot.except(:id) })) },
        "records" => @cards.records.map { |row| row.compact.transform_keys(&:to_s) } }
    end

    # Onto an empty shelf: each lot as bought, with what was left of it.
    def shelve(stores)
      stores["products"].each_with_index do |product, place|
        id = @stocks.add_product(**product.slice("name", "kind", "like", "sheet", "pack_g", "pack_price").transform_keys(&:to_sym))
        product["lots"].each_with_index do |lot, index|
          about = { part: lot["part"], code: lot["code"], opened_on: lot["opened_on"] && Date.iso8601(lot["opened_on"]) }
          @stocks.add_lot(id, lot["left_g"], Store::Stocks.key("archive-#{@now.to_f}-#{place}-#{index}"), @now, **about)
        end
      end
      stores["records"].each { |row| @db[:records].insert(**row.slice("kind", "of", "value").transform_keys(&:to_sym), recorded_at: @now) }
    end

    def keep_pattern(row, index)
      @patterns.add_missing(row["name"], Store::Patterns.pattern(row["form"], at: "/patterns.json/patterns/#{index}"))
    end

    # Sets an empty shop up as the archive's; stores: nil where the archive is from before there were any.
    def furnish(shop, stores)
      @shops.set_up(**shop.slice("name", "currency").transform_keys(&:to_sym), **shop["climate"].transform_keys(&:to_sym))
      shop["lathes"].each { |name, lathe| @shops.keep_lathe(name, lathe) }
      shelve(stores) if stores
    end

    def add(name, entries, report, copies)
      document = entries[name]
      about = entries.fetch(name.sub("blanks/", "journals/").sub(".anvil.json", ".json"), {})
      journal = about.fetch("entries", [])
      pictures = pictures_of(name, entries)
      card = entries[name.sub("blanks/", "cards/").sub(".anvil.json", ".json")]
      same = @blanks.same_as(document["number"], document["name"])
      unless same
        id = take(document, journal, pictures, report)
        @cards.unpack(id, card) if card
        return about["put_away"] && @blanks.place(id, true, @now)
      end

      report[:already_here] += 1
      complete(same, document, journal)
      keep_pictures(same, pictures)
      alike = alike?(@blanks.find(same)[:document], document)
      go_on_with(card, same, report, document["name"], alike) if card && !@cards.known?(card["key"])
      return if alike

      copies ? take(document, [], pictures, report) : report[:differ] << document["name"]
    end

    # A card that was opened elsewhere is gone on with where the blank stands as it was opened for and nobody works it here; else it is left, and said.
    def go_on_with(card, id, report, name, alike)
      alike && !@cards.open_of(id) ? @cards.unpack(id, card) : report[:cards_left] << name
    end

    # [[what is said of it, Picture], ...] of the blank of that name.
    def pictures_of(name, entries)
      stem = name.delete_prefix("blanks/").delete_suffix(".anvil.json")
      (entries["photographs/#{stem}.json"]&.fetch("photographs") || []).map do |about|
        file = "photographs/#{stem}/#{about['sha256']}.jpg"
        [about, entries.fetch(file) { lacks(file, stem) }]
      end
    end

    def lacks(file, stem)
      raise MossyAnvil::InvalidInput, [MossyAnvil::Fault.new(path: "/#{file}", problem: "is not in the archive", allowed: "the picture that #{stem}.json speaks of")]
    end

    def keep_pictures(id, pictures) = pictures.each { |about, picture| @photographs.add(id, picture, about) }

    def take(document, journal, pictures, report)
      own = document["number"]
      if own && @blanks.number_taken?(own)
        document = document.merge("number" => @blanks.next_number)
        report[:renumbered] << { name: document["name"], from: own, to: document["number"] }
      end
      id = @blanks.take_in(document, brief(document))[:id]
      keep_journal(id, journal)
      keep_pictures(id, pictures)
      report[:taken_in] << { id: id, number: document["number"], name: document["name"] }
      id
    end

    def complete(id, document, journal)
      keep_journal(id, journal)
      known = @blanks.find(id)[:document]["readings"] || []
      # As they are written: 60 and 60.0 are one reading.
      written = known.map { |reading| MossyAnvil::JsonLayout.one_line(reading) }
      missing = (document["readings"] || []).reject { |reading| written.include?(MossyAnvil::JsonLayout.one_line(reading)) }
      return if missing.empty?

      whole = document.merge("readings" => known + missing)
      missing.each { |reading| @blanks.add_reading(id, reading, brief(whole)) }
    end

    def keep_journal(id, journal)
      journal.each { |entry| @blanks.keep_entry(id, entry.transform_keys(&:to_sym)) }
    end

    def alike?(one, other) = MossyAnvil::BlankFile.write(one.except("readings")) == MossyAnvil::BlankFile.write(other.except("readings"))

    def brief(document)
      first = document["readings"]&.first
      Brief.new(Reckoner.new(@shops.climate, now: @now).assess(document), now: @now, started_at: first && Time.parse(first["taken_at"])).to_h
    end
  end
end
