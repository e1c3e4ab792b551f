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

          steps = plan["steps"].map { |step| { **step.slice(*KEPT), "troubles" => troubles(step["do"]) } }
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
            marked = LineMark.new(@cards, @stocks, card, view, body, @now)
            next if marked.repeated?

            marked.apply
            @cards.mark(
              id,
              key: body["key"],
              line: line["key"],
              kind: kind,
              turn: turn,
              value: body["value"],
              found: kind == "done" ? verdict(card, view, line, body["value"]) : nil,
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
              found: found_of_trouble(card, view, line, body)
            )
          end
        end

        # Ends it: what was measured is kept, and a line goes to the journal. The same key sent again ends it once.
        def close(id, key)
          change(id, again: ->(card) { @blanks.logged?(card[:blank_id], key) }) do |held, view|
            records =
              held[:steps].flat_map { |told| step(held, told["id"]).verdict(view.measures(told["id"]))[:records] }
            @cards.close(id, records + DriedRecord.new(@blanks, climate: @climate, now: @now).of(held), @now)
            mend(held, view)
            @blanks.keep_entry(held[:blank_id], key: key, **entry(held, view))
          end
        end

        private

        # What the journal says of a card that is ended.
        def entry(held, view)
          kind = ENTRIES.fetch(held[:steps].first["stretch"], "note")
          note = CardNote.new(held, view).text
          { kind: kind, stage: nil, speed_rpm: nil, by: @worker.name, note: note, logged_at: @now }
        end

        # What is said of a trouble, and the lines that come of it.
        def found_of_trouble(card, view, line, body)
          step = step(card, view.step_of(line["key"])["id"])
          met = step.trouble(body["trouble"], amount: body["amount"], hours: hours_since_pour(card, view, line))
          {
            trouble: advice("tables.troubles.#{met[:key]}.now"),
            says: met[:says].map { |one| { **one, figure: nil } },
            lines: keyed(met[:lines], "#{line["key"]}.#{body["key"][0, 4]}"),
            **(met[:key] == "opened" ? put_into_survey(card, view, line, body["amount"]) : {})
          }
        end

        def advice(key) = { tone: "stop", figure: nil, **MossyAnvil::Message.of(key) }

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
          measured = done.to_h { |step_id| [step_id, view.measures(step_id)] }
          document = document_after(card, kept[:document], done, measured)
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

        def reckoned(document)
          MossyAnvil::Report::MendReport.new(Reckoner.blank(document), climate: @climate, now: @now, records: records)
        end

        def records = @own[:records]

        # done: ids of the steps that are.
        def document_after(card, document, done, measured)
          marks = card[:steps].select { |told| done.include?(told["id"]) }.filter_map { |told| told["mark"] }
          mended = done - marks.map { |mark| mark["step"] }
          document = plan(card).document_after(document, mended, measured: measured) if mended.any?
          marks.empty? ? document : with_marks(document, marks)
        end

        # The route goes on by them; what it had of the same steps before is written anew.
        def with_marks(document, marks)
          route = document["route"] || {}
          known = marks.map { |mark| mark["step"] }
          before = (route["done"] || []).reject { |mark| known.include?(mark["step"]) }
          dated = marks.map { |mark| { **mark, "on" => @now.to_date.iso8601 } }
          document.merge("route" => { **route, "done" => [*before, *dated] })
        end

        # Of a card of the route, that; else the plan of mending.
        def plan(card) = @plan ||= card[:steps].first["stretch"] ? of_route(card[:document]) : reckoned(card[:document])

        def of_route(document) =
          MossyAnvil::Report::CardReport.new(Reckoner.blank(document), climate: @climate, now: @now, **@own)

        # What answers for a step: what Mend made of it or, of turning and finishing, a WorkedStep.
        def step(card, step_id)
          told = card[:steps].find { |one| one["id"] == step_id }
          return MossyAnvil::Report::WorkedStep.new(told["do"], told["limit_rpm"], told["lines"]) if told["mark"]
          return plan(card).made(step_id) if told["stretch"]

          (@steps ||= plan(card).steps).find { |one| one.id == step_id }
        end
        def troubles(kind) = MossyAnvil::Mend::MendStep.troubles_of(kind).map { |row| row.slice("key", "asks") }

        # What a measure says of its step, with those before it.
        def verdict(card, view, line, value)
          return unless line["measures"]

          step_id = view.step_of(line["key"])["id"]
          found = step(card, step_id).verdict({ **view.measures(step_id), line["measures"] => value })
          return if found[:says].empty?
          { says: found[:says].map { |one| { **one, figure: nil } }, lines: keyed(found[:lines], line["key"]) }
        end

        # Lines that came of one, told apart.
        def keyed(lines, stem) =
          lines.each_with_index.map { |line, index| { key: "#{stem}.#{index + 1}", optional: false, **line } }

        # Since the last timed pour before a line was done; 0 where none was.
        def hours_since_pour(card, view, line)
          poured = poured_before(view, line)
          marks = card[:marks].select { |mark| mark[:kind] == "done" && poured.include?(mark[:line]) }
          marks.empty? ? 0.0 : (@now - marks.map { |mark| mark[:marked_at] }.max) / 3600.0
        end

        # Keys of the timed lines that are done, up to that one.
        def poured_before(view, line)
          keys = view.lines.map { |one| one["key"] }
          upto = view.lines.first(keys.index(line["key"]) + 1)
          upto.select { |one| one["kind"] == "timer" && view.done?(one["key"]) }.map { |one| one["key"] }
        end

        def refuse(path, problem, allowed) = raise MossyAnvil::InvalidInput.at(path, problem, allowed)
      end
    end
  end
end
