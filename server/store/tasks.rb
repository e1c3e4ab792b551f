# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # Changes that are worked on the queue, and how far each has come.
      class Tasks
        # Nobody comes back to one after that.
        KEPT_HOURS = 24
        MOST_UNFINISHED = 8
        PIECE_BYTES = 1_048_576

        def initialize(db)
          @db = db
        end

        # Keeps what was asked, with the file it is about (an IO, at most so many bytes), and yields its id, to be put
        # on the queue; its id. Raises Busy, TooLarge.
        def ask(kind, asked, file: nil, most_bytes: 0)
          @db.transaction do
            @db[:tasks].where(Sequel.lit("asked_at < now() - interval '#{KEPT_HOURS} hours'")).delete
            if @db[:tasks].where(ended_at: nil).count >= MOST_UNFINISHED
              raise Busy, Problems.text("refused.changes_are_under_way_cancel_one_or", most: MOST_UNFINISHED)
            end

            id = @db[:tasks].insert(kind: kind, asked: Sequel.pg_jsonb_wrap(asked))
            keep_file(id, file, most_bytes) if file
            yield id
            id
          end
        end

        # Row of a task; raises NotFound.
        def find(id) = @db[:tasks][id: id] || raise(NotFound, Problems.text("refused.there_is_no_task", id: id))

        # What was asked of one that is still wanted, or nil.
        def to_work(id) =
          @db[:tasks]
            .where(id: id, ended_at: nil, stopped: false)
            .first
            &.then { |row| { **row, asked: Rows.data(row[:asked]) } }

        # Asks it to stop; what it would have changed stays as it was.
        def stop(id) = @db[:tasks].where(id: id, ended_at: nil).update(stopped: true).positive? || find(id)

        # Keeps how far it has come, and what came of it so far; is it still wanted? Told to the database at once,
        # whatever transaction is open here.
        def progress?(id, done, total, so_far: nil)
          Thread
            .new do
              told = so_far && Sequel.pg_jsonb_wrap(Rows.data(so_far))
              @db[:tasks].where(id: id).update({ done: done, total: total, so_far: told }.compact)
              @db[:tasks].where(id: id, stopped: true).empty?
            end
            .value
        end

        # Raises Stopped where it was asked to stop; from here on it cannot be.
        def last_chance(id) = @db[:tasks].where(id: id).for_update.get(:stopped) && raise(Stopped, "it was cancelled")

        def end(id, result: nil, problem: nil)
          @db[:task_files].where(task_id: id).delete
          @db[:tasks].where(id: id).update(
            ended_at: Sequel.function(:now),
            result: result && Sequel.pg_jsonb_wrap(Rows.data(result)),
            problem: problem && Sequel.pg_jsonb_wrap(Rows.data(problem))
          )
        end

        # Writes the task's file to an IO, piece by piece.
        def write_file(id, into)
          places = @db[:task_files].where(task_id: id).order(:position).select_map(:position)
          places.each { |place| into.write(@db[:task_files].where(task_id: id, position: place).get(:bytes)) }
        end

        private

        def keep_file(id, file, most_bytes)
          size = 0
          (0..).each do |position|
            piece = file.read(PIECE_BYTES)
            break if piece.nil? || piece.empty?

            if (size += piece.bytesize) > most_bytes
              raise TooLarge, Problems.text("refused.at_most_bytes_are_taken_here", most: most_bytes)
            end

            @db[:task_files].insert(task_id: id, position: position, bytes: Sequel.blob(piece))
          end
        end
      end
    end
  end
end
