# frozen_string_literal: true

module MossyAnvil
  # How findings are put: a sentence with its amounts apart, so that a screen can show them in mm or inches,
  # and a pointer at the number whose working it rests on. For classes that speak of one blank and what was reckoned of it so far.
  module Saying
    include OfReport

    STAGE_WORDS = { blank: "As it stands", rounded: "Rounded", outside: "With the outside turned", hollowed: "Hollowed" }.freeze

    # report: the assessment as plain data so far.
    def initialize(blank, report)
      @blank = blank
      @report = report
    end

    private

    # tone: :plain, :go, :care or :stop. {name} in the text stands for values[name], [value, unit].
    def say(tone, text, figure: nil, **values)
      { tone: tone.to_s, text: text, figure: figure, values: values.map { |name, (value, unit)| { name: name.to_s, value: value, unit: unit } } }
    end
  end
end
