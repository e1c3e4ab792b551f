# frozen_string_literal: true

module MossyAnvil
  module Report
    # An answer of a search for placements as a turner reads it: with the form and centres to take over, what it comes
    # to, and what it gains and gives up against how the form lies now.
    class PlacementReport
      # What has changed by less than this is not spoken of: shares, and speeds in parts.
      LEAST_SHARE, LEAST_PART = 0.05, 0.05

      # search: PlacementSearch.
      def initialize(search, climate: ShopClimate.new)
        @search = search
        @blank = search.field.blank
        @climate = climate
      end

      # Plain data of one answer; present: whether it is how the form lies now.
      def row(answer)
        outcome = outcome_of(answer)
        gains, gives_up = answer.placement == Model::Placement.present ? [[], []] : against_present(answer, outcome)
        {
          present: answer.placement == Model::Placement.present,
          fits: @search.wishes.fits?(answer.measures),
          worth: answer.worth,
          move: answer.placement.to_h,
          **Model::PlacementMove.new(@blank, answer.placement.to_h).to_h,
          kept: answer.measures.kept,
          bark_rim: answer.measures.bark_rim,
          outcome: outcome,
          gains: gains,
          gives_up: gives_up
        }
      end

      private

      def laid_out(placement) =
        @blank.with_form(@search.field.form(placement)).with_centres(placement.centres(@blank.centres))
      def outcome_of(answer) =
        (@outcomes ||= {})[answer.placement.to_a] ||= FormOutcome.new(
          laid_out(answer.placement),
          climate: @climate
        ).to_h

      # [what it gains, what it gives up], messages.
      def against_present(answer, outcome)
        now = @search.present
        said = [
          *defects(now.measures, answer.measures),
          *through(now.measures, answer.measures),
          *size(answer),
          *speed(outcome_of(now), outcome),
          *holding(now.measures, answer.measures),
          *rim(now.measures, answer.measures)
        ]
        said.compact.partition(&:first).map { |some| some.map(&:last) }
      end

      def say(good, key, **amounts) = [good, Message.of("placement.#{key}", **amounts)]

      def defects(now, then_)
        @blank.defects.filter_map do |defect|
          before, after = now.kept[defect.id], then_.kept[defect.id]
          next if (before - after).abs < LEAST_SHARE

          less = after < before
          unwanted = !Placing::PlacementGoals::CHARACTER.include?(defect.type)
          say(
            less == unwanted,
            after < 0.001 ? "turned_away" : "stays",
            id: Message.text(defect.id),
            after: [after * 100, "%"],
            before: [before * 100, "%"]
          )
        end
      end

      def through(now, then_)
        [
          (now.through - then_.through).then { |ids| say(true, "not_through", ids: Message.ids(ids)) if ids.any? },
          (then_.through - now.through).then { |ids| say(false, "through", ids: Message.ids(ids)) if ids.any? }
        ]
      end

      def size(answer)
        part = answer.placement.scale - 1
        [(say(part.positive?, part.positive? ? "larger" : "smaller", part: [part.abs * 100, "%"]) if part.abs >= 0.01)]
      end

      def speed(now, then_)
        before, after = now[:limit_rpm], then_[:limit_rpm]
        if before.zero? != after.zero?
          return [say(before.zero?, before.zero? ? "can_turn" : "cannot_turn", after: [after, "rpm"])]
        end
        return [] if before.zero? || ((after / before) - 1).abs < LEAST_PART

        [say(after > before, "speed", after: [after, "rpm"], before: [before, "rpm"])]
      end

      def holding(now, then_)
        least = Table["wishes"]["least_tenon_mm"]
        before, after = now.tenon_mm, then_.tenon_mm
        return [] if (before < least) == (after < least)

        [say(after >= least, after >= least ? "tenon" : "no_tenon", after: [after, "mm"])]
      end

      def rim(now, then_)
        return [] if (now.bark_rim - then_.bark_rim).abs < LEAST_SHARE

        [
          say(
            then_.bark_rim > now.bark_rim,
            "bark_rim",
            after: [then_.bark_rim * 100, "%"],
            before: [now.bark_rim * 100, "%"]
          )
        ]
      end
    end
  end
end
