# frozen_string_literal: true

module MossyAnvil
  module Report
    # What to look at first, in words.
    module Coverage
      module_function

      # coverage: of an assessment, plain data, with something that was not looked at. A message under `unseen`.
      def message(coverage)
        from, to = coverage[:gaps].first
        return Message.of("unseen.nothing") if from && to - from >= 360
        return Message.of("unseen.hours", from: [from % 360, "clock"], to: [to % 360, "clock"]) if from

        Message.of(
          "unseen.ends",
          ends: coverage[:unseen_ends].map { |one| Message.of("unseen.#{one}") }.then { |list| [list, "messages"] }
        )
      end
    end
  end
end
