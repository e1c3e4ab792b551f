# frozen_string_literal: true

module MossyAnvil
  module Formats
    # JSON from outside, read with limits.
    module JsonText
      MAX_BYTES = 2_000_000
      MAX_NESTING = 20
      # Numbers beyond these are slips of a hand or a trick.
      LARGEST = 1e15
      TINIEST = 1e-60

      # What no text may hold: control characters but for tab and line ends, and what is no character. They break what
      # is printed, drawn and kept.
      UNPRINTABLE = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F-\u009F\u2028\u2029\uFDD0-\uFDEF\uFFFE\uFFFF]/
      # Text without any of this holds nothing that is unfit: an escape, what is unprintable itself, an exponent, a long
      # row of digits.
      DOUBTFUL = /\\u|#{UNPRINTABLE}|\d[eE]|\d{15}/

      module_function

      # String-keyed data, or InvalidInput: too large, not UTF-8, not JSON, too deep, or with a text or number in it
      # that can be neither kept nor printed.
      def parse(text, most_bytes: MAX_BYTES)
        text = utf8(text, most_bytes)
        data = JSON.parse(text, max_nesting: MAX_NESTING)
        faults = DOUBTFUL.match?(text) ? unfit(data) : []
        raise InvalidInput, faults.first(InvalidInput::MAX_FAULTS) if faults.any?

        data
      rescue JSON::NestingError
        refuse(Fault.t("is_nested_too_deep"), Fault.t("at_most_levels", most: MAX_NESTING))
      rescue JSON::ParserError => e
        refuse(Fault.t("is_not_json", why: e.message.lines.first.to_s.strip[0, 120]), Fault.t("a_json_document"))
      end

      def utf8(text, most_bytes)
        if text.bytesize > most_bytes
          refuse(Fault.t("is_bytes", bytes: text.bytesize), Fault.t("at_most_bytes", most: most_bytes))
        end
        text = text.dup.force_encoding(Encoding::UTF_8)
        text.valid_encoding? ? text : refuse(Fault.t("is_not_valid_utf"), Fault.t("utf_text"))
      end

      # Faults of texts and keys, and of numbers: 1e400 and its like are read as Infinity, which passes many a check,
      # and one as small as TINIEST is no measure.
      def unfit(node, path = "")
        case node
        when Hash
          node.flat_map { |key, child| unfit_pair(key, child, path) }
        when Array
          node.each_with_index.flat_map { |child, index| unfit(child, "#{path}/#{index}") }
        when Float
          measurable(node, path)
        when Integer
          node.abs > LARGEST ? measurable(Float::INFINITY, path) : []
        when String
          unprintable(node, path, Fault.t("text_without_control_characters"))
        else
          []
        end
      end

      def unfit_pair(key, child, path) =
        unprintable(key, path, Fault.t("a_key_that_can_be_read")) + unfit(child, "#{path}/#{key}")

      def measurable(number, path)
        unless number.abs <= LARGEST
          return [
            Fault.new(
              path: path,
              problem: Fault.t("is_too_large_a_number"),
              allowed: Fault.t("a_number_that_can_be_measured")
            )
          ]
        end
        return [] if number.zero? || number.abs >= TINIEST

        [Fault.new(path: path, problem: Fault.t("is_too_small_a_number"), allowed: Fault.t("zero_or_a_number"))]
      end

      def unprintable(text, path, allowed)
        return [] if text.valid_encoding? && !UNPRINTABLE.match?(text)

        [Fault.new(path: path.scrub, problem: Fault.t("holds_a_control_character"), allowed: allowed)]
      end
      private_class_method :unfit, :unfit_pair, :measurable, :unprintable

      def refuse(problem, allowed)
        raise InvalidInput.at("", problem, allowed)
      end
      private_class_method :refuse
    end
  end
end
