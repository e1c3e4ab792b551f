# frozen_string_literal: true

module MossyAnvil
  module Formats
    # Turns one error of the schema into faults a person can act on: path, what is wrong, what is allowed.
    module SchemaFault
      LIMITS = {
        "minimum" => "at least %s",
        "maximum" => "at most %s",
        "exclusiveMinimum" => "more than %s",
        "minLength" => "at least %s characters",
        "maxLength" => "at most %s characters",
        "minItems" => "at least %s entries",
        "maxItems" => "at most %s entries"
      }.freeze
      TYPES = {
        "number" => "a number",
        "integer" => "a whole number",
        "string" => "text",
        "array" => "a list",
        "object" => "a group of named values",
        "boolean" => "true or false"
      }.freeze

      module_function

      # error: one of json_schemer's. Returns a list, since several keys may be missing at once.
      def from(error)
        path, keyword, rule = error["data_pointer"], error["type"], error["schema"]
        return missing(error, path, rule) if keyword == "required"
        return [unknown(path)] if keyword == "schema"

        limit = rule[keyword] if rule.is_a?(Hash)
        [Fault.new(path: path, problem: "is #{Fault.shown(error["data"])}", allowed: allowed(keyword, limit, rule))]
      end

      def missing(error, path, rule)
        error["details"]["missing_keys"].map do |key|
          about = rule.dig("properties", key, "description")
          Fault.new(path: "#{path}/#{key}", problem: "is missing", allowed: about || "it is needed")
        end
      end

      def unknown(path)
        Fault.new(
          path: path,
          problem: "is not a known key here",
          allowed: "leave it out, or check its spelling and unit"
        )
      end

      def allowed(keyword, limit, rule)
        return format(LIMITS[keyword], limit) if LIMITS.key?(keyword)

        case keyword
        when "enum"
          "one of #{limit.join(", ")}"
        when "const"
          "must be #{limit}"
        when "uniqueItems"
          "each only once"
        when "pattern"
          rule["description"] || "text that is not only blanks"
        else
          TYPES.fetch(keyword, "see the file format")
        end
      end
    end
  end
end
