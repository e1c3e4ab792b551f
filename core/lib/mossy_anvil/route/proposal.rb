# frozen_string_literal: true

module MossyAnvil
  module Route
    # All ways the work on a piece can go, and the one that is advised. Each way but the first differs from it in one
    # answer.
    class Proposal
      # What a piece is known by that leaves nothing to ask.
      ONLY = "straight"

      # chosen: { question => answer } of the turner's own. workings: Workings.
      def initialize(facts, workings, chosen: {})
        @facts = facts
        @workings = workings
        @questions = Questions.new(facts)
        @asked = @questions.to_h
        @chosen = chosen.select { |question, answer| @asked[question]&.include?(answer) }
      end

      # { question => answers, the usual one first }, those with more than one answer.
      def asked = @asked.select { |_, answers| answers.size > 1 }

      # List of Alternative: the one taken first, then each other answer to each question that does change it and goes
      # through all that is done.
      def alternatives
        @alternatives ||= [
          lay_out(taken),
          *others.select { |one| one.through?(lay_out(taken).steps.select(&:done).map(&:id)) }
        ].uniq(&:course)
      end

      def way_taken = lay_out(taken)

      # What is taken: the turner's own answers, then what is advised.
      def taken = @taken ||= { **advised, **@chosen }

      # The advised answer to each question.
      def advised = @questions.usual

      # Key of the alternative that is advised.
      def recommended = key_of(advised)

      # Why, as a message.
      def reason
        question = advised.keys.first
        return Message.of("route.reason.#{ONLY}") unless question
        return Message.of("route.reason.#{wet_reason}", **wet_amounts) if question == "wet"

        Message.of("route.reason.#{advised[question]}", ids: Message.ids(@questions.about(question)))
      end

      private

      def key_of(choices) = choices.values.first || ONLY

      def others =
        @asked.flat_map { |question, answers| (answers - [taken[question]]).map { |answer| other(question, answer) } }
      def other(question, answer) = lay_out({ **taken, question => answer }, key: answer)

      def lay_out(choices, key: key_of(choices))
        (@laid ||= {})[choices] ||= Alternative.new(key, choices, walk(choices, @laid.size).steps)
      end

      def walk(choices, number)
        Walk.new(Layout.new(@facts, choices, @questions).drafts, @facts, @workings, at: "/alternatives/#{number}")
      end

      def wet_reason = @facts.blank.roughed_out ? "roughed" : advised["wet"]

      # Days until it is as dry as this room takes it, whole and roughed out.
      def wet_amounts
        wall = @facts.rough && @facts.rough[:wall_mm]
        {
          whole: (days_of(@facts.blank.shape.least_extent_mm) unless @facts.blank.roughed_out),
          rough: wall && days_of(wall),
          wall: wall && [wall, "mm"]
        }.compact
      end

      def days_of(thickness_mm)
        piece = Workpiece.before(@facts.context).with(thickness_mm: thickness_mm)
        wait = Drying.new({ to_pct: @facts.dry_pct }, piece, @facts).step("dry").wait
        [wait&.likely, "days"]
      end
    end
  end
end
