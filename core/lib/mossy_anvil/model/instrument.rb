# frozen_string_literal: true

module MossyAnvil
  module Model
    # A device that measures, a row of the table of instruments: what of its readings can be believed.
    class Instrument
      # at_s: when it was measured, s of one clock. value: in the instrument's unit; nil of a sound. spot: which of its
      # probes, "" where it has one. doubtful: it leapt, and nothing has borne it out yet.
      Reading = Struct.new(:key, :spot, :value, :at_s, :doubtful, keyword_init: true)

      def self.all = @all ||= Table.rows("instruments").map { |row| new(row) }.freeze
      # Raises InvalidInput at `at`.
      def self.of(key, at: "/instrument")
        all.find { |one| one.key == key } || Table.row("instruments", key, at: at)
      end

      # Of a reading that came so long ago, s: is it no longer one of now?
      def self.lost?(age_s) = age_s > Table["instruments"]["lost_after_s"]

      attr_reader :key, :unit, :spots

      def initialize(row)
        @key, @unit, @least, @most, @fastest = row.values_at("key", "unit", "least", "most", "fastest")
        @spots = row.fetch("spots", [""])
        @sound = row["sound"] == true
        freeze
      end

      # Does it hear, and give no number?
      def sound? = @sound

      # A Reading. value: a number, nil of a sound. at_s: when it was measured, now_s: when it came. shown, last: the
      # last Reading that was believed and the last of all, nil where none is. Raises InvalidInput: outside what such
      # a device can give, of another time than now, or before the last one.
      def read(value, at_s:, now_s:, spot: spots.first, shown: nil, last: nil)
        faults = [spot_fault(spot), (value_fault(value) unless sound?), time_fault(at_s, now_s, last)].compact
        raise InvalidInput, faults if faults.any?

        borne_out = sound? || last.nil? || [shown, last].compact.any? { |before| follows?(value, at_s, before) }
        Reading.new(key: key, spot: spot, value: value, at_s: at_s, doubtful: !borne_out)
      end

      private

      # Could it have come to that since? Within a tenth of a second it may have done so in one.
      def follows?(value, at_s, before) = (value - before.value).abs <= @fastest * [at_s - before.at_s, 0.1].max

      def spot_fault(spot)
        return if spots.include?(spot)

        Fault.new(
          path: "/spot",
          problem: Fault.t("is", given: Fault.shown(spot)),
          allowed: Fault.t("one_of", list: spots.join(", "))
        )
      end

      def value_fault(value)
        return if value.is_a?(Numeric) && value.to_f.finite? && value.between?(@least, @most)

        Fault.new(
          path: "/value",
          problem: Fault.t("is", given: Fault.shown(value)),
          allowed: Fault.t("a_number_from_to", low: @least, high: @most)
        )
      end

      def time_fault(at_s, now_s, last)
        late, early = Table["instruments"].values_at("late_s", "early_s")
        return in_order_fault if last && at_s < last.at_s
        return if (at_s - now_s).between?(-late, early)

        Fault.new(
          path: "/at",
          problem: Fault.t("is_of_another_time", seconds: (at_s - now_s).round),
          allowed: Fault.t("a_time_of_now", late: late, early: early)
        )
      end

      def in_order_fault =
        Fault.new(path: "/at", problem: Fault.t("is_before_the_last"), allowed: Fault.t("readings_in_order"))
    end
  end
end
