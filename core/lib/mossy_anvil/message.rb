# frozen_string_literal: true

module MossyAnvil
  # What is said to people, as plain data: { key:, amounts: { name => { value:, unit: } } }. The text of a key is in
  # core/data/locales; it is put in, and the amounts are formatted, where it is read: on the screen (web/src/i18n), on
  # paper and in the calendar (server/prints/texts.rb).
  #
  # Units of an amount: those of core/data/units.yml, for numbers; "ids", for a list of letters of defects; "text", for
  # what a person typed; "term", for the key of a word in the catalogue; "count", for a number that chooses between one
  # and many; "message", for another message, and "messages", for a list of them.
  module Message
    module_function

    # A message. amounts: { name: [value, unit], name: another message, name: nil to leave it out }.
    def of(key, **amounts) = { key: key, amounts: amounts(amounts) }

    def amounts(given) = given.compact.transform_values { |value| amount(value) }

    def ids(list) = [list, "ids"]
    def term(key) = [key, "term"]
    def count(number) = [number, "count"]

    def text(words) = [words, "text"]

    # What a person named, as a message of its own.
    def named(words) = of("text", text: text(words))

    def amount(given)
      value, unit = given.is_a?(Hash) ? [given, "message"] : given
      { value: value, unit: unit }
    end
    private_class_method :amount
  end
end
