# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # Searches that were asked for, and what their parts have found so far.
      class Searches
        # Finished or not, nobody comes back to one after that.
        KEPT_HOURS = 24
        MOST_UNFINISHED = 8

        def initialize(db)
          @db = db
        end

        # Keeps what was asked, with its parts, and yields each [id, part] to be put on the queue; its id. Raises Busy
        # where too many wait already.
        def ask(asked, climbs:)
          @db.transaction do
            @db[:searches].where(Sequel.lit("asked_at < now() - interval '#{KEPT_HOURS} hours'")).delete
            if unfinished >= MOST_UNFINISHED
              raise Busy, Problems.text("refused.searches_are_under_way_stop_one_or", most: MOST_UNFINISHED)
            end

            id = @db[:searches].insert(asked: Sequel.pg_jsonb_wrap(asked))
            climbs.each_with_index do |count, part|
              @db[:search_parts].insert(search_id: id, part: part, climbs: count)
              yield id, part
            end
            id
          end
        end

        # { id:, asked:, stopped:, parts: }; raises NotFound.
        def find(id)
          row = @db[:searches][id: id] or raise NotFound, Problems.text("refused.there_is_no_search", id: id)
          {
            id: id,
            asked: JSON.parse(JSON.generate(row[:asked])),
            stopped: row[:stopped],
            parts: @db[:search_parts].where(search_id: id).order(:part).all
          }
        end

        def stop(id) =
          @db[:searches].where(id: id).update(stopped: true).positive? ||
            raise(NotFound, Problems.text("refused.there_is_no_search", id: id))

        # What was asked, where it is still wanted.
        def to_work(id) =
          @db[:searches].where(id: id, stopped: false).get(:asked)&.then { |asked| JSON.parse(JSON.generate(asked)) }

        # Keeps how far a part has come; is it still wanted?
        def progress?(id, part, done, rows)
          @db[:search_parts].where(search_id: id, part: part).update(
            done: done,
            rows: Sequel.pg_jsonb_wrap(JSON.parse(JSON.generate(rows))),
            problem: nil
          )
          !@db[:searches].where(id: id, stopped: false).empty?
        end

        def end_part(id, part, problem: nil) =
          @db[:search_parts].where(search_id: id, part: part).update(ended: true, problem: problem)

        private

        def unfinished =
          @db[:searches].where(stopped: false, id: @db[:search_parts].where(ended: false).select(:search_id)).count
      end
    end
  end
end
