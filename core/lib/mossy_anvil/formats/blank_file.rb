# frozen_string_literal: true

require "json_schemer"

module MossyAnvil
  # The blank file: strict reading. The schema says what each value may be; the rules here what they may be together.
  module BlankFile
    SCHEMA_PATH = File.join(DATA_DIR, "blank-1.schema.json")
    MAX_FAULTS = 20
    VERSION = 1

    module_function

    # Text to Blank; raises InvalidInput with every fault found (MAX_FAULTS at most).
    def read(text)
      from_data(JsonText.parse(text))
    end

    # Text to the document it holds, string-keyed and checked like #read; what is written of it is the same blank.
    def document(text) = JsonText.parse(text).tap { |data| from_data(data) }

    # A checked document as the text of a blank file.
    def write(document) = JsonLayout.text(document)

    # String-keyed data to Blank; raises InvalidInput.
    def from_data(data)
      faults = schema_faults(data)
      raise InvalidInput, faults if faults.any?

      blank = JSON.parse(JSON.generate(data), symbolize_names: true).then { |known| consistent(known) }
      Blank.from(blank)
    end

    def schema
      @schema ||= JSONSchemer.schema(JSON.parse(File.read(SCHEMA_PATH)))
    end

    def schema_faults(data)
      schema.validate(data).first(MAX_FAULTS).flat_map { |error| SchemaFault.from(error) }.uniq.first(MAX_FAULTS)
    end

    def consistent(known)
      faults = BlankRules.new(known).faults
      raise InvalidInput, faults.first(MAX_FAULTS) if faults.any?

      known
    end
    private_class_method :consistent
  end
end

require_relative "json_layout"
require_relative "schema_fault"
require_relative "survey_csv"
require_relative "blank_rules"
