# frozen_string_literal: true

module MossyAnvil
  module Report
    # Amounts written into a sentence where there is no screen to do it.
    module WrittenText
      module_function

      # A text with its {names} filled in. values: [{ name:, value:, unit: }, ...], keyed by symbols or strings.
      def said(text, values)
        values.map { |one| one.transform_keys(&:to_sym) }.inject(text) { |whole, one| whole.gsub("{#{one[:name]}}", amount(one[:value], one[:unit])) }
      end

      def amount(value, unit)
        # A little of something is not none of it.
        digits = if value.zero? || value.abs >= 10 then 0
                 else value.abs < 0.1 ? 2 : 1
                 end
        number = format("%.#{digits}f", value)
        unit == "%" ? "#{number} %" : "#{number} #{unit}".strip
      end
    end
  end
end
