# frozen_string_literal: true

module MossyAnvil
  module Formats
    # Turns one error of the schema into faults a person can act on: path, what is wrong, what is allowed.
    module SchemaFault
      # Keywords of a schema that name a limit, and what is said of it.
      LIMITS = {
        "minimum" => "at_least",
        "maximum" => "at_most",
        "exclusiveMinimum" => "more_than",
        "minLength" => "at_least_characters",
        "maxLength" => "at_most_characters",
        "minItems" => "at_least_entries",
        "maxItems" => "at_most_entries"
      }.freeze
      TYPES = {
        "number" => "a_number",
        "integer" => "a_whole_number",
        "string" => "text",
        "array" => "a_list",
        "object" => "a_group",
        "boolean" => "true_or_false"
      }.freeze

      module_function

      # error: one of json_schemer's. Returns a list, since several keys may be missing at once.
      def from(error)
        path, keyword, rule = error["data_pointer"], error["type"], error["schema"]
        return missing(error, path, rule) if keyword == "required"
        return [unknown(path)] if keyword == "schema"

        limit = rule[keyword] if rule.is_a?(Hash)
        [
          Fault.new(
            path: path,
            problem: Fault.t("is", given: Fault.shown(error["data"])),
            allowed: allowed(keyword, limit, rule)
          )
        ]
      end

      def missing(error, path, rule)
        error["details"]["missing_keys"].map do |key|
          about = rule.dig("properties", key, "description")
          Fault.new(path: "#{path}/#{key}", problem: Fault.t("is_missing"), allowed: about || Fault.t("it_is_needed"))
        end
      end

      def unknown(path)
        Fault.new(path: path, problem: Fault.t("is_not_a_known_key"), allowed: Fault.t("leave_it_out_or_check_it"))
      end

      def allowed(keyword, limit, rule)
        return Fault.t(LIMITS[keyword], limit: limit) if LIMITS.key?(keyword)

        case keyword
        when "enum"
          Fault.t("one_of", list: limit.join(", "))
        when "const"
          Fault.t("must_be", limit: limit)
        when "uniqueItems"
          Fault.t("each_only_once")
        when "pattern"
          rule["description"] || Fault.t("text_that_is_not_only_blanks")
        else
          Fault.t(TYPES.fetch(keyword, "see_the_file_format"))
        end
      end
    end
  end
end
