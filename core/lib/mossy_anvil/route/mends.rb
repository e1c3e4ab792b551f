# frozen_string_literal: true

module MossyAnvil
  module Route
    # The steps of mending that a choice of answers asks for, without their drying: that is the route's.
    class Mends
      # Verdicts of what an edge must not meet.
      OUT_FIRST = %w[remove_now stop].freeze

      # choices: { question => answer }; questions: Questions.
      def initialize(facts, choices, questions)
        @facts = facts
        @choices = choices
        @questions = questions
      end

      # As in a plan of mending, symbol-keyed, in an order in which nothing spoils what follows.
      def steps
        return own if @facts.blank.mend

        proposed = Mend::MendProposal.new(@facts.blank, decided).steps.reject { |step| step[:do] == "dry" }
        proposed.map { |step| hardened(step) }
      end

      # Ids of what is taken out or off before anything else, also where the form would turn it away: an edge meets it
      # on the way.
      def removed
        decided[:defects].select { |one| OUT_FIRST.include?(one[:chosen] || one[:verdict]) }.map { |one| one[:id] }
      end

      private

      # A plan of the turner's own is taken as it is.
      def own = @facts.blank.mend[:steps].reject { |step| step[:do] == "dry" }

      # The assessment as if the turner had chosen so.
      def decided
        @decided ||= @facts.assessed.merge(defects: @facts.assessed[:defects].map { |one| decide(one) })
      end

      def decide(defect) = ways[defect[:id]] ? defect.merge(chosen: ways[defect[:id]]) : defect

      # { id => way } as answered.
      def ways
        @ways ||=
          @choices
            .select { |_, answer| Questions::WAYS.key?(answer) }
            .flat_map { |question, answer| @questions.about(question).map { |id| [id, Questions::WAYS.fetch(answer)] } }
            .to_h
      end

      # Under vacuum, or thin glue where it tears: as chosen, whatever its size would say.
      def hardened(step)
        return step unless %w[stabilise soak].include?(step[:do]) && @choices["soft"]

        if @choices["soft"] == "stabilise"
          { id: "stabilise", do: "stabilise", of: step[:of] }
        else
          { id: "soak", do: "soak", of: step[:of], with: "thin_ca" }
        end
      end
    end
  end
end
