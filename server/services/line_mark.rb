# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # A line of a card that is started, done, seen, taken back or released: what that does to waits and to the shelf.
      class LineMark
        # waits, stocks: stores; card: its row; view: CardView; body: as the contract's NewMark has it; now: Time.
        def initialize(waits, stocks, card, view, body, now)
          @waits = waits
          @stocks = stocks
          @card = card
          @view = view
          @body = body
          @line = view.line(body["line"])
          @now = now
        end

        # Sent again, or done already by another hand.
        def repeated?
          return true if @card[:marks].any? { |mark| mark[:key] == @body["key"] }

          case kind
          when "done"
            done?
          when "started"
            started? || done?
          when "seen"
            false
          when "released"
            !@view.stopped?
          else
            !done? && !started?
          end
        end

        # Raises InvalidInput where the line is none of that kind.
        def apply
          case kind
          when "started"
            start
          when "done"
            finish
          when "seen"
            check_seen
          when "taken_back"
            take_back
          end
        end

        private

        def kind = @body["kind"]
        def key = @line["key"]
        def done? = @view.done?(key)
        def started? = @view.started?(key)

        def start
          refuse("/line", "has_nothing_to_wait_for", "a_line_with_a_time") unless @line["minutes"]
          @waits.start(@card, @line, @line["minutes"], @now)
        end

        def finish
          refuse("/value", "is_missing", "what_was_measured") if @line["measures"] && @body["value"].nil?
          @waits.finish(@card[:id], key, @now)
          draws = @line["draws"] or return
          grams = drawn_g(@body["value"] || @line.dig("target", "value"))
          @stocks.draw(draws["key"], draws["part"], grams, seed, @now, @card[:id]) if grams&.positive?
        end

        # A weight of the wood itself says how much it took up since it was last weighed.
        def drawn_g(grams)
          return grams unless @line["measures"] == "wet_g"

          before = @view.measures(@view.step_of(key)["id"])
          grams - (before["wet_g"] || before["dry_g"] || grams)
        end

        def check_seen
          refuse("/line", "is_not_watched", "a_line_that_says_what_to_look") unless @line["watch"]
          levels = MossyAnvil::Mend::BubbleLog::LEVELS
          return if levels.each_index.include?(@body["value"])

          problem = MossyAnvil::Fault.t("is", given: @body["value"] || "missing")
          raise MossyAnvil::InvalidInput.at(
                  "/value",
                  problem,
                  MossyAnvil::Fault.t("a_whole_number_up_to", size: levels.size - 1)
                )
        end

        def take_back
          @waits.drop(@card[:id], key)
          @stocks.put_back(seed, @now, @card[:id]) if @line["draws"]
        end

        def seed = "#{@card[:id]}-#{key}-#{@view.turn(key)}"

        def refuse(path, problem, allowed) =
          raise MossyAnvil::InvalidInput.at(path, MossyAnvil::Fault.t(problem), MossyAnvil::Fault.t(allowed))
      end
    end
  end
end
