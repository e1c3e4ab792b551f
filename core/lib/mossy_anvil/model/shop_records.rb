# frozen_string_literal: true

module MossyAnvil
  module Model
    # What the shop's own work has shown, by what it is of, rows of core/data/rates.yaml: it weighs in on a rule of
    # thumb.
    class ShopRecords
      # Only the last so many count.
      LAST = 100

      # rows: [{ kind:, of:, value: }, ...], oldest first; of: a key, or nil.
      def initialize(rows = [])
        @rows =
          rows
            .group_by { |row| [row[:kind], row[:of]] }
            .transform_values { |list| list.last(LAST).map { |row| row[:value].to_f } }
        freeze
      end

      # The Rate of a kind whose default is that.
      def rate(kind, default, of = nil) = Rate.new(default, @rows.fetch([kind, of], []))
      # What it really takes over what is worked out, by own records; 1 without any.
      def factor(kind, of = nil) = rate(kind, 1.0, of).times
      # How many there are.
      def count(kind, of = nil) = @rows.fetch([kind, of], []).size
      # Where a number with them comes from, else the usual source.
      def source(kind, usual, of = nil) = count(kind, of).positive? ? "your_own_records" : usual

      # Is a value one that such a record may have?
      def self.plausible?(kind, value)
        row = Table.row("rates", kind)
        value.between?(row["least"], row["most"])
      end
    end
  end
end
