# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # The plan that a card is worked by: what its steps answer to what is measured and to what goes wrong, and the
      # blank after them.
      class CardPlan
        # What may go wrong with a step of that kind, and what is asked of it then.
        def self.troubles(kind) = MossyAnvil::Mend::MendStep.troubles_of(kind).map { |row| row.slice("key", "asks") }

        # card: as Store::Cards#find has it; view: its CardView; own: the shop's OwnNumbers for the core.
        def initialize(card, view, climate:, now:, own:)
          @card = card
          @view = view
          @climate = climate
          @now = now
          @own = own
        end

        # What its steps recorded, as Store::Cards#close takes it.
        def records
          @card[:steps].flat_map { |told| step(told["id"]).verdict(@view.measures(told["id"]))[:records] }
        end

        # What a measure says of its step, with those before it; nil where it says nothing.
        def verdict(line, value)
          return unless line["measures"]

          step_id = @view.step_of(line["key"])["id"]
          found = step(step_id).verdict({ **@view.measures(step_id), line["measures"] => value })
          return if found[:says].empty?
          { says: unfigured(found[:says]), lines: keyed(found[:lines], line["key"]) }
        end

        # What is said of a trouble met at a line, and the lines that come of it. met: "key", "trouble" and, where it
        # asks for one, "amount".
        def trouble(line, met)
          step = step(@view.step_of(line["key"])["id"])
          found = step.trouble(met["trouble"], amount: met["amount"], hours: hours_since_pour(line))
          {
            trouble: {
              tone: "stop",
              figure: nil,
              **MossyAnvil::Message.of("tables.troubles.#{found[:key]}.now")
            },
            says: unfigured(found[:says]),
            lines: keyed(found[:lines], "#{line["key"]}.#{met["key"][0, 4]}")
          }
        end

        # The blank's document once the steps of those ids are done.
        def document_after(document, done)
          marks = @card[:steps].select { |told| done.include?(told["id"]) }.filter_map { |told| told["mark"] }
          mended = done - marks.map { |mark| mark["step"] }
          measured = done.to_h { |step_id| [step_id, @view.measures(step_id)] }
          document = report.document_after(document, mended, measured: measured) if mended.any?
          marks.empty? ? document : with_marks(document, marks)
        end

        private

        # Of a card of the route, that; else the plan of mending.
        def report = @report ||= route? ? of_route : of_mending
        def route? = @card[:steps].first["stretch"]
        def blank = Reckoner.blank(@card[:document])
        def of_route = MossyAnvil::Report::CardReport.new(blank, climate: @climate, now: @now, **@own)
        def of_mending =
          MossyAnvil::Report::MendReport.new(blank, climate: @climate, now: @now, records: @own[:records])

        # What answers for a step: what Mend made of it or, of turning and finishing, a WorkedStep.
        def step(step_id)
          told = @card[:steps].find { |one| one["id"] == step_id }
          return MossyAnvil::Report::WorkedStep.new(told["do"], told["limit_rpm"], told["lines"]) if told["mark"]
          return report.made(step_id) if told["stretch"]

          (@steps ||= report.steps).find { |one| one.id == step_id }
        end

        # The route goes on by them; what it had of the same steps before is written anew.
        def with_marks(document, marks)
          route = document["route"] || {}
          known = marks.map { |mark| mark["step"] }
          before = (route["done"] || []).reject { |mark| known.include?(mark["step"]) }
          dated = marks.map { |mark| { **mark, "on" => @now.to_date.iso8601 } }
          document.merge("route" => { **route, "done" => [*before, *dated] })
        end

        def unfigured(says) = says.map { |one| { **one, figure: nil } }

        # Lines that came of one, told apart.
        def keyed(lines, stem) =
          lines.each_with_index.map { |line, index| { key: "#{stem}.#{index + 1}", optional: false, **line } }

        # Since the last timed pour before a line was done; 0 where none was.
        def hours_since_pour(line)
          poured = poured_before(line)
          marks = @card[:marks].select { |mark| mark[:kind] == "done" && poured.include?(mark[:line]) }
          marks.empty? ? 0.0 : (@now - marks.map { |mark| mark[:marked_at] }.max) / 3600.0
        end

        # Keys of the timed lines that are done, up to that one.
        def poured_before(line)
          keys = @view.lines.map { |one| one["key"] }
          upto = @view.lines.first(keys.index(line["key"]) + 1)
          upto.select { |one| one["kind"] == "timer" && @view.done?(one["key"]) }.map { |one| one["key"] }
        end
      end
    end
  end
end
