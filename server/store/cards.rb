# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # The cards that plans of mending are worked by, and what was ticked of them, which is appended, never changed.
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

        # Puts a new card in, of a blank that has none open; its id. Arguments as #open has them.
        def insert(blank_id, key, document, steps, reserved, now)
          id =
            @db[:cards].insert(
              blank_id: blank_id,
              key: key,
              document: Rows.json(document),
              steps: Rows.json(steps),
              started_at: now
            )
          reserved.each do |name, part, grams|
            @db[:reservations].insert(card_id: id, key: name, part: part || "", grams: grams)
          end
          id
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
            found: Rows.json(found),
            marked_at: now
          )
        end

        # Ends a card: its waits end with it, what it showed is recorded.
        def close(id, records, now)
          Waits.new(@db).finish_all(id, now)
          records.each do |row|
            @db[:records].insert(card_id: id, kind: row[:kind], of: row[:of], value: row[:value], recorded_at: now)
          end
          @db[:cards].where(id: id).update(ended_at: now)
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
      end
    end
  end
end
