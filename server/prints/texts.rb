# frozen_string_literal: true

module MossyAnvil
  module Server
    module Prints
      # Texts of the catalogue (core/data/locales) with their amounts put in, for paper, the calendar and the journal:
      # metric, as the screen shows them.
      module Texts
        module_function

        # The text of a message; symbol- or string-keyed. Raises I18n::ArgumentError for a key or an amount that is not
        # there.
        def of(message)
          message = message.transform_keys(&:to_sym)
          amounts = message[:amounts].to_h { |name, amount| [name.to_sym, amount.transform_keys(&:to_sym)] }
          t(
            message[:key],
            **counted(amounts),
            **amounts.transform_values { |amount| amount(amount[:value], amount[:unit]) }
          )
        end

        # The same as a sentence, beginning with a capital.
        def sentence(message) = of(message).sub(/\A\p{Ll}(?!\d|:)/, &:upcase)

        # The text of a key with plain values put in.
        def t(key, **values) = Catalogue.t(key, **values)

        # How what is no number is read.
        WAYS = {
          "ids" => ->(ids) { list(ids) },
          "text" => lambda(&:to_s),
          "count" => lambda(&:to_s),
          "term" => ->(key) { t(key) },
          "message" => ->(message) { of(message) },
          "messages" => ->(messages) { messages.map { |one| of(one) }.join(t("lists.comma")) },
          "clocks" => ->(clocks) { list(clocks.map { |clock_deg| Amounts.text(clock_deg, "clock") }) },
          "grits" => ->(grits) { grits.map { |grit| "P#{grit}" }.join(" · ") }
        }.freeze

        # An amount as it is read.
        def amount(value, unit) = WAYS.key?(unit) ? WAYS[unit].call(value) : Amounts.text(value, unit)

        # What chooses between one and many: the number that was given for it, else how many are listed.
        def counted(amounts)
          counts, listed = %w[count ids].map { |unit| amounts.values.find { |amount| amount[:unit] == unit } }
          return { count: counts[:value] } if counts

          listed ? { count: listed[:value].size } : {}
        end

        def list(words)
          words.size < 2 ? words.join : t("lists.and", first: words[0...-1].join(t("lists.comma")), last: words.last)
        end
        private_class_method :counted, :list
      end
    end
  end
end
