# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # What the rack says of many blanks after a change that each of them feels: worked out first, which takes long,
      # and kept all at once.
      class RackBriefs
        # db: Sequel::Database; now: Time; step: callable told (done, total) after each.
        def initialize(db, now:, step:)
          @blanks = Store::Blanks.new(db)
          @now = now
          @step = step
          @found = {}
        end

        # Works them out. ids: of blanks; climate: the air they are in; the block gives the document as it will be.
        def prepare(ids, climate, &changed)
          @climate, @changed = climate, changed
          ids.each_with_index do |id, index|
            work_out(id)
            HeldMemory.ease
            @step.call(index + 1, ids.size)
          end
        end

        # Keeps them, in the transaction that makes the change. ids: of all it touches, locked here; one that was saved
        # meanwhile, or is new, is worked out again, and all are where the air is another by now.
        def apply(ids, climate)
          @found.clear unless [climate, @climate].map { |air| [air&.temperature_c, air&.humidity] }.uniq.one?
          @climate = climate
          marks = @blanks.lock_marks(ids)
          ids.each do |id|
            work_out(id) unless @found[id]&.first == marks[id]
            @blanks.keep_brief(id, @found[id].last)
          end
        end

        private

        def work_out(id)
          mark, kept = @blanks.marked(id)
          document = @changed ? @changed.call(kept[:document]) : kept[:document]
          @found[id] = [mark, Reckoner.new(@climate, now: @now).brief(document)]
        rescue NotFound
          @found.delete(id)
        end
      end
    end
  end
end
