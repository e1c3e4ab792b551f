# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # What must hold of an open card that comes in with an archive, so that it can be worked on here.
      class ArchivedCardRules
        TIMES = %w[started_at earliest_at likely_at ended_at].freeze

        # card: string-keyed, fits the contract, its document fit for the core.
        def initialize(card)
          @card = card
          @faults = []
        end

        # Raises InvalidInput.
        def check
          check_steps
          check_lines
          check_marks
          @card["waits"].each_with_index { |wait, index| check_wait(wait, "/waits/#{index}") }
          time("/started_at", @card["started_at"])
          raise MossyAnvil::InvalidInput, @faults.first(MossyAnvil::InvalidInput::MAX_FAULTS) if @faults.any?
        end

        private

        def fault(path, problem, allowed) =
          @faults << MossyAnvil::Fault.new(path: path, problem: problem, allowed: allowed)

        def check_steps
          @card["steps"].each_with_index do |step, index|
            next if planned.include?(step["id"])

            fault(
              "/steps/#{index}/id",
              MossyAnvil::Fault.t("is", given: MossyAnvil::Fault.shown(step["id"])),
              MossyAnvil::Fault.t("a_step_of_the_plan_of_its")
            )
          end
        end

        # Ids of the steps that are planned for its document, by whoever made it or as they are proposed.
        def planned
          @planned ||=
            begin
              report =
                @card["steps"].first["stretch"] ? MossyAnvil::Report::RouteReport : MossyAnvil::Report::MendReport
              report.new(Reckoner.blank(@card["document"]), now: nil).steps.map(&:id)
            end
        end

        # Every line has a key of its own; those that came of a mark too.
        def check_lines
          seen = {}
          each_line do |line, path|
            if seen[line["key"]]
              fault(
                "#{path}/key",
                MossyAnvil::Fault.t("is_used_twice", id: line["key"]),
                MossyAnvil::Fault.t("each_line_its_own")
              )
            end
            seen[line["key"]] = true
          end
          @keys = seen
        end

        def each_line(&)
          @card["steps"].each_with_index do |step, place|
            step["lines"].each_with_index { |line, index| yield line, "/steps/#{place}/lines/#{index}" }
          end
          @card["marks"].each_with_index do |mark, place|
            (mark.dig("found", "lines") || []).each_with_index do |line, index|
              yield line, "/marks/#{place}/found/lines/#{index}"
            end
          end
        end

        def check_marks
          keys, dones = {}, {}
          @card["marks"].each_with_index do |mark, index|
            path = "/marks/#{index}"
            line_here(mark["line"], path)
            once("#{path}/key", "is_used_twice_2", "each_mark_its_own") if keys[mark["key"]]
            done = mark.values_at("line", "kind", "turn")
            if dones[done] && !%w[trouble seen].include?(mark["kind"])
              once(path, "is_there_twice", "each_line_done_once_in_a_turn")
            end
            keys[mark["key"]] = dones[done] = true
            time("#{path}/marked_at", mark["marked_at"])
          end
          lines_come_of_others
        end

        def once(path, problem, allowed) = fault(path, MossyAnvil::Fault.t(problem), MossyAnvil::Fault.t(allowed))

        def line_here(line, path)
          return if @keys[line]

          given = MossyAnvil::Fault.t("is", given: MossyAnvil::Fault.shown(line))
          fault("#{path}/line", given, MossyAnvil::Fault.t("a_line_of_this_card"))
        end

        # A line that came of a mark belongs to a line that was there before it: followed on from the steps, every line
        # is met.
        def lines_come_of_others
          reached = @card["steps"].flat_map { |step| keys_of(step["lines"]) }
          known = reached.to_h { |key| [key, true] }
          while (key = reached.shift)
            fresh = grown.fetch(key, []).reject { |line| known[line] }
            fresh.each { |line| known[line] = true }
            reached.concat(fresh)
          end
          astray = @keys.keys - known.keys
          return unless astray.any?
          fault(
            "/marks",
            MossyAnvil::Fault.t("hold_lines_that_came_of_no_line", lines: astray.first(3).join(", ")),
            MossyAnvil::Fault.t("lines_that_came_of_its_own")
          )
        end

        def keys_of(lines) = (lines || []).map { |line| line["key"] }

        # Keys of the lines that came of each line.
        def grown
          @grown ||=
            @card["marks"]
              .group_by { |mark| mark["line"] }
              .transform_values { |marks| marks.flat_map { |mark| keys_of(mark.dig("found", "lines")) } }
        end

        def check_wait(wait, path)
          line_here(wait["line"], path)
          times = TIMES.to_h { |name| [name, wait[name] && time("#{path}/#{name}", wait[name])] }
          {
            "earliest_at" => "started_at",
            "likely_at" => "earliest_at",
            "ended_at" => "started_at"
          }.each do |later, sooner|
            next unless times[later] && times[sooner] && times[later] < times[sooner]
            fault(
              "#{path}/#{later}",
              MossyAnvil::Fault.t("is", given: wait[later]),
              MossyAnvil::Fault.t("or_later", sooner: wait[sooner])
            )
          end
        end

        # A Time, or nil and a fault where no calendar has it.
        def time(path, text)
          Time
            .iso8601(text)
            .tap do |time|
              unless time.year.between?(1, 9999)
                fault(path, MossyAnvil::Fault.t("is", given: text), MossyAnvil::Fault.t("a_time_from_the_year_on")) &&
                  (return nil)
              end
            end
        rescue ArgumentError
          fault(path, MossyAnvil::Fault.t("is", given: text[0, 40]), MossyAnvil::Fault.t("a_time_there_is"))
          nil
        end
      end
    end
  end
end
