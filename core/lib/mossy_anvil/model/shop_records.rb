# frozen_string_literal: true

module MossyAnvil
  module Model
    # What the shop's own work has shown, by what it is of: it replaces a rule of thumb once there are a few.
    # Kinds: loss_share, uptake_share, bubbling_min, and cure_factor of a resin (time it really took over the time
    # calculated).
    class ShopRecords
      # From so many on they count; of the last so many.
      ENOUGH, LAST = 3, 12
      RANGES = {
        "loss_share" => 0.0..0.5,
        "uptake_share" => 0.05..1.0,
        "bubbling_min" => 1.0..2880.0,
        "cure_factor" => 0.2..5.0
      }.freeze

      # rows: [{ kind:, of:, value: }, ...], oldest first; of: a resin's key, or nil.
      def initialize(rows = [])
        @rows =
          rows
            .group_by { |row| [row[:kind], row[:of]] }
            .transform_values { |list| list.last(LAST).map { |row| row[:value].to_f } }
        freeze
      end

      # Mean of the last, or nil where there are too few.
      def mean(kind, of = nil) = values(kind, of).then { |list| list.size >= ENOUGH ? list.sum / list.size : nil }

      # How many count.
      def count(kind, of = nil) = values(kind, of).then { |list| list.size >= ENOUGH ? list.size : 0 }

      # Where a number with them comes from, else the usual source.
      def source(kind, usual, of = nil) = count(kind, of).positive? ? "your_own_records" : usual

      # Is a value one that such a record may have?
      def self.plausible?(kind, value) = RANGES.fetch(kind).cover?(value)

      private

      def values(kind, of) = @rows.fetch([kind, of], [])
    end
  end
end
