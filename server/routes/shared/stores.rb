# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      module Shared
        # The stores and services of a request, in the name of whoever asks.
        module Stores
          # What the block reads, all of it as it was at one moment.
          def at_one_moment(&) = Store::Connection.snapshot(settings.db, &)

          # Caller who asks.
          def asking = env.fetch(Caller::KEY)
          def blanks = Store::Blanks.new(settings.db, by: asking.name)
          def photographs = Store::Photographs.new(settings.db)
          def tasks = Store::Tasks.new(settings.db)
          # A task kept and put on the queue; its id.
          def ask_task(kind, asked, **file) = tasks.ask(kind, asked, **file) { |id| Jobs::TaskJob.enqueue(id) }

          def patterns = Store::Patterns.new(settings.db)
          def work_plans = Store::WorkPlans.new(settings.db)
          def people = Store::People.new(settings.db)
          def instruments = Store::Instruments.new(settings.db)
          def lathes = Store::Lathes.new(settings.db)
          def ledger = Store::Ledger.new(settings.db)
          def rates = Store::Rates.new(settings.db)
          def own_numbers = Services::OwnNumbers.new(settings.db)
          def stocks = Store::Stocks.new(settings.db, by: asking.name)
          def presences = Store::Presences.new(settings.db)
          def devices = Store::Devices.new(settings.db)
          def log_ins = Store::LogIns.new(settings.db)
          def shops = Store::Shops.new(settings.db)
          def now = settings.clock.now.utc
          def waits = Store::Waits.new(settings.db)
          def journal = Store::Journal.new(settings.db, by: asking.name)
          def cards = Store::Cards.new(settings.db, by: asking.name)
          def card_work = Services::CardWork.new(settings.db, climate: shops.climate, now: now, worker: asking)
        end
      end
    end
  end
end
