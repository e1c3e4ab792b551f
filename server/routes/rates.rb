# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # What the shop's own records say, rate by rate.
      module Rates
        def self.registered(app)
          app.get("/api/rates") { answer(Rates.shown(rates)) }
          app.put("/api/rates") do
            body = body_as("RateOff")
            MossyAnvil::Table.row("rates", body["kind"], at: "/kind")
            rates.turn_off(body["kind"], body["of"], body["off"])
            answer(Rates.shown(rates))
          end
          app.put("/api/records/:id") do
            rates.leave_out(record_id, body_as("RecordLeftOut")["left_out"], now)
            answer(Rates.shown(rates))
          end
        end

        def self.shown(rates)
          rows = rates.all
          told = MossyAnvil::Report::RatesReport.new(rows, off: rates.off).to_h
          by_id = rows.to_h { |row| [row[:id], { recorded_at: row[:recorded_at].utc.iso8601, blank: row[:blank] }] }
          {
            rates:
              told[:rates].map { |rate| { **rate, records: rate[:records].map { |one| one.merge(by_id[one[:id]]) } } }
          }
        end
      end
    end
  end
end
