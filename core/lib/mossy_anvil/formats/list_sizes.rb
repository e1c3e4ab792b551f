# frozen_string_literal: true

module MossyAnvil
  module Formats
    # How many entries a schema allows in its lists, by the name they stand under. A list that is far too long is known
    # as such without looking at what is in it, which for ten thousand entries takes half a minute.
    class ListSizes
      # schema: plain data.
      def initialize(schema)
        @definitions = schema["$defs"] || {}
        @most = {}
        collect(schema)
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

      def most(name) = @most.fetch(name, Float::INFINITY)

      def collect(node)
        case node
        when Hash
          (node["properties"] || {}).each { |name, rule| note(name, rule) if rule.is_a?(Hash) }
          node.each_value { |value| collect(value) }
        when Array
          node.each { |value| collect(value) }
        end
      end

      # Of several of one name the longest; what says nothing of it has no end.
      def note(name, rule)
        rule = @definitions.fetch(rule["$ref"].delete_prefix("#/$defs/"), {}) if rule.key?("$ref")
        return unless rule["type"] == "array"

        @most[name] = [@most.fetch(name, 0), rule.fetch("maxItems", Float::INFINITY)].max
      end
    end
  end
end
