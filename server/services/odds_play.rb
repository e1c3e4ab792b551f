# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # The odds of a draft's way of the work, played truth by truth. Nothing of the shop changes by it.
      class OddsPlay
        # What came of them is told after so many.
        EVERY = 10

        # task: its row, asked as { "document", "truths", "seed", "better", "now" }; step: (done, total, so far), raises
        # Stopped.
        def initialize(db, task, step)
          @db = db
          @asked = task[:asked]
          @step = step
          @about = { climate: Store::Shops.new(db).climate, now: Time.parse(@asked["now"]), **OwnNumbers.new(db).core }
        end

        def prepare
          odds = OddsPlay.of(@asked, **@about)
          total = @asked["truths"]
          played = odds.outcomes { |done, list| @step.call(done, total, odds.so_far(list)) if (done % EVERY).zero? }
          @told = odds.so_far(played)
          return unless @asked.fetch("better", true)

          all = @told
          @told = odds.told(played) { |tried, of| @step.call(tried, of, all) }
        end

        # Plain data. Kept with the piece it was asked for.
        def apply
          of = @asked["blank"] and Store::Odds.new(@db).keep(*of.values_at("id", "version"), @told, Time.now.utc)
          @told
        end

        # Odds of what was asked; raises InvalidInput with pointers into it.
        def self.of(asked, **about)
          blank = Reckoner.blank(asked["document"], at: "/document")
          MossyAnvil::Rehearsal::Odds.new(
            blank,
            at: "/document",
            **asked.slice("truths", "seed").transform_keys(&:to_sym),
            **about
          )
        end
      end
    end
  end
end
