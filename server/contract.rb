# frozen_string_literal: true

require "yaml"
require "json_schemer"

module Loft
  # The contract as a checker: bodies in and out against server/contract/openapi.yaml.
  # Blank documents are left to the core, which reads them against the same schema file and with its own rules.
  class Contract
    PATH = File.join(ROOT, "server", "contract", "openapi.yaml")

    # documents: :core leaves blank documents to the core, :inline checks them here too.
    def initialize(documents: :core)
      raw = YAML.safe_load_file(PATH)
      raw["components"]["schemas"]["Document"] = documents == :core ? {} : JSON.parse(File.read(MossyAnvil::BlankFile::SCHEMA_PATH))
      @schemas = JSONSchemer.openapi(raw)
      @known = {}
    end

    # Faults of a body against a named schema, empty where it fits.
    def faults(name, body)
      schema = @known[name] ||= @schemas.schema(name)
      schema.validate(body).first(MossyAnvil::BlankFile::MAX_FAULTS).flat_map { |error| MossyAnvil::SchemaFault.from(error) }.uniq
    end

    # Raises InvalidInput unless the body fits.
    def check(name, body)
      found = faults(name, body)
      raise MossyAnvil::InvalidInput, found if found.any?

      body
    end
  end
end
