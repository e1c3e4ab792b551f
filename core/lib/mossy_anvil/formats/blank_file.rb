# frozen_string_literal: true

require "json_schemer"

module MossyAnvil
  module Formats
    # The blank file: strict reading. The schema says what each value may be; the rules here what they may be together.
    module BlankFile
      VERSION = 7
      SCHEMA_PATH = File.join(DATA_DIR, "blank-#{VERSION}.schema.json")

      module_function

      # Text to Blank; raises InvalidInput with every fault found (InvalidInput::MAX_FAULTS at most).
      def read(text)
        from_data(JsonText.parse(text))
      end

      # Text to the document it holds, string-keyed, checked like #read and of the present version; what is written of
      # it is the same blank.
      def document(text) = current(JsonText.parse(text)).tap { |data| from_data(data) }

      # A checked document as the text of a blank file.
      def write(document) = JsonLayout.text(document)

      # String-keyed data of any version to Blank; raises InvalidInput.
      def from_data(data) =
        Model::Blank.from(consistent(JSON.parse(JSON.generate(current(data)), symbolize_names: true)))

      # String-keyed data of any version to the present one; raises InvalidInput where it does not fit its own version's
      # schema.
      def current(data)
        older = data.is_a?(Hash) && Upgrade::STEPS.key?(data["version"])
        faults = schema_faults(data, older ? data["version"] : VERSION)
        raise InvalidInput, faults if faults.any?

        Upgrade.call(data)
      end

      # The SchemaCheck of a version.
      def schema(version = VERSION)
        (@schemas ||= {})[version] ||= SchemaCheck.new(
          JSON.parse(File.read(File.join(DATA_DIR, "blank-#{version}.schema.json")))
        )
      end

      def schema_faults(data, version = VERSION)
        return [] if schema(version).passes?(data)

        schema(version)
          .errors(data)
          .first(InvalidInput::MAX_FAULTS)
          .flat_map { |error| SchemaFault.from(error) }
          .uniq
          .first(InvalidInput::MAX_FAULTS)
      end

      def consistent(known)
        faults = BlankRules.new(known).faults
        raise InvalidInput, faults.first(InvalidInput::MAX_FAULTS) if faults.any?

        known
      end
      private_class_method :consistent
    end
  end
end
