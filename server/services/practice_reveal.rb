# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # The truth of a blank that was practised on, and the marks for it. Worked on the queue: every way is played.
      class PracticeReveal
        # task: its row, asked as { "blank_id", "verdict", "now" }; step: (done, total), raises Stopped.
        def initialize(db, task, step)
          @db = db
          @asked = task[:asked]
          @step = step
        end

        def prepare
          row = practices.find(@asked["blank_id"])
          practices.refuse_ended(row)
          told = marking(row).to_h { |done, of| @step.call(done, of) }
          @told = Store::Rows.data(JSON.parse(JSON.generate(told)))
        end

        # Plain data.
        def apply
          practices.end(@asked["blank_id"], @asked["verdict"], @told, Time.now.utc)
          @told
        end

        private

        def practices = Store::Practices.new(@db)

        def marking(row)
          MossyAnvil::Rehearsal::Marking.new(
            Reckoner.blank(Store::Blanks.new(@db).find(row[:blank_id])[:document]),
            Practising.new(row[:seed], row[:level]).truth,
            @asked["verdict"],
            climate: Store::Shops.new(@db).climate,
            now: Time.parse(@asked["now"]),
            **OwnNumbers.new(@db).core
          )
        end
      end
    end
  end
end
