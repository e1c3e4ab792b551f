# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # Keeps blanks. Every change is one transaction; a save over another's save is refused.
      class Blanks
        LAST_NUMBER = 999_999
        # Held by whoever gives a blank the next number, until it is kept.
        NUMBERING = 4_380_001

        # by: name of whoever it is done by, nil where nobody is known.
        def initialize(db, by: nil)
          @db = db
          @by = by
        end

        # Rows for the rack, by number.
        def rack
          on_the_rack
            .left_join(:forms, blank_id: :id)
            .select_all(:blanks)
            .select_append(:outside, :curve)
            .order(Sequel.asc(:number, nulls: :last), :id)
            .all
        end

        # { id:, number:, name: } of those put away and not in the ledger, the last put away first.
        def put_away =
          real
            .exclude(put_away_at: nil)
            .exclude(id: @db[:endings].select(:blank_id))
            .order(Sequel.desc(:put_away_at), :id)
            .select(:id, :number, :name)
            .all

        # Puts it away or, with `away` false, back on the rack. Its version stays: nothing of it changes. Returns as
        # #find; raises InvalidInput while its card is open.
        def place(id, away, now)
          @db.transaction do
            row = @db[:blanks].where(id: id).for_update.first or
              raise NotFound, Problems.text("refused.there_is_no_blank", id: id)
            refuse_worked if away && !@db[:cards].where(blank_id: id, ended_at: nil).empty?
            @db[:blanks].where(id: id).update(put_away_at: away ? row[:put_away_at] || now : nil)
            find(id)
          end
        end

        # Those of the shop, not what is there to practise on.
        def real = @db[:blanks].exclude(id: @db[:practices].select(:blank_id))

        def ids = real.order(Sequel.asc(:number, nulls: :last), :id).select_map(:id)
        def number_taken?(number) = !@db[:blanks].where(number: number).empty?

        # The one after the highest; the lowest that is free where that was the last there is.
        def next_number
          highest = @db[:blanks].max(:number) || 0
          return highest + 1 if highest < LAST_NUMBER

          (1..LAST_NUMBER)
            .zip(@db[:blanks].exclude(number: nil).order(:number).select_map(:number))
            .find { |free, held| free != held }
            .first
        end

        # Id of the blank with that number and name, nil where there is none.
        def same_as(number, name) = @db[:blanks].where(number: number, name: name).get(:id)

        # { id:, version:, saved_at:, put_away:, document:, journal: }; raises NotFound.
        def find(id)
          Connection.snapshot(@db) do
            row = @db[:blanks][id: id] or raise NotFound, Problems.text("refused.there_is_no_blank", id: id)
            kept(row)
          end
        end

        # What changes with every save and every reading, and #find.
        def marked(id) = find(id).then { |kept| [[kept[:version], (kept[:document]["readings"] || []).size], kept] }

        # { id => the same mark }, of blanks that nobody else can change until the transaction ends.
        def lock_marks(ids)
          versions = @db[:blanks].where(id: ids).order(:id).for_update.to_hash(:id, :version)
          readings = @db[:readings].where(blank_id: ids).group_and_count(:blank_id).to_hash(:blank_id, :count)
          versions.to_h { |id, version| [id, [version, readings.fetch(id, 0)]] }
        end

        # Takes a new blank in. document has passed the core; brief is what the rack shows of it. next_number: give it
        # one, whatever number it has.
        # Returns as #find.
        def take_in(document, brief, next_number: false)
          @db.transaction do
            document = document.merge("number" => numbered) if next_number
            id = @db[:blanks].insert(**Rows.blank(document), **brief, lathe_id: lathe_id(document))
            put_parts(id, document)
            (document["readings"] || []).each do |reading|
              @db[:readings].insert(blank_id: id, **Rows.reading({ "by" => @by, **reading }))
            end
            find(id)
          end
        end

        # Saves over `version`; raises Stale with what is kept now where that is no longer the version kept.
        def save(id, version, document, brief)
          @db.transaction do
            changed =
              @db[:blanks].where(id: id, version: version).update(
                **Rows.blank(document),
                **brief,
                lathe_id: lathe_id(document),
                version: version + 1,
                updated_at: Sequel.function(:now)
              )
            if changed.zero?
              raise Stale.new(Problems.text("refused.this_blank_was_saved_elsewhere_since_you"), find(id))
            end

            @db[:defects].where(blank_id: id).delete
            @db[:forms].where(blank_id: id).delete
            @db[:sketches].where(blank_id: id).delete
            put_parts(id, document)
            find(id)
          end
        end

        # Adds a reading, one of the same key once; the rack's brief follows it. Returns as #find.
        def add_reading(id, reading, brief, key: nil)
          @db.transaction do
            row = Rows.reading({ "by" => @by, **reading })
            added = @db[:readings].insert_conflict(target: :key).insert(blank_id: id, key: key, **row)
            next find(id) unless added

            @db[:blanks].where(id: id).update(brief)
            find(id)
          end
        end

        # Ids of those that are not put away.
        def on_rack = on_the_rack.order(:id).select_map(:id)
        # Rows of those that are still drying at a time.
        def drying(now) = on_the_rack.where { wait_ends_at > now }.all
        # Rows of those somebody waits for.
        def due = on_the_rack.exclude(due_on: nil).order(:due_on, :id).all
        def keep_brief(id, brief) = @db[:blanks].where(id: id).update(brief)

        private

        # The next number, which nobody else is given before this transaction ends.
        def numbered
          @db.get(Sequel.function(:pg_advisory_xact_lock, NUMBERING))
          next_number
        end

        def on_the_rack = real.where(put_away_at: nil)

        def refuse_worked
          raise MossyAnvil::InvalidInput.at(
                  "/put_away",
                  MossyAnvil::Fault.t("cannot_be_while_its_card_is_open"),
                  MossyAnvil::Fault.t("end_the_card_first")
                )
        end

        def put_parts(id, document)
          @db[:defects].multi_insert(Rows.defects(document).map { |row| row.merge(blank_id: id) })
          form = Rows.form(document)
          @db[:forms].insert(blank_id: id, **form) if form
          @db[:sketches].multi_insert(Rows.sketches(document).map { |row| row.merge(blank_id: id) })
        end

        # The shop's lathe with those measures; a lathe nobody knows yet is kept under the blank's name.
        def lathe_id(document)
          row = Rows.lathe(document) or return
          known = @db[:lathes].where(row).get(:id)
          return known if known

          @db[:lathes].insert_conflict.insert(
            **row,
            name: "Lathe of #{document["name"]} #{SecureRandom.hex(3)}"[0, 120]
          )
          @db[:lathes].where(row).get(:id)
        end

        def kept(row)
          {
            id: row[:id],
            version: row[:version],
            saved_at: row[:updated_at].utc.iso8601,
            put_away: !row[:put_away_at].nil?,
            document: document(row),
            journal: Journal.new(@db).of(row[:id])
          }
        end

        def own(row, table) = @db[table].where(blank_id: row[:id])

        def document(row)
          KeptDocument.of(
            row,
            defects: own(row, :defects).order(:position).all,
            form: own(row, :forms).first,
            sketches: own(row, :sketches).order(:position).all,
            readings: own(row, :readings).order(:taken_at, :id).all,
            lathe: row[:lathe_id] && @db[:lathes][id: row[:lathe_id]]
          )
        end
      end
    end
  end
end
