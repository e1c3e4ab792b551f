# frozen_string_literal: true

require_relative "server_helper"

# Bodies made up from the contract: of the right shape, with numbers from all over what is allowed and now and then beyond it.
class ContractGuess
  BEYOND = [0, -1, 1e-9, 1e9, 1e300, 2**63].freeze
  TEXTS = ["x", "A", "<b>é</b>", "M 0 10 C 10 20 30 15 60 12", "casting_epoxy", "z" * 30].freeze

  # documents: blank documents to take where one is asked for.
  def initialize(random, documents)
    @random = random
    @documents = documents
    @schemas = YAML.safe_load_file(Loft::Contract::PATH)["components"]["schemas"]
    @file = JSON.parse(File.read(MossyAnvil::BlankFile::SCHEMA_PATH))["$defs"]
  end

  def of(schema)
    return document if schema["$ref"].to_s.end_with?("/Document")

    schema = resolved(schema)
    return schema["const"] if schema.key?("const")
    return pick(schema["enum"]) if schema["enum"]
    return of(schema.except("oneOf", "anyOf").merge(pick(schema["oneOf"] || schema["anyOf"]))) if schema["oneOf"] || schema["anyOf"]

    send(:"made_#{pick([*(schema['type'] || 'object')])}", schema)
  end

  def pick(list) = list.sample(random: @random)
  # True so often, on the average.
  def once_in?(times) = @random.rand(times).zero?

  private

  # One of them, often with a number of its own, now and then lacking a part.
  def document
    own = JSON.parse(JSON.generate(pick(@documents)))
    own.delete("number") unless once_in?(4)
    own.delete(pick(own.keys)) if once_in?(6)
    own
  end

  def resolved(schema)
    schema = @schemas[schema["$ref"].split("/").last] || @file.fetch(schema["$ref"].split("/").last) while schema["$ref"]
    schema
  end

  def made_object(schema)
    wanted = schema.fetch("properties", {}).select { |name, _| schema.fetch("required", []).include?(name) || once_in?(2) }
    wanted.transform_values { |part| of(part) }
  end

  def made_array(schema)
    least = schema.fetch("minItems", 0)
    Array.new(@random.rand(least..[least + 4, schema.fetch("maxItems", 4)].min)) { of(schema["items"]) }
  end

  def made_number(schema)
    return pick(BEYOND) if once_in?(15)

    low = (schema["minimum"] || schema["exclusiveMinimum"] || 0).to_f
    high = (schema["maximum"] || schema["exclusiveMaximum"] || 1000).to_f
    pick([low, high, low + ((high - low) * @random.rand), low + ([high - low, 200].min * @random.rand), low + ([high - low, 5].min * @random.rand)])
  end

  def made_integer(schema) = made_number(schema).to_i
  def made_boolean(_schema) = pick([true, false])
  def made_null(_schema) = nil

  def made_string(schema)
    return Random.uuid if schema["pattern"].to_s.include?("{12}")

    { "date" => "2030-02-1#{@random.rand(10)}", "date-time" => "2030-02-11T10:00:00Z" }.fetch(schema["format"]) { pick(TEXTS) }
  end
end
