# frozen_string_literal: true

module MossyAnvil
  module Formats
    # How many entries a schema allows in its lists, by the name they stand under. A list that is far too long is known
    # as such without looking at what is in it, which for ten thousand entries takes half a minute.
    class ListSizes
      # schema: plain data. definitions: what its references lead to, by name.
      def initialize(schema, definitions: schema["$defs"] || {})
        @definitions = definitions
        @most = {}
        @followed = []
        collect(schema)
      end

      # json_schemer's errors of data, one after another. The block checks it, and gets each list that is too long only
      # so long that this is seen; what is told of it is the whole.
      def errors(data)
        yield(shortened(data)).lazy.map do |error|
          error["type"] == "maxItems" ? error.merge("data" => whole(data, error["data_pointer"])) : error
        end
      end

      # Is no list in some data, which stands under a name or under none, longer than one of its name may be?
      def fit?(data, name = nil)
        case data
        when Hash
          data.all? { |key, value| fit?(value, key) }
        when Array
          data.size <= most(name) && data.all? { |entry| fit?(entry) }
        else
          true
        end
      end

      # The data with each list only so long that it can be seen to be too long.
      def shortened(data, name = nil)
        case data
        when Hash
          data.to_h { |key, value| [key, shortened(value, key)] }
        when Array
          (data.size > most(name) ? data.first(most(name) + 1) : data).map { |entry| shortened(entry) }
        else
          data
        end
      end

      private

      def whole(data, pointer) = pointer.split("/").drop(1).inject(data) { |part, key| entry(part, key) }
      def entry(part, key) = part.is_a?(Array) ? part[Integer(key)] : part[key.gsub("~1", "/").gsub("~0", "~")]
      def most(name) = @most.fetch(name, Float::INFINITY)

      def collect(node)
        case node
        when Hash
          (node["properties"] || {}).each { |name, rule| note(name, rule) if rule.is_a?(Hash) }
          follow(node["$ref"]) if node["$ref"].is_a?(String)
          node.each_value { |value| collect(value) }
        when Array
          node.each { |value| collect(value) }
        end
      end

      def follow(reference)
        return if @followed.include?(reference)

        @followed << reference
        collect(definition(reference))
      end

      def definition(reference) = @definitions.fetch(reference.split("/").last, {})

      # Of several of one name the longest; what says nothing of it has no end.
      def note(name, rule)
        rule = definition(rule["$ref"]) if rule.key?("$ref")
        return unless rule["type"] == "array"

        @most[name] = [@most.fetch(name, 0), rule.fetch("maxItems", Float::INFINITY)].max
      end
    end
  end
end
