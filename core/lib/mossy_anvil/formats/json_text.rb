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
        refuse("is #{text.bytesize} bytes", "at most #{most_bytes} bytes") if text.bytesize > most_bytes
        text = text.dup.force_encoding(Encoding::UTF_8)
        refuse("is not valid UTF-8", "UTF-8 text") unless text.valid_encoding?
        JSON
          .parse(text, max_nesting: MAX_NESTING)
          .tap do |data|
            faults = DOUBTFUL.match?(text) ? unfit(data) : []
            raise InvalidInput, faults.first(InvalidInput::MAX_FAULTS) if faults.any?
          end
      rescue JSON::NestingError
        refuse("is nested too deep", "at most #{MAX_NESTING} levels")
      rescue JSON::ParserError => e
        refuse("is not JSON (#{e.message.lines.first.to_s.strip[0, 120]})", "a JSON document")
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
          unprintable(node, path, "text without control characters")
        else
          []
        end
      end

      def unfit_pair(key, child, path) =
        unprintable(key, path, "a key that can be read") + unfit(child, "#{path}/#{key}")

      def measurable(number, path)
        unless number.abs <= LARGEST
          return [Fault.new(path: path, problem: "is too large a number", allowed: "a number that can be measured")]
        end
        return [] if number.zero? || number.abs >= TINIEST

        [Fault.new(path: path, problem: "is too small a number", allowed: "0, or a number that can be measured")]
      end

      def unprintable(text, path, allowed)
        return [] if text.valid_encoding? && !UNPRINTABLE.match?(text)

        [Fault.new(path: path.scrub, problem: "holds a control character", allowed: allowed)]
      end
      private_class_method :unfit, :unfit_pair, :measurable, :unprintable

      def refuse(problem, allowed)
        raise InvalidInput, [Fault.new(path: "", problem: problem, allowed: allowed)]
      end
      private_class_method :refuse
    end
  end
end
