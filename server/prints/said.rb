# frozen_string_literal: true

module MossyAnvil
  module Server
    module Prints
      # Sentences of the core with their amounts put in, for what is printed: metric, rounded for reading, speeds down.
      module Said
        HOURS = ->(clock_deg) { ((clock_deg % 360) / 30.0).round.then { |hour| (hour % 12).zero? ? 12 : hour % 12 } }
        WAYS = {
          "mm" => ->(value) { "#{Said.round(value, 1)} mm" }, "mm3" => ->(value) { "#{Said.round(value / 1000.0, 1)} ml" }, "ml" => ->(value) { "#{Said.round(value, 1)} ml" },
          "g" => ->(value) { value >= 1000 ? "#{Said.round(value / 1000.0, 2)} kg" : "#{Said.round(value, 0)} g" }, "g mm" => ->(value) { "#{Said.round(value / 10.0, 0)} g cm" },
          "rpm" => ->(value) { "#{value < 100 ? value.round : value.to_i / 10 * 10} rpm" }, "clock" => ->(value) { "#{HOURS[value]} o'clock" },
          "plane" => ->(value) { "#{HOURS[value]} to #{HOURS[value + 180]} o'clock" }, "share" => ->(value) { "#{Said.round(value * 100, 0)} %" },
          "days" => ->(value) { "#{value.ceil} days" }, "money" => ->(value) { Said.round(value, 2).to_s }
        }.freeze

        module_function

        # finding: with text and values, symbol-keyed.
        def text(finding)
          finding[:values].inject(finding[:text]) { |text, amount| text.gsub("{#{amount[:name]}}", amount(amount[:value], amount[:unit])) }
        end

        def amount(value, unit)
          WAYS.key?(unit) ? WAYS[unit][value] : "#{round(value, 1)} #{unit}".strip
        end

        def round(value, digits) = format("%.#{digits}f", value).sub(/\.0+\z/, "")
      end
    end
  end
end
