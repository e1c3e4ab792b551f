# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # Takes in an Archive, or a parcel: first everything is read and checked, then all of it is kept, or nothing.
      class ArchiveIntake
        include Store::Access

        # now: Time.
        def initialize(db, now:)
          @db = db
          @now = now
        end

        # What the rack shows of every blank in the archive, by its name there. step: told (done, total) after each.
        # Reads and checks all of it.
        def briefs(reader, step)
          %w[shop.json stores.json patterns.json].each { |name| reader[name] }
          reader.blanks.each_with_index.to_h do |name, index|
            check_parts(reader, name)
            HeldMemory.ease
            [name, brief(reader[name])].tap { step.call(index + 1, reader.blanks.size) }
          end
        end

        # Takes in what the archive has and this shop has not, within a transaction. A blank of the same number and name
        # is the same blank:
        # it stays as it is here, gets the journal entries and readings it lacks, and is named where it differs; with
        # `copies` its other version is taken in as a blank of its own. A number that another blank has is replaced by
        # the next free one. briefs: as #briefs has them.
        # Returns { taken_in: [{ id:, number:, name: }], already_here:, differ: [names], cards_left: [names],
        # renumbered: [{ name:, from:, to: }] };
        # raises InvalidInput with the entry's name in the path.
        def take_in(reader, briefs, copies: false)
          @reader, @briefs, @copies = reader, briefs, copies
          @report = { taken_in: [], already_here: 0, differ: [], cards_left: [], renumbered: [] }
          furnish(reader["shop.json"], reader["stores.json"]) if shops.empty? && reader.key?("shop.json")
          (reader["patterns.json"] || { "patterns" => [] })["patterns"].each_with_index do |row, index|
            keep_pattern(row, index)
          end
          reader.blanks.each { |name| add(name) }
          @report
        end

        private

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

        def add(name)
          document, stem = @reader[name], stem_of(name)
          journals = @reader.journals(stem).map { |part| @reader[part] }
          journal = journals.flat_map { |part| part["entries"] }
          card = @reader["cards/#{stem}.json"]
          same = blanks.same_as(document["number"], document["name"])
          return add_to(same, name, document, journal, card) if same

          id = take(name, document, journal)
          cards.unpack(id, card) if card
          first = journals.first or return
          @reader.under("journals/#{stem}.json") { put_away(id, first["ending"]) } if first["put_away"]
        end

        def put_away(id, ending)
          blanks.place(id, true, @now)
          ending && ledger.unpack(id, ending)
        end

        def add_to(id, name, document, journal, card)
          @report[:already_here] += 1
          complete(id, document, journal)
          keep_pictures(id, stem_of(name))
          alike = alike?(blanks.find(id)[:document], document)
          go_on_with(card, id, document["name"], alike) if card && !cards.known?(card["key"])
          return if alike

          @copies ? take(name, document, []) : @report[:differ] << document["name"]
        end

        # A card that was opened elsewhere is gone on with where the blank stands as it was opened for and nobody works
        # it here; else it is left, and said.
        def go_on_with(card, id, name, alike)
          alike && !cards.open_of(id) ? cards.unpack(id, card) : @report[:cards_left] << name
        end

        def stem_of(name) = name.delete_prefix("blanks/").delete_suffix(".anvil.json")

        # Reads what goes with a blank, so that what is wrong with it is known before anything is kept.
        def check_parts(reader, name)
          stem = stem_of(name)
          reader.journals(stem).each { |part| check_times(reader, part) }
          card = reader["cards/#{stem}.json"]
          reader.under("cards/#{stem}.json") { check_card(card, reader[name]) } if card
          pictures(reader, stem) do |about, _|
            time = about["taken_at"]
            unless time.nil? || MossyAnvil::Formats::Days.time?(time)
              refuse(
                "/photographs/#{stem}.json/photographs",
                MossyAnvil::Fault.t("has_a_picture_taken_at", time: time),
                MossyAnvil::Fault.t("a_time_there_is")
              )
            end
          end
        end

        def check_times(reader, part)
          reader[part]["entries"].each_with_index do |entry, index|
            next if MossyAnvil::Formats::Days.time?(entry["logged_at"])
            refuse(
              "/#{part}/entries/#{index}/logged_at",
              MossyAnvil::Fault.t("is", given: entry["logged_at"]),
              MossyAnvil::Fault.t("a_time_there_is")
            )
          end
        end

        # A card is of its blank: of the same number, name or shape, however it was changed since.
        def check_card(card, document)
          return if %w[number name shape].any? { |key| document[key] && document[key] == card["document"][key] }

          refuse(
            "/document",
            MossyAnvil::Fault.t("is_of_another_blank", given: MossyAnvil::Fault.shown(card["document"]["name"])),
            MossyAnvil::Fault.t("the_blank_beside_it")
          )
        end

        # Yields what is said of each picture of a stem, and the Picture.
        def pictures(reader, stem)
          (reader["photographs/#{stem}.json"]&.fetch("photographs") || []).each do |about|
            file = "photographs/#{stem}/#{about["sha256"]}.jpg"
            yield about, reader[file] || lacks(file, stem)
          end
        end

        def lacks(file, stem) =
          refuse(
            "/#{file}",
            MossyAnvil::Fault.t("is_not_in_the_archive"),
            MossyAnvil::Fault.t("the_picture_that_json_speaks_of", stem: stem)
          )
        def refuse(path, problem, allowed) = raise MossyAnvil::InvalidInput.at(path, problem, allowed)
        def keep_pictures(id, stem) = pictures(@reader, stem) { |about, picture| photographs.add(id, picture, about) }

        def take(name, document, journal)
          own = document["number"]
          if own && blanks.number_taken?(own)
            document = document.merge("number" => blanks.next_number)
            @report[:renumbered] << { name: document["name"], from: own, to: document["number"] }
          end
          id = blanks.take_in(document, @briefs.fetch(name))[:id]
          keep_journal(id, journal)
          keep_pictures(id, stem_of(name))
          @report[:taken_in] << { id: id, number: document["number"], name: document["name"] }
          id
        end

        def complete(id, document, journal)
          keep_journal(id, journal)
          known = blanks.find(id)[:document]["readings"] || []
          # As they are written: 60 and 60.0 are one reading.
          written = known.map { |reading| MossyAnvil::Formats::JsonLayout.one_line(reading) }
          missing =
            (document["readings"] || []).reject do |reading|
              written.include?(MossyAnvil::Formats::JsonLayout.one_line(reading))
            end
          return if missing.empty?

          whole = document.merge("readings" => known + missing)
          missing.each { |reading| blanks.add_reading(id, reading, brief(whole)) }
        end

        def keep_journal(id, journal)
          journal.each { |entry| blanks.keep_entry(id, entry.transform_keys(&:to_sym)) }
        end

        def alike?(one, other) =
          MossyAnvil::Formats::BlankFile.write(one.except("readings")) ==
            MossyAnvil::Formats::BlankFile.write(other.except("readings"))

        def brief(document) = Reckoner.new(shops.climate, now: @now).brief(document)
      end
    end
  end
end
