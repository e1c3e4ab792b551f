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
      JSON.parse(text, max_nesting: MAX_NESTING).tap do |data|
        faults = endless(data)
        raise InvalidInput, faults.first(BlankFile::MAX_FAULTS) if faults.any?
      end
    rescue JSON::NestingError
      refuse("is nested too deep", "at most #{MAX_NESTING} levels")
    rescue JSON::ParserError => e
      refuse("is not JSON (#{e.message.lines.first.to_s.strip[0, 120]})", "a JSON document")
    end

    # 1e400 and its like are read as Infinity, which passes many a check.
    def endless(node, path = "")
      case node
      when Hash then node.flat_map { |key, child| endless(child, "#{path}/#{key}") }
      when Array then node.each_with_index.flat_map { |child, index| endless(child, "#{path}/#{index}") }
      when Float then node.finite? ? [] : [Fault.new(path: path, problem: "is too large a number", allowed: "a number that can be measured")]
      else []
      end
    end
    private_class_method :endless

    def refuse(problem, allowed)
      raise InvalidInput, [Fault.new(path: "", problem: problem, allowed: allowed)]
    end
    private_class_method :refuse
  end
end
