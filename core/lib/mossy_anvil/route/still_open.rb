# frozen_string_literal: true

module MossyAnvil
  module Route
    # Mending that the work went past: of defects found since, or not among those it was done for. It is not done
    # because a later step is; it comes next.
    class StillOpen
      # Steps of mending that leave something to level.
      LEVELLED = %w[fill glue].freeze

      # marks: [{ step:, on:, of: }, ...] of a blank file, what is done; defects: as surveyed.
      def initialize(marks, defects)
        @marks = marks
        @defects = defects
      end

      # drafts: list of Draft as laid out. Gives such a list.
      def apply(drafts)
        last = drafts.rindex { |draft| marked?(draft.id) } or return drafts
        finished, ahead = drafts[..last], drafts[(last + 1)..]
        open = finished.filter_map { |draft| part(draft, open_of(draft)) }
        return drafts if open.empty?

        kept = finished.filter_map { |draft| closed(draft) }
        @taken = [*kept.map(&:id), *@marks.map { |mark| mark[:step] }]
        [*kept, *[*open, *levelling(finished, open, ahead)].map { |draft| renamed(draft) }, *ahead]
      end

      private

      def marked?(id) = @marks.any? { |mark| mark[:step] == id }
      def refs(draft) = %i[mend finish].include?(draft.maker) ? draft.data[:of] || [] : []
      def open_of(draft) = refs(draft).reject { |ref| done_for?(draft, ref) }

      # Was it done for that defect? Only where a mark says so: by its name, or of its whole step, for what was known
      # then. That a later step is done says it of turning and drying, not of mending.
      def done_for?(draft, ref)
        own = @marks.select { |mark| ids_of(draft).include?(mark[:step]) }
        own.any? { |mark| mark[:of] ? mark[:of].include?(ref) : known?(ref, mark[:on]) }
      end

      # The day is kept of what runs along a path alone.
      def known?(ref, day)
        found = @defects.find { |defect| defect.id == ref }
        found.nil? || !found.path? || found.found_on.nil? || found.found_on <= day
      end

      # The draft with those defects alone; nil where none are left.
      def part(draft, ids) =
        ids.empty? ? nil : Draft.new(draft.id, draft.maker, draft.data.merge(of: ids), draft.left_out)

      def closed(draft)
        return draft if refs(draft).empty?

        part(draft, refs(draft) - open_of(draft))
      end

      # Under a name that nothing which is done has.
      def renamed(draft) = Draft.new(free_id(draft), draft.maker, draft.data, draft.left_out)
      def free_id(draft) = ids_of(draft).find { |id| !@taken.include?(id) }
      def ids_of(draft) = [draft.id, "#{draft.id}-more", *(2..9).map { |number| "#{draft.id}-more-#{number}" }]

      # What is filled or glued late is levelled late.
      def levelling(finished, open, ahead)
        return [] if open.none? { |draft| LEVELLED.include?(draft.data[:do]) } || ahead.any? { |draft| sanded?(draft) }

        finished.select { |draft| sanded?(draft) }.last(1)
      end

      def sanded?(draft) = draft.maker == :mend && draft.data[:do] == "sand"
    end
  end
end
