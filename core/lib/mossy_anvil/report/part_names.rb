# frozen_string_literal: true

module MossyAnvil
  module Report
    # What parts of the skin are called together, in a line of a card.
    class PartNames
      # all: every FinishPart of the piece.
      def initialize(all)
        @all = all
      end

      # "all over"; "wood and filler"; with its sides where a stuff is not dealt with alike on all of them.
      def of(parts)
        return Message.of("finish_plan.all_over") if parts.size == @all.size

        [parts.group_by { |part| stuff(part) }.flat_map { |stuff, own| named(stuff, own) }, "messages"]
      end

      private

      def named(stuff, parts)
        term = Message.term("finish_plan.stuff.#{stuff}")
        whole = @all.count { |part| stuff(part) == stuff } == parts.size
        return [Message.of("finish_plan.on", stuff: term)] if whole

        parts.map { |part| Message.of("finish_plan.side.#{part.side}", stuff: term) }
      end

      # Sound stock by what it is.
      def stuff(part) = part.stuff == "sound" ? part.kind : part.stuff
    end
  end
end
