# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # What became of the pieces: an ending of each that is closed.
      class Ledger
        # Similar is what is within these times of it in size.
        SIMILAR = [1 / 1.5, 1.5].freeze
        ASKED = %i[outcome stuff form_kind trouble failed_at].freeze

        def initialize(db)
          @db = db
        end

        # Closes a piece, or says something else of one that is closed.
        def close(blank_id, row, now)
          kept = { **row, closed_at: now }
          @db[:endings].insert_conflict(target: :blank_id, update: kept).insert(**kept, blank_id: blank_id)
        end

        # Back to work: its ending is gone; what was written of it is given back.
        def reopen(blank_id) = @db[:endings].where(blank_id: blank_id).returning.delete.first

        # An ending to be carried elsewhere, string-keyed; nil of a piece that has none. And the same put in.
        def packed(blank_id)
          row = @db[:endings].where(blank_id: blank_id).first or return
          days = {
            closed_at: row[:closed_at].utc.iso8601(6),
            **row.slice(:ended_on, :started_on).compact.transform_values(&:iso8601)
          }
          row.except(:blank_id, *days.keys).compact.merge(days).transform_keys(&:to_s)
        end

        def unpack(blank_id, ending)
          row = ending.transform_keys(&:to_sym)
          close(blank_id, row.except(:closed_at), Time.iso8601(row[:closed_at]))
        end

        # The ending of a piece, or nil.
        def of(blank_id) = @db[:endings].where(blank_id: blank_id).first&.then { |row| told(row) }

        # Rows as LedgerReport takes them, the last closed first. asked: of ASKED, year: of the end, text: somewhere in
        # its name, number, origin, lessons or why; what is nil is not asked for.
        def rows(year: nil, text: nil, **asked)
          found = @db[:endings].join(:blanks, id: :blank_id).select_all(:endings).select_append(:number, :name)
          asked.slice(*ASKED).compact.each { |name, value| found = found.where(Sequel[:endings][name] => value) }
          found = found.where(Sequel.extract(:year, :ended_on) => year) if year
          found = found.where(written(text)) if text
          found.order(Sequel.desc(:ended_on), Sequel.desc(:blank_id)).all.map { |row| told(row) }
        end

        # { name => [values there are] } of what can be asked for.
        def choices
          years = @db[:endings].distinct.select_order_map(Sequel.extract(:year, :ended_on).cast(Integer))
          ASKED
            .to_h { |name| [name, @db[:endings].exclude(name => nil).distinct.select_order_map(name)] }
            .merge(years: years)
        end

        # Prices that others like it fetched.
        def fetched(stock_kind:, form_kind:, largest_mm:, except: nil)
          @db[:endings]
            .where(outcome: "sold", stock_kind: stock_kind, form_kind: form_kind)
            .where(largest_mm: (largest_mm * SIMILAR[0])..(largest_mm * SIMILAR[1]))
            .exclude(blank_id: except)
            .exclude(price: nil)
            .select_map(:price)
        end

        # What an hour was counted at last; nil before anything was closed.
        def last_rate = @db[:endings].order(Sequel.desc(:closed_at)).get(:rate)

        private

        def written(text)
          columns = [:name, Sequel.cast(:number, String), *%i[origin lessons why].map { |name| Sequel[:endings][name] }]
          columns.map { |column| Sequel.ilike(column, "%#{@db[:endings].escape_like(text)}%") }.inject(:|)
        end

        def told(row)
          hours = MossyAnvil::Shop::Ending::WORK.to_h { |kind| [kind, row[:"#{kind}_h"]] }
          { **row.except(:blank_id, *hours.keys.map { |kind| :"#{kind}_h" }), id: row[:blank_id], hours: hours }
        end
      end
    end
  end
end
