# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # The cards that plans of mending are worked by, what was ticked of them, and their waits. What is ticked is
      # appended, never changed.
      class Cards
        # by: name of whoever works on them, nil where nobody is known.
        def initialize(db, by: nil)
          @db = db
          @by = by
        end

        # Opens a card for a blank from its calculated steps; the one that is open already where there is one, so that
        # two hands open one card, and the one that was opened with that key. Its id.
        # document: as it was calculated; reserved: [[key, part or nil, g], ...].
        def open(blank_id, key, document, steps, reserved, now)
          @db.transaction do
            blank = @db[:blanks].where(id: blank_id).for_update.first or
              raise NotFound, Problems.text("refused.there_is_no_blank", id: blank_id)
            @db[:cards].where(blank_id: blank_id, key: key).get(:id) || open_of(blank_id)&.fetch(:id) ||
              (refuse_put_away if blank[:put_away_at]) || insert(blank_id, key, document, steps, reserved, now)
          end
        end

        # The open card of a blank, or nil.
        def open_of(blank_id) = @db[:cards].where(blank_id: blank_id, ended_at: nil).first

        # All that are open, each as #find has it.
        def all_open = @db[:cards].where(ended_at: nil).order(:id).select_map(:id).map { |id| find(id) }

        # { id:, blank_id:, document:, steps:, marks:, waits:, started_at:, ended_at: }; raises NotFound.
        def find(id)
          Connection.snapshot(@db) do
            row = @db[:cards][id: id] or raise NotFound, Problems.text("refused.there_is_no_card", id: id)
            marks =
              @db[:card_marks]
                .where(card_id: id)
                .order(:id)
                .map { |mark| { **mark, found: OldTexts.found(Rows.data(mark[:found])) } }
            {
              **row.slice(:id, :blank_id, :started_at, :ended_at),
              document: Rows.data(row[:document]),
              steps: OldTexts.steps(Rows.data(row[:steps])),
              marks: marks,
              waits: @db[:waits].where(card_id: id).order(:id).all
            }
          end
        end

        # Works on a card while nobody else does: yields it as #find has it.
        def hold(id)
          @db.transaction do
            @db[:cards].where(id: id).for_update.first
            yield find(id)
          end
        end

        MOST_MARKS = 10_000

        # Adds a mark; a key sent twice counts once. Raises InvalidInput where there are too many to be carried
        # elsewhere.
        # about: line:, kind:, turn: and, where there is one, value:; found: what the core said of it.
        def mark(id, key:, now:, found: nil, **about)
          refuse_more if @db[:card_marks].where(card_id: id).count >= MOST_MARKS
          @db[:card_marks].insert_conflict(target: %i[card_id key]).insert(
            card_id: id,
            **about,
            key: key,
            by: @by,
            found: found && Sequel.pg_jsonb_wrap(JSON.parse(JSON.generate(found))),
            marked_at: now
          )
        end

        # A wait begins, or begins anew where it was taken back. minutes: [least, likely].
        def begin_wait(card, line, minutes, now)
          times = {
            started_at: now,
            earliest_at: now + (minutes[0] * 60),
            likely_at: now + (minutes.max * 60),
            ended_at: nil
          }
          @db[:waits].insert_conflict(target: %i[card_id line], update: times).insert(
            blank_id: card[:blank_id],
            card_id: card[:id],
            line: line["key"],
            message: wrapped(line["message"]),
            unlocks: line["unlocks"],
            working: line["working"],
            cure: line["cure"],
            **times
          )
        end

        def end_wait(id, line, now) =
          @db[:waits].where(card_id: id, line: line, ended_at: nil).update(
            ended_at: Sequel.function(:greatest, now, :started_at)
          )
        def drop_wait(id, line) = @db[:waits].where(card_id: id, line: line).delete

        # Ends a card: its waits end with it, what it showed is recorded.
        def close(id, records, now)
          @db[:waits].where(card_id: id, ended_at: nil).update(ended_at: Sequel.function(:greatest, now, :started_at))
          records.each do |row|
            @db[:records].insert(card_id: id, kind: row[:kind], of: row[:of], value: row[:value], recorded_at: now)
          end
          @db[:cards].where(id: id).update(ended_at: now)
        end

        # Open waits of all blanks, soonest first, with number and name of each.
        def waits
          @db[:waits]
            .where(Sequel[:waits][:ended_at] => nil)
            .join(:blanks, id: :blank_id)
            .select_all(:waits)
            .select_append(:number, :name)
            .order(:likely_at)
            .all
        end

        # Every wait that follows the shop's temperature, as the block has it; a wait comes with its times.
        def rescale
          @db.transaction do
            @db[:waits]
              .where(ended_at: nil, cure: true)
              .for_update
              .all
              .each { |wait| @db[:waits].where(id: wait[:id]).update(yield(wait)) }
          end
        end

        # An open card to be carried elsewhere, string-keyed: as it stands, with what it still holds on the shelf.
        def parcel(id)
          card = find(id)
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
          id = insert(blank_id, key, parcel["document"], parcel["steps"], reserved, Time.parse(parcel["started_at"]))
          parcel["marks"].each { |row| unpack_mark(id, row) }
          parcel["waits"].each { |row| unpack_wait(id, blank_id, row) }
          id
        end

        private

        def refuse_more
          raise MossyAnvil::InvalidInput.at(
                  "/line",
                  MossyAnvil::Fault.t("is_a_mark_more_than_a_card"),
                  MossyAnvil::Fault.t("end_the_card", most: MOST_MARKS)
                )
        end

        def refuse_put_away
          raise MossyAnvil::InvalidInput.at(
                  "/blank",
                  MossyAnvil::Fault.t("is_put_away"),
                  MossyAnvil::Fault.t("put_it_back_on_the_rack_first")
                )
        end

        def insert(blank_id, key, document, steps, reserved, now)
          id =
            @db[:cards].insert(
              blank_id: blank_id,
              key: key,
              document: wrapped(document),
              steps: wrapped(steps),
              started_at: now
            )
          reserved.each do |name, part, grams|
            @db[:reservations].insert(card_id: id, key: name, part: part || "", grams: grams)
          end
          id
        end

        def stamp(time) = time.utc.iso8601(6)
        def packed(row, names) =
          row
            .slice(*names)
            .compact
            .to_h { |name, value| [name.to_s, value.is_a?(Time) ? stamp(value) : Rows.data(value)] }
        def unpacked(row) = row.to_h { |name, value| [name.to_sym, name.end_with?("_at") ? Time.parse(value) : value] }

        def unpack_mark(id, row) =
          @db[:card_marks].insert(card_id: id, **unpacked(row), found: row["found"] && wrapped(row["found"]))

        def unpack_wait(id, blank_id, row) =
          @db[:waits].insert(blank_id: blank_id, card_id: id, **unpacked(row), message: wrapped(row["message"]))

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

        def wrapped(data) = Sequel.pg_jsonb_wrap(JSON.parse(JSON.generate(data)))
      end
    end
  end
end
