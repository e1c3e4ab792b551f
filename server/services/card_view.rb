# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # A card as it is shown: its lines in order with what was ticked of each, what is under way, and what comes next.
      class CardView
        SHOWN = %w[id do stretch limit_rpm name cautions tools troubles].freeze

        # card: as Store::Cards#find has it. now: Time.
        def initialize(card, now)
          @card = card
          @now = now
          @waits = card[:waits].to_h { |wait| [wait[:line], wait] }
          @marks = card[:marks].group_by { |mark| mark[:line] }
        end

        def to_h
          {
            **@card.slice(:id, :blank_id),
            started_at: stamp(@card[:started_at]),
            ended_at: stamp(@card[:ended_at]),
            now: @now.utc.iso8601(3),
            next_line: next_line&.fetch("key"),
            stopped: stopped?,
            steps: @card[:steps].map { |step| told(step) }
          }
        end

        # Was it said to stop, by a trouble or by what was measured, and has nobody released it since?
        def stopped? =
          @card[:marks].reduce(false) { |held, mark| mark[:kind] == "released" ? false : held || stops?(mark) }

        # What it was stopped for a learner does not go on from, nor release; raises NotAllowed.
        def check_right(worker, kind)
          return if worker.may?("maker")
          raise NotAllowed, Problems.text("not_allowed.a_stop") if kind == "released" || stopped?
        end

        # Every line of the card, those that came of a trouble or a weight among them.
        def lines = @lines ||= @card[:steps].flat_map { |step| lines_of(step) }
        def line(key) =
          lines.find { |one| one["key"] == key } ||
            raise(NotFound, Problems.text("refused.there_is_no_line", line: key.to_s[0, 40]))
        def step_of(key) = @card[:steps].find { |step| lines_of(step).any? { |line| line["key"] == key } }
        def turn(key) = marks(key, "taken_back").size
        def done?(key) = !mark(key, "done").nil?
        def started?(key) = !mark(key, "started").nil?

        # Every line of a step ticked that has to be?
        def all_done?(step_id)
          lines_of(@card[:steps].find { |one| one["id"] == step_id }).all? do |line|
            line["optional"] || done?(line["key"])
          end
        end

        # { name => value } measured at a step so far.
        def measures(step_id)
          step = @card[:steps].find { |one| one["id"] == step_id }
          lines_of(step)
            .filter_map do |line|
              line["measures"] &&
                mark(line["key"], "done")&.then { |mark| mark[:value] && [line["measures"], mark[:value]] }
            end
            .to_h
        end

        private

        # Says the mark to stop? One that was taken back no longer.
        def stops?(mark)
          found = mark[:found] or return false
          said = [found["trouble"], *found["says"]].compact.any? { |one| one["tone"] == "stop" }
          said && (mark[:kind] == "trouble" || mark[:turn] == turn(mark[:line]))
        end

        def marks(key, kind) = @marks.fetch(key, []).select { |mark| mark[:kind] == kind }

        # The mark that counts: of the present turn.
        def mark(key, kind) = marks(key, kind).find { |mark| mark[:turn] == turn(key) }

        # A step's own lines, each followed by those that came of it. At the lathe what went wrong comes first: the line
        # it happened at waits until all is put right.
        def lines_of(step)
          (@by_step ||= {})[step["id"]] ||= step["lines"].flat_map do |line|
            came = grown(line["key"])
            step["stretch"] == "turn" && !done?(line["key"]) ? [*came, line] : [line, *came]
          end
        end

        def grown(key)
          came =
            @marks
              .fetch(key, [])
              .select { |mark| mark[:kind] == "trouble" || (mark[:kind] == "done" && mark[:turn] == turn(key)) }
          came.flat_map { |mark| mark.dig(:found, "lines") || [] }.flat_map { |line| [line, *grown(line["key"])] }
        end

        def next_line = lines.find { |line| !line["optional"] && !done?(line["key"]) }

        # What the weights said last, and what went wrong.
        def found_in(step_id)
          @card[:marks]
            .select do |mark|
              mark[:found] && step_of(mark[:line])&.fetch("id") == step_id &&
                (mark[:kind] == "trouble" || mark[:turn] == turn(mark[:line]))
            end
            .flat_map { |mark| [mark.dig(:found, "trouble"), *mark.dig(:found, "says")].compact }
            .last(6)
        end

        def told(step)
          {
            **step.slice(*SHOWN).transform_keys(&:to_sym),
            says: found_in(step["id"]),
            lines: lines_of(step).map { |line| shown(line) }
          }
        end

        # rpm that is not gone over since something opened; nil where nothing did.
        def limit_now = @limit_now ||= @card[:marks].filter_map { |mark| mark.dig(:found, "limit_rpm") }.min

        # A line that tells a speed, told by no more than that.
        def capped(line)
          most = limit_now or return line
          target, region = line.values_at("target", "region")
          target = { **target, "value" => [target["value"], most].min } if target && target["unit"] == "rpm"
          { **line, "target" => target, "region" => region && { **region, "rpm" => [region["rpm"], most].min } }
        end

        def shown(line)
          key = line["key"]
          line = capped(line)
          done = mark(key, "done")
          {
            **line.slice(
              "key",
              "kind",
              "message",
              "minutes",
              "working",
              "measures",
              "unlocks",
              "optional",
              "target",
              "region"
            ).transform_keys(&:to_sym),
            done_at: stamp(done && done[:marked_at]),
            by: done && done[:by],
            value: done && done[:value],
            wait: wait(key),
            **watched(line)
          }
        end

        # What was seen of a line that is watched; of one that measures how long, what the looks before it come to.
        def watched(line)
          log = line["watch"] ? bubble_log(line) : nil
          suggested =
            (
              if line["measures"] == "bubbling_min"
                before(line).filter_map { |one| one["watch"] && bubble_log(one)&.bubbled_min(@now) }.last
              end
            )
          looks = seen(line["key"]).map { |mark| { at: stamp(mark[:marked_at]), value: mark[:value].to_i } }
          { watch: line["watch"], seen: looks, says: log&.says(@now), suggested: suggested }
        end

        def before(line) = lines_of(step_of(line["key"])).take_while { |one| one["key"] != line["key"] }
        def seen(key) = marks(key, "seen").select { |mark| mark[:turn] == turn(key) }

        def bubble_log(line)
          started = @waits[line["key"]] or return
          MossyAnvil::Mend::BubbleLog.new(
            started[:started_at],
            seen(line["key"]).map { |mark| [mark[:marked_at], mark[:value].to_i] }
          )
        end

        def wait(key)
          found = @waits[key] or return
          {
            started_at: stamp(found[:started_at]),
            earliest_at: stamp(found[:earliest_at]),
            likely_at: stamp(found[:likely_at]),
            ended_at: stamp(found[:ended_at])
          }
        end

        def stamp(time) = time&.utc&.iso8601
      end
    end
  end
end
