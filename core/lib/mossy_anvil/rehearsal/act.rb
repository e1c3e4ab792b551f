# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # One thing the turner does at the screen lathe, as plain data with string keys, and where it stands: what is wrong
    # with it is said there.
    class Act
      # data: { "act" => kind, ... }; path: pointer to it.
      def initialize(data, path)
        @data = data
        @path = path
      end

      def kind = @data["act"]
      def of = @data["of"]
      def fetch(name, usual) = @data.fetch(name, usual)
      def place = @data.slice("of", "clock_deg", "z_mm").transform_keys(&:to_sym)

      # The number of that name; raises InvalidInput at its field where it is none within the range.
      def number(name, range, usual: nil)
        value = @data.fetch(name, usual)
        return value if value.is_a?(Numeric) && range.cover?(value)

        raise InvalidInput.at(
                "#{@path}/#{name}",
                value.nil? ? Fault.t("is_missing") : Fault.t("is", given: Fault.shown(value)),
                Fault.t("a_number_from_to", low: range.begin, high: range.end)
              )
      end

      # Raises InvalidInput at a field of it: key of a text below faults.rehearsal.
      def refuse(field, key, allowed = nil) =
        raise InvalidInput.at("#{@path}/#{field}", Fault.t("rehearsal.#{key}"), allowed)
    end
  end
end
