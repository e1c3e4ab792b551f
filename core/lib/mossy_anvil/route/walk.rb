# frozen_string_literal: true

module MossyAnvil
  module Route
    # A layout gone through step by step, each on the piece as the one before leaves it.
    class Walk
      MAKERS = { dry: Drying, turn: Turning, finish: Finishing }.freeze

      # drafts: of a Layout. workings: Workings; at: pointer of this route there.
      def initialize(drafts, facts, workings, at:)
        @drafts = drafts
        @facts = facts
        @workings = workings
        @at = at
      end

      # List of Step with the conflicts named at them.
      def steps
        @steps ||=
          begin
            made = walked
            spoilt = Mend::MendConflicts.new(made.filter_map { |_, mend| mend }).to_a
            made.map do |step, mend|
              next step if step.done || step.left_out

              step.saying(
                [
                  *spoilt_at(mend, spoilt),
                  *[Sequence, OpenWall].flat_map { |rule| rule.new(step, made.map(&:first)).says }
                ]
              )
            end
          end
      end

      private

      # [[Step, MendStep or nil], ...]; what is dry already is not dried, unless that is a fact.
      def walked
        piece = Workpiece.before(@facts.context)
        made =
          @drafts.each_with_object([]) do |draft, list|
            if to_dry?(draft)
              piece = settled(piece, draft) if rests?(list, draft)
              next if dry?(piece, draft.data)
            end

            list << made(draft, piece, list.size)
            piece = found(list).after
          end
        last = made.rindex { |step, _| done?(step) } or return made
        made.each_with_index.map do |(step, mend), index|
          index <= last ? [step.as_done(step.after), nil] : [step, mend]
        end
      end

      # Of a draft or a step.
      def done?(step) = @facts.done.include?(step.id)
      def to_dry?(draft) = draft.maker == :dry && !done?(draft)

      # Left out, nothing comes of it.
      def made(draft, piece, number)
        step, mend = make(draft, piece, number)
        draft.left_out ? [step.as_left_out(piece), nil] : [step, mend]
      end

      def dry?(piece, data) = piece.moisture_pct.nil? || piece.moisture_pct <= data[:to_pct] + 0.05

      # Is it drying in the room's air now, and its weight has stood still? What comes before it is done.
      def rests?(list, draft) = @facts.settled? && draft.data[:in].nil? && (list.empty? || done?(list.last.first))

      # As dry as its air makes it, whatever its curve says.
      def settled(piece, draft)
        return piece if dry?(piece, draft.data)

        piece.with(context: piece.context.dried(draft.data[:to_pct]))
      end

      # The last step made; after one that is done the wood is as wet as it was found, not as was expected.
      def found(list)
        step, mend = list.last
        return step unless done?(step) && @facts.wooden?

        piece = step.after.with(context: step.after.context.found_at(@facts.moisture_pct))
        list[-1] = [step.as_done(piece), mend]
        list.last.first
      end

      def make(draft, piece, number)
        return mended(draft, piece, number) if draft.maker == :mend
        return OwnStep.new(draft.data, piece).step(draft.id), nil if draft.maker == :own

        [MAKERS.fetch(draft.maker).new(draft.data, piece, @facts).step(draft.id), nil]
      end

      def mended(draft, piece, number)
        mending = Mending.new(draft.data, piece, @workings, at: "#{@at}/steps/#{number}")
        [mending.step(draft.id), mending.made]
      end

      def spoilt_at(mend, spoilt)
        return [] unless mend

        spoilt
          .select { |of, *| of.equal?(mend) }
          .map { |_, tone, key, amounts| { tone: tone.to_s, figure: nil, **Message.of("conflicts.#{key}", **amounts) } }
      end
    end
  end
end
