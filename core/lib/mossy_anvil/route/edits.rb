# frozen_string_literal: true

module MossyAnvil
  module Route
    # What the turner changed of a layout: another order, steps left out, steps of one's own. What is done stays where
    # it is, before all else.
    class Edits
      # route: { order:, left_out:, own: } of a blank file, nothing where nobody changed anything; done: ids.
      def initialize(route, done)
        @order = route.fetch(:order, [])
        @left_out = route.fetch(:left_out, []) - done
        @own = route.fetch(:own, [])
        @done = done
      end

      # drafts: list of Draft. Gives such a list.
      def apply(drafts)
        whole = with_own(drafts).map { |draft| Draft.new(*draft.to_a.first(3), @left_out.include?(draft.id)) }
        finished, ahead = parted(whole)
        finished + in_order(ahead)
      end

      private

      # One's own stand before the last, unless the order says otherwise.
      def with_own(drafts)
        own = @own.map { |step| Draft.new(step[:id], :own, step) }
        [*drafts[0...-1], *own, *drafts.last(1)]
      end

      # Up to the last that is done, and what lies ahead.
      def parted(drafts)
        last = drafts.rindex { |draft| @done.include?(draft.id) }
        last ? [drafts[..last], drafts[(last + 1)..]] : [[], drafts]
      end

      # Those the order names, as it names them; each of the others right after what it comes after by itself.
      def in_order(drafts)
        named = @order.filter_map { |id| drafts.find { |draft| draft.id == id } }
        drafts
          .each_with_index
          .inject(named) do |list, (draft, index)|
            next list if list.include?(draft)

            before = index.zero? ? nil : list.index(drafts[index - 1])
            list.dup.insert(before ? before + 1 : 0, draft)
          end
      end
    end
  end
end
