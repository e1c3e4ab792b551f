# frozen_string_literal: true

module MossyAnvil
  module Rehearsal
    # What the outcomes of a plan on many truths say together: chances with their spread, bands, causes, a verdict.
    class Outcomes
      # Of a 95 % interval. Source: Wilson.
      Z95 = 1.96

      # list: of { index:, events: [{ key:, step:, then:, energy_j: }], days: nil where it never gets there, cost: }, at
      # least one, in any order.
      def initialize(list)
        @list = list.sort_by { |one| one[:index] }
      end

      # Was each of them sound, in order of the truths?
      def sound = @sound ||= @list.map { |one| sound?(one) }
      def worst_cause = causes.first

      # Plain data.
      def to_h
        {
          truths: @list.size,
          sound: chance(sound.count(true)),
          mended: @list.count { |one| sound?(one) && one[:events].any? } / @list.size.to_f,
          injury: chance(injured),
          finish_days: band(:days),
          cost: band(:cost),
          causes: causes,
          of_note: of_note,
          verdict: verdict,
          advised_against: injures_too_often?
        }
      end

      private

      def sound?(outcome) = outcome[:events].none? { |event| event[:then] == "lost" }

      # Who stands aside is out of the line of throw, and still a face may be at its height.
      def injured
        at_face_j = Table["odds"]["injury"]["at_face_j"]
        @injured ||= @list.count { |one| one[:events].any? { |event| event[:energy_j] >= at_face_j } }
      end

      def injures_too_often? = injured > @list.size * Table["odds"]["injury"]["share_at_most"]

      # Share with its 95 % interval.
      def chance(count)
        of = @list.size
        share, square = count / of.to_f, Z95**2
        whole = 1 + (square / of)
        middle = (share + (square / (2 * of))) / whole
        half = Z95 / whole * Math.sqrt((share * (1 - share) / of) + (square / (4.0 * of * of)))
        { share: share, low: [middle - half, 0.0].max, high: [middle + half, 1.0].min }
      end

      def band(name)
        sorted = @list.map { |one| one[name] }
        return { p10: nil, p50: nil, p90: nil } if sorted.any?(&:nil?)

        sorted.sort!
        { p10: 0.1, p50: 0.5, p90: 0.9 }.transform_values { |share| sorted[((sorted.size - 1) * share).round] }
      end

      # Most often first: of all truths, those in which it happens at that step.
      def causes
        @causes ||=
          @list
            .flat_map { |one| one[:events].map { |event| event.values_at(:key, :step, :then) }.uniq }
            .tally
            .sort_by { |(key, step, so), count| [so == "lost" ? 0 : 1, -count, key, step] }
            .map { |(key, step, so), count| { event: key, step: step, share: count / @list.size.to_f, then: so } }
      end

      # { worst:, median: } indexes of truths: the lost ones are the worse, then what throws hardest, takes longest and
      # costs most.
      def of_note
        sorted =
          @list.sort_by do |one|
            lost = sound?(one) ? 0 : 1
            [lost, one[:events].map { |event| event[:energy_j] }.max || 0.0, one[:days] || 0.0, one[:cost], one[:index]]
          end
        { worst: sorted.last[:index], median: sorted[(sorted.size - 1) / 2][:index] }
      end

      # go, care or stop.
      def verdict
        row = Table["odds"]["verdict"]
        share = sound.count(true) / @list.size.to_f
        return "stop" if share < row["care_from"] || injures_too_often?

        share < row["go_from"] ? "care" : "go"
      end
    end
  end
end
