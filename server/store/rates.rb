# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # What the shop's own work has shown, record by record. A record is never changed: it can be left out of its rate,
      # and a rate can be taken as it usually is.
      class Rates
        def initialize(db)
          @db = db
        end

        # Every record, oldest first: { id:, kind:, of:, value:, recorded_at:, blank: { number:, name: } or nil,
        # left_out: }.
        def all
          @db[:records]
            .left_join(:records_left_out, record_id: :id)
            .left_join(:cards, id: Sequel[:records][:card_id])
            .left_join(:blanks, id: Sequel[:cards][:blank_id])
            .order(Sequel[:records][:id])
            .select(*%i[id kind of value recorded_at].map { |name| Sequel[:records][name] })
            .select_append(:number, :name, Sequel.~(left_out_at: nil).as(:left_out))
            .all
            .map { |row| { **row.except(:number, :name), blank: row[:number] && row.slice(:number, :name) } }
        end

        # [[kind, of or nil], ...] taken as they usually are.
        def off = @db[:rates_off].select_map(%i[kind of]).map { |kind, of| [kind, of.empty? ? nil : of] }

        # Those that count, as Model::ShopRecords takes them.
        def counted(*kinds)
          put_off = off
          all
            .select { |row| kinds.empty? || kinds.include?(row[:kind]) }
            .reject { |row| row[:left_out] || put_off.include?(row.values_at(:kind, :of)) }
            .map { |row| row.slice(:kind, :of, :value) }
        end

        # Raises NotFound.
        def leave_out(id, left_out, now)
          @db[:records][id: id] or raise NotFound, Problems.text("refused.there_is_no_record", id: id)
          return @db[:records_left_out].where(record_id: id).delete unless left_out

          @db[:records_left_out].insert_conflict.insert(record_id: id, left_out_at: now)
        end

        def turn_off(kind, of, off)
          row = { kind: kind, of: of.to_s }
          off ? @db[:rates_off].insert_conflict.insert(row) : @db[:rates_off].where(row).delete
        end
      end
    end
  end
end
