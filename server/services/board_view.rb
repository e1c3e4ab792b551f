# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # The board: the shop's pieces as the core lays their work out, with times of this place in place of minutes.
      class BoardView
        # rows: of Store::WorkPlans. cards: { blank id => its open card as Store::Cards#find has it }. people, counts:
        # of the shop. now: Time.
        # odds: { blank id => the odds as they were told }.
        def initialize(rows, cards:, people:, counts:, now:, odds: {})
          @odds = odds
          @rows = rows.to_h { |row| [row[:id], row] }
          @cards = cards
          @people = people
          @counts = counts
          @now = now
          @clock = ShopClock.new(now)
        end

        # What the core is asked. minutes: how long there is; days: so many are told of.
        def question(minutes:, days:)
          {
            pieces: @rows.values.map { |row| piece(row) },
            people: @people,
            counts: @counts,
            from_min: @clock.now_min,
            minutes: minutes,
            until_min: @clock.end_of(@clock.today + days - 1)
          }
        end

        # found: the core's answer to that, symbol-keyed.
        def to_h(found, question, pending:)
          {
            now: @now.iso8601,
            minutes: question[:minutes],
            until: @clock.text(question[:until_min]),
            somebody: @people.all? { |person| person[:hours].empty? },
            people: @people,
            pending: pending,
            pieces: found[:pieces].map { |piece| told(piece) },
            choices: found[:now]
          }
        end

        private

        def piece(row)
          {
            id: row[:id],
            lathe: row[:lathe],
            due_min: row[:due_on] && @clock.end_of(row[:due_on]),
            plan: Store::Rows.data(row[:plan]),
            made_min: @clock.minute(row[:made_at]),
            weighed_min: row[:weighed_at] && @clock.minute(row[:weighed_at]),
            card: @cards[row[:id]]&.then { |card| progress(card) }
          }
        end

        # Which steps of a card are done, and what it waits for.
        def progress(card)
          view = CardView.new(card, @now)
          wait = card[:waits].select { |one| one[:ended_at].nil? && !one[:working] }.max_by { |one| one[:likely_at] }
          waiting = wait && view.step_of(wait[:line])
          done = card[:steps].select { |step| view.all_done?(step["id"]) || step == waiting }
          { done: done.map { |step| kind(step) }, waits: wait && waits(wait, waiting) }
        end

        # Of the route, where the sanding of what was filled is called by another name.
        def kind(step) = MossyAnvil::Route::Mending::KINDS.fetch(step["do"], step["do"])

        def waits(wait, step)
          {
            from_min: @clock.minute(wait[:started_at]),
            until_min: @clock.minute(wait[:likely_at]),
            kind: step && kind(step)
          }
        end

        def told(piece)
          row = @rows.fetch(piece[:id])
          {
            **row.slice(:id, :number, :name),
            words: row[:asked_for],
            due_on: row[:due_on]&.iso8601,
            finish_at: @clock.text(piece[:finish_min]),
            late_days: piece[:late_min]&.then { |late| late / MossyAnvil::Shop::WorkingHours::DAY_MIN.to_f },
            under_way: piece[:under_way]&.then { |one| under_way(one, row) },
            steps: piece[:steps].map { |step| placed(step) },
            **piece.slice(:decided_by, :stopped, :left),
            odds: @odds[piece[:id]]&.then { |told| in_short(told) }
          }
        end

        def in_short(told) = { **told.slice("verdict", "truths", "sound", "injury"), worst: told["causes"].first }

        def under_way(one, row)
          from = one[:from_min] ? @clock.time(one[:from_min]) : row[:wait_started_at]
          {
            name: one[:name],
            from: from&.getlocal&.iso8601,
            until: @clock.text(one[:until_min]),
            weigh: @clock.text(one[:weigh_min]),
            equipment: one[:holding]
          }
        end

        def placed(step)
          {
            **step.slice(:id, :name, :stretch, :hands_min, :lathe, :equipment, :held_up_by, :spoilt),
            person: step[:worker],
            parts: step[:parts].map { |from, to| { from: @clock.text(from), to: @clock.text(to) } },
            until: @clock.text(step[:until_min])
          }
        end
      end
    end
  end
end
