# frozen_string_literal: true

module MossyAnvil
  module Formats
    # A document against one version of the schema. Its parts, the values of its keys and the entries of its lists,
    # stand for themselves there, so what has passed once is not looked at again: of a blank with sixty defects mostly
    # one is new.
    class SchemaCheck
      # All that a schema may say of the whole, so that parts can be checked one by one.
      OF_THE_WHOLE = %w[$schema $id $defs title description type required additionalProperties properties].freeze
      PASSED = Cache.new(3000)

      # schema: plain data, of an object that takes no other keys than it names. Raises ArgumentError where it says more
      # of the whole than #plain? looks at.
      def initialize(schema)
        more = schema.keys - OF_THE_WHOLE
        if more.any? || schema["additionalProperties"] != false
          raise ArgumentError, "parts of this schema do not stand for themselves: #{more.join(", ")}"
        end

        @schema = schema
        @compiled = JSONSchemer.schema(schema, regexp_resolver: "ecma")
        @sizes = ListSizes.new(schema)
        @places = Hash.new { |refs, place| refs[place] = @compiled.ref(place) }
      end

      # Does it fit?
      def passes?(data) = plain?(data) && parts(data).all? { |place, value| passed?(place, value) }

      # json_schemer's errors of the whole, one after another.
      def errors(data) = @sizes.errors(data) { |shortened| @compiled.validate(shortened) }

      private

      # Has it the keys it needs, and no others?
      def plain?(data) =
        data.is_a?(Hash) && (@schema["required"] - data.keys).empty? &&
          data.each_key.all? { |key| @schema["properties"].key?(key) }

      # [[place in the schema, value], ...]
      def parts(data)
        data.flat_map do |key, value|
          place, rule = "#/properties/#{key}", @schema["properties"][key]
          if value.is_a?(Array) && entries_alone?(rule, value)
            value.map { |entry| ["#{place}/items", entry] }
          else
            [[place, value]]
          end
        end
      end

      # Does the schema say no more of that list than what its entries are, and how many there may be?
      def entries_alone?(rule, list) =
        (rule.keys - %w[type items maxItems description]).empty? && rule["type"] == "array" &&
          list.size <= rule["maxItems"]

      def passed?(place, value)
        key = [self, place, value]
        PASSED.found(key) ||
          (@sizes.fit?(value, place.split("/")[2]) && @places[place].valid?(value) && PASSED.keep(key, true))
      end
    end
  end
end
