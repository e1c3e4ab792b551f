# frozen_string_literal: true

require_relative "server_helper"

# Bodies made up from the contract: of the right shape, with numbers from all over what is allowed and now and then
# beyond it.
class ContractGuess
  BEYOND = [0, -1, 1e-9, 1e9, 1e300, 2**63, 1e-320, -0.0, 1e15].freeze
  TEXTS = ["x", "A", "<b>é</b>", "M 0 10 C 10 20 30 15 60 12", "casting_epoxy", "z" * 30].freeze
  # What no screen sends: control characters, what begins a formula, what is no character, paths without end.
  HOSTILE = [
    "\u0000",
    "a\u0000b",
    "\u0001\u0008",
    "\u007F\u0085",
    "\uFFFE",
    "line\r\nline",
    "\r",
    "=1+1",
    "@sum",
    "../../etc",
    "%00",
    "M0 0L1e308 5",
    "M 0 5 #{"L 1 2 " * 400}",
    "<path" * 400,
    "\u202E",
    "z" * 3000
  ].freeze
  DAYS = %w[0000-01-01 2026-02-31 2026-13-01 9999-12-31 2030-02-11].freeze
  TIMES = %w[
    2026-99-99T99:99:99Z
    0000-01-01T00:00:00Z
    2030-02-30T10:00:00Z
    9999-12-31T23:59:59Z
    2030-02-11T10:00:00Z
  ].freeze

  # documents: blank documents to take where one is asked for.
  def initialize(random, documents)
    @random = random
    @documents = documents
    @schemas = YAML.safe_load_file(MossyAnvil::Server::Contract::PATH)["components"]["schemas"]
    @file = JSON.parse(File.read(MossyAnvil::Formats::BlankFile::SCHEMA_PATH))["$defs"]
  end

  def of(schema)
    return document if schema["$ref"].to_s.end_with?("/Document")

    schema = resolved(schema)
    return schema["const"] if schema.key?("const")
    return pick(schema["enum"]) if schema["enum"]
    if schema["oneOf"] || schema["anyOf"]
      return of(schema.except("oneOf", "anyOf").merge(pick(schema["oneOf"] || schema["anyOf"])))
    end

    send(:"made_#{pick([*(schema["type"] || "object")])}", schema)
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
    once_in?(3) ? spoilt(own) : own
  end

  # The same with one value somewhere in it made another.
  def spoilt(document)
    node = document
    loop do
      key = pick(node.is_a?(Hash) ? node.keys : node.each_index.to_a)
      child = node[key]
      next node = child if (child.is_a?(Hash) || child.is_a?(Array)) && !child.empty? && !once_in?(6)

      node[key] = other_than(child)
      return document
    end
  end

  def other_than(value)
    case value
    when Numeric
      pick([*BEYOND, value * 1000, value / 1000.0, -value])
    when String
      pick([*HOSTILE, *TEXTS, *DAYS, *TIMES])
    else
      pick([nil, [], {}, true, "x", 0])
    end
  end

  def resolved(schema)
    schema = @schemas[schema["$ref"].split("/").last] || @file.fetch(schema["$ref"].split("/").last) while schema[
      "$ref"
    ]
    schema
  end

  def made_object(schema)
    wanted =
      schema.fetch("properties", {}).select { |name, _| schema.fetch("required", []).include?(name) || once_in?(2) }
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
    pick(
      [
        low,
        high,
        low + ((high - low) * @random.rand),
        low + ([high - low, 200].min * @random.rand),
        low + ([high - low, 5].min * @random.rand)
      ]
    )
  end

  def made_integer(schema) = made_number(schema).to_i
  def made_boolean(_schema) = pick([true, false])
  def made_null(_schema) = nil

  # A day or a time where the pattern asks for one.
  def dated(schema)
    pattern = schema["pattern"].to_s
    return unless pattern.include?("{4}") || pattern.include?("\\d\\d")

    pattern.include?("T") ? pick(TIMES) : pick(DAYS)
  end

  def made_string(schema)
    return Random.uuid if schema["pattern"].to_s.include?("{12}")

    return pick(HOSTILE) if once_in?(8)

    { "date" => pick(DAYS), "date-time" => pick(TIMES) }.fetch(schema["format"]) { dated(schema) || pick(TEXTS) }
  end
end
