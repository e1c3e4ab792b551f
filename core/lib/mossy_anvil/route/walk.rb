# frozen_string_literal: true

module MossyAnvil
  module Route
    # A layout gone through step by step, each on the piece as the one before leaves it.
    class Walk
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
              next step if step.done

              step.saying([*spoilt_at(mend, spoilt), *OpenWall.new(step, made.map(&:first)).says])
            end
          end
      end

      private

      # [[Step, MendStep or nil], ...]; what is dry already is not dried, unless that is a fact.
      def walked
        piece = Workpiece.before(@facts.context)
        made =
          @drafts.each_with_object([]) do |(maker, data), list|
            taken = list.map { |step, _| step.id }
            next if maker == :dry && dry?(piece, data) && !@facts.done.include?(free("dry", taken))

            list << make(maker, data, piece, taken)
            piece = found(list).after
          end
        last = made.rindex { |step, _| @facts.done.include?(step.id) } or return made
        made.each_with_index.map do |(step, mend), index|
          index <= last ? [step.as_done(step.after), nil] : [step, mend]
        end
      end

      def dry?(piece, data) = piece.moisture_pct.nil? || piece.moisture_pct <= data[:to_pct] + 0.05

      # The last step made; after one that is done the wood is as wet as it was found, not as was expected.
      def found(list)
        step, mend = list.last
        return step unless @facts.done.include?(step.id) && @facts.wooden?

        piece = step.after.with(context: step.after.context.found_at(@facts.moisture_pct))
        list[-1] = [step.as_done(piece), mend]
        list.last.first
      end

      def make(maker, data, piece, taken)
        case maker
        when :dry
          [Drying.new(data, piece, @facts).step(free("dry", taken)), nil]
        when :mend
          mending = Mending.new(data, piece, @workings, at: "#{@at}/steps/#{taken.size}")
          [mending.step(free(data[:id], taken)), mending.made]
        when :turn
          [Turning.new(data, piece, @facts).step(free(data[:kind], taken)), nil]
        when :finish
          [Finishing.new(data, piece, @facts).step(free(data[:kind], taken)), nil]
        end
      end

      # That id, or the first of it that no step before has.
      def free(id, taken)
        ([id] + (2..).lazy.map { |number| "#{id}-#{number}" }.first(taken.size)).find { |one| !taken.include?(one) }
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
