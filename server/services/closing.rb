# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # Takes a piece off the rack and into the ledger, and back; both or neither.
      class Closing
        # Somewhere it is a day later already.
        AHEAD_DAYS = 1

        # now: Time.
        def initialize(db, now:)
          @db = db
          @blanks = Store::Blanks.new(db)
          @journal = Store::Journal.new(db)
          @ledger = Store::Ledger.new(db)
          @now = now
        end

        # asked: what is said of its end, as the contract has it; about: columns of Story. Raises InvalidInput for what
        # cannot be, and while its card is open.
        def close(id, asked, about)
          row = row_of(asked)
          refuse(wrong(asked) + too_early(row, about))
          @db.transaction do
            @blanks.place(id, true, @now)
            @ledger.close(id, { **row, **about }, @now)
          end
        end

        # Back on the rack; what had been written of its end goes into its log. Returns as Store::Blanks#find.
        def reopen(id)
          @db.transaction do
            @blanks.place(id, false, @now)
            @ledger.reopen(id)&.then { |was| note(id, was) }
            @blanks.find(id)
          end
        end

        private

        def row_of(asked)
          said = %w[outcome price rate blank_cost materials_cost why failed_at lessons]
          {
            **asked.slice(*said).transform_keys(&:to_sym),
            **asked["hours"].to_h { |kind, hours| [:"#{kind}_h", hours] },
            ended_on: Store::Stocks.day(asked["ended_on"], at: "/ended_on")
          }
        end

        # [[pointer, problem, what is allowed], ...]
        def wrong(asked)
          sold, priced = asked["outcome"] == "sold", !asked["price"].nil?
          silent = asked["outcome"] == "given_up" && asked["why"].to_s.strip.empty?
          [
            (%w[/price is_missing what_it_fetched] if sold && !priced),
            (%w[/price is_there a_price_only_of_what_was_sold] if priced && !sold),
            (%w[/why is_missing why_it_was_given_up] if silent)
          ].compact
        end

        def too_early(row, about)
          return [%w[/ended_on is_to_come today_or_a_day_before]] if row[:ended_on] > @now.to_date + AHEAD_DAYS

          about[:started_on].to_s > row[:ended_on].iso8601 ? [%w[/ended_on is_too_early not_before_it_was_begun]] : []
        end

        def refuse(wrong)
          return if wrong.empty?

          faults =
            wrong.map do |path, problem, allowed|
              problem, allowed = [problem, allowed].map { |key| MossyAnvil::Fault.t(key) }
              MossyAnvil::Fault.new(path: path, problem: problem, allowed: allowed)
            end
          raise MossyAnvil::InvalidInput, faults
        end

        def note(id, was)
          words =
            Prints::Texts.t(
              "ledger.reopened",
              outcome: Prints::Texts.t("ledger.outcomes.#{was[:outcome]}"),
              day: was[:ended_on].iso8601,
              words: [was[:why], was[:lessons]].compact.join(" ")
            )
          entry = { kind: "note", stage: nil, speed_rpm: nil, note: words.strip[0, 2000], logged_at: @now }
          @journal.keep(id, key: SecureRandom.uuid, **entry)
        end
      end
    end
  end
end
