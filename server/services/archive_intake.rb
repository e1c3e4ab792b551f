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
            parts(reader, name).check
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
          ArchivedShop.new(@db, reader, now: @now).take_in
          reader.blanks.each { |name| add(name) }
          @report
        end

        private

        def add(name)
          document, own = @reader[name], parts(@reader, name)
          journals = own.journals.map { |part| @reader[part] }
          journal = journals.flat_map { |part| part["entries"] }
          card = own.card
          same = blanks.same_as(document["number"], document["name"])
          return add_to(same, name, document, journal, card) if same

          id = take(name, document, journal)
          carried_cards.unpack(id, card) if card
          first = journals.first or return
          @reader.under("journals/#{own.stem}.json") { put_away(id, first["ending"]) } if first["put_away"]
        end

        def put_away(id, ending)
          blanks.place(id, true, @now)
          ending && ledger.unpack(id, ending)
        end

        def add_to(id, name, document, journal, card)
          @report[:already_here] += 1
          complete(id, document, journal)
          keep_pictures(id, name)
          alike = alike?(blanks.find(id)[:document], document)
          go_on_with(card, id, document["name"], alike) if card && !carried_cards.known?(card["key"])
          return if alike

          @copies ? take(name, document, []) : @report[:differ] << document["name"]
        end

        # A card that was opened elsewhere is gone on with where the blank stands as it was opened for and nobody works
        # it here; else it is left, and said.
        def go_on_with(card, id, name, alike)
          alike && !cards.open_of(id) ? carried_cards.unpack(id, card) : @report[:cards_left] << name
        end

        def parts(reader, name) = ArchivedParts.new(reader, name)

        def keep_pictures(id, name) =
          parts(@reader, name).pictures { |about, picture| photographs.add(id, picture, about) }

        def take(name, document, journal)
          own = document["number"]
          if own && blanks.number_taken?(own)
            document = document.merge("number" => blanks.next_number)
            @report[:renumbered] << { name: document["name"], from: own, to: document["number"] }
          end
          id = blanks.take_in(document, @briefs.fetch(name))[:id]
          keep_journal(id, journal)
          keep_pictures(id, name)
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

        def keep_journal(id, entries)
          entries.each { |entry| journal.keep(id, entry.transform_keys(&:to_sym)) }
        end

        def alike?(one, other) =
          MossyAnvil::Formats::BlankFile.write(one.except("readings")) ==
            MossyAnvil::Formats::BlankFile.write(other.except("readings"))

        def brief(document) = Reckoner.new(shops.climate, now: @now).brief(document)
      end
    end
  end
end
