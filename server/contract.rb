# frozen_string_literal: true

require "yaml"
require "json_schemer"

module MossyAnvil
  module Server
    # The contract as a checker: bodies in and out against server/contract/openapi.yaml.
    # Blank documents are left to the core, which reads them against the same schema file and with its own rules.
    class Contract
      PATH = File.join(ROOT, "server", "contract", "openapi.yaml")

      # A $ref into the blank file's own schema, as the contract writes it.
      INTO_FILE = %r{\A\.\./\.\./core/data/blank-\d+\.schema\.json#/\$defs/}
      INTO_PARTS = "#/components/schemas/"

      # The one a process checks against, read when it is first asked for: reading it takes a tenth of a second.
      def self.own = @own ||= new

      # documents: :core leaves blank documents to the core, :inline checks them here too.
      def initialize(documents: :core)
        raw = YAML.safe_load_file(PATH)
        file = JSON.parse(File.read(MossyAnvil::Formats::BlankFile::SCHEMA_PATH))
        raw["components"]["schemas"]["Document"] = documents == :core ? {} : file
        raw["components"]["schemas"].merge!(parts(file))
        whole = referring(raw, INTO_FILE)
        @schemas = JSONSchemer.openapi(whole, regexp_resolver: "ecma")
        @parts = whole["components"]["schemas"]
        @sizes = {}
        @paths = raw["paths"]
        @known = {}
      end

      # Faults of a body against a named schema, empty where it fits.
      def faults(name, body)
        schema = @known[name] ||= @schemas.schema(name)
        sizes = @sizes[name] ||= MossyAnvil::Formats::ListSizes.new(@parts.fetch(name), definitions: @parts)
        sizes
          .errors(body) { |shortened| schema.validate(shortened) }
          .first(MossyAnvil::InvalidInput::MAX_FAULTS)
          .flat_map { |error| MossyAnvil::Formats::SchemaFault.from(error) }
          .uniq
      end

      # Raises InvalidInput unless the body fits.
      def check(name, body)
        found = faults(name, body)
        raise MossyAnvil::InvalidInput, found if found.any?

        body
      end

      # The least role that may do so (`x-role`), "anyone" where nobody has to be known for it; of what the contract
      # does not know, a viewer's: there is nothing there.
      def least_role(method, path)
        method = "GET" if method == "HEAD"
        found = operations.find { |one| one[:method] == method && one[:path].match?(path) }
        found ? found[:role] : Caller::ROLES.first
      end

      # Every operation: { method:, path: (a pattern), template:, role: }.
      def operations
        @operations ||=
          @paths.flat_map do |template, about|
            pattern = Regexp.new("\\A#{template.gsub(/\{\w+\}/, "[^/]+")}\\z")
            about
              .slice("get", "put", "post", "delete")
              .map { |verb, one| { method: verb.upcase, path: pattern, template: template, role: one["x-role"] } }
          end
      end

      private

      # Parts of the blank file that the contract speaks of, beside its own schemas.
      def parts(file) = referring(file["$defs"], %r{\A#/\$defs/}).transform_keys { |name| "file_#{name}" }

      # The same with every $ref that begins so pointing at those parts.
      def referring(node, beginning)
        case node
        when Hash
          node.to_h do |key, value|
            [
              key,
              (
                if key == "$ref" && value.is_a?(String)
                  value.sub(beginning, "#{INTO_PARTS}file_")
                else
                  referring(value, beginning)
                end
              )
            ]
          end
        when Array
          node.map { |value| referring(value, beginning) }
        else
          node
        end
      end
    end
  end
end
