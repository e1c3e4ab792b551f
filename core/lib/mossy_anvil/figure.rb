# frozen_string_literal: true

module MossyAnvil
  # A computed value that can show its working.
  #
  #   Figure.new(value: 942.5, unit: "ml", formula: "half_of_base_times_height",
  #              inputs: { "height" => [60, "mm"] }, source: "geometry", certainty: :derived)
  #
  # value: a finite number, or nil where there is none (then formula says why). formula, source and the names of inputs
  # are keys of the catalogue, under `workings`; a source may be the citation of a table instead.
  # certainty: :measured, :derived or :rule_of_thumb.
  class Figure
    CERTAINTIES = %i[measured derived rule_of_thumb].freeze

    attr_reader :value, :unit, :formula, :inputs, :source, :certainty

    # inputs: name => [value, unit], or name => another Figure.
    def initialize(value:, unit:, formula:, source:, certainty:, inputs: {})
      raise ReckoningError, "not finite: #{formula}" if value.is_a?(Float) && !value.finite?
      raise ReckoningError, "unknown certainty #{certainty}" unless CERTAINTIES.include?(certainty)

      @value = value
      @unit = unit
      @formula = formula
      @source = source
      @certainty = certainty
      @inputs = inputs.transform_values { |input| input.is_a?(Figure) ? [input.value, input.unit] : input }.freeze
      freeze
    end

    # The working as plain data, for JSON.
    def to_h
      {
        value: value,
        unit: unit,
        formula: formula,
        inputs: inputs.map { |name, (amount, of)| { name: name, value: amount, unit: of } },
        source: source,
        certainty: certainty.to_s
      }
    end
  end
end
