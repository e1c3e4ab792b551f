# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # What is done to a card: opened, its lines ticked and taken back, troubles met, closed. One hand at a time; what
      # is done twice counts once.
      class CardWork
        # What a card keeps of a step; the last three of the route alone.
        KEPT = %w[id do name cautions tools lines stretch limit_rpm mark].freeze
        # Kind of entry in the journal by the stretch of the route; anything else is a note.
        ENTRIES = { nil => "mend", "mend" => "mend", "turn" => "cut" }.freeze

        # worker: Caller at whose hand it is done.
        def initialize(db, climate:, now:, worker: Caller::ALONE)
          @worker = worker
          @cards = Store::Cards.new(db, by: worker.name)
          @blanks = Store::Blanks.new(db, by: worker.name)
          @waits = Store::Waits.new(db)
          @journal = Store::Journal.new(db, by: worker.name)
          @stocks = Store::Stocks.new(db, by: worker.name)
          @own = OwnNumbers.new(db).core
          @climate = climate
          @now = now
        end

        # The open card of a blank. document: as it is kept; plan: the steps and materials calculated of it,
        # string-keyed. Raises InvalidInput where there is nothing to do.
        def open(blank_id, key, document, plan)
          if plan["steps"].empty?
            refuse("/mend", MossyAnvil::Fault.t("has_no_steps"), MossyAnvil::Fault.t("at_least_one_step_to_work_by"))
          end

          steps = plan["steps"].map { |step| { **step.slice(*KEPT), "troubles" => CardPlan.troubles(step["do"]) } }
          show(@cards.open(blank_id, key, document, steps, held(plan["materials"]), @now))
        end

        def show(id) = CardView.new(@cards.find(id), @now).to_h

        # body: key, line, kind (started, done, taken_back, seen, released), value and, of what was done a while ago on
        # a device that found no server, how many seconds ago. Raises NotAllowed where only a maker may.
        def mark(id, body)
          change(id) do |card, view|
            line, kind = view.line(body["line"]), body["kind"]
            view.check_right(@worker, kind)
            @now = [@now - (body["ago_s"] || 0), card[:started_at]].max
            turn = view.turn(line["key"])
            marked = LineMark.new(@waits, @stocks, card, view, body, @now)
            next if marked.repeated?

            marked.apply
            @cards.mark(
              id,
              key: body["key"],
              line: line["key"],
              kind: kind,
              turn: turn,
              value: body["value"],
              found: kind == "done" ? plan(card, view).verdict(line, body["value"]) : nil,
              now: @now
            )
          end
        end

        # body: key, line at which it happened, trouble, and amount where it asks for one.
        def trouble(id, body)
          change(id) do |card, view|
            line = view.line(body["line"])
            next if card[:marks].any? { |mark| mark[:key] == body["key"] }

            @cards.mark(
              id,
              key: body["key"],
              line: line["key"],
              kind: "trouble",
              turn: 0,
              value: body["amount"],
              now: @now,
              found: {
                **plan(card, view).trouble(line, body),
                **(body["trouble"] == "opened" ? put_into_survey(card, view, line, body["amount"]) : {})
              }
            )
          end
        end

        # Ends it: what was measured is kept, and a line goes to the journal. The same key sent again ends it once.
        def close(id, key)
          change(id, again: ->(card) { @journal.logged?(card[:blank_id], key) }) do |held, view|
            dried = DriedRecord.new(@blanks, climate: @climate, now: @now).of(held)
            @cards.close(id, plan(held, view).records + dried, @now)
            mend(held, view)
            @journal.keep(held[:blank_id], key: key, **entry(held, view))
          end
        end

        private

        # What the journal says of a card that is ended.
        def entry(held, view)
          kind = ENTRIES.fetch(held[:steps].first["stretch"], "note")
          note = CardNote.new(held, view).text
          { kind: kind, stage: nil, speed_rpm: nil, by: @worker.name, note: note, logged_at: @now }
        end

        def put_into_survey(card, view, line, clock_deg) =
          OpenedInCut.new(@blanks, climate: @climate, now: @now).keep(
            card[:blank_id],
            view.step_of(line["key"]),
            line,
            clock_deg
          )

        # [[key, part, g], ...]: however many products of a class the plan names, the card holds one amount of it.
        def held(materials) =
          materials
            .group_by { |row| row.values_at("key", "part") }
            .map { |(key, part), rows| [key, part, rows.sum { |row| row["amount"] }] }

        # The blank is mended by every step whose lines are all ticked, and its route goes on by them. Its version goes
        # up: whoever has it open elsewhere is told.
        def mend(card, view)
          done = card[:steps].select { |told| view.all_done?(told["id"]) }.map { |told| told["id"] }
          return if done.empty?

          kept = @blanks.find(card[:blank_id])
          document = plan(card, view).document_after(kept[:document], done)
          brief = Reckoner.new(@climate, now: @now).brief(document)
          @blanks.save(card[:blank_id], kept[:version], document, brief)
        end

        # With the card held against others; refused once it has ended, but where the same was asked before.
        def change(id, again: ->(_) { false })
          @cards.hold(id) do |card|
            next if card[:ended_at] && again.call(card)

            if card[:ended_at]
              refuse("/card", MossyAnvil::Fault.t("has_ended"), MossyAnvil::Fault.t("a_card_that_is_open_open_another"))
            end
            yield card, CardView.new(card, @now)
          end
          show(id)
        end

        def plan(card, view) = @plan ||= CardPlan.new(card, view, climate: @climate, now: @now, own: @own)

        def refuse(path, problem, allowed) = raise MossyAnvil::InvalidInput.at(path, problem, allowed)
      end
    end
  end
end
