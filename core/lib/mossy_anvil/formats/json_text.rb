# frozen_string_literal: true

module MossyAnvil
  # JSON from outside, read with limits.
  module JsonText
    MAX_BYTES = 2_000_000
    MAX_NESTING = 20

    module_function

    # String-keyed data, or InvalidInput: too large, not UTF-8, not JSON, too deep.
    def parse(text)
      refuse("is #{text.bytesize} bytes", "at most #{MAX_BYTES} bytes") if text.bytesize > MAX_BYTES
      text = text.dup.force_encoding(Encoding::UTF_8)
      refuse("is not valid UTF-8", "UTF-8 text") unless text.valid_encoding?
      JSON.parse(text, max_nesting: MAX_NESTING)
    rescue JSON::NestingError
      refuse("is nested too deep", "at most #{MAX_NESTING} levels")
    rescue JSON::ParserError => e
      refuse("is not JSON (#{e.message.lines.first.to_s.strip[0, 120]})", "a JSON document")
    end

    def refuse(problem, allowed)
      raise InvalidInput, [Fault.new(path: "", problem: problem, allowed: allowed)]
    end
    private_class_method :refuse
  end
end
