# frozen_string_literal: true

module MossyAnvil
  module Report
    # An answer of a search for placements as a turner reads it: with the form and centres to take over, what it comes to, and what it gains and
    # gives up against how the form lies now.
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
        { present: answer.placement == Model::Placement.present, fits: @search.wishes.fits?(answer.measures), worth: answer.worth, move: answer.placement.to_h,
          **Model::PlacementMove.new(@blank, answer.placement.to_h).to_h, kept: answer.measures.kept, bark_rim: answer.measures.bark_rim, outcome: outcome,
          gains: gains, gives_up: gives_up }
      end

      private

      def laid_out(placement) = @blank.with_form(@search.field.form(placement)).with_centres(placement.centres(@blank.centres))
      def outcome_of(answer) = (@outcomes ||= {})[answer.placement.to_a] ||= FormOutcome.new(laid_out(answer.placement), climate: @climate).to_h

      # [what it gains, what it gives up], as sentences with their amounts apart.
      def against_present(answer, outcome)
        now = @search.present
        said = [*findings(now.measures, answer.measures), *through(now.measures, answer.measures), *size(answer), *speed(outcome_of(now), outcome),
                *holding(now.measures, answer.measures), *rim(now.measures, answer.measures)]
        said.compact.partition(&:first).map { |some| some.map(&:last) }
      end

      def say(good, text, **values) = [good, { text: text, values: values.map { |name, (value, unit)| { name: name.to_s, value: value, unit: unit } } }]

      def findings(now, then_)
        @blank.defects.filter_map do |defect|
          before, after = now.kept[defect.id], then_.kept[defect.id]
          next if (before - after).abs < LEAST_SHARE

          less = after < before
          trouble = !Placing::PlacementGoals::CHARACTER.include?(defect.type)
          say(less == trouble, after < 0.001 ? "#{defect.id} turned away whole" : "#{defect.id}: {after} stays, not {before}", after: [after * 100, "%"],
            before: [before * 100, "%"])
        end
      end

      def through(now, then_)
        [(now.through - then_.through).then { |ids| say(true, "#{ids.join(', ')} no longer through the wall") if ids.any? },
         (then_.through - now.through).then { |ids| say(false, "#{ids.join(', ')} through the wall") if ids.any? }]
      end

      def size(answer)
        part = answer.placement.scale - 1
        [(say(part.positive?, part.positive? ? "{part} larger" : "{part} smaller", part: [part.abs * 100, "%"]) if part.abs >= 0.01)]
      end

      def speed(now, then_)
        before, after = now[:limit_rpm], then_[:limit_rpm]
        return [say(before.zero?, before.zero? ? "can be turned, up to {after}" : "cannot be turned like that", after: [after, "rpm"])] if before.zero? != after.zero?
        return [] if before.zero? || ((after / before) - 1).abs < LEAST_PART

        [say(after > before, "{after} at the end, not {before}", after: [after, "rpm"], before: [before, "rpm"])]
      end

      def holding(now, then_)
        least = Table["wishes"]["least_tenon_mm"]
        before, after = now.tenon_mm, then_.tenon_mm
        return [] if (before < least) == (after < least)

        [say(after >= least, after >= least ? "wood for a tenon: {after}" : "no wood left for a tenon", after: [after, "mm"])]
      end

      def rim(now, then_)
        return [] if (now.bark_rim - then_.bark_rim).abs < LEAST_SHARE

        [say(then_.bark_rim > now.bark_rim, "natural edge round {after} of the mouth, not {before}", after: [then_.bark_rim * 100, "%"], before: [now.bark_rim * 100, "%"])]
      end
    end
  end
end
