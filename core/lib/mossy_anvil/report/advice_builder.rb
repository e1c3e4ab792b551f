# frozen_string_literal: true

module MossyAnvil
  module Report
    # How advice is made: a message with the number it rests on. For classes that speak of one blank and what was worked
    # out of it so far.
    module AdviceBuilder
      include ReportQueries

      # report: the assessment as plain data so far.
      def initialize(blank, report)
        @blank = blank
        @report = report
      end

      private

      # Does something open grow before the whole section splits?
      def grows_first?(stage) =
        stage[:crack_runs_rpm] && (stage[:burst_rpm].nil? || stage[:crack_runs_rpm] < stage[:burst_rpm])

      # What is open, by its kind and its letters: "crack B", "pocket A with bark C". A message of one or two.
      def opened(ids)
        kinds = ids.map { |id| opening(id) }
        if kinds.size == 1
          kinds.first
        else
          Message.of("advice.opened_with", first: kinds.first, others: Message.ids(ids.drop(1)))
        end
      end

      def opening(id)
        type = @blank.defects.find { |defect| defect.id == id }&.type || "opening"
        Message.of("advice.opened", type: Message.term("defects.#{type}"), id: Message.text(id))
      end

      # What lifts the limit, by its letter where it is one crack that must be glued.
      def lifts(stage)
        return Message.of("caps.#{stage[:governed_by]}.lifts") unless stage[:governed_by] == "cross_section"

        Message.of("caps.cross_section.lifts_of", what: opened(stage[:cross_section_at]))
      end

      def stage_term(name) = Message.term("stages.#{name}")

      # tone: :plain, :go, :care or :stop. figure: JSON Pointer of the number whose working it rests on. amounts: as
      # Message.of takes them.
      def say(tone, key, figure: nil, **amounts)
        { tone: tone.to_s, figure: figure, **Message.of("advice.#{key}", **amounts) }
      end
    end
  end
end
