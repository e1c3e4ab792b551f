# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # Asks the core: a document in, an assessment out, in the shop's own air.
      class Reckoner
        # One at a time in a process: the arithmetic holds Ruby's lock, so that several at once would end no sooner and
        # hold the memory of all.
        ONE_AT_A_TIME = Mutex.new

        # own: gives the shop's own numbers when they are wanted, as OwnNumbers#core has them.
        def initialize(climate, now:, own: -> { OwnNumbers::NONE })
          @climate = climate
          @now = now
          @own = own
        end

        # Assessment as plain data. Raises InvalidInput with pointers under `at`.
        def assess(document, at: "") = by_records(MossyAnvil::Report::Assessment, document, at)

        # What the rack shows of it: columns of the blanks table. What it waits for began with its first reading.
        def brief(document, at: "")
          assessed = assess(document, at: at)
          first = document["readings"]&.first
          Brief.new(
            assessed,
            now: @now,
            started_at: first && Time.parse(first["taken_at"]),
            plan: Brief.planned?(assessed) ? work_plan(document, at: at) : nil
          ).to_h
        end

        # What is left to do of it, step by step, as plain data.
        def work_plan(document, at: "") = by_own(MossyAnvil::Report::WorkPlan, document, at)

        # What the ledger and its record tell of it, as plain data.
        def story(document, at: "") = by_own(MossyAnvil::Report::StoryReport, document, at)

        # Which one more test would change the answer most, as plain data.
        def next_tests(document, at: "") =
          alone { MossyAnvil::Report::NextTests.new(blank(document, at: at), climate: @climate).to_a }

        # What its form and its sketches come to, as plain data.
        def compare(document, at: "") =
          alone do
            MossyAnvil::Report::Comparison.new(
              blank(document, at: at),
              document["sketches"] || [],
              climate: @climate
            ).to_h
          end

        # Its plan of mending, as plain data.
        def mend(document, at: "") = by_records(MossyAnvil::Report::MendReport, document, at, at: at)

        # How it is held from the first cut to the last, as plain data.
        def mounts(document, at: "")
          alone do
            MossyAnvil::Report::MountReport.new(blank(document, at: at), climate: @climate, now: @now, at: at).to_h
          end
        end

        # The whole way of it, and with ways: :all the others there are, as plain data.
        def route(document, at: "", ways: :all) =
          by_own(MossyAnvil::Report::RouteReport, document, at, ways: ways, at: at)

        # Every cut of that way, as plain data.
        def cuts(document, at: "") = by_own(MossyAnvil::Report::CutReport, document, at, at: at)

        # Papers and coats by part, as plain data.
        def finish(document, at: "") = by_own(MossyAnvil::Report::FinishPlan, document, at, at: at)

        # A stretch of that way as a card runs it, as plain data.
        def card(document, from:) = by_own(MossyAnvil::Report::CardReport, document, "", from: from)

        # The Blank of a document; raises InvalidInput with pointers under `at`.
        def self.blank(document, at: "")
          MossyAnvil::Formats::BlankFile.from_data(document)
        rescue MossyAnvil::InvalidInput => e
          raise(
            MossyAnvil::InvalidInput,
            e.faults.map { |fault| MossyAnvil::Fault.new(**fault.to_h, path: "#{at}#{fault.path}") }
          )
        end

        def blank(document, at: "") = Reckoner.blank(document, at: at)

        private

        # A report that only the shop's records change.
        def by_records(report, document, at, **about)
          records = @own.call[:records]
          alone { report.new(blank(document, at: at), climate: @climate, now: @now, records: records, **about).to_h }
        end

        # A report of the route, which goes by all that the shop has of its own.
        def by_own(report, document, at, **about)
          own = @own.call
          alone { report.new(blank(document, at: at), climate: @climate, now: @now, **own, **about).to_h }
        end

        def alone(&) = ONE_AT_A_TIME.synchronize(&)
      end
    end
  end
end
