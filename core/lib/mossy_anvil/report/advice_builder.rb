# frozen_string_literal: true

module MossyAnvil
  module Report
    # How findings are put: a sentence with its amounts apart, so that a screen can show them in mm or inches,
    # and a pointer at the number whose working it rests on. For classes that speak of one blank and what was reckoned of it so far.
    module AdviceBuilder
      include ReportQueries

      STAGE_WORDS = { blank: "As it stands", rounded: "Rounded", outside: "With the outside turned", hollowed: "Hollowed" }.freeze

      PARTED = { "crack" => "crack", "delamination" => "split", "bark_inclusion" => "bark", "void" => "pocket", "galleries" => "the holes of", "bubble_pocket" => "bubbles",
                 "soft_zone" => "soft wood", "loose_piece" => "loose piece", "hard_inclusion" => "inclusion" }.freeze

      # report: the assessment as plain data so far.
      def initialize(blank, report)
        @blank = blank
        @report = report
      end

      private

      # Does something open grow before the whole section splits?
      def grows_first?(stage) = stage[:crack_runs_rpm] && (stage[:burst_rpm].nil? || stage[:crack_runs_rpm] < stage[:burst_rpm])

      # What is open, by its kind and its letters: "crack B", "pocket A with bark C".
      def parted(ids)
        ids.map { |id| "#{PARTED.fetch(@blank.defects.find { |defect| defect.id == id }&.type, 'the opening')} #{id}" }.join(" with ")
      end

      # What lifts the limit, by its letter where it is one crack that must be glued.
      def lifts(stage)
        return stage[:lifts_it] unless stage[:governed_by] == "cross_section"

        stage[:lifts_it].sub("the crack", parted(stage[:cross_section_at]))
      end

      # Why there is no speed at all, or none that this lathe goes.
      def no_speed(stage) = stage[:limit_rpm].zero? ? "no speed is safe" : "limit {limit}, slower than the lathe goes"

      # tone: :plain, :go, :care or :stop. {name} in the text stands for values[name], [value, unit].
      def say(tone, text, figure: nil, **values)
        { tone: tone.to_s, text: text, figure: figure, values: values.map { |name, (value, unit)| { name: name.to_s, value: value, unit: unit } } }
      end
    end
  end
end
