# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # What instruments say now, and the spans of what they said.
      class Instruments
        # One that has said nothing for so long is no longer spoken of.
        FORGOTTEN = "10 minutes"
        # Spans are kept so long, but for those of a card.
        KEPT = "30 days"
        LATEST = %i[value about doubtful alarm sound measured_at received_at].freeze

        def initialize(db)
          @db = db
        end

        # latest: rows of the table instruments. spans: rows of instrument_spans; one that is there already stays.
        def save(latest, spans)
          @db.transaction do
            # A reading is not promised to anybody: it need not be on the disk before the next.
            @db.run("SET LOCAL synchronous_commit TO off")
            keep(latest) if latest.any?
            @db[:instrument_spans].insert_conflict.multi_insert(spans) if spans.any?
          end
        end

        # Rows of those that were heard of lately, without their sounds; age_s: since the last reading came.
        def now =
          @db[:instruments]
            .where(Sequel.lit("received_at > now() - interval '#{FORGOTTEN}'"))
            .select(:key, :spot, :value, :about, :doubtful, :alarm, :measured_at)
            .select_append(Sequel.lit("extract(epoch FROM now() - received_at)::float8").as(:age_s))
            .order(:key, :spot)
            .all
            .map { |row| { **row, about: Rows.data(row[:about]) } }

        # Bytes of the last sound a microphone sent; raises NotFound.
        def sound(key)
          @db[:instruments].where(key: key).get(:sound) or raise NotFound, Problems.text("refused.there_is_no_sound")
        end

        # Of what was said between two times no more than so many spans each, as one row: key, spot, begins_at, least,
        # most, mean; in order.
        def run(from, to, most)
          width_s = [((to - from) / most).ceil, 1].max
          part = Sequel.lit("floor(extract(epoch FROM begins_at) / ?)", width_s)
          @db[:instrument_spans]
            .where(begins_at: from..to)
            .group(:key, :spot, part)
            .select(:key, :spot)
            .select_append { [min(:begins_at).as(:begins_at), min(:least).as(:least), max(:most).as(:most)] }
            .select_append(Sequel.lit("sum(mean * count) / sum(count)").as(:mean))
            .order(:key, :spot, Sequel.lit("3"))
            .all
        end

        # Drops what is older than anything asks for.
        def thin
          of_card =
            @db[:cards].where(Sequel.lit("begins_at BETWEEN started_at AND COALESCE(ended_at, now())")).select(1)
          @db[:instrument_spans]
            .where(Sequel.lit("begins_at < now() - interval '#{KEPT}'"))
            .exclude(of_card.exists)
            .delete
        end

        private

        def keep(latest)
          rows =
            latest.map do |row|
              { **row, about: Sequel.pg_jsonb_wrap(row[:about]), sound: row[:sound] && Sequel.blob(row[:sound]) }
            end
          fresh = LATEST.to_h { |column| [column, Sequel[:excluded][column]] }
          @db[:instruments].insert_conflict(target: %i[key spot], update: fresh).multi_insert(rows)
        end
      end
    end
  end
end
