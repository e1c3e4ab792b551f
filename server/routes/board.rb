# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # The work of the whole shop laid out over its hands, lathes and equipment.
      module Board
        MINUTES = { default: 40, within: 1..1440 }.freeze
        DAYS = { default: 7, within: 1..366 }.freeze
        AHEAD = { default: 1, within: 0..30 }.freeze

        def self.registered(app)
          app.get("/api/board") do
            answer(
              Board.shown(self, minutes: Board.number(self, "minutes", MINUTES), days: Board.number(self, "days", DAYS))
            )
          end
          app.get("/api/board/list") do
            ahead = Board.number(self, "in_days", AHEAD)
            board = Board.shown(self, minutes: MINUTES[:default], days: ahead + 1)
            day = Services::ShopClock.new(now).today + ahead
            list = Prints::DayList.new(board, day: day, shop: shops.current[:name], now: now)
            hand_over("#{day.iso8601}.pdf", "application/pdf", list.pdf)
          end
        end

        def self.shown(app, minutes:, days:)
          rows, pending = planning(app).up_to_date
          view = view(app, rows)
          question = view.question(minutes: minutes, days: days)
          found = app.calculate("board", bytes: "", **question)
          shown = view.to_h(JSON.parse(found.bytes, symbolize_names: true), question, pending: pending)
          { **shown, backup: backup(app.now) }
        end

        # { last_at:, stale: } of the backups; nil where none are made.
        def self.backup(now)
          folder = Services::BackupFolder.here or return
          { last_at: folder.last_at&.utc&.iso8601, stale: folder.stale?(now) }
        end

        def self.view(app, rows)
          app.at_one_moment do
            cards = app.cards.all_open.group_by { |card| card[:blank_id] }.transform_values(&:first)
            Services::BoardView.new(
              rows,
              cards: cards,
              people: app.people.all,
              counts: {
                **app.shops.lathes.transform_values { 1 },
                **app.shops.equipment
              },
              now: app.now,
              odds: Store::Odds.new(app.settings.db).current
            )
          end
        end

        def self.planning(app)
          own = app.own_numbers.given
          Services::WorkPlanning.new(
            app.work_plans,
            climate: app.shops.current.slice(:temperature_c, :humidity),
            own: own,
            now: app.now
          ) { |id| plan(app, id, **own) }
        end

        # A piece that takes too much to plan is on the board without its steps.
        def self.plan(app, id, **about)
          app.calculate("work_plan", bytes: "", kept: app.blanks.find(id)[:document], **about).data
        rescue Calculation::Calculator::TooCostly
          { steps: [], stopped: MossyAnvil::Message.of("board.stopped.heavy") }
        end

        # A whole number of the query; raises InvalidInput where it is none, or out of bounds.
        def self.number(app, name, about)
          given = app.params[name] or return about[:default]
          number = Integer(given, 10, exception: false)
          return number if number && about[:within].cover?(number)

          raise MossyAnvil::InvalidInput.at(
                  "/#{name}",
                  MossyAnvil::Fault.t("is", given: MossyAnvil::Fault.shown(given)),
                  MossyAnvil::Fault.t("a_whole_number_from_to", least: about[:within].first, most: about[:within].last)
                )
        end
        private_class_method :view, :planning, :plan
      end
    end
  end
end
