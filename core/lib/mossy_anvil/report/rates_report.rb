# frozen_string_literal: true

module MossyAnvil
  module Report
    # Every rate that the shop's own records weigh in on, with those records.
    class RatesReport
      # records: [{ id:, kind:, of:, value:, left_out: }, ...], oldest first; off: [[kind, of], ...] taken as they
      # usually are.
      def initialize(records, off: [])
        @records = records
        @off = off
      end

      # Plain data: rates, each with its kind, what it is of, usual: as the tables have it, value: by the records,
      # times:
      # value over usual, count: how many records make it, spread_times, off:, and its records, newest first.
      def to_h = { rates: @records.group_by { |row| row.values_at(:kind, :of) }.map { |key, rows| told(*key, rows) } }

      private

      def told(kind, of, rows)
        counted = rows.reject { |row| row[:left_out] }
        rate = Model::Rate.new(usual(kind), counted.map { |row| row[:value] })
        off = @off.include?([kind, of])
        held_back = rate.held_back.map { |place| counted[place][:id] }
        {
          kind: kind,
          of: of,
          usual: rate.default,
          value: off ? rate.default : rate.value,
          times: off ? 1.0 : rate.times,
          count: rate.count,
          spread_times: rate.spread_times,
          off: off,
          records:
            rows.reverse.map { |row| { **row.slice(:id, :value, :left_out), held_back: held_back.include?(row[:id]) } }
        }
      end

      # As the tables have it: a factor is 1.
      def usual(kind)
        case kind
        when "loss_share"
          Mend::Casting::LOSS_SHARE
        when "uptake_share"
          Table.row("hardeners", "stabilising")["uptake"].sum / 2
        when "bubbling_min"
          Table["hardeners"]["stabilise"]["pump_h"] * 60.0
        else
          1.0
        end
      end
    end
  end
end
