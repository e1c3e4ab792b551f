# frozen_string_literal: true

module MossyAnvil
  module Placing
    # Looks for the best ways to lay a form into a blank: from the present one and from starts spread evenly over all
    # freedoms, each climbed by steps along one freedom after another that are halved when none helps any more. The same
    # seed gives the same answers; the present placement is among the starts, so what is found is never worth less by
    # the same wishes.
    class PlacementSearch
      FREEDOMS = %i[slide_mm x_mm y_mm lean_x_mm lean_y_mm scale].freeze
      STARTS = 28
      HALVINGS = 4
      # Of the starts, those worth most are climbed.
      CLIMBED = 10
      ANSWERS = 5
      # So many starts are shown before anything is climbed.
      AT_ONCE = 2
      # Two answers are the same where no freedom differs by more than so many of its first steps.
      APART_STEPS = 0.8
      PRIMES = [2, 3, 5, 7, 11, 13].freeze

      Answer = Struct.new(:placement, :measures, :worth, keyword_init: true)

      attr_reader :field, :wishes

      # blank: as surveyed, with a form. wishes: see Wishes. freedoms: those of FREEDOMS that may change; flip: may it
      # be turned end for end? seed: a whole number, another one for other starts. Raises InvalidInput under `at`.
      def initialize(blank, wishes, freedoms: FREEDOMS, flip: true, seed: 1, at: "")
        unless blank.form
          raise InvalidInput.at("#{at}/form", Fault.t("is_missing"), Fault.t("a_form_to_lay_into_the_blank"))
        end

        @field = PlacementField.new(blank)
        @wishes = PlacementGoals.new(wishes, blank, at: "#{at}/wishes")
        @freedoms = freedoms
        @flip = flip
        @seed = seed
        @seen = {}
      end

      # How many climbs each of so many parts makes; the whole search is part 0 of 1.
      def climbs(parts) = Array.new(parts) { |part| (CLIMBED - part + parts - 1) / parts }

      # List of Answer, the best of each climb that came to a place in the wood. Yields before the first climb and after
      # each how many are done, of how many, and the answers so far, before the first the best starts themselves; stops
      # where the block returns :stop.
      # part of parts: every so manieth climb, for several workers.
      def run(part: 0, parts: 1)
        starts = best_starts.each_slice(parts).filter_map { |slice| slice[part] }
        return [] if block_given? && yield(0, starts.size, at_once(starts)) == :stop

        starts
          .each_with_index
          .with_object([]) do |(start, index), found|
            best = climb(start)
            found << best if best.measures
            break found if block_given? && yield(index + 1, starts.size, found) == :stop
          end
      end

      # The present placement as an answer.
      def present = answer(Model::Placement.present)

      # The few really different ones among rows that tell { fits:, worth:, move: }, the best first; those that do not
      # fit only where nothing else does.
      # The order they come in does not matter.
      def self.different(rows, shape)
        steps = steps_of(shape)
        some = rows.any? { |row| row[:fits] } ? rows.select { |row| row[:fits] } : rows
        some
          .sort_by { |row| [-row[:worth].round(6), row[:move][:flipped] ? 1 : 0, *row[:move].values_at(*FREEDOMS)] }
          .each_with_object([]) do |row, chosen|
            chosen << row if chosen.size < ANSWERS && chosen.none? { |other| alike?(row[:move], other[:move], steps) }
          end
      end

      def self.alike?(one, other, steps)
        one[:flipped] == other[:flipped] &&
          FREEDOMS.all? { |freedom| (one[freedom] - other[freedom]).abs <= steps[freedom] * APART_STEPS }
      end
      private_class_method :alike?

      # First step along each freedom.
      def self.steps_of(shape)
        across = shape.max_radius_mm * 0.05
        {
          slide_mm: [shape.length_mm * 0.06, 1.0].max,
          x_mm: across,
          y_mm: across,
          lean_x_mm: across,
          lean_y_mm: across,
          scale: 0.08
        }
      end

      private

      # The best of the starts that lie in the wood, to have something to show.
      def at_once(starts) = starts.map { |start| answer(start) }.select(&:measures).max_by(AT_ONCE, &:worth)

      def answer(placement)
        key = placement.to_a.map { |value| value.is_a?(Float) ? value.round(4) : value }
        @seen[key] ||= begin
          measures = @field.measure(placement)
          Answer.new(placement: placement, measures: measures, worth: measures ? @wishes.worth(measures) : -1e9)
        end
      end

      # The present one first, then the starts worth most.
      def best_starts
        spread = Array.new(STARTS) { |index| spread_start(index + 1 + (@seed * STARTS)) }
        ends =
          @flip ? [Model::Placement.present, Model::Placement.present.with(flipped: true)] : [Model::Placement.present]
        ends +
          spread.sort_by.with_index { |placement, index| [-answer(placement).worth, index] }.first(CLIMBED - ends.size)
      end

      # Evenly spread by radical inverses (Halton), each freedom over three of its first steps either way.
      def spread_start(number)
        changes =
          @freedoms.each_with_index.to_h do |freedom, index|
            [
              freedom,
              Model::Placement.present[freedom] +
                (((2 * radical_inverse(number, PRIMES[index])) - 1) * 3 * steps[freedom])
            ]
          end
        changes[:scale] = quantized(changes[:scale]) if changes.key?(:scale)
        Model::Placement.present.with(**changes, flipped: @flip && number.odd?)
      end

      def radical_inverse(number, base)
        share, found = 1.0 / base, 0.0
        while number.positive?
          number, digit = number.divmod(base)
          found += digit * share
          share /= base
        end
        found
      end

      def steps = @steps ||= PlacementSearch.steps_of(@field.blank.shape)

      # Sizes by hundredths, so that the same forms are looked up again.
      def quantized(scale) = scale.clamp(*Table["wishes"]["sizes"]).round(2)

      def climb(start)
        best = answer(start)
        scale = 1.0
        (HALVINGS + 1).times do
          while (better = step_from(best, scale))
            best = better
          end
          scale /= 2
        end
        best
      end

      # The best neighbour so far along any freedom, or nil where none is better.
      def step_from(best, scale)
        found =
          @freedoms
            .product([1, -1])
            .inject(best) do |so_far, (freedom, sign)|
              moved = so_far.placement[freedom] + (sign * scale * steps[freedom])
              moved = quantized(moved) if freedom == :scale
              tried = answer(so_far.placement.with(freedom => moved))
              tried.worth > so_far.worth + 1e-9 ? tried : so_far
            end
        found.equal?(best) ? nil : found
      end
    end
  end
end
