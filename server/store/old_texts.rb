# frozen_string_literal: true

module MossyAnvil
  module Server
    module Store
      # Cards from before the catalogue of texts kept English sentences with {names} for their amounts. They are read as
      # messages that hold that sentence.
      module OldTexts
        # What a line said it leads to, and its key now.
        UNLOCKS = {
          "dry enough for what follows" => "dry_enough",
          "ready to turn" => "turn",
          "food, water, finish" => "food_and_finish",
          "finish, food, heat" => "food_and_finish",
          "it may be turned over" => "turn_over",
          "clamps off" => "clamps_off",
          "cured through" => "cured",
          "the rest may be poured" => "pour_rest",
          "what follows; demoulding is counted from here" => "demould_from_here",
          "the next layer" => "next_layer",
          "demoulding" => "demould",
          "the hold" => "hold",
          "letting it cool" => "cool"
        }.freeze

        module_function

        # Steps of a card as they are kept, string-keyed, with messages throughout.
        def steps(steps)
          steps.map do |step|
            next step unless step["name"].is_a?(String)

            {
              **step,
              "name" => message(step["name"]),
              "cautions" => step["cautions"].map { |text| message(text) },
              "tools" => step["tools"].map { |text| message(text) },
              "lines" => step["lines"].map { |line| line(line) },
              "troubles" => step["troubles"].map { |row| row.except("name") }
            }
          end
        end

        # What a mark holds that was found with it, string-keyed, or nil.
        def found(found)
          return unless found

          {
            **found,
            **{
              "trouble" => found["trouble"] && advice(found["trouble"]),
              "says" => found["says"]&.map { |one| advice(one) },
              "lines" => found["lines"]&.map { |one| line(one) }
            }.compact
          }
        end

        # A wait of an archived card.
        def wait(wait)
          return wait unless wait.key?("reason")

          {
            **wait.except("reason", "unlocks"),
            **{ "message" => message(wait["reason"]), "unlocks" => UNLOCKS[wait["unlocks"]] }.compact
          }
        end

        # A whole archived card, string-keyed.
        def card(card)
          marks = card["marks"]&.map { |mark| mark["found"] ? { **mark, "found" => found(mark["found"]) } : mark }
          {
            **card,
            **{
              "steps" => card["steps"] && steps(card["steps"]),
              "marks" => marks,
              "waits" => card["waits"]&.map { |row| wait(row) }
            }.compact
          }
        end

        def advice(advice) =
          if advice.key?("text")
            { **advice.slice("tone", "figure"), **message(advice["text"], advice["values"]) }
          else
            advice
          end

        def line(line)
          return line unless line.key?("text")

          {
            **line.except("text", "values"),
            "message" => message(line["text"], line["values"]),
            "unlocks" => UNLOCKS[line["unlocks"]]
          }
        end

        def message(text, values = [])
          filled =
            values.inject(text) do |whole, one|
              whole.gsub("{#{one["name"]}}", "#{one["value"].to_f.round(2)} #{one["unit"]}".strip)
            end
          { "key" => "text", "amounts" => { "text" => { "value" => filled, "unit" => "text" } } }
        end
        private_class_method :advice, :line, :message
      end
    end
  end
end
