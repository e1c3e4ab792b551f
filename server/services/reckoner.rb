# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # Asks the core: a document in, an assessment out, in the shop's own air.
      class Reckoner
        # One at a time in a process: the arithmetic holds Ruby's lock, so that several at once would end no sooner and
        # hold the memory of all.
        ONE_AT_A_TIME = Mutex.new

        # records: gives the shop's own records when they are wanted.
        def initialize(climate, now:, records: -> { MossyAnvil::Model::ShopRecords.new })
          @climate = climate
          @now = now
          @records = records
        end

        # Assessment as plain data. Raises InvalidInput with pointers under `at`.
        def assess(document, at: "")
          alone { MossyAnvil::Report::Assessment.new(blank(document, at: at), climate: @climate, now: @now).to_h }
        end

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
        def work_plan(document, at: "", tools: nil) =
          by_records(MossyAnvil::Report::WorkPlan, document, at, tools: tools)

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

        # The whole way of it with those tools (keys) or any, and with ways: :all the others there are, as plain data.
        def route(document, at: "", ways: :all, tools: nil) =
          by_records(MossyAnvil::Report::RouteReport, document, at, ways: ways, tools: tools, at: at)

        # Every cut of that way, with those tools (keys) or any, as plain data.
        def cuts(document, at: "", tools: nil) =
          by_records(MossyAnvil::Report::CutReport, document, at, tools: tools, at: at)

        # Papers and coats by part, as plain data.
        def finish(document, at: "") = by_records(MossyAnvil::Report::FinishPlan, document, at, at: at)

        # A stretch of that way as a card runs it, as plain data.
        def card(document, from:, tools: nil) =
          by_records(MossyAnvil::Report::CardReport, document, "", from: from, tools: tools)

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

        # A report that the shop's own records change.
        def by_records(report, document, at, **about)
          records = @records.call
          alone { report.new(blank(document, at: at), climate: @climate, now: @now, records: records, **about).to_h }
        end

        def alone(&) = ONE_AT_A_TIME.synchronize(&)
      end
    end
  end
end
