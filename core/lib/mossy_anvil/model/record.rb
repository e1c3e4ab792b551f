# frozen_string_literal: true

module MossyAnvil
  module Model
    # For values with more fields than arguments should be: they are given by keyword, some of them with what they are
    # where nothing is said.
    #
    #   class Lathe
    #     extend Record
    #     fields :mass_kg, :stand, ballast_kg: 0
    #     def initialize(**given)
    #       given = self.class.complete(given)
    module Record
      # Names the fields and makes readers of them. needed: those that must be given; usual: the others, with what they
      # are unsaid.
      def fields(*needed, **usual)
        @needed, @usual = needed.freeze, usual.freeze
        attr_reader(*needed, *usual.keys)
      end

      # All fields of what was given. Raises ArgumentError where one is missing or unknown.
      def complete(given)
        missing, unknown = @needed - given.keys, given.keys - @needed - @usual.keys
        return { **@usual, **given } if missing.empty? && unknown.empty?

        raise ArgumentError,
              "#{name}: #{[*missing.map { |key| "missing #{key}" }, *unknown.map { |key| "unknown #{key}" }].join(", ")}"
      end
    end
  end
end
